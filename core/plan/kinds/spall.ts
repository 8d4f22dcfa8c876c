import { CHOOSE, edgeOf, houseOf } from '../../choose';
import { rangedOf, sigmaOf } from '../../quantity';
import { isResin, type Sheet } from '../../shelf';
import { depthReasons, onStepAt, type SpallInput } from '../../survey';
import {
  debrisOf,
  outsiders,
  perimeter,
  polygonArea,
  spallVolume,
  TAKEOFF,
  volumeCutTo,
  volumeFromShape,
  type ReadSpall,
  type SpallVolume,
} from '../../takeoff';
import type { PlanInput } from '../input/PlanInput';
import { facing } from '../steps/facing';
import { leftHigh } from '../steps/leftHigh';
import { lifting } from '../steps/lifting';
import { liftsOf } from '../steps/liftsOf';
import { breakingOut, preparing } from '../steps/preparing';
import { stepOf } from '../steps/stepOf';
import type { Damage } from './Damage';
import { liftLayers } from './liftLayers';
import { ORDINARY, ordinaryAsks } from './ordinary';

const deepest = ({ deepest, readings = [] }: SpallInput): number => readings.reduce((most, [, , depth_m]) => Math.max(most, depth_m), deepest.value);

/** The depths of a spall as its volume is taken from them. A shoulder nobody measured is at least as deep as the shallowest reading. */
export function spallReadings(finding: SpallInput): ReadSpall {
  const { outline, readings = [], edge, cutDepth_m, shape } = finding;
  const shallowest_m = readings.reduce((least, [, , depth_m]) => Math.min(least, depth_m), Infinity);
  const rim_m = edge === 'cut' ? (cutDepth_m ?? (readings.length > 0 ? shallowest_m : 0)) : 0;
  return { outline, readings, rim_m, deepest_m: deepest(finding), shape };
}

/** How deep a shoulder is cut for a sheet. */
const shoulderOf = (sheet: Sheet): number => Math.max(sheet.thickness.least_m, CHOOSE.shoulderFrom_m);

/** The depth to which the plan itself cuts every place of a spall, so that the sheet is nowhere thinner than it may be; 0 where it runs out to nothing. */
function cutTo(input: PlanInput, finding: SpallInput, sheet: Sheet): number {
  const element = input.elements.find(({ id }) => id === finding.elementId);
  if (!element) return 0;
  // A resin that is worked over pits is nowhere cut for.
  if (isResin(sheet)) return 0;
  const edge = edgeOf({ house: houseOf(input.house), element, rim: finding.edge, deepest_m: deepest(finding) });
  return edge === 'feathered' ? 0 : edge === 'keyed' ? sheet.thickness.least_m : shoulderOf(sheet);
}

/** What its readings make of a spall's volume, worked out once: the walk asks for it, and every sheet of a shelf for the depth it is cut to. */
const volumes = new WeakMap<SpallInput, SpallVolume>();

function volumeRead(finding: SpallInput): SpallVolume {
  const volume = volumes.get(finding) ?? spallVolume(spallReadings(finding));
  volumes.set(finding, volume);
  return volume;
}

function cutVolume(finding: SpallInput, area_m2: number, least_m: number): number {
  if ((finding.readings ?? []).length < TAKEOFF.readingsLeast) return volumeCutTo({ area_m2, deepest_m: deepest(finding), shape: finding.shape, least_m });
  return volumeRead(finding).cutTo(least_m);
}

/** A broken-out or scaled patch. */
export const spall: Damage<SpallInput> = {
  ...ORDINARY,
  use: 'spall',
  wetEdge: true,
  work: (_finding, { kind }) => (kind === 'wall' || kind === 'soffit' ? 'render' : 'fill'),
  groundFlush: true,
  asks(finding, site) {
    const deepest_m = deepest(finding);
    // On a flight what broke out of a riser must hang, what broke out of a tread lies.
    const { flight } = site?.element ?? {};
    const stands = flight ? onStepAt(flight, finding.outline)?.face === 'riser' : false;
    return ordinaryAsks(deepest_m, { rim: finding.edge, stands });
  },
  takeOff(finding) {
    const area_m2 = polygonArea(finding.outline);
    const base = { area_m2, edge_m: perimeter(finding.outline), rough_m2: area_m2 };
    if ((finding.readings ?? []).length < TAKEOFF.readingsLeast) {
      const volume_m3 = volumeFromShape({ area_m2, deepest_m: deepest(finding), shape: finding.shape });
      return { ...base, volume_m3, removed_m3: volume_m3, sigma: sigmaOf(Math.max(TAKEOFF.shapeSpread, finding.deepest.spread ?? 0)) };
    }
    const { volume_m3, sigma } = volumeRead(finding);
    return { ...base, volume_m3, removed_m3: volume_m3, sigma };
  },
  filled({ input, finding, takeOff, sheet }) {
    const least_m = cutTo(input, finding, sheet);
    if (least_m === 0) return takeOff;
    const { area_m2 } = takeOff;
    const volume_m3 = cutVolume(finding, area_m2, least_m);
    return {
      ...takeOff,
      deepest_m: Math.max(takeOff.deepest_m, least_m),
      mean_m: volume_m3 / area_m2,
      volume: rangedOf(volume_m3, takeOff.sigma),
      debris: debrisOf(volume_m3),
    };
  },
  movedTo: (finding, points) => ({
    ...finding,
    outline: points,
    readings: finding.readings?.filter(([x, y]) => outsiders([[x, y]], points).length === 0) ?? [],
  }),
  verdict: (finding, { element }) => depthReasons({ element, label: finding.label, deepest_m: deepest(finding) }),
  overlaid: ({ outline }) => outline,
  cautions: ({ edge }) => (edge === 'cut' ? ['vibrationNoise'] : []),
  // Pits that a resin is worked over are only keyed and made clean.
  removing: (context) => (isResin(context.sheet) ? preparing(context) : breakingOut(context)),
  edging({ house, element, finding, sheet, takeOff }) {
    const edge = edgeOf({ house, element, rim: finding.edge, deepest_m: deepest(finding) });
    if (edge === 'feathered' || isResin(sheet)) return [stepOf('step.feather', {})];
    if (edge === 'keyed') return [stepOf('step.keyed', { length_m: takeOff.perimeter_m })];
    return [stepOf('step.shoulder', { depth_m: shoulderOf(sheet), length_m: takeOff.perimeter_m })];
  },
  filling: (context) =>
    isResin(context.sheet)
      ? [stepOf('step.workOver', { thickness_m: context.takeOff.mean_m }, { sheetId: context.sheet.id }), stepOf('step.lookLow', {})]
      : lifting(context),
  finishing: (context) => facing(context, leftHigh(context)),
  section: ({ house, element, finding, takeOff, sheet }) => ({
    kind: 'spall',
    deepest_m: takeOff.deepest_m,
    shape: finding.shape,
    edge: edgeOf({ house, element, rim: finding.edge, deepest_m: deepest(finding) }),
    lifts: liftsOf({ takeOff, sheet, element }),
  }),
  body: liftLayers,
};
