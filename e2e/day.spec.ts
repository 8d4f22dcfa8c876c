import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { once } from 'node:events';
import { weatherService } from '../stand-ins/src/weather';
import { test as base } from '@playwright/test';
import { faultsOf, unreadable } from './looks';
import { DOCK, expect, jobOf, signIn, startServer } from './server';

/** The morning of the tests: the server's clock, the phone's and the weather's stand at it. */
const MORNING = '2026-05-12T12:20:00Z';

/** A server of one's own with the simulated weather service behind it. */
const test = base.extend<{ server: string }>({
  server: [
    async ({ browserName: _any }, provide) => {
      const weather = weatherService(() => Date.parse(MORNING)).listen(0, '127.0.0.1');
      await once(weather, 'listening');
      const { url, stop } = await startServer({ now: MORNING, weather: `http://127.0.0.1:${(weather.address() as AddressInfo).port}` });
      await provide(url);
      await stop();
      weather.closeAllConnections();
      weather.close();
    },
    { scope: 'test', timeout: 60_000 },
  ],
  baseURL: async ({ server }, provide) => provide(server),
  page: async ({ page }, provide) => {
    await page.clock.install({ time: new Date(MORNING) });
    await provide(page);
  },
});

const WEEK = `/jobs/${DOCK}/week`;

test('the week by the hour: fetched, looked at with the keys, planned; Now shows its good hours, and without signal it stands', async ({ page, server }) => {
  await signIn(page, 'Lead', WEEK);
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toHaveText(/^(Today|Tomorrow|\w+day), \d+ to \d+/);
  await expect(page.getByTestId('forecast')).toContainText('Forecast, just now, invented for the demonstration');
  const picture = page.getByRole('slider', { name: 'The week by the hour' });
  const said = await picture.getAttribute('aria-valuetext');
  await picture.focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await expect(picture).not.toHaveAttribute('aria-valuetext', said!);
  await expect(page.getByTestId('hour')).toContainText(/Tomorrow at|Thursday at/);
  // What stands against an hour is said with its figures: the small hours of today are behind.
  for (let i = 0; i < 20; i += 1) await page.keyboard.press('ArrowLeft');
  for (let i = 0; i < 7; i += 1) await page.keyboard.press('ArrowUp');
  await expect(page.getByTestId('hour')).toContainText('Has passed');
  await page.getByRole('button', { name: 'The week as a table' }).tap();
  await expect(page.getByRole('table', { name: 'The week as a table' }).getByRole('row')).toHaveCount(8);
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);

  await picture.focus();
  await page.keyboard.press('ArrowDown');
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowRight');
  await page.getByRole('button', { name: /^Plan tomorrow, 8:00/ }).tap();
  await expect.poll(async () => (await jobOf(page.request, server, DOCK)).job.pourOn).toBe('2026-05-13T08:00');
  // Three days back and eight ahead lie with the job, and the plan is made of them.
  const { input } = await (await page.request.get(`${server}/api/v1/jobs/${DOCK}/plan`)).json();
  expect(input.site).toMatchObject({ firstWater: '2026-05-13T12:00:00.000Z', weather: { hours: { length: 264 } } });

  await page.goto('/');
  await expect(title).toHaveText('Tomorrow loading dock from 08:00');
  await expect(page.getByTestId('good-hours')).toContainText('Next good hours, Loading dock');
  // Without signal both ways of looking at the day stand.
  await page.goto(WEEK);
  const [batch, week] = [page.getByRole('radio', { name: 'This batch' }), page.getByRole('radio', { name: 'The week' })];
  await expect(page.getByRole('slider', { name: 'The week by the hour' })).toBeVisible();
  await batch.tap();
  await expect(title).toContainText('to place each batch');
  await page.context().setOffline(true);
  await week.tap();
  await expect(page.getByTestId('forecast')).toContainText('invented');
  await expect(title).toHaveText(/ to /);
  await page.context().setOffline(false);
});

test('a forecast pasted in other units, one with a hole, and one typed from a few figures', async ({ page, server }) => {
  await signIn(page, 'Lead', WEEK);
  const forecast = page.getByTestId('forecast');
  await expect(forecast).toContainText('invented');
  await page.getByRole('button', { name: 'Paste one' }).tap();
  const field = page.getByLabel('Table or JSON');
  const hour = (i: number): string => new Date(Date.parse(MORNING) - 20 * 60_000 + i * 3_600_000).toISOString();
  const rowOf = (i: number): string => `${hour(i)},77,50,5,20`;
  const head = 'at,air_F,humidity,wind_mph,cloud';
  await field.fill([head, rowOf(0), rowOf(9)].join('\n'));
  await expect(page.getByRole('alert')).toContainText('8 hours are missing');
  await expect(page.getByRole('button', { name: 'Use this forecast' })).toBeDisabled();
  await field.fill([head, ...Array.from({ length: 48 }, (_, i) => rowOf(i))].join('\n'));
  await expect(page.getByText('humidity was read as a percentage.')).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole('button', { name: 'Use this forecast' }).tap();
  await expect(forecast).toContainText('Forecast, pasted, just now');
  await expect(forecast).not.toContainText('invented');

  await page.getByRole('button', { name: 'Type a few figures' }).tap();
  await page.getByLabel('Coolest before the sun').fill('60 F');
  await page.getByLabel('Warmest in the afternoon').fill('50 F');
  await page.getByLabel('Chance of rain, %').fill('10');
  await expect(page.getByText('The coolest is warmer than the warmest.')).toBeVisible();
  await page.getByLabel('Warmest in the afternoon').fill('75 F');
  await page.getByLabel('Chance of rain, %').fill('0');
  await page.getByRole('button', { name: 'Use this forecast' }).tap();
  await expect(forecast).toContainText('Forecast, typed, just now');
  const sources = async (): Promise<string[]> =>
    Object.values((await (await page.request.get(`${server}/api/v1/changes?since=2`)).json()).rows.forecast as { source: string }[]).map(
      ({ source }) => source,
    );
  await expect.poll(sources).toEqual(['service', 'pasted', 'typed']);
});

test('the sun on an element: shade by the clock is kept, and what is no hour is told', async ({ page, server }) => {
  await signIn(page, 'Lead', WEEK);
  const sun = page.getByTestId('sun');
  await sun.getByLabel('Shade from, hour').fill('28');
  await expect(sun.getByRole('alert')).toContainText('Write an hour');
  await sun.getByLabel('Shade from, hour').fill('10');
  await sun.getByLabel('to, hour', { exact: true }).fill('15:30');
  await sun.getByRole('button', { name: 'Keep the shade' }).tap();
  const kept = async () =>
    Object.values((await jobOf(page.request, server, DOCK)).element as Record<string, { properties: { sun?: object } }>).map(
      ({ properties }) => properties.sun,
    );
  await expect.poll(kept).toContainEqual(expect.objectContaining({ shaded: { from_h: 10, to_h: 15.5 } }));
  await page.getByRole('button', { name: 'Its strata' }).tap();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('to place each batch');
});

test('wide, the week stands beside its jobs', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page, 'Lead', WEEK);
  await expect(page.getByRole('slider', { name: 'The week by the hour' })).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
});

test('the day by the clock: in its weather, moved by keys and by hand, with other hands, to the calendar', async ({ page }) => {
  test.setTimeout(150_000);
  await signIn(page, 'Lead', WEEK);
  await expect(page.getByTestId('forecast')).toContainText('invented');
  await page.getByRole('radio', { name: 'The day' }).tap();
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toHaveText(/^Done by \d\d:\d\d/);
  const list = page.getByRole('list', { name: 'The day by the clock' });
  const first = list.getByRole('button', { name: /\d\d:\d\d 1 Spall/ });
  // The weather is the job's by then, and the day put in order in it: what would help is worked out last.
  await page.getByTestId('helps').waitFor({ timeout: 30_000 });
  const before = await first.getAttribute('aria-label');
  await first.tap();
  await expect(page.getByTestId('why')).toContainText(/[A-Z].+\./);
  await page.getByRole('button', { name: '5 min later' }).tap();
  await expect(page.getByText('1 of it stands where you put it.')).toBeVisible();
  await expect(first).not.toHaveAttribute('aria-label', before!);
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await page.getByRole('button', { name: 'Let all go again' }).tap();
  await expect(first).toHaveAttribute('aria-label', before!);
  // A delivery in the middle of it: the plan goes around.
  await page.getByLabel('What', { exact: true }).fill('Pallet of cider');
  await page.getByLabel('From, as 13:30').fill('25');
  await expect(page.getByText('Write the time as 13:30.')).toBeVisible();
  await page.getByLabel('From, as 13:30').fill('11:40');
  await page.getByRole('button', { name: 'Add it' }).tap();
  await expect(list.getByRole('button', { name: /11:40 Pallet of cider/ })).toBeVisible({ timeout: 60_000 });
  // Worked out beside the day, and after it.
  await expect(page.getByTestId('hands').getByRole('row')).toHaveCount(5, { timeout: 60_000 });
  const [saved] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Calendar' }).tap()]);
  const text = readFileSync(await saved.path(), 'utf8');
  expect(text).toContain('BEGIN:VCALENDAR');
  expect(text.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(5);
  expect(text.match(/BEGIN:VALARM/g)).toHaveLength(1);
});

test('wide, a bar is dragged and the rest follows', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page, 'Lead', `/jobs/${DOCK}/plan`);
  const bars = page.getByRole('group', { name: 'The day by hands' });
  const cut = bars.getByRole('button', { name: /Cut, break out/ }).first();
  await expect(cut).toBeVisible();
  const name = await cut.getAttribute('aria-label');
  const box = (await cut.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 30, box.y + box.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByText('1 of it stands where you put it.')).toBeVisible();
  await expect(bars.getByRole('button', { name: name! })).toHaveCount(0);
  await bars
    .getByRole('button', { name: /Cut, break out/ })
    .first()
    .focus();
  await page.keyboard.press('ArrowRight');
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
});
