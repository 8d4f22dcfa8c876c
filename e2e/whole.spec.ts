import { makeFirm } from './firms';
import { DOCK, expect, jobOf, signIn, startServer, test, wholeOnPhone } from './server';

// The whole application lies on the phone: these go on without signal.
test.use({ serviceWorkers: 'allow' });

test('a clash: both values on a sheet; mine is let go by a slide, not by a tap', async ({ page, browser, server }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/edit`);
  await page.getByLabel('Address').fill('Upper yard');
  await wholeOnPhone(page);
  await page.context().setOffline(true);
  await page.getByRole('button', { name: 'Save' }).click();
  const other = await (await browser.newContext({ baseURL: server })).newPage();
  await signIn(other, 'Owner', `/jobs/${DOCK}/edit`);
  await other.getByLabel('Address').fill('Lower yard');
  await other.getByRole('button', { name: 'Save' }).click();
  await expect.poll(async () => (await jobOf(other.request, server, DOCK)).job.address).toBe('Lower yard');
  await other.close();
  await page.context().setOffline(false);
  await page.getByRole('button', { name: 'Look at both' }).click({ timeout: 20_000 });
  await expect(page.getByRole('dialog').getByRole('row').filter({ hasText: 'Address' })).toContainText('Lower yard');
  const knob = (await page.getByTestId('slide').getByRole('button').boundingBox())!;
  const y = knob.y + knob.height / 2;
  await page.mouse.move(knob.x + 20, y);
  await page.mouse.down();
  await page.mouse.move(knob.x + 90, y, { steps: 3 });
  await page.mouse.up();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.mouse.move(knob.x + 20, y);
  await page.mouse.down();
  await page.mouse.move(knob.x + 360, y, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.goto(`/jobs/${DOCK}/edit`);
  await expect(page.getByLabel('Address')).toHaveValue('Lower yard');
});

test('an empty firm: three taps to the first answer; ready for no signal; keys and their sheet on a wide screen', async ({ browser }) => {
  const { url, firmCode, stop } = await startServer({ empty: true });
  try {
    const page = await (await browser.newContext({ baseURL: url, viewport: { width: 1280, height: 800 } })).newPage();
    await page.goto('/');
    await makeFirm(page, firmCode);
    await page.getByRole('link', { name: 'Bench' }).click();
    await page.getByRole('link', { name: /Window/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText(/\d+\smin/);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.keyboard.press('g');
    await page.keyboard.press('j');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('0 jobs');
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toContainText('Strata handle');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await page.goto('/firm');
    await expect(page.getByTestId('ready')).toContainText('Ready for no signal');
    await page.context().close();
  } finally {
    await stop();
  }
});

test('two phones without signal survey one element and merge by reading and finding', async ({ page, browser, server, context }) => {
  const other = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, baseURL: server });
  const second = await other.newPage();
  for (const phone of [page, second]) {
    await signIn(phone, phone === page ? 'Lead' : 'Finisher');
    await phone.goto(`/jobs/${DOCK}/walk`);
    await phone.getByRole('button', { name: 'Add a finding' }).waitFor();
    await wholeOnPhone(phone);
  }
  await context.setOffline(true);
  await other.setOffline(true);
  await page.getByRole('button', { name: 'Add a finding' }).click();
  await page.getByLabel('Length').fill("1'");
  await page.getByLabel('Width').fill("1'");
  await page.getByLabel('Deepest depth').fill('1/2 in');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'Edit G' })).toBeVisible();
  await second.getByRole('button', { name: 'Scratch, drop, pull, moisture' }).click();
  await second.getByRole('radio', { name: 'Moisture' }).click();
  await second.getByLabel('Moisture').last().fill('5 %');
  await second.getByRole('button', { name: 'Keep it' }).click();
  await expect(second.getByText('Moisture: 5 %')).toBeVisible();
  await context.setOffline(false);
  await other.setOffline(false);
  await expect
    .poll(async () => {
      const { finding, reading } = await (await page.request.get(`${server}/api/v1/jobs/${DOCK}`)).json();
      return [
        Object.values(finding as object).length,
        Object.values(reading as Record<string, { kind: string }>).filter(({ kind }) => kind === 'moisture').length,
      ];
    })
    .toEqual([7, 1]);
  await second.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(second.getByRole('button', { name: 'Edit G' })).toBeVisible();
  await other.close();
});
