import type { Reason } from '../choose/Reason';

/** What a licensed person said of an element that Tufa had stopped: who by role, on which day, and which stops they knew of. */
export interface Opinion {
  readonly role: string;
  /** ISO day */
  readonly on: string;
  readonly said: string;
  /** keys of the reasons that stood when it was given */
  readonly covers: readonly string[];
  /** the letter itself, where it was handed over */
  readonly file?: OpinionFile;
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

/**
 * What still stops an element: every reason of its verdict that no licensed opinion has dealt with. A question nobody has
 * answered is dealt with by answering it, and what is found after the opinion stops again.
 */
export function standingStops({ reasons }: { readonly reasons: readonly Reason[] }, opinion: Opinion | undefined): Reason[] {
  const covered = new Set(opinion?.covers ?? []);
  return reasons.filter((reason) => reason.verdict === 'no' && (isUnanswered(reason) || !covered.has(stopKey(reason))));
}
