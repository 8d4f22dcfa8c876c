import type { RowOf } from '@tufa/contract/entities';
import { now } from '../parts/phone/clock';

const DAY_MS = 86_400_000;
/** A job that has been closed for so long leaves the phone, and one that was brought back stays for so long, days. */
const DAYS = { closed: 182, back: 14 } as const;
const KEY = 'tufa-back';

const dayBefore = (days: number): string => new Date(now() - days * DAY_MS).toISOString().slice(0, 10);

/** Jobs that somebody has brought back, with the day of it. */
function broughtBack(): Record<string, string> {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, string>;
    const since = dayBefore(DAYS.back);
    return Object.fromEntries(Object.entries(kept).filter(([, day]) => day >= since));
  } catch {
    return {};
  }
}

/** A job that is closed for long stays on this phone for some days more. */
export function bringBack(jobId: string): void {
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...broughtBack(), [jobId]: dayBefore(0) }));
  } catch {
    // A browser that refuses storage shows it, and asks for it anew each time.
  }
}

/** Of which jobs the firm need not send the rows. */
export const leftOut = (): { readonly closedBefore: string; readonly back: string } => ({
  closedBefore: dayBefore(DAYS.closed),
  back: Object.keys(broughtBack()).slice(0, 100).join(','),
});

/** Whether a job is closed for so long that its rows are not on this phone. */
export const isAway = ({ id, closedOn }: Pick<RowOf<'job'>, 'id' | 'closedOn'>): boolean =>
  Boolean(closedOn) && closedOn! < dayBefore(DAYS.closed) && !(id in broughtBack());
