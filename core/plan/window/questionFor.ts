import { bagOf, resinDensity, resinOf } from '../../shelf';
import { WEATHER } from '../../weather';
import type { Context } from '../input/Context';
import { stoneTaken } from '../orders/mixOf';
import type { TakeOff } from '../survey/TakeOff';
import type { PlanInput } from '../input/PlanInput';
import { ownFigure, recordOf } from '../input/ownFigures';
import type { WindowQuestion } from './WindowQuestion';

/** Spreads of temperatures that somebody told, K. */
const spreadsOf = ({ conditions }: PlanInput): Pick<WindowQuestion, 'spread_K'> => {
  const told = (['slab_C', 'air_C', 'powder_C', 'water_C'] as const).flatMap((name) => {
    const { spread } = conditions[name];
    return spread ? [[name, spread] as const] : [];
  });
  return told.length > 0 ? { spread_K: Object.fromEntries(told) } : {};
};

/** How wide a crack or groove is that a resin is squeezed along; nothing for the rest. */
export const lineWidthOf = ({ more }: TakeOff): number | undefined => more['width_m'];

/** The question that Day and the clocks ask for one share of a bag. */
export function questionFor({ input, takeOff, sheet, share, site }: Pick<Context, 'input' | 'takeOff' | 'sheet' | 'site'> & { share: number }): WindowQuestion {
  const { conditions, crew, batch, firm } = input;
  const record = recordOf(input, sheet);
  const stone = stoneTaken(sheet, batch.stone);
  const hour = site?.hour();
  const lineWidth_m = sheet.water ? undefined : lineWidthOf(takeOff);
  const line = lineWidth_m !== undefined;
  // A skim's volume holds the texture it fills: its layer is what stands over the peaks.
  const { texture_m } = takeOff.more;
  return {
    sheet,
    share,
    // A shot goes straight from the bottle into its line, and its crown is ground later.
    crew: line ? { ...crew, carry_s: 0, finish_s: 0 } : crew,
    task: batch.task,
    retarderDose: batch.retarderDose,
    // In a crack the resin lies between two walls: half its width counts.
    thickness_m: line ? Math.max(2e-4, lineWidth_m / 2) : Math.min(takeOff.mean_m - (texture_m ?? 0), sheet.thickness.liftMost_m),
    ...(texture_m === undefined ? {} : { texture_m }),
    air_C: hour?.air_C ?? conditions.air_C.value,
    slab_C: hour?.slab_C ?? conditions.slab_C.value,
    powder_C: conditions.powder_C.value,
    water_C: conditions.water_C.value,
    humidity: hour && conditions.humidity.source === 'assumed' ? hour.humidity : conditions.humidity.value,
    wind_ms: hour && conditions.wind_ms.source === 'assumed' ? hour.wind_ms : conditions.wind_ms.value,
    sun: conditions.sun,
    acceptedChance: firm.acceptedChance,
    ...(batch.iceShare ? { iceShare: batch.iceShare } : {}),
    ...(stone ? { stone } : {}),
    ...(hour ? { airDrift: hour.airDrift, slabDrift: hour.slabDrift } : {}),
    ...(line ? { place_s: (share * bagOf(sheet).mass_kg) / resinDensity(sheet) / resinOf(sheet).squeeze_m3_s } : {}),
    ...(record ? { record } : {}),
    skinShare: ownFigure(input, 'skinShare', WEATHER.skinShare),
    ...spreadsOf(input),
  };
}
