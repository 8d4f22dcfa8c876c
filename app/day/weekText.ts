import type { GoodRun, HourReason, WeekHour } from '@tufa/core/plan';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { dayText, hourText, localAt } from './localDay';

const HOUR_MS = 3_600_000;

/** Why an hour is not good, in a word or two. */
export const whyShort = (speaker: Speaker, why: HourReason): string => say(speaker, `week.shortWhy.${why}`);

/** What an hour is like: its minutes, or what stands against it with its figures. */
export function hourSaid(speaker: Speaker, { why, placeBy_s, needs_s, slab_C, air_C, rainChance }: WeekHour): string {
  const figures = { by_s: placeBy_s, needs_s, slab_C, air_C, chance_share: rainChance ?? 0 };
  return why === null ? say(speaker, 'week.fine', figures) : say(speaker, `week.why.${why}`, figures);
}

/** Good hours in a row, with their day: the last of them is over an hour later. */
export function runText(speaker: Speaker, run: GoodRun, { zone, today }: { zone: string; today: string }): string {
  const [from, to] = [localAt(run.from_ms, zone), localAt(run.to_ms + HOUR_MS, zone)];
  const day = dayText(speaker, from.slice(0, 10), today);
  return run.to_ms === run.from_ms && from.slice(0, 10) !== to.slice(0, 10)
    ? say(speaker, 'week.goodHour', { day, from: hourText(from) })
    : say(speaker, 'week.good', { day, from: hourText(from), to: hourText(to) });
}

/** The run to plan by: the first in which the work is not hurried, else the longest. */
export function bestRun(runs: readonly GoodRun[]): GoodRun | null {
  const long = ({ from_ms, to_ms }: GoodRun): number => to_ms - from_ms + HOUR_MS;
  const first = runs.find((run) => long(run) >= 3 * HOUR_MS);
  return first ?? [...runs].sort((a, b) => long(b) - long(a) || a.from_ms - b.from_ms)[0] ?? null;
}

const wholeMinutes = (time_s: number): number => Math.floor(time_s / 60);

/** The minutes a batch has in good hours, and what the crew needs. */
export function minutesText(speaker: Speaker, { least_s, most_s }: GoodRun, needs_s: number): string {
  if (wholeMinutes(least_s) === wholeMinutes(most_s)) return say(speaker, 'week.minutesAlike', { least_s, needs_s });
  return say(speaker, 'week.minutes', { least: String(wholeMinutes(least_s)), most_s, needs_s });
}
