import type { Page } from '@playwright/test';
import { faultsOf, pairsOf, smallTargets, unreadable } from './looks';
import { tooFaint } from './contrast';
import { acknowledgeAll, APRON, cautionsAsked, DOCK, expect, reading, signIn, test } from './server';
import { tabTo } from './tabTo';

const PLINTH = '0198a000-de00-7000-8000-0000000000e0';
const CELLAR = '0198a000-de00-7000-8000-000000000080';
const COUNTER = '0198a000-de00-7000-8000-0000000000a0';
const SANDED = '0198a000-0005-7000-8000-000000000005';
const FINE = '0198a000-0003-7000-8000-000000000003';

/** Every screen, and how each group of them is called. */
const SCREENS: readonly (readonly [group: string, ...paths: readonly string[]])[] = [
  ['Now, jobs', '/', '/jobs', '/jobs/new', `/jobs/${DOCK}/edit`],
  ['the shelf', '/shelf', `/shelf/${FINE}`, '/shelf/0198a000-0101-7000-8000-000000000101', `/shelf/compare?ids=${SANDED},${FINE}`],
  ['entering sheets', '/shelf/new', '/shelf/files', `/shelf/new?from=${SANDED}&as=change`],
  ['a flight, a top, why, a first job', `/jobs/${CELLAR}/walk`, `/jobs/${COUNTER}/fix`, `/jobs/${DOCK}/why`, '/lesson'],
  ['the bench', '/bench', '/bench/window', '/bench/bag', '/bench/convert', `/jobs/${APRON}/mix`],
  ['Walk, Fix, the comparison', `/jobs/${DOCK}/walk`, `/jobs/${DOCK}/fix`, `/jobs/${DOCK}/systems`],
  ['Mix, Day, Pour, Record', `/jobs/${DOCK}/mix`, `/jobs/${DOCK}/mix?batch=1`, `/jobs/${DOCK}/day`, `/jobs/${DOCK}/pour`, `/jobs/${DOCK}/record`],
  ['the day, a record', `/jobs/${DOCK}/week`, `/jobs/${DOCK}/plan`, `/jobs/${PLINTH}/record`],
  ['finding, figures, rehearsals', '/find', '/find?q=plinth', '/figures', '/rehearse', '/rehearse/firstPatch'],
  ['people and doors', '/doors', '/trail', '/firm'],
];
/** Who sees the most of a group. */
const whoFor = (group: string): string => (group === 'people and doors' ? 'Owner' : 'Lead');

/** What people of the demonstration wrote stays as they wrote it. */
const WRITTEN = /Hillside|weighbridge|sun came round/;

/** Lines with words of English that no Spanish sentence has. */
const englishLeft = async (page: Page): Promise<string[]> =>
  (await page.evaluate(() => document.body.innerText.match(/[^\n]*\b(the|with|this|from|what|which|until|batches|your|and|its)\b[^\n]*/g) ?? [])).filter(
    (line) => !WRITTEN.test(line),
  );

const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };
/** Sizes of a screen, and of its letters in per cent. */
const LOOKS: readonly (readonly [width: number, height: number, letters: number])[] = [
  [PHONE.width, PHONE.height, 100],
  [390, 664, 100],
  [360, 640, 100],
  [768, 1024, 100],
  [WIDE.width, WIDE.height, 100],
  [PHONE.width, PHONE.height, 200],
];

for (const [group, ...paths] of SCREENS) {
  reading(`${group}: axe finds nothing, colours are read in every mode, nothing is cut or covered at any size, targets are large enough`, async ({ page }) => {
    reading.setTimeout(120_000);
    await signIn(page, whoFor(group));
    for (const path of paths) {
      await page.setViewportSize(PHONE);
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).waitFor();
      for (const [width, height, letters] of LOOKS) {
        await page.setViewportSize({ width, height });
        await page.evaluate((size) => (document.documentElement.style.fontSize = `${size}%`), letters);
        const look = async () => ({ path, width, height, letters, small: await smallTargets(page, width >= 1024 ? 48 : 56), hidden: await unreadable(page) });
        await expect.poll(look).toEqual({ path, width, height, letters, small: [], hidden: [] });
        const whole = letters === 100 && (width === WIDE.width || (width === PHONE.width && height === PHONE.height));
        if (whole) expect({ path, width, faults: await faultsOf(page), faint: tooFaint(await pairsOf(page)) }).toEqual({ path, width, faults: [], faint: [] });
      }
      await page.evaluate(() => (document.documentElement.style.fontSize = ''));
    }
  });

  reading(`${group}: in a language 40 % longer nothing is cut or covered`, async ({ page }) => {
    reading.setTimeout(120_000);
    await page.addInitScript(() => localStorage.setItem('tufa-language', 'pseudo'));
    await signIn(page, whoFor(group));
    for (const path of paths) {
      await page.setViewportSize(PHONE);
      await page.goto(path);
      await page.getByText(/lorem/).first().waitFor();
      for (const { width, height } of [PHONE, WIDE]) {
        await page.setViewportSize({ width, height });
        const look = async () => ({ path, width, small: await smallTargets(page, width >= 1024 ? 48 : 56), hidden: await unreadable(page) });
        await expect.poll(look).toEqual({ path, width, small: [], hidden: [] });
      }
    }
  });
}

/** As small as a phone comes. */
const LEAST = { width: 360, height: 640 };

for (const [group, ...paths] of SCREENS) {
  reading(`${group}: in Spanish nothing is cut or covered on the smallest phone, and no English is left`, async ({ page }) => {
    await page.addInitScript(() => localStorage.setItem('tufa-language', 'es'));
    await page.setViewportSize(LEAST);
    await signIn(page, whoFor(group));
    for (const path of paths) {
      await page.goto(path);
      await page.getByRole('heading', { level: 1 }).waitFor();
      const look = async () => ({ path, small: await smallTargets(page, 56), hidden: await unreadable(page), english: await englishLeft(page) });
      await expect.poll(look).toEqual({ path, small: [], hidden: [], english: [] });
    }
    expect(await page.locator('html').getAttribute('lang')).toBe('es');
  });
}

reading('who signs in: axe finds nothing', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Lead' }).waitFor();
  expect(await faultsOf(page)).toEqual([]);
  expect(tooFaint(await pairsOf(page))).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
});

test('axe finds nothing on the pail, the forms and the five questions', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/walk`);
  for (const name of ['Add a finding', 'Edit Dock slab', 'Sound it', 'Measure', 'Pictures', 'Sheet and files', 'Five questions answered']) {
    await page.getByRole('button', { name }).click();
    await page.getByRole('heading', { level: 1 }).waitFor();
    expect({ name, faults: await faultsOf(page) }).toEqual({ name, faults: [] });
    if (name === 'Add a finding') {
      await page.getByLabel('Length').click();
      await page.getByTestId('keypad').waitFor();
      expect(await faultsOf(page)).toEqual([]);
    }
    await page
      .getByRole('button', {
        name: name === 'Five questions answered' ? 'Save' : name === 'Add a finding' || name === 'Edit Dock slab' ? 'Cancel' : 'Done',
        exact: true,
      })
      .click();
  }
  await page.goto(`/jobs/${DOCK}/pour`);
  await acknowledgeAll(page);
  await page.getByTestId('start-batch').click();
  await page.getByTestId('pail').waitFor();
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
});

test('by keyboard alone on a wide screen: from Now to a poured batch', async ({ page, server }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/');
  await page.getByRole('button', { name: 'Finisher' }).waitFor();
  await tabTo(page, 'Finisher');
  await page.keyboard.press('Enter');
  await page.getByText('Waiting for you').waitFor();
  // Within the hour before midnight the dock, poured in fifty minutes, is tomorrow's work.
  await tabTo(page, /^Open (today's|its) pour$/);
  await page.keyboard.press('Enter');
  await page.getByTestId('start-batch').waitFor();
  // Focus stands on the new screen's answer, not on the body.
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).toBe('H1');
  await tabTo(page, /^Day,/);
  await page.keyboard.press('Enter');
  const slider = page.getByRole('slider', { name: 'Slab handle' });
  await slider.waitFor();
  await tabTo(page, 'Slab handle');
  const before = Number(await slider.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('PageDown');
  await expect.poll(async () => Number(await slider.getAttribute('aria-valuenow'))).toBeLessThan(before - 5);
  await tabTo(page, 'Keep these for the pour');
  await page.keyboard.press('Enter');
  await tabTo(page, /^Pour,/);
  await page.keyboard.press('Enter');
  const cautions = await cautionsAsked(page);
  for (let left = await cautions.count(); left > 0; left -= 1) {
    await tabTo(page, /^Understood:/);
    await page.keyboard.press('Enter');
    await expect(cautions).toHaveCount(left - 1);
  }
  await tabTo(page, 'Water meets powder: start');
  await page.keyboard.press('Enter');
  await page.getByTestId('pail').waitFor();
  await tabTo(page, 'Placed');
  await page.keyboard.press('Enter');
  await tabTo(page, 'Finished');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ready for batch 2');
  await expect.poll(async () => Object.keys((await (await page.request.get(`${server}/api/v1/jobs/${DOCK}`)).json()).pourEvent).length).toBe(3);
});
