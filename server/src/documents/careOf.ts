import { orientationOf } from '@tufa/core/survey';
import type { JobParts } from './JobParts';
import { doneOf } from './scope';

/** What is asked of whoever lives with the repair: only what its elements and their exposures give a reason for. */
export function careOf(parts: JobParts): ('keepOff' | 'salt' | 'counter' | 'joints' | 'look')[] {
  const { data } = parts;
  const findings = doneOf(parts).flatMap(({ findingId }) => data.finding[findingId] ?? []);
  const elements = findings.flatMap(({ elementId }) => data.element[elementId] ?? []);
  const walked = elements.some(({ kind }) => kind !== 'counter' && orientationOf(kind) === 'horizontal');
  const salted = elements.some(({ properties: { exposures } }) => exposures.includes('deicer') || exposures.includes('frost'));
  const sealed = findings.some(({ kind }) => kind === 'joint');
  return [
    ...(walked ? (['keepOff'] as const) : []),
    ...(salted && walked ? (['salt'] as const) : []),
    ...(elements.some(({ kind }) => kind === 'counter') ? (['counter'] as const) : []),
    ...(sealed ? (['joints'] as const) : []),
    'look',
  ];
}
