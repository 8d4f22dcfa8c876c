import { Problem, type Measured } from '../../quantity';
import { shifted, type Temperatures } from '../../setting';
import { supportOf, type ElementInput } from '../../survey';
import { readingOffset, SurfaceDay, WEATHER, weatherAt, type PlaceWeather, type SurfaceSite } from '../../weather';
import type { Conditions, SiteInput } from './PlanInput';

/** The day of the work, an ISO day; nothing where no hour is planned. */
export const dayOfWork = ({ site }: { readonly site?: SiteInput | undefined }): string | undefined => site?.firstWater.slice(0, 10);

const HOUR_MS = 3_600_000;
/** Hours looked at before and after the first water. */
const BEFORE_H = 12;
const AFTER_H = 12;
/** How far the covered layer is followed, s; after a day its mean holds. */
const FOLLOWED_S = 24 * 3600;

/** Frost is looked for so far ahead, s: the forecast is no longer. */
const FROST_LOOKED_S = 10 * 86400;

/** An ISO instant in s. @throws Problem `noInstant` */
const instantOf = (quantity: string, iso: string): number => {
  const ms = Date.parse(iso);
  if (Number.isNaN(ms)) throw new Problem('noInstant', { quantity, value: iso });
  return ms;
};

/** What of the weather reaches an element: how it lies, how thick, how it stands to the sun. */
export const surfaceOf = (element: ElementInput): SurfaceSite => ({
  kind: element.kind === 'wall' ? 'wall' : 'slab',
  onGround: supportOf(element) !== 'carried' && element.kind !== 'wall' && element.kind !== 'soffit' && element.kind !== 'counter',
  thickness_m: element.thickness.value,
  exposure: element.sun?.exposure ?? 'sun',
  faces_deg: element.sun?.faces_deg ?? 180,
  absorptivity: element.sun?.absorptivity ?? WEATHER.absorptivity.grey,
  ...(element.sun?.shaded ? { shaded: element.sun.shaded } : {}),
});

/** The temperatures at one hour: what they are at first water, and how they go on from there. */
export interface SiteHour {
  readonly air_C: number;
  readonly slab_C: number;
  readonly humidity: number;
  readonly wind_ms: number;
  /** K against first water */
  readonly airDrift: Temperatures;
  readonly slabDrift: Temperatures;
}

/** Days already worked out, by the weather they came from: the same weather and surface give the same day. */
const days = new WeakMap<SiteInput['weather'], Map<string, SurfaceDay>>();

function dayOf(site: SiteInput, place: PlaceWeather, surface: SurfaceSite, from_ms: number): SurfaceDay {
  const key = JSON.stringify([site.latitude_deg, site.longitude_deg, site.clock_h ?? null, from_ms, surface]);
  const ofWeather = days.get(site.weather) ?? new Map<string, SurfaceDay>();
  days.set(site.weather, ofWeather);
  const found = ofWeather.get(key) ?? new SurfaceDay(place, surface, { from_ms, hours: BEFORE_H + AFTER_H });
  ofWeather.set(key, found);
  return found;
}

/** An element's surface through the day of the work. A reading replaces the model at its hour and shifts later ones. */
export class Site {
  readonly firstWater_ms: number;
  private readonly place: PlaceWeather;
  private readonly day: SurfaceDay;
  private readonly slabShift: (ms: number) => number;
  private readonly airShift: (ms: number) => number;
  private readonly hours = new Map<string, SiteHour>();

  /** @throws Problem `noInstant`, `tooFew` without an hour, `outOfRange` for any weather outside its range */
  constructor(site: SiteInput, element: ElementInput, conditions: Conditions) {
    this.firstWater_ms = instantOf('firstWater', site.firstWater);
    const { latitude_deg, longitude_deg, weather, clock_h } = site;
    this.place = {
      latitude_deg,
      longitude_deg,
      ...(clock_h === undefined ? {} : { clock_h }),
      from_ms: instantOf('weather.from', weather.from),
      hours: weather.hours,
    };
    const surface = surfaceOf(element);
    const from_ms = this.firstWater_ms - BEFORE_H * HOUR_MS;
    this.day = dayOf(site, this.place, surface, from_ms);
    const shift = (reading: Measured, model: (ms: number) => number): ((ms: number) => number) => {
      if (reading.source === 'assumed') return () => 0;
      // A reading without its own time, or one read after the plan's hour, stands for the moment the work begins.
      const read_ms = Math.min(reading.at ? instantOf('at', reading.at) : this.firstWater_ms, this.firstWater_ms);
      // Twelve hours later little of its offset would be left.
      if (read_ms < from_ms) return () => 0;
      const model_C = model(read_ms);
      return (ms) => readingOffset({ reading_C: reading.value, model_C, since_s: (ms - read_ms) / 1000 });
    };
    this.slabShift = shift(conditions.slab_C, (ms) => this.day.at(ms));
    this.airShift = shift(conditions.air_C, (ms) => weatherAt(this.place, ms).air_C);
  }

  /** The hour so many hours from the planned first water, the surface covered from then with a fresh, pale, wet layer. */
  hour(offset_h = 0, followed_s = FOLLOWED_S): SiteHour {
    const key = `${offset_h} ${followed_s}`;
    const hour = this.hours.get(key);
    if (hour) return hour;
    const found = this.follow(offset_h, followed_s);
    this.hours.set(key, found);
    return found;
  }

  private follow(offset_h: number, followed_s: number): SiteHour {
    const ms = this.firstWater_ms + offset_h * HOUR_MS;
    const weather = weatherAt(this.place, ms);
    const slab = this.day.changed(ms, { absorptivity: WEATHER.absorptivity.fresh, wet_s: WEATHER.freshWet_s }, followed_s);
    const steps = slab.at_s.map((t) => weatherAt(this.place, ms + t * 1000).air_C + this.airShift(ms + t * 1000));
    const faces = slab.C.map((C, i) => C + this.slabShift(ms + slab.at_s[i]! * 1000));
    const day = followed_s >= 86400;
    const at_s = day ? [...slab.at_s, followed_s + 3600] : slab.at_s;
    const [air, covered] = day
      ? [
          [...steps, meanOver(slab.at_s, steps)],
          [...faces, meanOver(slab.at_s, faces)],
        ]
      : [steps, faces];
    const [air_C, slab_C] = [air[0]!, covered[0]!];
    return {
      air_C,
      slab_C,
      humidity: weather.humidity,
      wind_ms: weather.wind10_ms * WEATHER.surfaceWind,
      airDrift: shifted({ at_s, C: air }, -air_C),
      slabDrift: shifted({ at_s, C: covered }, -slab_C),
    };
  }

  /** When the fresh layer first goes under freezing, s from first water, in every hour that is known; null where it never does. */
  freezesAfter(): number | null {
    const { hours, from_ms } = this.place;
    const known_s = Math.min(FROST_LOOKED_S, (from_ms + hours.length * HOUR_MS - this.firstWater_ms) / 1000);
    const nights = hours.filter((_, i) => from_ms + (i + 1) * HOUR_MS > this.firstWater_ms);
    // A clear night takes a face a few kelvins under its air, never more.
    if (known_s <= 0 || nights.every(({ air_C }) => air_C > WEATHER.frostAir_C)) return null;
    const { at_s, C } = this.day.changed(this.firstWater_ms, { absorptivity: WEATHER.absorptivity.fresh, wet_s: WEATHER.freshWet_s }, known_s);
    const i = C.findIndex((face_C, k) => face_C + this.slabShift(this.firstWater_ms + at_s[k]! * 1000) < 0);
    return i < 0 ? null : at_s[i]!;
  }

  /** The likeliest rain between two moments from first water, and when; nothing where no hour says. */
  rainBetween(from_s: number, until_s: number): { readonly chance: number; readonly at_s: number } | null {
    const { hours, from_ms } = this.place;
    const told = hours.flatMap(({ rainChance }, i) => {
      const begins_s = (from_ms + i * HOUR_MS - this.firstWater_ms) / 1000;
      return rainChance !== undefined && begins_s < until_s && begins_s + 3600 > from_s ? [{ chance: rainChance, at_s: Math.max(0, begins_s) }] : [];
    });
    return told.length === 0 ? null : told.reduce((most, hour) => (hour.chance > most.chance ? hour : most));
  }

  /** What the bare surface comes to when it is shaded, or wetted and kept so, for a while before the work, degC. */
  prepared({ exposure, wet_s }: { exposure?: SurfaceSite['exposure']; wet_s?: number }, for_s: number): number {
    const change = {
      ...(exposure ? { exposure: WEATHER.exposure[exposure] } : {}),
      ...(wet_s ? { wet_s, absorptivity: WEATHER.absorptivity.dark } : {}),
    };
    const from_ms = this.firstWater_ms - for_s * 1000;
    const { C } = this.day.changed(from_ms, change, for_s);
    return C.at(-1)! + this.slabShift(this.firstWater_ms);
  }
}

/** Mean over time of a course given at its knots. */
function meanOver(at_s: readonly number[], C: readonly number[]): number {
  let sum = 0;
  for (let i = 1; i < at_s.length; i += 1) sum += ((C[i - 1]! + C[i]!) / 2) * (at_s[i]! - at_s[i - 1]!);
  return sum / (at_s.at(-1)! - at_s[0]!);
}
