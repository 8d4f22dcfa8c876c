import { SETTING } from '../../setting';
import { liftMostFor, resinOf } from '../../shelf';
import { orientationOf } from '../../survey';
import { TAKEOFF } from '../../takeoff';
import { WEATHER } from '../../weather';
import type { Context } from '../input/Context';
import { rateOf } from '../input/rateOf';
import { kindOf } from '../kinds';
import { taskOf } from '../steps/taskOf';
import { stoneFor } from '../orders/mixOf';
import type { TakeOff } from '../survey/TakeOff';
import type { PlanInput } from '../input/PlanInput';
import { learnedFigure, recordOf } from '../input/crewFigures';
import type { SpreadTemperature, WindowQuestion } from './WindowQuestion';

/** How well each temperature is known, an sd in K: as somebody told it, else by whether it was read, forecast or assumed. */
function spreadsOf({ conditions }: PlanInput, forecast: boolean): Pick<WindowQuestion, 'spread_K' | 'slabFollowsAir'> {
  const sd = (name: SpreadTemperature): number => {
    const { spread, source } = conditions[name];
    if (spread !== undefined) return spread;
    if (source === 'typed' || source === 'instrument') return SETTING.sdRead_K;
    return forecast && name === 'air_C' ? SETTING.sdForecast_K : SETTING.sdAssumed_K;
  };
  const modelled = forecast && conditions.slab_C.source === 'assumed' && conditions.slab_C.spread === undefined;
  return {
    spread_K: { slab_C: modelled ? 0 : sd('slab_C'), air_C: sd('air_C'), powder_C: sd('powder_C'), water_C: sd('water_C') },
    ...(modelled ? { slabFollowsAir: true } : {}),
  };
}

/** How wide a crack or groove is that a resin is squeezed along; nothing for the rest. */
export const lineWidthOf = ({ more }: TakeOff): number | undefined => more['width_m'];

/** How fast a portion goes in where that does not go by area, m3/s a person; nothing for the rest. */
function placeRate({ input, element, finding, takeOff, sheet }: Pick<Context, 'input' | 'element' | 'finding' | 'takeOff' | 'sheet'>): number | undefined {
  const width_m = lineWidthOf(takeOff);
  if (!sheet.water && width_m !== undefined) return resinOf(sheet).squeeze_m3_s;
  const work = kindOf(finding).work(finding, element);
  if (work === 'handPortions') return rateOf(input, work) * TAKEOFF.handPortion_m3;
  // Along a line: so many metres a second of what a metre of it takes.
  if (width_m !== undefined && takeOff.length_m) return (rateOf(input, work) * takeOff.volume.p50) / takeOff.length_m;
  return undefined;
}

/** What it is like at the hour of the work: as it was read, else as the hour is known, else assumed. */
export function hourFor(
  { conditions }: Pick<PlanInput, 'conditions'>,
  site: Context['site'],
): Pick<WindowQuestion, 'air_C' | 'slab_C' | 'humidity' | 'wind_ms'> {
  const hour = site?.hour();
  return {
    air_C: hour?.air_C ?? conditions.air_C.value,
    slab_C: hour?.slab_C ?? conditions.slab_C.value,
    humidity: hour && conditions.humidity.source === 'assumed' ? hour.humidity : conditions.humidity.value,
    wind_ms: hour && conditions.wind_ms.source === 'assumed' ? hour.wind_ms : conditions.wind_ms.value,
  };
}

/** The question that Day and the clocks ask for one share of a bag; `follows` where another batch of the same is mixed meanwhile. */
export function questionFor({
  input,
  element,
  finding,
  takeOff,
  sheet,
  share,
  site,
  follows = false,
}: Pick<Context, 'input' | 'element' | 'finding' | 'takeOff' | 'sheet' | 'site'> & { share: number; follows?: boolean }): WindowQuestion {
  const { conditions, crew, batch, firm } = input;
  const record = recordOf(input, sheet);
  const stone = stoneFor({ input, sheet, takeOff });
  const hour = site?.hour();
  const lineWidth_m = sheet.water ? undefined : lineWidthOf(takeOff);
  const line = lineWidth_m !== undefined;
  // A skim's volume holds the texture it fills: its layer is what stands over the peaks.
  const { texture_m } = takeOff.more;
  const kind = kindOf(finding);
  const place_m3_s = placeRate({ input, element, finding, takeOff, sheet });
  return {
    sheet,
    share,
    // A shot goes straight from the bottle into its line, and its crown is ground later.
    crew: line ? { ...crew, carry_s: 0, finish_s: 0 } : { ...crew, rate_m2_s: rateOf(input, kind.work(finding, element)) },
    ...(follows ? { follows } : {}),
    ...(kind.wetEdge ? { panel: true } : {}),
    task: taskOf({ input, element, finding, sheet, takeOff }),
    retarderDose: batch.retarderDose,
    // In a crack the resin lies between two walls: half its width counts.
    thickness_m: line
      ? Math.max(2e-4, lineWidth_m / 2)
      : Math.min(takeOff.mean_m - (texture_m ?? 0), liftMostFor(sheet, { orientation: orientationOf(element.kind), depth_m: takeOff.deepest_m })),
    ...(texture_m === undefined ? {} : { texture_m }),
    ...hourFor(input, site),
    powder_C: conditions.powder_C.value,
    water_C: conditions.water_C.value,
    sun: conditions.sun,
    acceptedChance: firm.acceptedChance,
    ...(batch.iceShare ? { iceShare: batch.iceShare } : {}),
    ...(batch.latexShare && sheet.latexMost !== undefined ? { latexShare: batch.latexShare } : {}),
    ...(stone ? { stone } : {}),
    ...(hour ? { airDrift: hour.airDrift, slabDrift: hour.slabDrift } : {}),
    ...(place_m3_s === undefined ? {} : { place_m3_s }),
    ...(record ? { record } : {}),
    skinShare: learnedFigure(input, 'skinShare', WEATHER.skinShare),
    ...spreadsOf(input, hour !== undefined),
  };
}
