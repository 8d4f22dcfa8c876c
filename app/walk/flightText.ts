import type { ElementGeometry } from '@tufa/contract/entities';
import { FLIGHT_RAILS, FLIGHT_SIDES, flightOutline, type Flight } from '@tufa/core/survey';
import type { Measured } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { textOf } from '@tufa/words/survey';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { measuredOf } from '../parts/ui/quantityText';

/** More steps than a flight has. */
const STEPS_MOST = 60;

/** One step as it is typed: what is empty is as the others are. */
export interface StepText {
  rise: string;
  going: string;
  /** fall to the nosing, per cent; with a minus where it falls back */
  pitch: string;
}

/** A flight as it is typed: what most steps are like, then each that differs. */
export interface FlightText {
  flightCount: string;
  flightRise: string;
  flightGoing: string;
  flightWidth: string;
  flightLanding: string;
  flightHeight: string;
  flightSides: Flight['sides'];
  flightRails: Flight['rails'];
  flightSteps: StepText[];
}

export const SIDES = FLIGHT_SIDES;
export const RAILS = FLIGHT_RAILS;

/** No flight yet. */
const NO_FLIGHT: FlightText = {
  flightCount: '',
  flightRise: '',
  flightGoing: '',
  flightWidth: '',
  flightLanding: '',
  flightHeight: '',
  flightSides: 'open',
  flightRails: 'none',
  flightSteps: [],
};

/** As many rows as there are steps, none thrown away that was typed. */
export function stepRows(rows: readonly StepText[], count: string): StepText[] {
  const steps = Number(count.trim());
  if (!Number.isInteger(steps) || steps < 1 || steps > STEPS_MOST) return [...rows];
  return Array.from({ length: steps }, (_, i) => rows[i] ?? { rise: '', going: '', pitch: '' });
}

/** A flight as its form shows it. */
export function textOfFlight(speaker: Speaker, { flight, typed = {} }: Pick<ElementGeometry, 'flight' | 'typed'>): FlightText {
  if (!flight) return NO_FLIGHT;
  const text = (measured: Measured): string => textOf(speaker, measured, 'length');
  const [rise, going] = [typed['rise'] ?? text(flight.steps[0]!.rise), typed['going'] ?? text(flight.steps[0]!.going)];
  const other = (measured: Measured, usual: string): string => (text(measured) === usual ? '' : text(measured));
  return {
    flightCount: String(flight.steps.length),
    flightRise: rise,
    flightGoing: going,
    flightWidth: text(flight.width),
    flightLanding: text(flight.steps.at(-1)!.going),
    flightHeight: flight.height ? text(flight.height) : '',
    flightSides: flight.sides,
    flightRails: flight.rails,
    flightSteps: flight.steps.map((step, i) => ({
      rise: other(step.rise, rise),
      going: i === flight.steps.length - 1 ? '' : other(step.going, going),
      pitch: step.pitch === undefined ? '' : String(Math.round(step.pitch * 1000) / 10),
    })),
  };
}

/** A fall as it was typed, a share. @throws FieldProblem */
function pitchOf(speaker: Speaker, field: string, text: string): { pitch?: number } {
  const typed = text.replace('%', '').replace(',', '.').replace('\u2212', '-').trim();
  if (typed === '') return {};
  const percent = Number(typed);
  if (!(percent >= -20 && percent <= 20)) throw new FieldProblem(field, say(speaker, 'walk.flight.pitchPercent'));
  return { pitch: percent / 100 };
}

/** The flight that was typed, with its outline laid flat. @throws FieldProblem */
export function flightTyped(speaker: Speaker, values: FlightText): Required<Pick<ElementGeometry, 'flight' | 'outline' | 'typed' | 'shape'>> {
  const count = Number(values.flightCount.trim());
  if (!Number.isInteger(count) || count < 1 || count > STEPS_MOST) throw new FieldProblem('flightCount', say(speaker, 'walk.stepsWhole'));
  const rows = stepRows(values.flightSteps, values.flightCount);
  const length = (field: string, text: string, limit: 'stepRise_m' | 'side_m'): Measured =>
    measuredOf(speaker, { field, text, as: limit === 'side_m' ? 'side' : 'depth', limit });
  const usual = (name: 'rise' | 'going', i: number): [field: string, text: string] => {
    const differs = rows[i]![name].trim();
    return differs
      ? [`flightSteps.${i}.${name}`, differs]
      : [name === 'rise' ? 'flightRise' : 'flightGoing', name === 'rise' ? values.flightRise : values.flightGoing];
  };
  const steps = rows.map((row, i) => {
    const [going, goingText] = i === count - 1 ? (['flightLanding', values.flightLanding] as const) : usual('going', i);
    const [rise, riseText] = usual('rise', i);
    return {
      rise: length(rise, riseText, 'stepRise_m'),
      // Goings are probed like risers, a landing is taped.
      going: i === count - 1 ? length(going, goingText, 'side_m') : measuredOf(speaker, { field: going, text: goingText, as: 'depth', limit: 'going_m' }),
      ...pitchOf(speaker, `flightSteps.${i}.pitch`, row.pitch),
    };
  });
  const flight: Flight = {
    width: length('flightWidth', values.flightWidth, 'side_m'),
    steps,
    ...(values.flightHeight.trim() ? { height: length('flightHeight', values.flightHeight, 'side_m') } : {}),
    sides: values.flightSides,
    rails: values.flightRails,
  };
  return { shape: 'flight', flight, outline: flightOutline(flight), typed: { rise: values.flightRise.trim(), going: values.flightGoing.trim() } };
}
