import { faultsOf, unreadable } from './looks';
import { acknowledgeAll, expect, jobOf, DOCK, signIn, test } from './server';

test('a day is rehearsed on the pour’s own screens, faster than the day: what breaks is answered, how it went is told, and nothing real is touched', async ({
  page,
  server,
}) => {
  await page.clock.install({ time: new Date('2026-05-12T12:20:00Z') });
  await signIn(page, 'Lead', '/bench');
  await page.getByRole('link', { name: /^Rehearse/ }).tap();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('0 of 12 come through');
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole('link', { name: /One pail less/ }).tap();
  await page.getByTestId('begin-rehearsal').tap();
  const practice = page.getByTestId('practice');
  await expect(practice).toContainText('3 hands');
  await acknowledgeAll(page);
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  // At sixty times the day's pace a second is a minute.
  for (const next of ['5', '20', '60']) await page.getByRole('button', { name: new RegExp(`tap for ${next}$`) }).tap();
  await expect(practice).toContainText('60×');
  const split = page.getByTestId('mishap');
  let answered = false;
  for (let batch = 1; batch <= 9; batch += 1) {
    await page.getByTestId('start-batch').tap();
    await expect(page.getByTestId('running')).toBeVisible();
    // What the crew does is told as it goes; its work is waited for by the rehearsal's clock.
    for (let i = 0; i < 60 && !/(^|\. )\d+\w?: \d+ % finished/.test(await practice.innerText()); i += 1) await page.clock.runFor(250);
    await page.clock.runFor(1500);
    if (!answered && (await split.count()) > 0) {
      expect(await faultsOf(page)).toEqual([]);
      expect(await unreadable(page)).toEqual([]);
      await page.getByRole('button', { name: 'Plan broke' }).tap();
      await page.getByRole('button', { name: 'A vessel is lost' }).tap();
      await page.getByTestId('way-smaller').tap();
      await page.getByTestId('take-way').tap();
      answered = true;
    }
    await page.getByTestId('finished').tap();
    await expect(page.getByTestId('running')).toHaveCount(0);
    if ((await page.getByTestId('see-outcome').count()) > 0) break;
  }
  expect(answered).toBe(true);
  await page.getByRole('button', { name: 'End it' }).first().tap();
  await expect(page.getByTestId('moments')).toContainText('The pail splits');
  await expect(page.getByTestId('moments')).toContainText('Smaller batches');
  expect(await faultsOf(page)).toEqual([]);
  expect((await jobOf(page.request, server, DOCK)).pourEvent ?? {}).toEqual({});
});
