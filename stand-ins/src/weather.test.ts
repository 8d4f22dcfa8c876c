import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { hourAt, weatherService } from './weather';

test('the same hour is always the same, and afternoons are warmer and drier than nights', () => {
  const night = hourAt(new Date('2026-06-01T04:00:00Z'));
  const noon = hourAt(new Date('2026-06-01T15:00:00Z'));
  expect(hourAt(new Date('2026-06-01T15:00:00Z'))).toEqual(noon);
  expect(noon.air_C).toBeGreaterThan(night.air_C + 5);
  expect(noon.humidity).toBeLessThan(night.humidity);
});

test('serves so many hours, and says what to give when asked badly', async () => {
  const server = weatherService().listen(0, '127.0.0.1');
  await once(server, 'listening');
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/forecast`;
  try {
    const good = (await (await fetch(`${base}?from=2026-06-01T00:00:00Z&hours=5`)).json()) as { hours: unknown[] };
    expect(good.hours).toHaveLength(5);
    expect((await fetch(`${base}?from=soon`)).status).toBe(422);
  } finally {
    server.closeAllConnections();
    server.close();
  }
});
