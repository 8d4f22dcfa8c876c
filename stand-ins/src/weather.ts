import express, { type Express } from 'express';
import { drawn } from './drawn';

/** One hour of invented weather, as the forecast's JSON has it. */
export interface Hour {
  readonly at: string;
  readonly air_C: number;
  readonly humidity: number;
  /** at 10 m, m/s */
  readonly wind_ms: number;
  readonly cloud: number;
  readonly rainChance: number;
  readonly rain_mm: number;
}

const HOUR_MS = 3_600_000;
const DAY_MS = 86_400_000;
/** Warmest so long after the year has turned north of the line, days. */
const WARMEST_DAY = 203;
const TO_RADIANS = Math.PI / 180;

/** A smooth wander between -1 and 1 with knots so far apart. */
function wander(name: string, at_h: number, apart_h: number): number {
  const i = Math.floor(at_h / apart_h);
  const share = at_h / apart_h - i;
  const ease = share * share * (3 - 2 * share);
  return (drawn(name, i) * (1 - ease) + drawn(name, i + 1) * ease) * 2 - 1;
}

const clamp = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

interface Place {
  readonly latitude_deg: number;
  readonly longitude_deg: number;
}

/** How the weather of a place really goes: by its season, the hour of its sun, and fronts that pass every few days. */
function truthAt({ latitude_deg, longitude_deg }: Place, ms: number) {
  const here = `${Math.round(latitude_deg * 2)} ${Math.round(longitude_deg * 2)}`;
  const at_h = ms / HOUR_MS;
  const local_h = (((at_h + longitude_deg / 15) % 24) + 24) % 24;
  const year = (ms - Date.UTC(new Date(ms).getUTCFullYear(), 0, 1)) / DAY_MS;
  const steep = Math.abs(latitude_deg) / 90;
  const summer = Math.cos(((year - WARMEST_DAY) / 365.25) * 2 * Math.PI) * (latitude_deg < 0 ? -1 : 1);
  const mean_C = 27 - 34 * steep ** 1.5 + summer * (2 + 22 * steep);
  // How high the sun comes decides how far a day swings.
  const declination = 23.4 * Math.cos(((year - 172) / 365.25) * 2 * Math.PI);
  const noon = Math.max(0, Math.cos((latitude_deg - declination) * TO_RADIANS));
  const front = wander(`front ${here}`, at_h, 40);
  const wet = wander(`wet ${here}`, at_h, 17) * 0.55 + front * 0.6;
  const cloud = clamp(0.42 + 0.75 * wet, 0, 1);
  const swing = Math.cos(((local_h - 15) / 24) * 2 * Math.PI);
  const air_C = mean_C + 4.5 * wander(`spell ${here}`, at_h, 70) - 2 * front + swing * (2 + 7 * noon) * (1 - 0.6 * cloud);
  const humidity = clamp(0.63 + 0.18 * wet - 0.2 * swing * (1 - 0.5 * cloud), 0.18, 0.99);
  const wind_ms = Math.max(0, 2.6 + 1.8 * Math.abs(front) + 1.2 * Math.max(0, swing) + 1.1 * wander(`gust ${here}`, at_h, 5));
  const rain_mm = wet > 0.45 ? ((wet - 0.45) ** 2 * 14 * (1 + wander(`shower ${here}`, at_h, 2))) / 1.2 : 0;
  return { air_C, humidity, wind_ms, cloud, rain_mm, wet };
}

const rounded = (value: number, step: number): number => Number((Math.round(value / step) * step).toFixed(3));

/**
 * An hour as a forecast made at some moment has it: what lies behind it is as it was, what lies ahead is off by more the
 * further it lies, alike for hours near each other. A forecast is made anew every six hours.
 */
export function hourAt(place: Place, ms: number, made_ms: number): Hour {
  const truth = truthAt(place, ms);
  const run = Math.floor(made_ms / (6 * HOUR_MS));
  const ahead_d = Math.max(0, (ms - made_ms) / DAY_MS);
  const sd_K = ahead_d === 0 ? 0 : Math.min(4, 0.8 + 0.4 * ahead_d);
  const error = (name: string): number => wander(`${name} ${run} ${Math.round(place.latitude_deg)}`, ms / HOUR_MS, 8) * 1.7;
  const wet = truth.wet + sd_K * 0.07 * error('wet');
  const share = (value: number): number => rounded(clamp(value, 0, 1), 0.01);
  // Behind it rained or it did not; ahead nobody is sure.
  const chance = ahead_d === 0 ? (truth.rain_mm > 0.05 ? 1 : 0) : 1 / (1 + Math.exp(-(wet - 0.45) / (0.06 + 0.02 * ahead_d)));
  return {
    at: new Date(ms).toISOString(),
    air_C: rounded(truth.air_C + sd_K * error('air'), 0.1),
    humidity: share(clamp(truth.humidity + (sd_K > 0 ? 0.06 * error('humidity') : 0), 0.1, 1)),
    wind_ms: rounded(truth.wind_ms * Math.exp(sd_K > 0 ? 0.25 * error('wind') : 0), 0.1),
    cloud: share(truth.cloud + 0.06 * sd_K * error('cloud')),
    rainChance: share(chance),
    rain_mm: rounded(ahead_d === 0 ? truth.rain_mm : wet > 0.45 ? (wet - 0.45) ** 2 * 12 : 0, 0.1),
  };
}

const numberIn = (text: unknown, least: number, most: number): number | null => {
  const value = typeof text === 'string' && text.trim() !== '' ? Number(text) : NaN;
  return value >= least && value <= most ? value : null;
};

/** The simulated weather service: `GET /hours?latitude=D&longitude=D&from=INSTANT&hours=N`. @param clock ms since 1970: what lies before it is history */
export function weatherService(clock: () => number = Date.now): Express {
  const app = express();
  app.disable('x-powered-by');
  app.get('/hours', (request, response) => {
    const { query } = request;
    const [latitude_deg, longitude_deg] = [numberIn(query['latitude'], -90, 90), numberIn(query['longitude'], -180, 180)];
    const from_ms = Math.floor(Date.parse(String(query['from'])) / HOUR_MS) * HOUR_MS;
    const count = numberIn(query['hours'], 1, 480);
    if (latitude_deg === null || longitude_deg === null || Number.isNaN(from_ms) || count === null || !Number.isInteger(count)) {
      response.status(422).json({ title: 'Give latitude, longitude, from as an ISO instant and hours from 1 to 480.' });
      return;
    }
    const made_ms = clock();
    const hours = Array.from({ length: count }, (_, i) => hourAt({ latitude_deg, longitude_deg }, from_ms + i * HOUR_MS, made_ms));
    response.json({ v: 1, latitude_deg, longitude_deg, made: new Date(made_ms).toISOString(), invented: true, hours });
  });
  return app;
}
