import { localeOf, type Speaker } from './speak';

const STYLES = {
  /** @example 'May 12' */
  day: { day: 'numeric', month: 'short' },
  /** @example 'May 12, 2026' */
  date: { day: 'numeric', month: 'short', year: 'numeric' },
  /** @example 'May 12, 09:10' */
  dayAndTime: { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit', hourCycle: 'h23' },
  /** @example 'May 12, 2026, 09:10' */
  moment: { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit', hourCycle: 'h23' },
  /** @example '09:10' */
  time: { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' },
  weekday: { weekday: 'long' },
  shortWeekday: { weekday: 'short' },
} as const satisfies Readonly<Record<string, Intl.DateTimeFormatOptions>>;

/** A format is dear to make and the same every time. */
const formats = new Map<string, Intl.DateTimeFormat>();

/**
 * A day or an hour as the speaker writes it.
 *
 * @param at ms since 1970, an ISO instant, or a calendar day as `2026-05-12`, which is the same everywhere
 * @param zone whose clock, IANA; the machine's own where none is given
 */
export function sayDate(speaker: Speaker, at: number | string, style: keyof typeof STYLES, zone?: string): string {
  const isDay = typeof at === 'string' && at.length === 10;
  const timeZone = isDay ? 'UTC' : zone;
  const key = `${speaker.language} ${style} ${timeZone ?? ''}`;
  const format = formats.get(key) ?? new Intl.DateTimeFormat(localeOf(speaker), { ...STYLES[style], ...(timeZone ? { timeZone } : {}) });
  formats.set(key, format);
  return format.format(new Date(isDay ? `${at}T12:00:00Z` : at));
}
