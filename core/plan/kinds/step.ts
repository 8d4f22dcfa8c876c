import { CHOOSE } from '../../choose';
import type { StepInput } from '../../survey';
import { flightOf, formBallast, formPressure, formThrust, lineLength, propForce, rebuiltStep, TAKEOFF } from '../../takeoff';
import { facing } from '../steps/facing';
import { liftingToFace } from '../steps/lifting';
import { breakingOut } from '../steps/preparing';
import { riserMethod } from '../steps/riserMethod';
import { stepOf } from '../steps/stepOf';
import type { Damage } from './Damage';
import { sigmaOfSizes } from './Taken';
import { facedLayers } from './facedLayers';
import { faceTasks, ORDINARY, ordinaryAsks } from './ordinary';

/** A step rebuilt inside a form. */
export const step: Damage<StepInput> = {
  ...ORDINARY,
  use: 'rebuild',
  carries: true,
  tasks: (_finding, { house, takeOff, sheet }) => {
    const face = riserMethod(house, takeOff.deepest_m);
    return face === 'formed' && sheet.grain_m >= CHOOSE.stoneFrom_m ? ['screed', 'pour', 'spread'] : faceTasks(face);
  },
  asks: ({ rise: { value: deepest_m } }) => ordinaryAsks(deepest_m),
  takeOff({ width, going, rise, steps, stays_m3, pitch, propAngle_rad }) {
    const [width_m, going_m, rise_m] = [width.value, going.value, rise.value];
    const flight = flightOf({ width_m, going_m, rise_m: rise_m * steps, steps });
    const volume_m3 = steps * rebuiltStep({ width_m, going_m, rise_m, stays_m3, pitch });
    const fill = { density_kg_m3: TAKEOFF.fresh_kg_m3, depth_m: rise_m, length_m: width_m };
    const thrust_N = formThrust(fill);
    return {
      area_m2: steps * width_m * going_m,
      edge_m: 2 * steps * (width_m + going_m),
      volume_m3,
      sigma: sigmaOfSizes([width, going, rise], TAKEOFF.dimensionSpread),
      rough_m2: steps * width_m * going_m,
      removed_m3: volume_m3,
      length_m: steps * width_m,
      more: {
        angle_rad: flight.angle_rad,
        slope_m: flight.slope_m,
        pressure_Pa: formPressure(fill),
        thrust_N,
        holdDown_kg: formBallast(fill),
        prop_N: propForce({ thrust_N, angle_rad: propAngle_rad }),
      },
    };
  },
  movedTo(finding, points) {
    const width = { ...finding.width, value: lineLength(points) };
    return { ...finding, width, stays_m3: (finding.stays_m3 * width.value) / finding.width.value };
  },
  removing: breakingOut,
  filling: (context) => [...liftingToFace(context, context.finding.steps), stepOf(`step.order.${context.house.stepOrder}`, {})],
  finishing: (context) => facing(context),
  section: ({ finding: { going, rise }, house, takeOff }) => ({
    kind: 'step',
    going_m: going.value,
    rise_m: rise.value,
    face: riserMethod(house, takeOff.deepest_m),
  }),
  body: ({ rise_m, face }) => facedLayers(rise_m, face),
};
