import express, { type Express } from 'express';
import { drawn } from './drawn';

/** An invented instrument: what it reads around, how far its readings scatter, in its unit. */
interface Invented {
  readonly id: string;
  readonly kind: string;
  readonly name: string;
  readonly unit: string;
  readonly about: number;
  readonly scatter: number;
  /** what it answers in when somebody has set it wrong */
  readonly wrong: string;
}

const INSTRUMENTS: readonly Invented[] = [
  { id: 'depth', kind: 'depthGauge', name: 'Depth gauge', unit: 'mm', about: 31, scatter: 9, wrong: 'C' },
  { id: 'heat', kind: 'thermometer', name: 'Infrared thermometer', unit: 'C', about: 23, scatter: 3, wrong: 'kg' },
  { id: 'damp', kind: 'moistureMeter', name: 'Moisture meter', unit: '%', about: 4.2, scatter: 1.2, wrong: 'mm' },
  { id: 'laser', kind: 'laserDistance', name: 'Laser distance', unit: 'm', about: 3.2, scatter: 1.4, wrong: 'psi' },
  { id: 'scale', kind: 'scale', name: 'Scale', unit: 'kg', about: 11.4, scatter: 2.5, wrong: 'F' },
];

/** Ways an instrument fails, so that a crew meets each once. */
export const FAULTS = ['battery', 'lost', 'unit', 'wild'] as const;
export type Fault = (typeof FAULTS)[number];

/** How often, by itself, a reading fails: one in so many. */
const FAILS = 14;
/** Readings to a charge. */
const CHARGE = 60;

/**
 * The simulated instruments: `GET /instruments`, `GET /instruments/:id/reading`. Each reading scatters, its battery falls,
 * and now and then it fails in one of the four ways; `?fault=` asks for one of them.
 *
 * @param fails one reading in so many fails by itself; 0 for none
 */
export function instrumentService({ clock = Date.now, fails = FAILS }: { clock?: () => number; fails?: number } = {}): Express {
  const app = express();
  app.disable('x-powered-by');
  const taken = new Map<string, number>();
  const batteryOf = (id: string): number => Math.max(0, 1 - ((taken.get(id) ?? 0) % (CHARGE + 1)) / CHARGE);
  app.get('/instruments', (_request, response) => {
    response.json({ v: 1, invented: true, instruments: INSTRUMENTS.map(({ id, kind, name }) => ({ id, kind, name, battery: batteryOf(id) })) });
  });
  app.get('/instruments/:id/reading', (request, response) => {
    const instrument = INSTRUMENTS.find(({ id }) => id === request.params['id']);
    if (!instrument) {
      response.status(404).json({ title: 'No such instrument.' });
      return;
    }
    const { id, kind, unit, about, scatter, wrong } = instrument;
    const nth = (taken.get(id) ?? 0) + 1;
    taken.set(id, nth);
    const asked = FAULTS.find((fault) => fault === request.query['fault']);
    const failing = fails > 0 && drawn('fails', id, nth) < 1 / fails ? FAULTS[Math.floor(drawn('how', id, nth) * FAULTS.length)] : undefined;
    const fault = asked ?? failing;
    if (fault === 'lost') {
      request.socket.destroy();
      return;
    }
    if (fault === 'battery' || batteryOf(id) === 0) {
      response.status(503).json({ code: 'batteryFlat', title: 'Its battery is flat.' });
      return;
    }
    const value = about + (drawn('a', id, nth) + drawn('b', id, nth) - 1) * scatter;
    response.json({
      v: 1,
      invented: true,
      id,
      kind,
      value: fault === 'wild' ? value * 1000 : Number(value.toFixed(unit === 'm' ? 3 : 1)),
      unit: fault === 'unit' ? wrong : unit,
      at: new Date(clock()).toISOString(),
      battery: batteryOf(id),
    });
  });
  return app;
}
