import { TZDate } from '@date-fns/tz';

const LOCAL = /^(\d{4})-(\d\d)-(\d\d)[T ](\d\d):(\d\d)(?::\d\d(?:\.\d+)?)?$/;

/** So many times of a zone are remembered: a week by the hour, several times over. */
const MOST = 1000;

/** The same times are asked for at each change of a job, and the rules of a zone are slow to read. */
function remembered<K extends string | number>(make: (of: K, zone: string) => string | null): (of: K, zone: string) => string | null {
  const known = new Map<string, string | null>();
  return (of, zone) => {
    const key = `${typeof of} ${of} ${zone}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    if (known.size >= MOST) known.clear();
    const made = make(of, zone);
    known.set(key, made);
    return made;
  };
}

/**
 * A local date and minute of a zone as an instant. An hour that the clocks leave out is the one after it; of one they
 * go through twice the first.
 *
 * @param local `2026-05-12T09:10`
 * @returns ISO 8601; null for what is no such time or no zone
 */
export const instantOfLocal = remembered((local: string, zone: string): string | null => {
  const found = LOCAL.exec(local.trim());
  if (!found) return null;
  const [year, month, day, hour, minute] = found.slice(1).map(Number) as [number, number, number, number, number];
  const at = new TZDate(year, month - 1, day, hour, minute, zone);
  const exists = at.getMonth() === month - 1 && at.getDate() === day && hour < 24 && minute < 60;
  return exists && !Number.isNaN(at.getTime()) ? new Date(at.getTime()).toISOString() : null;
});

const two = (value: number): string => String(value).padStart(2, '0');

/**
 * An instant as local date and minute of a zone.
 *
 * @returns `2026-05-12T09:10`; null for no instant or no zone
 */
export const localOf = remembered((instant: string | number, zone: string): string | null => {
  const at = new TZDate(typeof instant === 'number' ? instant : Date.parse(instant), zone);
  if (Number.isNaN(at.getTime())) return null;
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}T${two(at.getHours())}:${two(at.getMinutes())}`;
});

/** How far the clock of a zone is ahead of Greenwich at an instant, h; null for no zone. */
export function clockOf(instant: string | number, zone: string): number | null {
  const local = localOf(instant, zone);
  const ms = typeof instant === 'number' ? instant : Date.parse(instant);
  return local === null ? null : Math.round((Date.parse(`${local}:00Z`) - Math.floor(ms / 60_000) * 60_000) / 900_000) / 4;
}
