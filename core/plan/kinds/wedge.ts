import type { WedgeInput } from '../../survey';
import { lineLength, TAKEOFF, wedgeThinRun, wedgeVolume } from '../../takeoff';
import { facing } from '../steps/facing';
import { lifting } from '../steps/lifting';
import { breakingOut } from '../steps/preparing';
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
    };
  },
  movedTo: (finding, points) => ({ ...finding, width: { ...finding.width, value: lineLength(points) } }),
  thinRun: ({ run, rise }, { thickness }) => wedgeThinRun({ run_m: run.value, rise_m: rise.value, minimum_m: thickness.least_m }),
  removing: breakingOut,
  edging: ({ sheet: { thickness } }) => (thickness.feathers ? [] : [stepOf('step.cutToe', { least_m: thickness.least_m })]),
  filling: (context) => lifting(context),
  finishing: (context) => facing(context),
  section: ({ finding: { run, rise }, sheet: { thickness } }) => ({
    kind: 'wedge',
    run_m: run.value,
    rise_m: rise.value,
    toe_m: thickness.feathers ? 0 : thickness.least_m,
  }),
  body: ({ rise_m, toe_m }) => [{ code: 'fill', thickness_m: rise_m }, ...(toe_m > 0 ? [{ code: 'toe', thickness_m: toe_m }] : [])],
};
