import { getPosition } from 'suncalc';
import { inverseKelvin, rateOf, SETTING } from '../../setting';
import { activationOf, isResin, type Sheet } from '../../shelf';
import type { ElementInput } from '../../survey';
import { COARSE, dewPoint, readingOffset, SurfaceDay, WEATHER, weatherAt, type PlaceWeather, type SurfaceSite } from '../../weather';
import { PLAN } from '../constants';
import type { Measured } from '../../quantity';
import type { Conditions, SiteInput } from '../input/PlanInput';
import { surfaceOf } from '../input/site';
import { stopsFor } from '../window/basisFor';
import { frostSafe } from '../window/weatherOf';
import type { WindowAnswer } from '../window/windowFor';
import type { WindowQuestion } from '../window/WindowQuestion';
import type { GoodRun, HourReason, WeekHour, WeekOfProduct } from './Week';

const HOUR_MS = 3_600_000;
const HOUR_S = 3600;
/** How long the covered slab is followed, s: no window that is worked by hand is longer. */
const FOLLOWED_S = 7200;
/** Of that course so many moments are kept, s: it bends most at first. */
const KEPT_S: readonly number[] = [0, 300, 900, 1800, 3600, 5400, 7200];

/** A batch of a product, as it is planned, to be looked at in other hours. */
export interface WeekAsk {
  readonly key: string;
  readonly sheet: Sheet;
  readonly element: ElementInput;
  readonly window: WindowAnswer;
  /** when a foot may go on it, as planned, s from first water; absent where its sheet does not say */
  readonly foot_s?: number;
}

/** What of a place's weather is the same whatever is laid there. */
interface Face {
  readonly day: SurfaceDay;
  readonly bare_C: readonly number[];
  /** a fresh layer's ground from an hour on, K against its first moment */
  readonly drift: (at_ms: number) => NonNullable<WindowQuestion['slabDrift']>;
}

const altitudeOf = (place: PlaceWeather, ms: number): number => getPosition(new Date(ms), place.latitude_deg, place.longitude_deg).altitude;

/** Whether it is dark at an hour, and whether the sun of its day rises at all. */
function lightAt(place: PlaceWeather): (ms: number) => 'light' | 'dark' | 'sunless' {
  const rises = new Map<number, boolean>();
  const lit = (ms: number): boolean => altitudeOf(place, ms) > PLAN.darkUnder_deg;
  return (ms) => {
    if (lit(ms)) return 'light';
    // Days by the place's own noon.
    const day = Math.floor(ms / (24 * HOUR_MS) + place.longitude_deg / 360);
    const noon_ms = (day + 0.5 - place.longitude_deg / 360) * 24 * HOUR_MS;
    const risen = rises.get(day) ?? [-1, 0, 1].some((hours) => lit(noon_ms + hours * HOUR_MS));
    rises.set(day, risen);
    return risen ? 'dark' : 'sunless';
  };
}

function faceOf(place: PlaceWeather, surface: SurfaceSite, span: { from_ms: number; hours: number }): Face {
  const day = new SurfaceDay(place, surface, span, COARSE);
  const bare_C = Array.from({ length: span.hours + 1 }, (_, i) => day.at(span.from_ms + i * HOUR_MS));
  const drifts = new Map<number, ReturnType<Face['drift']>>();
  return {
    day,
    bare_C,
    drift: (at_ms) => {
      const before = drifts.get(at_ms);
      if (before) return before;
      const { at_s, C } = day.changed(at_ms, { absorptivity: WEATHER.absorptivity.fresh, wet_s: WEATHER.freshWet_s }, FOLLOWED_S);
      const kept = at_s.flatMap((t, i) => (KEPT_S.includes(t) ? [i] : []));
      const drift = { at_s: kept.map((i) => at_s[i]!), C: kept.map((i) => C[i]! - C[0]!) };
      drifts.set(at_ms, drift);
      return drift;
    },
  };
}

/** How well the air of an hour so far ahead is known, sd in K. */
export const forecastSd = (ahead_s: number): number => Math.min(PLAN.forecastMost_K, PLAN.forecastSd_K + PLAN.forecastGrowth_K * Math.max(0, ahead_s / 86400));

/** Whether a reading may be set against the model of an hour: it was taken at a time that is known, not before what is looked at. */
export const readAt = ({ source, at }: Measured, from_ms: number): number | null => {
  const read_ms = source === 'assumed' || at === undefined ? NaN : Date.parse(at);
  return read_ms >= from_ms ? read_ms : null;
};

/** What a reading does to the hours after it, K. */
function readingShift(reading: Measured, from_ms: number, model: (ms: number) => number): (ms: number) => number {
  const read_ms = readAt(reading, from_ms);
  if (read_ms === null) return () => 0;
  const model_C = model(read_ms);
  return (ms) => readingOffset({ reading_C: reading.value, model_C, since_s: (ms - read_ms) / 1000 });
}

/** Hours one after the other that are good, as they are told. */
export function goodRuns(hours: readonly WeekHour[]): GoodRun[] {
  const runs: GoodRun[] = [];
  for (const { at_ms, why, placeBy_s } of hours) {
    if (why !== null) continue;
    const last = runs.at(-1);
    if (last?.to_ms === at_ms - HOUR_MS)
      runs[runs.length - 1] = { ...last, to_ms: at_ms, least_s: Math.min(last.least_s, placeBy_s), most_s: Math.max(last.most_s, placeBy_s) };
    else runs.push({ from_ms: at_ms, to_ms: at_ms, least_s: placeBy_s, most_s: placeBy_s });
  }
  return runs;
}

/**
 * What each product's batch would have in other hours: its minutes on that hour's slab and air as they go on, and what
 * keeps an hour from being good. Water, powder and crew are as they are planned.
 *
 * @param site the place and its hourly weather; hours outside it are left out
 * @param conditions what was read, and when: it shifts the hours after it
 * @param at_ms the hours asked for, instants in order
 * @param closed_ms of the hours asked for those in which the firm does not work
 * @param now_ms hours before it are gone; how far an hour lies ahead says how well it is known
 * @throws Problem `outOfRange` for weather outside its range
 */
export function weekOf({
  asks,
  site,
  conditions,
  at_ms,
  closed_ms = [],
  now_ms,
}: {
  asks: readonly WeekAsk[];
  site: Omit<SiteInput, 'firstWater'>;
  conditions: Pick<Conditions, 'air_C' | 'slab_C'>;
  at_ms: readonly number[];
  closed_ms?: readonly number[];
  now_ms: number;
}): WeekOfProduct[] {
  const closed = new Set(closed_ms);
  const place: PlaceWeather = {
    latitude_deg: site.latitude_deg,
    longitude_deg: site.longitude_deg,
    ...(site.clock_h === undefined ? {} : { clock_h: site.clock_h }),
    from_ms: Date.parse(site.weather.from),
    hours: site.weather.hours,
  };
  const known_ms = place.from_ms + (place.hours.length - 1) * HOUR_MS;
  const inside = at_ms.filter((ms) => ms >= place.from_ms && ms <= known_ms);
  if (inside.length === 0) return asks.map(({ key, sheet }) => ({ key, sheetId: sheet.id, hours: [], runs: [], sunless: false }));
  const from_ms = Math.min(...inside);
  const span = { from_ms, hours: Math.ceil((known_ms - from_ms) / HOUR_MS) };
  const light = lightAt(place);
  const faces = new Map<string, Face>();
  const faceUnder = (element: ElementInput): Face => {
    const surface = surfaceOf(element);
    const key = JSON.stringify(surface);
    const face = faces.get(key) ?? faceOf(place, surface, span);
    faces.set(key, face);
    return face;
  };
  return asks.map((ask) => {
    const { key, sheet, element } = ask;
    const face = faceUnder(element);
    const shift_K = {
      air: readingShift(conditions.air_C, from_ms, (ms) => weatherAt(place, ms).air_C),
      slab: readingShift(conditions.slab_C, from_ms, (ms) => face.day.at(ms)),
    };
    const harm = harmOf(ask, { place, face, from_ms });
    let sunless = false;
    const hours = inside.map((ms): WeekHour => {
      const weather = weatherAt(place, ms);
      const slab_C = face.day.at(ms) + shift_K.slab(ms);
      const air_C = weather.air_C + shift_K.air(ms);
      const air = (t_s: number): number => weatherAt(place, ms + t_s * 1000).air_C - weather.air_C;
      const { sheetId: _id, ...asked } = ask.window.question;
      const question: WindowQuestion = {
        ...asked,
        sheet,
        air_C,
        slab_C,
        humidity: weather.humidity,
        wind_ms: weather.wind10_ms * WEATHER.surfaceWind,
        airDrift: { at_s: [0, HOUR_S, 2 * HOUR_S], C: [0, air(HOUR_S), air(2 * HOUR_S)] },
        slabDrift: face.drift(ms),
        spread_K: { ...asked.spread_K, slab_C: 0, air_C: forecastSd((ms - now_ms) / 1000) },
        slabFollowsAir: true,
      };
      const stops = stopsFor(question);
      const sees = element.sun?.exposure === 'indoors' ? 'light' : light(ms);
      sunless ||= sees === 'sunless';
      const { rainChance, frost } = harm(ms);
      const { airLeast_C, airMost_C, slabLeast_C, slabMost_C } = sheet.limits;
      const faults: Record<HourReason, boolean> = {
        gone: ms < now_ms,
        closed: closed.has(ms),
        dark: sees === 'dark',
        cold: air_C < airLeast_C || slab_C < slabLeast_C,
        heat: air_C > airMost_C || slab_C > slabMost_C,
        rain: (rainChance ?? 0) >= WEATHER.rainChance,
        frost,
        dew: isResin(sheet) && slab_C < dewPoint({ air_C, humidity: Math.max(0.01, weather.humidity) }) + WEATHER.dewMargin_K,
        skin: !stops.fits && stops.binding === 'skin',
        short: !stops.fits && stops.binding !== 'skin',
      };
      return {
        at_ms: ms,
        air_C,
        slab_C,
        placeBy_s: stops.placeBy_s,
        ends: stops.placeEnding,
        needs_s: stops.placeNeeds_s,
        chanceLost: stops.chanceLost,
        rainChance,
        why: (Object.keys(faults) as HourReason[]).find((reason) => faults[reason]) ?? null,
      };
    });
    return { key, sheetId: sheet.id, hours, runs: goodRuns(hours), sunless };
  });
}

/** What rain and frost may do to a layer that is laid at an hour, until it bears them: ages by the slab's own course. */
function harmOf(
  { sheet, element, window, foot_s }: WeekAsk,
  { place, face, from_ms }: { place: PlaceWeather; face: Face; from_ms: number },
): (ms: number) => { rainChance: number | null; frost: boolean } {
  const EaOverR = activationOf(sheet) / SETTING.gasConstant_J_molK;
  const inverse = inverseKelvin(sheet.reference_C);
  const rates = face.bare_C.map((C) => rateOf(C, EaOverR, inverse));
  const planned = rateOf(window.question.slab_C, EaOverR, inverse);
  const indoors = element.sun?.exposure === 'indoors' || element.kind === 'soffit';
  const safe = sheet.water ? frostSafe({ window, sheet }) : null;
  const ageOf = (after_s: number | undefined): number | null => (after_s === undefined ? null : after_s * planned);
  const [footAge, frostAge] = [ageOf(foot_s), ageOf(safe?.safe_s)];
  const lowest_C = face.bare_C.map(() => Infinity);
  for (let i = face.bare_C.length - 1; i >= 0; i -= 1) lowest_C[i] = Math.min(face.bare_C[i]!, lowest_C[i + 1] ?? Infinity);
  return (ms) => {
    const begin = Math.floor((ms - from_ms) / HOUR_MS);
    let rainChance: number | null = null;
    let [age, i] = [0, begin];
    // Dry, or open to a foot: an hour at least, then as long as it is soft.
    for (; footAge !== null && !indoors && i < rates.length && (i === begin || age < footAge); i += 1) {
      const chance = place.hours[Math.floor((from_ms + i * HOUR_MS - place.from_ms) / HOUR_MS)]?.rainChance;
      if (chance !== undefined) rainChance = Math.max(rainChance ?? 0, chance);
      age += rates[i]! * HOUR_S;
    }
    let frost = false;
    age = 0;
    if (frostAge !== null && (lowest_C[begin] ?? Infinity) < 0)
      for (i = begin; i < rates.length && age < frostAge && !frost; i += 1) {
        frost = face.bare_C[i]! < 0;
        age += rates[i]! * HOUR_S;
      }
    return { rainChance, frost };
  };
}
