import express, { type Express } from 'express';

/** One hour of invented weather. */
export interface Hour {
  readonly at: string;
  readonly air_C: number;
  readonly humidity: number;
  /** at 10 m, m/s */
  readonly wind_ms: number;
  readonly cloud: number;
  readonly rainChance: number;
}

/** A made-up but plausible hour: warmest in mid-afternoon, driest when warmest, windier by day. The same hour always comes out the same. */
export function hourAt(at: Date): Hour {
  const day = Math.floor(at.getTime() / 86400_000);
  const hour = at.getUTCHours() + at.getUTCMinutes() / 60;
  const swing = Math.cos(((hour - 15) / 24) * 2 * Math.PI);
  const spell = Math.sin(day * 1.7);
  const cloud = Math.min(1, Math.max(0, 0.45 + 0.45 * Math.sin(day * 2.3)));
  const round = (value: number, step: number): number => Math.round(value / step) * step;
  return {
    at: at.toISOString(),
    air_C: round(17 + 4 * spell + 6 * swing, 0.1),
    humidity: round(Math.min(0.98, Math.max(0.2, 0.62 - 0.22 * swing - 0.05 * spell)), 0.01),
    wind_ms: round(Math.max(0, 3 + 1.5 * swing + spell), 0.1),
    cloud: round(cloud, 0.01),
    rainChance: round(cloud > 0.7 ? (cloud - 0.7) * 2 : 0, 0.01),
  };
}

/** The simulated weather service: `GET /forecast?from=INSTANT&hours=N`. */
export function weatherService(): Express {
  const app = express();
  app.get('/forecast', (request, response) => {
    const from = new Date(String(request.query['from']));
    const hours = Number(request.query['hours'] ?? 72);
    if (Number.isNaN(from.getTime()) || !Number.isInteger(hours) || hours < 1 || hours > 240) {
      response.status(422).json({ title: 'Give from as an ISO instant and hours from 1 to 240.' });
      return;
    }
    response.json({ hours: Array.from({ length: hours }, (_, i) => hourAt(new Date(from.getTime() + i * 3600_000))) });
  });
  return app;
}
