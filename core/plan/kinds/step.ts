import { CHOOSE } from '../../choose';
import type { StepInput } from '../../survey';
import { flightOf, formBallast, formPressure, formThrust, lineLength, propForce, rebuiltStep, TAKEOFF } from '../../takeoff';
import { facing, textured } from '../steps/facing';
import { atSlab } from '../steps/atSlab';
import { lifting, liftingToFace } from '../steps/lifting';
import type { RepairStep } from '../steps/RepairStep';
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
  // A post that holds people back is never broken out of its footing on a contractor's word.
  verdict: ({ label }, { element }) => (element.flight?.rails === 'onSteps' ? [{ code: 'verdict.railPosts', verdict: 'no', figures: { label } }] : []),
  removing: breakingOut,
  // From the bottom up, a step a lift: form, props and weight, fill, strip when it stands, the form set again above.
  filling(context) {
    const { finding, house, takeOff, sheet } = context;
    const order = stepOf(`step.order.${house.stepOrder}`, {}, { after: atSlab(context, { least_s: sheet.milestones.initial ?? 0, most_s: null }) });
    if (riserMethod(house, takeOff.deepest_m) !== 'formed') return [...liftingToFace(context), order];
    const { steps, from: lowest = 1 } = finding;
    const sides = { open: 2, oneWall: 1, walls: 0 }[context.element.flight?.sides ?? 'open'];
    const figures = { steps, sides, holdDown_kg: takeOff.more['holdDown_kg'] ?? 0, prop_kg: (takeOff.more['prop_N'] ?? 0) / TAKEOFF.gravity_m_s2 };
    const strip = atSlab(context, { least_s: sheet.milestones.strip ?? sheet.milestones.initial ?? 0, most_s: null });
    const flight = Array.from({ length: steps }, (_, i): RepairStep[] => [
      stepOf('step.form.set', { step: lowest + i, ...figures }),
      ...lifting(context, 'step.lift', 1 / steps),
      ...textured(context, 1 / steps),
      stepOf('step.form.strip', { step: lowest + i, steps }, { after: strip, condition: 'scratch' }),
    ]).flat();
    return [stepOf('step.riser.formed', { forms: 1 }), ...flight, stepOf('step.faceGround', {}, { condition: 'scratch' }), order];
  },
  // The treads of a formed flight got their face before each form came off.
  finishing: (context) =>
    facing(context).filter(
      ({ code }) => riserMethod(context.house, context.takeOff.deepest_m) !== 'formed' || (code !== 'step.texture' && code !== 'step.finish'),
    ),
  section: ({ finding: { going, rise }, house, takeOff }) => ({
    kind: 'step',
    going_m: going.value,
    rise_m: rise.value,
    face: riserMethod(house, takeOff.deepest_m),
  }),
  body: ({ rise_m, face }) => facedLayers(rise_m, face),
};
