import { CHOOSE } from '../choose/constants';
import { DAY } from '../day/constants';
import { MIX } from '../mix/constants';
import { PLAN } from '../plan/constants';
import { RANGE } from '../quantity/ranged';
import { SETTING } from '../setting/constants';
import { SURVEY } from '../survey/constants';
import { TAKEOFF } from '../takeoff/constants';
import { WEATHER } from '../weather/constants';

/** The plain values of every table of constants. Nothing else is loaded with them, so that a nudge comes first. */
export const TABLES: Readonly<Record<string, Record<string, unknown>>> = { RANGE, SETTING, WEATHER, MIX, SURVEY, TAKEOFF, CHOOSE, DAY, PLAN };

/** Every number of the tables, by its path. */
export const paths = (): string[] =>
  Object.entries(TABLES).flatMap(([table, values]) =>
    Object.entries(values).flatMap(([name, value]) => leaves(value).map((path) => [table, name, ...path].join('.'))),
  );

const leaves = (value: unknown): string[][] =>
  typeof value === 'object' && value !== null ? Object.entries(value).flatMap(([key, inner]) => leaves(inner).map((path) => [key, ...path])) : [[]];

/** Changes one number by one per cent; one that is nothing by a hundredth. */
export function nudge(path: string): void {
  const [table, ...keys] = path.split('.');
  let holder = TABLES[table!] as Record<string, unknown>;
  for (const key of keys.slice(0, -1)) holder = holder[key] as Record<string, unknown>;
  const last = keys.at(-1)!;
  const before = holder[last] as number;
  holder[last] = before === 0 ? 0.01 : before * 1.01;
}
