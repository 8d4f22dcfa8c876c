import { acknowledgeAll, DOCK, expect, signIn, startServer, test as base } from './server';

/** The demonstration's morning: data, clocks and so every picture stand still. */
const MORNING = '2026-05-12T12:30:00Z';

const test = base.extend<{ server: string }>({
  // The library reads what a fixture needs from this pattern: an option that is set anyway costs nothing.
  server: async ({ browserName: _any }, provide) => {
    const { url, stop } = await startServer({ now: MORNING });
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
  // Time stands from before the page is there: a clock that leaps while an answer is under way would be read as a wrong clock.
  let now = Date.parse(MORNING);
  await page.clock.setFixedTime(now);
  await signIn(page, 'Lead', `/jobs/${DOCK}/pour`);
  await acknowledgeAll(page);
  await expect(page.getByText('with the firm')).toBeVisible();
  await context.setOffline(true);
  // It moves only as it is told to, a glance every four seconds.
  await page.getByTestId('start-batch').click();
  await page.getByTestId('pail').waitFor();
  const pass = async (seconds: number): Promise<void> => {
    for (const end = now + seconds * 1000; now < end;) {
      now = Math.min(end, now + 4000);
      await page.clock.setFixedTime(now);
      await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
    }
  };
  for (const [name, seconds] of [
    ['pour-full', 30],
    ['pour-half', 180],
    ['pour-near', 120],
    ['pour-past', 180],
  ] as const) {
    await pass(seconds);
    await expect(page.getByTestId('undo')).toHaveCount(0);
    await expect(page).toHaveScreenshot(`${name}.png`);
  }
});
