import type { Reason } from '../choose/Reason';
import type { Point } from '../takeoff';
import { SURVEY } from './constants';

/** What a licensed person said of an element that Tufa had stopped: who by role, on which day, and which stops they knew of, at which figures. */
export interface Opinion {
  readonly role: string;
  /** ISO day */
  readonly on: string;
  readonly said: string;
  /** keys of the reasons that stood when it was given */
  readonly covers: readonly string[];
  /** what each of them was like then, by its key; absent in opinions from before this was kept */
  readonly saw?: Readonly<Record<string, Seen>>;
  /** the letter itself, where it was handed over */
  readonly file?: OpinionFile;
}

/** What a stop is about, in figures: an opinion holds for these, not for more. */
export interface Seen {
  readonly answer?: string;
  readonly deepest_m?: number;
  readonly thickness_m?: number;
  readonly area_m2?: number;
  readonly length_m?: number;
  readonly width_m?: number;
  /** a crack's step, or how much it changed between visits */
  readonly step_m?: number;
  readonly at?: Point;
}

/** A letter or its picture: its bytes travel by the pictures' own queue. */
export interface OpinionFile {
  readonly id: string;
  readonly name: string;
  readonly kind: 'pdf' | 'picture';
  readonly sha256: string;
  readonly bytes: number;
}

/** A question that nobody has answered: it is dealt with by answering it. */
export const isUnanswered = ({ figures }: Pick<Reason, 'figures'>): boolean => 'answer' in figures && figures.answer === 'unanswered';

/** A reason that stops, so that an opinion can name it. */
export const stopKey = ({ code, figures }: Reason): string => ('label' in figures ? `${code} ${figures.label}` : code);

/** What is more now than an opinion saw: deeper, wider, larger, longer, a thinner element, another place, another answer. */
function outgrown(saw: Seen, now: Seen, on: string): Reason[] {
  const more = (was: number | undefined, is: number | undefined): was is number => was !== undefined && is !== undefined && is > was * SURVEY.sameWithin;
  const found: Reason[] = [];
  if (saw.answer !== now.answer) found.push({ code: 'opinion.otherAnswer', verdict: 'no', figures: { on } });
  if (more(saw.deepest_m, now.deepest_m)) found.push({ code: 'opinion.deeper', verdict: 'no', figures: { on, was_m: saw.deepest_m, now_m: now.deepest_m! } });
  if (more(saw.width_m, now.width_m)) found.push({ code: 'opinion.wider', verdict: 'no', figures: { on, was_m: saw.width_m, now_m: now.width_m! } });
  if (more(saw.step_m, now.step_m)) found.push({ code: 'opinion.wider', verdict: 'no', figures: { on, was_m: saw.step_m, now_m: now.step_m! } });
  if (more(saw.area_m2, now.area_m2)) found.push({ code: 'opinion.larger', verdict: 'no', figures: { on, was_m2: saw.area_m2, now_m2: now.area_m2! } });
  if (more(saw.length_m, now.length_m)) found.push({ code: 'opinion.longer', verdict: 'no', figures: { on, was_m: saw.length_m, now_m: now.length_m! } });
  if (saw.thickness_m !== undefined && now.thickness_m !== undefined && saw.thickness_m > now.thickness_m * SURVEY.sameWithin)
    found.push({ code: 'opinion.thinner', verdict: 'no', figures: { on, was_m: saw.thickness_m, now_m: now.thickness_m } });
  if (saw.at && now.at) {
    const away_m = Math.hypot(saw.at[0] - now.at[0], saw.at[1] - now.at[1]);
    if (away_m > SURVEY.samePlace_m) found.push({ code: 'opinion.moved', verdict: 'no', figures: { on, away_m } });
  }
  return found;
}

/**
 * What still stops an element: every reason of its verdict that no licensed opinion has dealt with, and with it what has
 * outgrown the figures that the opinion saw. A question nobody has answered is dealt with by answering it, and what is
 * found after the opinion stops again.
 *
 * @param seen what each reason is like now, by its key
 */
export function standingStops(
  { reasons }: { readonly reasons: readonly Reason[] },
  opinion: Opinion | undefined,
  seen: Readonly<Record<string, Seen>> = {},
): Reason[] {
  const covered = new Set(opinion?.covers ?? []);
  return reasons.flatMap((reason): Reason[] => {
    if (reason.verdict !== 'no') return [];
    const key = stopKey(reason);
    if (!opinion || isUnanswered(reason) || !covered.has(key)) return [reason];
    const saw = opinion.saw?.[key];
    const more = saw ? outgrown(saw, seen[key] ?? {}, opinion.on) : [];
    return more.length > 0 ? [reason, ...more] : [];
  });
}
