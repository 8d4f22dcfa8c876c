import { mkdirSync, readFileSync, truncateSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import DxfParser from 'dxf-parser';
import type { Page } from '@playwright/test';
import { newJob, saveForm } from './forms';
import { faultsOf, unreadable } from './looks';
import { acknowledgeAll, DOCK, expect, signIn, test } from './server';

interface Found {
  readonly kind: string;
  readonly label: string;
  readonly outline?: readonly (readonly [number, number])[];
}

const inputOf = async (page: Page, server: string, job: string) => (await (await page.request.get(`${server}/api/v1/jobs/${job}/plan`)).json()).input;

test('an L-shaped slab by touch: three spalls, two cracks, forty soundings; the volumes are the core’s', async ({ page, server }) => {
  test.setTimeout(150_000);
  await signIn(page);
  const save = (): Promise<void> => saveForm(page);
  const job = await newJob(page, 'Back yard');
  await page.getByLabel('Name').fill('Yard slab');
  await page.getByRole('radio', { name: 'L', exact: true }).tap();
  for (const [label, text] of [
    ['Length', "20'"],
    ['Width', "14'"],
    ['Thickness', '5 in'],
    ['Notch, along', "8'"],
    ['Notch, across', "6'"],
  ] as const)
    await page.getByLabel(label, { exact: true }).fill(text);
  await save();
  const tap = async (x: number, y: number): Promise<void> => {
    await page.getByTestId('plan').evaluate((plan) => plan.scrollIntoView({ block: 'center' }));
    const box = (await page.getByTestId('plan').boundingBox())!;
    await page.touchscreen.tap(box.x + box.width * x, box.y + box.height * y);
  };
  const add = async (): Promise<void> => page.getByRole('button', { name: 'Add a finding' }).tap();

  // By sizes, by corners, and round with one drag.
  await add();
  await page.getByLabel('Length').fill("3' 2");
  await page.getByLabel('Width').fill("2'");
  await page.getByLabel('From left').fill("1'");
  await page.getByLabel('From top').fill("8'");
  await page.getByLabel('Deepest depth').fill('1 1/4');
  await save();
  await add();
  await page.getByRole('radio', { name: 'By drawing' }).tap();
  for (const [x, y] of [
    [0.1, 0.12],
    [0.3, 0.12],
    [0.3, 0.3],
    [0.12, 0.28],
  ] as const)
    await tap(x, y);
  await page.getByLabel('Deepest depth').fill('3/4 in');
  await page.getByRole('button', { name: 'Undo', exact: true }).tap();
  await expect(page.getByRole('button', { name: 'Corner 4' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Redo' }).tap();
  await expect(page.getByRole('button', { name: 'Corner 4' })).toBeVisible();
  await save();
  await add();
  await page.getByRole('radio', { name: 'By drawing' }).tap();
  await page.getByRole('radio', { name: 'Round' }).tap();
  await page.getByTestId('plan').evaluate((plan) => plan.scrollIntoView({ block: 'center' }));
  const box = (await page.getByTestId('plan').boundingBox())!;
  const cdp = await page.context().newCDPSession(page);
  const begun = Date.now() / 1000;
  const finger = (type: 'touchStart' | 'touchMove' | 'touchEnd', after_s: number, at?: [number, number]) =>
    cdp.send('Input.dispatchTouchEvent', {
      type,
      timestamp: begun + after_s,
      touchPoints: at ? [{ x: box.x + box.width * at[0], y: box.y + box.height * at[1] }] : [],
    });
  await finger('touchStart', 0, [0.15, 0.55]);
  for (let i = 1; i <= 6; i += 1) await finger('touchMove', i * 0.05, [0.15 + i * 0.03, 0.55 + i * 0.03]);
  // The finger rests before it is lifted: a flung one would swallow the next tap, as the browser has it.
  for (let i = 1; i <= 3; i += 1) await finger('touchMove', 1 + i * 0.05, [0.33, 0.73]);
  await finger('touchEnd', 1.2);
  await expect(page.getByRole('button', { name: 'Corner 16' })).toBeVisible();
  await page.getByLabel('Deepest depth').fill('1 in');
  await save();
  for (const line of [
    [
      [0.62, 0.5],
      [0.7, 0.62],
      [0.76, 0.7],
    ],
    [
      [0.36, 0.5],
      [0.42, 0.7],
    ],
  ] as const) {
    await add();
    await page.getByRole('radio', { name: 'Crack' }).tap();
    for (const [x, y] of line) await tap(x, y);
    await page.getByLabel('Width of the crack').fill('2 mm');
    await page.getByLabel('Depth', { exact: true }).fill('1 1/2 in');
    await save();
  }
  await page.getByRole('button', { name: 'Sound it' }).tap();
  for (let i = 0; i < 40; i += 1) {
    await expect(page.getByText(new RegExp(`^Tap ${i + 1} of`))).toBeVisible();
    await page.getByRole('button', { name: i % 5 === 0 ? 'Hollow' : 'Solid', exact: true }).tap();
  }
  await page.getByRole('button', { name: 'Done', exact: true }).tap();
  await expect(page.getByText('with the firm')).toBeVisible();
  const planned = await (await page.request.get(`${server}/api/v1/jobs/${job}/plan`)).json();
  expect(planned.input.findings.map(({ kind }: Found) => kind).sort()).toEqual(['crack', 'crack', 'spall', 'spall', 'spall']);
  expect(planned.input.elements[0].soundings.points).toHaveLength(40);
  expect(planned.plan.elements[0].area_m2).toBeCloseTo((20 * 14 - 8 * 6) * 0.3048 ** 2, 9);
  // What the phone shows is what the core behind the server takes off, finding by finding and together.
  const gallons = (volume_m3: number): number => volume_m3 / 0.003785411784;
  const shown = async (text: Promise<string>): Promise<number> => Number(/([\d.]+)\sgal/.exec(await text)![1]);
  expect(await shown(page.getByRole('heading', { level: 1 }).innerText())).toBeCloseTo(gallons(planned.plan.elements[0].volume.p50), 0);
  for (const [i, { kind, label }] of (planned.input.findings as Found[]).entries())
    if (kind === 'spall')
      expect(await shown(page.getByRole('button', { name: `Edit ${label}`, exact: true }).innerText())).toBeCloseTo(
        gallons(planned.plan.findings[i].takeOff.volume.p50),
        1,
      );
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
});

test('a wall with an opening, and what is broken in it, by keyboard alone on a wide screen', async ({ page, server }) => {
  test.setTimeout(120_000);
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page);
  const job = await newJob(page, 'Lane');
  const focused = (): Promise<string | null> =>
    page.evaluate(() => {
      const at = document.activeElement;
      const by = at?.getAttribute('aria-labelledby');
      return at?.getAttribute('aria-label') ?? (by ? (document.getElementById(by)?.textContent ?? null) : null);
    });
  const tabTo = async (name: string): Promise<void> => {
    for (let i = 0; i < 120; i += 1) {
      if ((await focused()) === name) return;
      await page.keyboard.press('Tab');
    }
    throw new Error(`Tab never reached ${name}`);
  };
  const type = async (name: string, text: string): Promise<void> => {
    await tabTo(name);
    await page.keyboard.type(text);
  };
  await type('Name', 'Lane wall');
  await tabTo('Slab');
  await page.keyboard.press('ArrowRight');
  await type('Length', "18'");
  await type('Height', "8'");
  await type('Thickness', '8 in');
  await tabTo('Add an opening');
  await page.keyboard.press('Enter');
  // The focus went on; the fields came before it.
  for (let i = 0; i < 6; i += 1) await page.keyboard.press('Shift+Tab');
  await type('From left', "7'");
  await type('From top', "1' 4");
  await type('Width', "3'");
  await type('Height', "6' 6");
  await tabTo('Save');
  await page.keyboard.press('Enter');
  await tabTo('Add a finding');
  await page.keyboard.press('Enter');
  await tabTo('By sizes');
  await page.keyboard.press('ArrowRight');
  for (const [left, top] of [
    ["1'", "1'"],
    ["4'", "1' 6"],
    ["3'", "5'"],
  ] as const) {
    await tabTo('Add a corner');
    await page.keyboard.press('Enter');
    await type('From left', '');
    await page.keyboard.press('Control+A');
    await page.keyboard.type(left);
    await tabTo('From top');
    await page.keyboard.press('Control+A');
    await page.keyboard.type(top);
    await tabTo('Place it there');
    await page.keyboard.press('Enter');
  }
  // The last corner goes on by arrows, a hundredth of a metre at a press.
  await tabTo('Plan to draw on. Tap a corner in order; drag a handle to move it; two fingers bring it closer. Arrow keys move the held corner.');
  for (let i = 0; i < 5; i += 1) await page.keyboard.press('ArrowDown');
  await type('Deepest depth', '1 in');
  await tabTo('Save');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Edit A' })).toBeVisible();
  await expect(page.getByText('with the firm')).toBeVisible();
  const input = await inputOf(page, server, job);
  expect(input.elements[0]).toMatchObject({ kind: 'wall', openings: [expect.any(Array)] });
  const [finding] = input.findings as Found[];
  expect(finding!.outline!.map(([x, y]) => [Math.round(x * 1000), Math.round(y * 1000)])).toEqual([
    [305, 305],
    [1219, 457],
    [914, 1574],
  ]);
  expect(await faultsOf(page)).toEqual([]);
});

test('what is wrong with a drawing or a reading is named where it is, with its mend', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/walk`);
  await page.getByRole('button', { name: 'Add a finding' }).click();
  await page.getByRole('radio', { name: 'By drawing' }).click();
  const plan = page.getByTestId('plan');
  const box = (await plan.boundingBox())!;
  for (const [x, y] of [
    [0.6, 0.2],
    [0.8, 0.4],
    [0.8, 0.2],
    [0.6, 0.4],
  ] as const)
    await plan.click({ position: { x: box.width * x, y: box.height * y } });
  await expect(page.getByText('The sides cross')).toBeVisible();
  await page.getByRole('button', { name: 'Put the corners in order' }).click();
  await expect(page.getByText('The sides cross')).toHaveCount(0);
  await plan.click({ position: { x: 2, y: 60 } });
  await page.getByRole('button', { name: 'Move to the nearest edge' }).click();
  await expect(page.getByText('outside the element')).toHaveCount(0);
  await page.getByLabel('Deepest depth').fill('9 in');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Deeper than the element is thick')).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();

  await page.getByRole('button', { name: 'Measure' }).click();
  await page.getByRole('radio', { name: 'C', exact: true }).click();
  await expect(page.getByText('too soon to call it dormant')).toBeVisible();
  const measured = page.getByTestId('plan');
  const at = (await measured.boundingBox())!;
  await measured.click({ position: { x: at.width * 0.55, y: at.height * 0.3 } });
  await page.getByLabel('Width of the crack').fill('300 in');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Meant 0.3 in?' }).click();
  await expect(page.getByLabel('Width of the crack')).toHaveValue('0.3 in');
  await page.getByRole('radio', { name: 'A', exact: true }).click();
  await measured.click({ position: { x: at.width * 0.8, y: at.height * 0.6 } });
  await page.getByLabel('Depth', { exact: true }).fill('1/2 in');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('That place lies outside A')).toBeVisible();
  await page.getByRole('button', { name: 'Move to the nearest edge' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('1. 1/2 in')).toBeVisible();
});

test('pictures: kept without signal, sent with it, drawn on; a file that is none and a camera refused leave the survey be', async ({
  page,
  context,
  server,
}, info) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/walk`);
  await page.getByRole('button', { name: 'Pictures' }).click();
  const picture = await page.screenshot();
  await page.getByTestId('photo-file').setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(page.getByText('This file is no picture that opens here')).toBeVisible();
  const huge = info.outputPath('huge.jpg');
  mkdirSync(dirname(huge), { recursive: true });
  writeFileSync(huge, '');
  truncateSync(huge, 40e6);
  await page.getByTestId('photo-file').setInputFiles(huge);
  await expect(page.getByText('This file has 40 MB')).toBeVisible();
  await page.getByRole('button', { name: 'Camera' }).click();
  await expect(page.getByText('The camera is not allowed here')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await context.setOffline(true);
  await page.getByTestId('photo-file').setInputFiles({ name: 'dock.png', mimeType: 'image/png', buffer: picture });
  await page.getByRole('button', { name: 'Open picture 1' }).click();
  const shown = (await page.getByTestId('photo').boundingBox())!;
  await page.mouse.move(shown.x + 40, shown.y + 60);
  await page.mouse.down();
  for (let i = 1; i < 8; i += 1) await page.mouse.move(shown.x + 40 + i * 15, shown.y + 60 + (i % 2) * 40);
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo line' })).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole('button', { name: 'Close' }).click();
  await context.setOffline(false);
  await expect
    .poll(async () => {
      const { photograph } = await (await page.request.get(`${server}/api/v1/jobs/${DOCK}`)).json();
      const [row] = Object.values(photograph as Record<string, { id: string; strokes: unknown[]; bytes: number }>);
      const file = row ? await page.request.get(`${server}/api/v1/photographs/${row.id}/full`) : null;
      return row && file?.ok() ? [row.strokes.length, (await file.body()).length === row.bytes] : null;
    })
    .toEqual([1, true]);
});

test('the survey goes out as CSV, JSON, SVG and DXF, and readings come back in with their problems shown first', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/walk`);
  await page.getByRole('button', { name: 'Sheet and files' }).click();
  const saved = async (name: string): Promise<string> => {
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name }).click()]);
    return readFileSync(await download.path(), 'utf8');
  };
  const dxf = new DxfParser().parseSync(await saved('Plan (DXF)'))!;
  expect(new Set(dxf.entities.map(({ layer }) => layer))).toEqual(new Set(['element', 'spall', 'crack', 'edge', 'hollow', 'fall', 'solid', 'readings']));
  expect(await saved('Plan (SVG)')).toContain('<svg');
  const csv = await saved('Readings (CSV)');
  expect(JSON.parse(await saved('All of it (JSON)'))).toMatchObject({ v: 1, elements: [{ name: 'Dock slab' }] });
  const [head, ...rows] = csv.trim().split(/\r?\n/);
  const bring = (text: string): Promise<void> =>
    page.getByTestId('survey-file').setInputFiles({ name: 'readings.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await bring([head, rows[0], rows[1]!.replace('Dock slab', 'Roof')].join('\n'));
  await expect(page.getByText('Row 2, element: Nothing here is called Roof')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Bring them in' })).toHaveCount(0);
  await bring([head, rows[0]].join('\n'));
  await page.getByRole('button', { name: 'Bring them in' }).click();
  await page.getByRole('button', { name: 'Measure' }).click();
  // The first row of the table is the first visit's first width along C.
  await page.getByRole('radio', { name: 'C', exact: true }).click();
  await expect(page.getByText(/^9\. /)).toBeVisible();
});

test('found in mid-pour: the plan in use is stale, the difference is shown, and the new one is taken when asked', async ({ page, server }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/pour`);
  await acknowledgeAll(page);
  await page.getByTestId('start-batch').click();
  await page.getByTestId('pail').waitFor();
  const count = async (): Promise<number> => Object.keys((await (await page.request.get(`${server}/api/v1/jobs/${DOCK}`)).json()).plan).length;
  await expect.poll(count).toBe(1);
  await page.goto(`/jobs/${DOCK}/walk`);
  await page.getByRole('button', { name: 'Edit A', exact: true }).click();
  await page.getByLabel('Deepest depth').fill('3 in');
  await page.getByRole('button', { name: 'Save' }).click();
  const stale = page.getByTestId('stale');
  await expect(stale).toContainText(/\d+ → \d+ bags/);
  await expect(stale).toContainText(/\d+ → \d+ batches/);
  await stale.getByRole('button', { name: 'Use the new plan' }).click();
  await expect(stale).toHaveCount(0);
  await expect.poll(count).toBe(2);
});

test('a stop hides every figure until a licensed opinion is recorded; then the plan goes on, marked', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/walk`);
  await page
    .getByRole('button', { name: 'Five questions', exact: false })
    .or(page.getByRole('button', { name: /questions/i }))
    .first()
    .tap();
  await page.getByRole('radiogroup', { name: 'Rust stains or bare steel?' }).getByRole('radio', { name: 'Yes' }).tap();
  await page.getByRole('button', { name: 'Record an opinion' }).tap();
  await page.getByRole('button', { name: 'Keep it' }).tap();
  await expect(page.getByText('Write what was said, in their words.')).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
  await page.goto(`/jobs/${DOCK}/fix`);
  await expect(page.getByText('No figures while a stop stands')).toBeVisible();
  await page.getByRole('button', { name: 'Go back to Walk' }).tap();
  await page
    .getByRole('button', { name: /questions/i })
    .first()
    .tap();
  await page.getByRole('button', { name: 'Record an opinion' }).tap();
  await page.getByLabel('What was said').fill('Treat the bar, then fill as planned.');
  // The letter goes with it, and comes back as it was handed over.
  const letter = Buffer.from('%PDF-1.4\nTreat the bar.\n%%EOF\n');
  await page.getByTestId('opinion-file').setInputFiles({ name: 'letter.pdf', mimeType: 'application/pdf', buffer: letter });
  await expect(page.getByText('letter.pdf goes with it.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep it' }).tap();
  await expect(page.getByText(/^Structural engineer, \d{4}-/)).toBeVisible();
  const [saved] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save letter.pdf' }).tap()]);
  expect(readFileSync((await saved.path())!)).toEqual(letter);
  await page.goto(`/jobs/${DOCK}/mix`);
  await expect(page.getByText(/goes on by a licensed opinion/).first()).toBeVisible();
});

test('what is done in Walk has its address: a link opens it, going back leaves it', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/walk`);
  const title = page.getByRole('heading', { level: 1 });
  await page.getByRole('button', { name: 'Edit A', exact: true }).click();
  await expect(page.getByLabel('Deepest depth')).toBeVisible();
  expect(new URL(page.url()).searchParams.get('doing')).toBe('finding');
  const link = page.url();
  await page.goBack();
  await expect(title).toContainText('bad');
  await page.goForward();
  await expect(page.getByLabel('Deepest depth')).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(title).toContainText('bad');
  // Opened by the link alone, it is left for the walk it belongs to.
  await page.goto(link);
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(title).toContainText('bad');
  expect(new URL(page.url()).pathname).toBe(`/jobs/${DOCK}/walk`);
});
