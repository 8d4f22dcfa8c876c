import { lineLength, rectangle, type Point } from '../takeoff';
import type { Measured } from '../quantity';
import type { OnStep, StepFace } from './types';

/** One step from below: its riser, and the tread on top of it. */
export interface FlightStep {
  readonly rise: Measured;
  readonly going: Measured;
  /** how much the tread falls towards its nosing, rise over run; under 0 it falls back to the next riser; absent where nobody has laid a level on it */
  readonly pitch?: number;
}

/** What stands beside a flight. */
export const FLIGHT_SIDES = ['open', 'oneWall', 'walls'] as const;
/** Whether a rail is there, and what carries it. */
export const FLIGHT_RAILS = ['none', 'onWall', 'onSteps'] as const;

/** A flight of steps from the bottom up; the tread of the last step is the landing. */
export interface Flight {
  readonly width: Measured;
  readonly steps: readonly FlightStep[];
  /** from the floor to the landing, measured by itself; absent where nobody did */
  readonly height?: Measured;
  readonly sides: (typeof FLIGHT_SIDES)[number];
  readonly rails: (typeof FLIGHT_RAILS)[number];
}

/** A riser or a tread, laid flat: from where to where it reaches down from the far end of the landing, m. */
export interface FlightFace {
  readonly step: number;
  readonly face: Exclude<StepFace, 'nosing'>;
  readonly from_m: number;
  readonly to_m: number;
}

/**
 * The faces of a flight laid flat one after another, from the landing down to the foot of the first riser. So laid,
 * every area and length on it is a true one, risers and treads alike.
 *
 * @example flightFaces(flight)[0] // { step: 4, face: 'tread', from_m: 0, to_m: 0.762 }
 */
export function flightFaces({ steps }: Pick<Flight, 'steps'>): FlightFace[] {
  let at_m = 0;
  const face = (step: number, name: FlightFace['face'], long_m: number): FlightFace => {
    const from_m = at_m;
    at_m += long_m;
    return { step, face: name, from_m, to_m: at_m };
  };
  return [...steps.entries()].reverse().flatMap(([i, { rise, going }]) => [face(i + 1, 'tread', going.value), face(i + 1, 'riser', rise.value)]);
}

/** The outline of a flight laid flat, m. */
export const flightOutline = (flight: Pick<Flight, 'width' | 'steps'>): Point[] =>
  rectangle({ length_m: flight.width.value, width_m: flightFaces(flight).at(-1)!.to_m });

/** How far a line may lie from a nosing and still be on it, m. */
const ON_NOSING_M = 0.02;

/** A whole face of a flight laid flat: the corners of a riser or a tread, or the line of a nosing; null where the flight has no such step. */
export function facePoints(flight: Pick<Flight, 'width' | 'steps'>, { step, face }: OnStep): Point[] | null {
  const of = flightFaces(flight).find((found) => found.step === step && found.face === (face === 'nosing' ? 'riser' : face));
  if (!of) return null;
  const length_m = flight.width.value;
  if (face === 'nosing')
    return [
      [0, of.from_m],
      [length_m, of.from_m],
    ];
  return rectangle({ length_m, width_m: of.to_m - of.from_m, at: [0, of.from_m] });
}

/**
 * Which step, and which face of it, something drawn on a flight laid flat is on: the nosing that a level line follows,
 * else the face that holds its middle.
 *
 * @returns null where it lies outside the flight
 */
export function onStepAt(flight: Pick<Flight, 'steps'>, points: readonly Point[]): OnStep | null {
  if (points.length === 0) return null;
  const faces = flightFaces(flight);
  const nosing = faces.find(({ face, from_m }) => face === 'riser' && points.every(([, y]) => Math.abs(y - from_m) <= ON_NOSING_M));
  if (nosing && points.length > 1 && lineLength(points) > ON_NOSING_M) return { step: nosing.step, face: 'nosing' };
  const ys = points.map(([, y]) => y);
  const middle_m = (Math.min(...ys) + Math.max(...ys)) / 2;
  const on = faces.find(({ from_m, to_m }) => middle_m >= from_m && middle_m <= to_m);
  return on ? { step: on.step, face: on.face } : null;
}

/** What was drawn on a flight, where the same face lies after the flight was measured anew; unmoved where that face is gone. */
export function movedWith(was: Pick<Flight, 'steps'>, is: Pick<Flight, 'steps'>, points: readonly Point[]): readonly Point[] {
  const on = onStepAt(was, points);
  const face = on?.face === 'nosing' ? 'riser' : on?.face;
  const find = (flight: Pick<Flight, 'steps'>): FlightFace | undefined => flightFaces(flight).find((found) => found.step === on?.step && found.face === face);
  const [before, after] = [find(was), find(is)];
  if (!before || !after) return points;
  return points.map(([x, y]): Point => [x, y + after.from_m - before.from_m]);
}
