import type { Reason } from '../../choose';
import type { Ranged } from '../../quantity';
import type { FlightSurvey, Phase, Seen, Verdict } from '../../survey';
import type { TakeOff } from './TakeOff';

/** What is left for another day: how much, and what its waiting risks. */
export interface Waiting {
  readonly phase: Exclude<Phase, 'now'>;
  readonly labels: readonly string[];
  readonly bad_m2: number;
  readonly volume: Ranged;
  readonly risks: readonly Reason[];
}

/** What the walk comes to for an element. */
export interface ElementSurvey {
  readonly elementId: string;
  /** without its openings */
  readonly area_m2: number;
  readonly verdict: Verdict;
  /** what of it still stops, no licensed opinion having dealt with it */
  readonly stops: readonly Reason[];
  /** what each reason that stops is like now, by its key: an opinion keeps what it saw */
  readonly seen: Readonly<Record<string, Seen>>;
  /** of what is done now */
  readonly bad_m2: number;
  readonly volume: Ranged | null;
  /** cracks, joints and edges done now, m */
  readonly length_m: number;
  /** broken out and carried away now */
  readonly debris: { readonly bulk_m3: number; readonly mass_kg: number; readonly bags: number } | null;
  readonly waiting: readonly Waiting[];
  /** share that rings hollow with its 95 % interval, from soundings; null without any */
  readonly hollow: { readonly share: number; readonly low: number; readonly high: number; readonly taps: number; readonly moreToHalve: number } | null;
  /** what the tape says of a flight of steps; null for what is none */
  readonly flight: FlightSurvey | null;
  /** tape and sheet for every finding done now */
  readonly masking: { readonly tape_m: number; readonly sheet_m2: number } | null;
}

/** What the walk comes to: take-offs and verdicts, nothing chosen. */
export interface Survey {
  readonly elements: readonly ElementSurvey[];
  readonly findings: readonly { readonly findingId: string; readonly elementId: string; readonly takeOff: TakeOff }[];
}
