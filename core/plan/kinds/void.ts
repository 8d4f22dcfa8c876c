import { sigmaOf } from '../../quantity';
import { depthReasons, type VoidInput } from '../../survey';
import { perimeter, polygonArea, TAKEOFF, underWater, volumeFromShape } from '../../takeoff';
import { atSlab } from '../steps/atSlab';
import { lifting } from '../steps/lifting';
import { liftsOf } from '../steps/liftsOf';
import { stepOf } from '../steps/stepOf';
import type { Damage } from './Damage';
import { liftLayers } from './liftLayers';
import { ORDINARY, ordinaryAsks } from './ordinary';

/** A void that is filled under water by hand. */
export const voidUnderWater: Damage<VoidInput> = {
  ...ORDINARY,
  use: 'void',
  reinforceable: false,
  work: () => 'handPortions',
  tasks: () => ['ball', 'hang', 'spread'],
  asks: ({ deepest: { value: deepest_m } }) => ordinaryAsks(deepest_m, { underWater: true, takesTexture: false }),
  takeOff({ outline, deepest, shape }) {
    const area_m2 = polygonArea(outline);
    const { volume_m3, portions } = underWater({ volume_m3: volumeFromShape({ area_m2, deepest_m: deepest.value, shape }) });
    const sigma = sigmaOf(Math.max(TAKEOFF.shapeSpread, deepest.spread ?? 0));
    return { area_m2, edge_m: perimeter(outline), volume_m3, sigma, rough_m2: area_m2, removed_m3: 0, more: { portions } };
  },
  movedTo: (finding, points) => ({ ...finding, outline: points }),
  verdict: ({ label, deepest }, { element }) => depthReasons({ element, label, deepest_m: deepest.value }),
  removing: () => [stepOf('step.loose', {})],
  // Left to gel, portioned by hand, pressed from the deepest point outward: touching it before loosens it again.
  filling: (context) => [
    stepOf('step.gelWait', { gel_s: atSlab(context, { least_s: context.sheet.milestones.holdsForm ?? 0, most_s: null })?.least_s ?? 0 }),
    stepOf('step.portions', { count: context.takeOff.more['portions'] ?? 0 }, { sheetId: context.sheet.id, condition: 'gelled' }),
    ...lifting(context, 'step.pressIn'),
  ],
  // Under water nothing is smoothed and nothing is coated: touching it loosens it again.
  finishing: () => [stepOf('step.faceAbove', {})],
  section: ({ element, finding, takeOff, sheet }) => ({
    kind: 'void',
    deepest_m: takeOff.deepest_m,
    shape: finding.shape,
    edge: 'feathered',
    lifts: liftsOf({ takeOff, sheet, element }),
  }),
  body: liftLayers,
};
