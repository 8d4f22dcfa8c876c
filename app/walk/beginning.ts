import type { RowOf } from '@tufa/contract/entities';
import { evenedRise, type Flight, type OnStep } from '@tufa/core/survey';
import { printFigure } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { textOf } from '@tufa/words/survey';
import type { FlightNeed } from './FlightView';
import type { FindingText } from './TypedFinding';

/** What was tapped on a flight, and what it needs. */
export interface Begun extends OnStep {
  readonly kind: FlightNeed;
}

/** A finding begun at a face of a flight: what the flight says of it is typed already. */
export function beginningAt(speaker: Speaker, { geometry: { flight } }: RowOf<'element'>, { kind, step, face }: Begun): Partial<FindingText> {
  const of = flight?.steps[step - 1];
  return {
    kind,
    by: kind === 'spall' ? 'sizes' : 'face',
    stepNumber: String(step),
    stepFace: face,
    ...(kind === 'step' && of ? { rise: textOf(speaker, of.rise, 'length'), going: textOf(speaker, of.going, 'length'), steps: '1' } : {}),
  };
}

/** How high a rebuilt step would make its risers and the next one alike, and as it would be typed; null where nothing is gained. */
export function evenedText(speaker: Speaker, flight: Flight, [stepNumber, steps]: readonly [string, string]): { even_m: number; text: string } | null {
  const [step, count] = [Number(stepNumber), Number(steps)];
  const even_m = Number.isInteger(step) && Number.isInteger(count) && count > 0 ? evenedRise({ flight, step, steps: count }) : null;
  if (even_m === null) return null;
  const shared = flight.steps.slice(step - 1, step + count);
  const text = printFigure(speaker, 'rise_m', even_m);
  return shared.every(({ rise }) => textOf(speaker, rise, 'length') === text) ? null : { even_m, text };
}
