import { localOf } from './localTime';

/** When a firm works, by the clocks of the place. */
export interface OpeningHours {
  /** hours of the day, `to_h` the first that is not worked any more; before `from_h` where they work through the night */
  readonly from_h: number;
  readonly to_h: number;
  /** days of the week, Sunday 0 */
  readonly days: readonly number[];
}

/** A firm that has not said when it works. */
export const ANY_HOUR: OpeningHours = { from_h: 0, to_h: 24, days: [0, 1, 2, 3, 4, 5, 6] };

/** Of some hours those in which the firm does not work. @param zone IANA */
export function closedIn(hours: OpeningHours, at_ms: readonly number[], zone: string): number[] {
  if (hours === ANY_HOUR) return [];
  const { from_h, to_h } = hours;
  // A night's work ends on the day after.
  const byDay = from_h < to_h;
  return at_ms.filter((ms) => {
    const local = localOf(ms, zone);
    if (local === null) return false;
    const hour = Number(local.slice(11, 13)) + Number(local.slice(14, 16)) / 60;
    return (
      !hours.days.includes(new Date(`${local.slice(0, 10)}T12:00:00Z`).getUTCDay()) || !(byDay ? hour >= from_h && hour < to_h : hour >= from_h || hour < to_h)
    );
  });
}
