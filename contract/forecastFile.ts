import { Problem, siFactor } from '@tufa/core/quantity';
import type { HourWeather } from '@tufa/core/weather';
import Joi from 'joi';
import { instant } from './common';
import { weatherHours } from './jobFileSchema';
import { instantOfLocal } from './localTime';
import { coordinates } from './settingsSchemas';
import { check } from './validate';

/** A forecast as its service answers: hours in order of an instant each, every figure's unit in its name. */
export interface ForecastFile {
  readonly v: 1;
  readonly latitude_deg: number;
  readonly longitude_deg: number;
  /** when it was worked out */
  readonly made: string;
  /** made up, not measured or worked out by anybody */
  readonly invented: boolean;
  readonly hours: readonly ForecastHour[];
}

/** One hour of it. What is not there nobody says. */
export interface ForecastHour {
  readonly at: string;
  readonly air_C: number;
  /** 0 to 1 */
  readonly humidity: number;
  /** at ten metres */
  readonly wind_ms: number;
  /** share of the sky */
  readonly cloud: number;
  readonly rainChance?: number;
  readonly rain_mm?: number;
  readonly irradiance_Wm2?: number;
}

/** The schema of a service's answer; its hours are read one by one by `readForecast`. */
export const forecastFile = Joi.object({
  v: Joi.number().valid(1).required(),
  ...coordinates,
  made: instant.required(),
  invented: Joi.boolean().required(),
  hours: Joi.array()
    .items(
      Joi.object({
        at: instant.required(),
        air_C: Joi.number().required(),
        humidity: Joi.number().required(),
        wind_ms: Joi.number().required(),
        cloud: Joi.number().required(),
        rainChance: Joi.number(),
        rain_mm: Joi.number(),
        irradiance_Wm2: Joi.number(),
      }),
    )
    .min(1)
    .max(480)
    .required(),
});

/** What was done to a forecast as it was read, to be said. */
export interface ForecastNote {
  readonly code: 'filled' | 'twice' | 'percent' | 'unknownColumn' | 'cut';
  readonly figures: { readonly count?: number; readonly name?: string };
}

export interface ReadForecast {
  /** the instant of its first hour */
  readonly from: string;
  readonly hours: readonly HourWeather[];
  readonly notes: readonly ForecastNote[];
}

type Cells = Readonly<Record<string, unknown>>;
type Name = 'at' | 'air' | 'humidity' | 'wind' | 'cloud' | 'rainChance' | 'rain' | 'irradiance';

const NAMES: Readonly<Record<string, Name>> = {
  at: 'at',
  time: 'at',
  hour: 'at',
  date: 'at',
  air: 'air',
  temp: 'air',
  temperature: 'air',
  humidity: 'humidity',
  rh: 'humidity',
  wind: 'wind',
  cloud: 'cloud',
  clouds: 'cloud',
  rainchance: 'rainChance',
  chance: 'rainChance',
  rain: 'rain',
  irradiance: 'irradiance',
  sun: 'irradiance',
};
const REQUIRED: readonly Name[] = ['at', 'air', 'humidity', 'wind', 'cloud'];
const SHARES: readonly Name[] = ['humidity', 'cloud', 'rainChance'];

/** A unit as columns name it to SI; temperatures apart. */
const TO_SI: Readonly<Record<string, number>> = {
  ms: 1,
  'm/s': 1,
  kmh: 1 / 3.6,
  'km/h': 1 / 3.6,
  mph: 0.44704,
  kn: 1852 / 3600,
  kt: 1852 / 3600,
  mm: 1e-3,
  in: siFactor('length', 'in'),
  wm2: 1,
  'w/m2': 1,
  '%': 0.01,
  percent: 0.01,
};

interface Column {
  readonly key: string;
  readonly name: Name;
  readonly unit: string;
}

/** What a column is and in what unit, by its heading: `air_F`, `wind (km/h)`, `humidity %`. */
function columnOf(key: string): Column | null {
  const found = /^([a-z]+(?:[ _]?chance)?)[\s_([°]*([a-z%/0-9²]*)[)\]]?$/i.exec(key.trim());
  const name = found && NAMES[found[1]!.toLowerCase().replace(/[ _]/g, '')];
  return name ? { key, name, unit: found[2]!.toLowerCase().replace('²', '2') } : null;
}

const HOUR_MS = 3_600_000;
/** So many hours that are missing in a row are drawn straight between their neighbours. */
const HOLE_MOST = 3;
const MOST_HOURS = 480;

/** A figure of a cell. @throws Problem `forecastFigure` */
function figureOf(cells: Cells, { key, name, unit }: Column, at: string): number {
  const cell = cells[key];
  const text = String(cell ?? '').trim();
  // A comma is a decimal point where there is no other.
  const value = typeof cell === 'number' ? cell : Number(text.includes('.') ? text : text.replace(',', '.'));
  if (text === '' || !Number.isFinite(value)) throw new Problem('forecastFigure', { name: key, at, text: text.slice(0, 20) });
  if (name === 'air') return unit === 'f' ? ((value - 32) * 5) / 9 : value;
  return value * (TO_SI[unit] ?? 1);
}

/** A unit that the figure needs and its heading does not have, or has wrong. @throws Problem `forecastUnit` */
function checkUnit({ key, name, unit }: Column): void {
  const known: Readonly<Record<Name, readonly string[]>> = {
    at: [unit],
    air: ['c', 'f'],
    humidity: ['', '%', 'percent'],
    cloud: ['', '%', 'percent'],
    rainChance: ['', '%', 'percent'],
    wind: ['ms', 'm/s', 'kmh', 'km/h', 'mph', 'kn', 'kt'],
    rain: ['mm', 'in'],
    irradiance: ['wm2', 'w/m2'],
  };
  if (!known[name].includes(unit)) throw new Problem('forecastUnit', { name: key });
}

/** The instant of a row: with its offset, or local time of the place. Local time that comes twice in a row is the clocks going back. */
function instantsOf(rows: readonly Cells[], key: string, zone: string): number[] {
  let last = -Infinity;
  let before = '';
  return rows.map((cells, i) => {
    const text = String(cells[key] ?? '').trim();
    const local = instantOfLocal(text, zone);
    const ms = Date.parse(local ?? text);
    if (Number.isNaN(ms)) throw new Problem('forecastTime', { name: text.slice(0, 30), row: i + 1 });
    const again = local !== null && text === before && instantOfLocal(text, zone) !== null && repeats(ms, text, zone);
    last = again ? last + HOUR_MS : ms;
    before = text;
    return last;
  });
}

/** Whether a local time is gone through twice: an hour after it the clock shows the same. */
const repeats = (ms: number, local: string, zone: string): boolean =>
  new Date(ms + HOUR_MS).toLocaleTimeString('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }) === local.slice(11, 16);

/** What is told of a hole at its place. */
const isoAt = (ms: number): string => new Date(ms).toISOString();

/**
 * Hourly weather out of rows as a table or a service gives them: put in order, units read from the headings, an hour that
 * comes twice taken once, up to three missing ones drawn between their neighbours, each of these told.
 *
 * @param rows a row an hour, cells by heading: at, air_C or air_F, humidity, wind_ms or another unit, cloud; rainChance, rain_mm and irradiance_Wm2 where known
 * @param zone of the place, for times without an offset
 * @throws Problem `forecastEmpty`, `forecastColumn`, `forecastUnit`, `forecastTime`, `forecastFigure`, `forecastRange`, `forecastHole`
 */
export function readForecast(rows: readonly Cells[], zone: string): ReadForecast {
  if (rows.length === 0) throw new Problem('forecastEmpty', {});
  const keys = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  const columns = keys.flatMap((key) => columnOf(key) ?? []);
  const by = new Map(columns.map((column) => [column.name, column]));
  for (const name of REQUIRED) if (!by.has(name)) throw new Problem('forecastColumn', { name });
  columns.forEach(checkUnit);
  const notes: ForecastNote[] = keys.filter((key) => columnOf(key) === null && key.trim() !== '').map((name) => ({ code: 'unknownColumn', figures: { name } }));
  const instants = instantsOf(rows, by.get('at')!.key, zone);
  const told = rows.map((cells, i) => {
    const at = isoAt(instants[i]!);
    const of = (name: Name): number | undefined => {
      const column = by.get(name);
      const optional = !REQUIRED.includes(name);
      if (!column || (optional && (cells[column.key] === undefined || String(cells[column.key]).trim() === ''))) return undefined;
      return figureOf(cells, column, at);
    };
    return { ms: instants[i]!, figures: Object.fromEntries([...by.keys()].filter((name) => name !== 'at').map((name) => [name, of(name)])) };
  });
  // A share over 1 is a percentage without its sign: so is the whole column then.
  for (const name of SHARES) {
    if (by.get(name)?.unit === '' && told.some(({ figures }) => (figures[name] ?? 0) > 1)) {
      for (const { figures } of told) if (figures[name] !== undefined) figures[name] *= 0.01;
      notes.push({ code: 'percent', figures: { name: by.get(name)!.key } });
    }
  }
  const sorted = [...told].sort((a, b) => a.ms - b.ms);
  // Of an hour that comes twice the later word stands.
  const once = sorted.filter(({ ms }, i) => sorted[i + 1]?.ms !== ms);
  if (once.length < told.length) notes.push({ code: 'twice', figures: { count: told.length - once.length } });
  const hours: HourWeather[] = [];
  let filled = 0;
  for (const [i, { ms, figures }] of once.entries()) {
    const before = once[i - 1];
    const gap = before ? Math.round((ms - before.ms) / HOUR_MS) - 1 : 0;
    if (before && Math.abs(ms - before.ms - (gap + 1) * HOUR_MS) > 60_000) throw new Problem('forecastTime', { name: isoAt(ms), row: i + 1 });
    if (gap > HOLE_MOST) throw new Problem('forecastHole', { at: isoAt(before!.ms + HOUR_MS), count: gap });
    const hour = hourOf(figures);
    for (let k = 1; k <= gap; k += 1) hours.push(between(hours.at(-1)!, hour, 1 / (gap - k + 2)));
    filled += gap;
    hours.push(hour);
  }
  if (filled > 0) notes.push({ code: 'filled', figures: { count: filled } });
  if (hours.length > MOST_HOURS) notes.push({ code: 'cut', figures: { count: hours.length - MOST_HOURS } });
  const kept = hours.slice(0, MOST_HOURS);
  const { fault } = check(weatherHours, kept);
  if (fault) {
    const [at, name = ''] = fault.field.split('.');
    throw new Problem('forecastRange', { at: isoAt(once[0]!.ms + Number(at) * HOUR_MS), name });
  }
  return { from: isoAt(once[0]!.ms), hours: kept, notes };
}

function hourOf(figures: Readonly<Record<string, number | undefined>>): HourWeather {
  const { air, humidity, wind, cloud, irradiance, rainChance, rain } = figures;
  return {
    air_C: air!,
    humidity: humidity!,
    wind10_ms: wind!,
    cloud: cloud!,
    irradiance_Wm2: irradiance ?? null,
    ...(rainChance === undefined ? {} : { rainChance }),
    ...(rain === undefined ? {} : { rain_m: rain }),
  };
}

/** So much of the way from one hour to another. */
function between(a: HourWeather, b: HourWeather, share: number): HourWeather {
  const of = (x: number, y: number): number => x + (y - x) * share;
  return {
    air_C: of(a.air_C, b.air_C),
    humidity: of(a.humidity, b.humidity),
    wind10_ms: of(a.wind10_ms, b.wind10_ms),
    cloud: of(a.cloud, b.cloud),
    irradiance_Wm2: a.irradiance_Wm2 === null || b.irradiance_Wm2 === null ? null : of(a.irradiance_Wm2, b.irradiance_Wm2),
    ...(a.rainChance === undefined || b.rainChance === undefined ? {} : { rainChance: Math.max(a.rainChance, b.rainChance) }),
    ...(a.rain_m === undefined || b.rain_m === undefined ? {} : { rain_m: of(a.rain_m, b.rain_m) }),
  };
}
