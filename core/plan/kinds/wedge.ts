import { rangedOf } from '../../quantity';
import type { WedgeInput } from '../../survey';
import { debrisOf, lineLength, TAKEOFF, wedgeThinRun, wedgeToe, wedgeVolume } from '../../takeoff';
import { facing } from '../steps/facing';
import { lifting } from '../steps/lifting';
import { preparing } from '../steps/preparing';
import { stepOf } from '../steps/stepOf';
import type { Damage } from './Damage';
import { sigmaOfSizes } from './Taken';
import { ORDINARY, ordinaryAsks } from './ordinary';

/** A wedge at a height difference. */
export const wedge: Damage<WedgeInput> = {
  ...ORDINARY,
  use: 'ramp',
  wetEdge: true,
  asks: ({ rise: { value: deepest_m } }) => ordinaryAsks(deepest_m, { rim: 'runsOut', layer: true }),
  takeOff({ run, rise, width }) {
    const size = { run_m: run.value, rise_m: rise.value, width_m: width.value };
    return {
      area_m2: size.run_m * size.width_m,
      edge_m: 2 * (size.run_m + size.width_m),
      volume_m3: wedgeVolume(size),
      sigma: sigmaOfSizes([run, rise, width], TAKEOFF.dimensionSpread),
      rough_m2: size.run_m * size.width_m,
      removed_m3: 0,
      more: { width_m: size.width_m },
    };
  },
  movedTo: (finding, points) => ({ ...finding, width: { ...finding.width, value: lineLength(points) } }),
  thinRun: ({ run, rise }, { thickness }) => wedgeThinRun({ run_m: run.value, rise_m: rise.value, minimum_m: thickness.least_m }),
  // Its toe is cut to the least thickness where the sheet runs out to nothing nowhere: cut out, carried away and filled.
  filled({ finding: { run, rise, width }, takeOff, sheet: { thickness } }) {
    if (thickness.feathers || thickness.least_m === 0) return takeOff;
    const toe_m3 = wedgeToe({ run_m: run.value, rise_m: rise.value, width_m: width.value, minimum_m: thickness.least_m });
    const volume_m3 = takeOff.volume.p50 + toe_m3;
    return { ...takeOff, mean_m: volume_m3 / takeOff.area_m2, volume: rangedOf(volume_m3, takeOff.sigma), debris: debrisOf(toe_m3) };
  },
  // It lies on what is sound: nothing is broken out but its toe.
  removing(context) {
    const { joint } = context.finding;
    // Nobody has said: it may lie beside one. A joint that was told has its rod, one that is not there has none.
    if (joint === undefined) return [stepOf('step.jointOpen', {}, { condition: 'besideJoint' }), ...preparing(context)];
    if (joint === null) return preparing(context);
    const rod_m = joint.width_m * TAKEOFF.rodOverJoint;
    return [joint.label === null ? stepOf('step.jointRod', { rod_m }) : stepOf('step.jointRodOf', { label: joint.label, rod_m }), ...preparing(context)];
  },
  edging: ({ sheet: { thickness } }) => (thickness.feathers ? [] : [stepOf('step.cutToe', { least_m: thickness.least_m })]),
  filling: (context) => lifting(context),
  finishing: (context) => facing(context),
  section: ({ finding: { run, rise, joint }, sheet: { thickness } }) => ({
    kind: 'wedge',
    run_m: run.value,
    rise_m: rise.value,
    toe_m: thickness.feathers ? 0 : thickness.least_m,
    thin_m: thickness.feathers ? 0 : wedgeThinRun({ run_m: run.value, rise_m: rise.value, minimum_m: thickness.least_m }),
    joint_m: joint?.width_m ?? 0,
  }),
  body: ({ rise_m, toe_m }) => [{ code: 'fill', thickness_m: rise_m }, ...(toe_m > 0 ? [{ code: 'toe', thickness_m: toe_m }] : [])],
};
