import type { MishapCode } from '@tufa/core/plan';
import rehearsals from '../../demo/rehearsals.json';

/** A day to rehearse in the world of the demonstration. */
export interface Scenario {
  readonly code: ScenarioCode;
  readonly level: 1 | 2 | 3;
  /** which job of the demonstration, and of it which findings; all where none are named */
  readonly job: string;
  readonly findings?: readonly string[];
  readonly hands: number;
  /** local time, HH:mm */
  readonly begins: string;
  /** degC, and whether the sun is on it */
  readonly conditions: Readonly<Record<'air_C' | 'slab_C' | 'powder_C' | 'water_C' | 'sun', number>>;
  readonly mishaps: readonly MishapCode[];
  /** how much of the usual spread is drawn, 0 to 1 */
  readonly luck: number;
}

export const SCENARIO_CODES = [
  'firstPatch',
  'cellarSteps',
  'hallFloor',
  'evenCounter',
  'rinseCistern',
  'sunRound',
  'wallLifts',
  'splitPail',
  'handLeaves',
  'busyCounter',
  'noonAlone',
  'allAtOnce',
] as const;
export type ScenarioCode = (typeof SCENARIO_CODES)[number];

/** From easy to hard. */
export const SCENARIOS = rehearsals as unknown as readonly Scenario[];

export const LEVELS = [1, 2, 3] as const;
