import { acknowledgeAll, DOCK, expect, signIn, startServer, test as base } from './server';

/** The demonstration's morning: data, clocks and so every picture stand still. */
const MORNING = '2026-05-12T12:20:00Z';

const test = base.extend<{ server: string }>({
  // eslint-disable-next-line no-empty-pattern -- the library reads the fixtures from the pattern
  server: async ({}, provide) => {
    const { url, stop } = await startServer({ TUFA_NOW: MORNING });
    await provide(url);
    await stop();
  },
});

test('the three drawings look as they did', async ({ page }) => {
  await page.clock.install({ time: new Date(MORNING) });
  await signIn(page);
  for (const [step, name] of [
    ['walk', /^Plan to scale/],
    ['fix', /^Section/],
  ] as const) {
    await page.goto(`/jobs/${DOCK}/${step}`);
    await page.getByRole('img', { name }).waitFor();
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    await expect(page.getByRole('img', { name })).toHaveScreenshot(`${step === 'walk' ? 'plan' : 'section'}.png`);
  }
  await page.goto(`/jobs/${DOCK}/day`);
  await page.getByTestId('strata').waitFor();
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  await expect(page.getByTestId('strata')).toHaveScreenshot('strata.png');
});

test('Pour looks as it did at four levels', async ({ page, context }) => {
  await page.clock.install({ time: new Date(MORNING) });
  await signIn(page);
  await page.goto(`/jobs/${DOCK}/pour`);
  await acknowledgeAll(page);
  await expect(page.getByText('with the firm')).toBeVisible();
  await context.setOffline(true);
  // Started on the half hour, however long the way there took; from then on time moves only when it is told to.
  await page.clock.pauseAt(new Date('2026-05-12T12:30:00Z'));
  await page.clock.resume();
  await page.getByTestId('start-batch').click();
  await page.getByTestId('pail').waitFor();
  await page.clock.pauseAt(new Date('2026-05-12T12:30:20Z'));
  for (const [name, seconds] of [
    ['pour-full', 30],
    ['pour-half', 180],
    ['pour-near', 120],
    ['pour-past', 180],
  ] as const) {
    await page.clock.runFor(seconds * 1000);
    await expect(page).toHaveScreenshot(`${name}.png`);
  }
});
