import { CHOOSE, edgeOf } from '../../choose';
import { sigmaOf } from '../../quantity';
import { depthReasons, type SpallInput } from '../../survey';
import { outsiders, perimeter, polygonArea, spallVolume, TAKEOFF, volumeFromShape, type ReadSpall } from '../../takeoff';
import { facing } from '../steps/facing';
import { leftHigh } from '../steps/leftHigh';
import { lifting } from '../steps/lifting';
import { liftsOf } from '../steps/liftsOf';
import { breakingOut } from '../steps/preparing';
import { stepOf } from '../steps/stepOf';
import type { Damage } from './Damage';
import { liftLayers } from './liftLayers';
import { ORDINARY, ordinaryAsks } from './ordinary';

const deepest = ({ deepest, readings = [] }: SpallInput): number => Math.max(deepest.value, ...readings.map(([, , depth_m]) => depth_m));

/** The depths of a spall as its volume is taken from them. A shoulder nobody measured is at least as deep as the shallowest reading. */
export function spallReadings(finding: SpallInput): ReadSpall {
  const { outline, readings = [], edge, cutDepth_m, shape } = finding;
  const shallowest_m = readings.reduce((least, [, , depth_m]) => Math.min(least, depth_m), Infinity);
  const rim_m = edge === 'cut' ? (cutDepth_m ?? (readings.length > 0 ? shallowest_m : 0)) : 0;
  return { outline, readings, rim_m, deepest_m: deepest(finding), shape };
}

/** A broken-out or scaled patch. */
export const spall: Damage<SpallInput> = {
  ...ORDINARY,
  use: 'spall',
  wetEdge: true,
  groundFlush: true,
  asks(finding) {
    const deepest_m = deepest(finding);
    return ordinaryAsks(deepest_m, { rim: finding.edge });
  },
  takeOff(finding) {
    const area_m2 = polygonArea(finding.outline);
    const base = { area_m2, edge_m: perimeter(finding.outline), rough_m2: area_m2 };
    if ((finding.readings ?? []).length < TAKEOFF.readingsLeast) {
      const volume_m3 = volumeFromShape({ area_m2, deepest_m: deepest(finding), shape: finding.shape });
      return { ...base, volume_m3, removed_m3: volume_m3, sigma: sigmaOf(Math.max(TAKEOFF.shapeSpread, finding.deepest.spread ?? 0)) };
    }
    const { volume_m3, sigma } = spallVolume(spallReadings(finding));
    return { ...base, volume_m3, removed_m3: volume_m3, sigma };
  },
  movedTo: (finding, points) => ({
    ...finding,
    outline: points,
    readings: finding.readings?.filter(([x, y]) => outsiders([[x, y]], points).length === 0) ?? [],
  }),
  verdict: (finding, { element }) => depthReasons({ element, label: finding.label, deepest_m: deepest(finding) }),
  overlaid: ({ outline }) => outline,
  cautions: ({ edge }) => (edge === 'cut' ? ['vibrationNoise'] : []),
  removing: breakingOut,
  edging({ house, element, finding, sheet, takeOff }) {
    const edge = edgeOf({ house, element, rim: finding.edge });
    if (edge === 'feathered') return [stepOf('step.feather', {})];
    if (edge === 'keyed') return [stepOf('step.keyed', { length_m: takeOff.perimeter_m })];
    return [stepOf('step.shoulder', { depth_m: Math.max(sheet.thickness.least_m, CHOOSE.shoulderFrom_m), length_m: takeOff.perimeter_m })];
  },
  filling: (context) => lifting(context),
  finishing: (context) => facing(context, leftHigh(context)),
  section: ({ house, element, finding, takeOff, sheet }) => ({
    kind: 'spall',
    deepest_m: takeOff.deepest_m,
    shape: finding.shape,
    edge: edgeOf({ house, element, rim: finding.edge }),
    lifts: liftsOf({ takeOff, sheet }),
  }),
  body: liftLayers,
};
