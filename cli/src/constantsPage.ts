import { CHOOSE_TABLE } from '@tufa/core/choose';
import { DAY_TABLE } from '@tufa/core/day';
import { MIX_TABLE } from '@tufa/core/mix';
import { PLAN_TABLE } from '@tufa/core/plan';
import { RANGE_TABLE, type Constant } from '@tufa/core/quantity';
import { SETTING_TABLE } from '@tufa/core/setting';
import { SURVEY_TABLE } from '@tufa/core/survey';
import { TAKEOFF_TABLE } from '@tufa/core/takeoff';
import { WEATHER_TABLE } from '@tufa/core/weather';

const TOPICS: Readonly<Record<string, Readonly<Record<string, Constant>>>> = {
  Survey: SURVEY_TABLE,
  'Take-off': TAKEOFF_TABLE,
  Choosing: CHOOSE_TABLE,
  Weather: WEATHER_TABLE,
  Setting: SETTING_TABLE,
  Mix: MIX_TABLE,
  Day: DAY_TABLE,
  Plan: PLAN_TABLE,
  Ranges: RANGE_TABLE,
};

const told = (value: unknown): string => {
  if (typeof value === 'number') return String(Number(value.toPrecision(12)));
  if (Array.isArray(value)) return value.map(told).join(', ');
  return Object.entries(value as object)
    .map(([name, inner]) => `${name} ${typeof inner === 'object' ? `(${told(inner)})` : told(inner)}`)
    .join(', ');
};

/** Every constant of the core as a page: value, unit, source, and whether a sheet or a record replaces it. */
export const constantsPage = (): string =>
  [
    '# Constants',
    'Made from the tables in `core/*/constants.ts` by `npm run formats`. _exact_: by definition. _method_: as the equation\u2019s source has it. _default_: a class figure that a sheet or the crew\u2019s own record replaces.',
    ...Object.entries(TOPICS).map(([topic, table]) =>
      [
        `## ${topic}`,
        '',
        '| constant | value | unit | source | |',
        '|---|---|---|---|---|',
        ...Object.entries(table).map(([name, { value, unit, source, standing }]) => `| ${name} | ${told(value)} | ${unit} | ${source} | ${standing} |`),
      ].join('\n'),
    ),
  ].join('\n\n') + '\n';
