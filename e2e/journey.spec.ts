import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import Papa from 'papaparse';
import { acknowledgeAll, DOCK, expect, signIn, test } from './server';

const ROOT = resolve(__dirname, '..');
/** Every number of a plan to 1e-9 relative, everything else as it stands: engines differ in the last digit. */
function expectSamePlan(a: unknown, b: unknown, path = 'plan'): void {
  if (typeof a === 'number' && typeof b === 'number') {
    if (Math.abs(a - b) > 1e-9 * Math.max(1e-12, Math.abs(b))) throw new Error(`${path}: ${a} is not ${b}`);
  } else if (a !== null && b !== null && typeof a === 'object' && typeof b === 'object') {
    expect(Object.keys(a).sort(), path).toEqual(Object.keys(b).sort());
    for (const key of Object.keys(a)) expectSamePlan((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key], `${path}.${key}`);
  } else expect(a, path).toBe(b);
}

const minutes = (time_s: number): string => `${Math.floor(time_s / 60 + 0.5 + 1e-9)} min`;

test('one spalled slab from Walk to Record, its figures the core’s, and four ways to the same plan', async ({ page, server }, info) => {
  test.setTimeout(300_000);
  await signIn(page, 'Lead', '/');
  await page.getByRole('link', { name: 'Jobs', exact: true }).click();
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByLabel('Job', { exact: true }).fill('Weighbridge pit');
  await page.getByLabel('Customer').fill('Hillside cider works');
  await page.getByRole('button', { name: 'Make the job' }).click();

  // Walk: wrong entries stay and say what to do; then the element, the questions, the spall.
  await page.getByRole('button', { name: 'Add an element' }).click();
  await page.getByLabel('Name').fill('Pit edge');
  await page.getByLabel('Length').fill('4 km');
  await page.getByLabel('Width').fill("12'");
  await page.getByLabel('Thickness').fill('0');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Check the unit')).toBeVisible();
  await expect(page.getByLabel('Length')).toHaveValue('4 km');
  await page.getByLabel('Length').fill('20\' 6"');
  await page.getByLabel('Thickness').fill('-6 in');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('cannot be less than zero')).toBeVisible();
  await page.getByLabel('Thickness').fill('6 in');
  await page.getByRole('radio', { name: 'On the ground' }).click();
  await page.getByRole('radio', { name: 'damp' }).click();
  await page.getByRole('radiogroup', { name: 'Earlier repairs' }).getByRole('radio', { name: 'None' }).click();
  await page.getByRole('radiogroup', { name: 'Is what broke it still at work?' }).getByRole('radio', { name: 'No', exact: true }).click();
  await page.getByRole('checkbox', { name: 'frost' }).click();
  await page.getByRole('radio', { name: 'vehicles' }).click();
  await page.getByLabel('After').fill('6 h');
  await page.getByRole('button', { name: 'Save' }).click();

  await page.getByRole('button', { name: 'Add a finding' }).click();
  await page.getByLabel('Length').fill('4\' 2"');
  await page.getByLabel('Width').fill('3\' 1"');
  await page.getByLabel('Deepest depth').fill('1 1/2');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'Edit A' })).toContainText('13 sq ft');

  // Until the five questions are answered no figure of Fix, Mix, Day or Pour is shown.
  // The address follows the screen.
  await expect(page).toHaveURL(/\/walk$/);
  const jobUrl = page.url().replace(/\/walk$/, '');
  for (const step of ['fix', 'mix', 'day', 'pour']) {
    await page.goto(`${jobUrl}/${step}`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('No figures while a stop stands');
    await expect(page.getByText(/bags|min to/)).toHaveCount(0);
  }
  await page.getByRole('button', { name: 'Go back to Walk' }).click();
  await page.getByRole('button', { name: 'Answer the five questions' }).click();
  for (const question of await page.getByRole('radiogroup').all()) await question.getByRole('radio', { name: 'No', exact: true }).click();
  await page.getByRole('radio', { name: "Don't know" }).first().click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Ask a licensed structural engineer')).toBeVisible();
  await page.getByRole('button', { name: 'Five questions answered' }).click();
  await page.getByRole('radio', { name: 'No', exact: true }).first().click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Repairable.')).toBeVisible();

  // Fix: the shelf ranked with reasons; choose one that lives long enough for a hot day.
  await page.getByRole('link', { name: /^Fix/ }).click();
  await page.getByRole('button', { name: 'Why not…' }).click();
  await expect(page.getByText(/is more than its/).first()).toBeVisible();
  await page.getByRole('button', { name: /^Sanded rapid mortar, 15 minute/ }).click();
  await page.getByRole('button', { name: 'Use this' }).click();
  await expect(page.getByRole('button', { name: 'Chosen' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Section/ })).toBeVisible();

  // Day: the four temperatures, by handle, keys and stepper.
  await page.getByRole('link', { name: /^Day/ }).click();
  const strata = page.getByRole('slider', { name: 'Slab handle' });
  await strata.focus();
  for (let i = 0; i < 8; i += 1) await page.keyboard.press('ArrowRight');
  await expect(strata).toHaveAttribute('aria-valuenow', '29');
  const box = (await page.getByTestId('strata').boundingBox())!;
  await page.mouse.move(box.x + 60, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 180, box.y + 60, { steps: 6 });
  await page.mouse.up();
  await expect(strata).not.toHaveAttribute('aria-valuenow', '29');
  await page.getByRole('radio', { name: /^Water/ }).click();
  await page.getByRole('button', { name: /Type Water/ }).click();
  await page.getByLabel('Water, typed').fill('90 C');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(page.getByText('At most 95 °F')).toBeVisible();
  await expect(page.getByLabel('Water, typed')).toHaveValue('90 C');
  await page.getByLabel('Water, typed').fill('64');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(page.getByRole('slider', { name: 'Water handle' })).toHaveAttribute('aria-valuetext', /^64\s°F/);
  await page.getByRole('radio', { name: /^Air/ }).click();
  await page.getByRole('button', { name: 'More Air' }).click();
  await page.getByRole('button', { name: 'Keep these for the pour' }).click();
  // Only what was moved was read: the rest is confirmed by itself.
  await page.getByRole('button', { name: 'The outlined ones are read too' }).click();
  await expect(page.getByRole('button', { name: 'The outlined ones are read too' })).toHaveCount(0);
  await expect(page.getByText('with the firm')).toBeVisible();

  // The worker's plan is downloaded; the server's is read; the command plans the same file.
  await page.getByRole('link', { name: /^Mix/ }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Plan as JSON' }).click()]);
  const worker = JSON.parse(readFileSync(await download.path(), 'utf8'));
  const jobId = jobUrl.split('/').pop()!;
  const served = await (await page.request.get(`${server}/api/v1/jobs/${jobId}/plan`)).json();
  const file = info.outputPath('job.json');
  writeFileSync(file, JSON.stringify(worker.input));
  const commanded = JSON.parse(spawnSync(process.execPath, ['scripts/tufa.mjs', 'plan', file], { cwd: ROOT, encoding: 'utf8' }).stdout);
  expect(served.input).toEqual(worker.input);
  expect(served.hashes).toEqual(worker.hashes);
  expectSamePlan(served.plan, worker.plan);
  expectSamePlan(commanded, worker.plan);

  // The screens show the core's figures.
  const { chosen, takeOff } = worker.plan.findings[0];
  expect(takeOff.area_m2).toBeCloseTo(50 * 0.0254 * 37 * 0.0254, 9);
  const bags = chosen.quantities.chosen.packages.reduce((sum: number, pack: { count: number }) => sum + pack.count, 0);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(`${bags} bag`);
  await expect(page.getByText(`${chosen.batches.count} batches with`)).toBeVisible();
  expect(worker.plan.batches).toHaveLength(chosen.batches.count);
  await page.getByRole('link', { name: /^Day/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(minutes(chosen.window.window.placeBy_s));
  await expect(page.getByText(`then until ${minutes(chosen.window.window.finishBy_s)}`)).toBeVisible();

  // Pour: cautions first, then a batch through its events, an undo, a note.
  await page.getByRole('link', { name: /^Pour/ }).click();
  await expect(page.getByTestId('start-batch')).toBeDisabled();
  await acknowledgeAll(page);
  await page.getByTestId('start-batch').click();
  await expect(page.getByTestId('pail')).toBeVisible();
  await page.getByTestId('placed').click();
  await page.getByTestId('undo').click();
  await expect(page.getByTestId('placed')).toBeVisible();
  await page.getByTestId('placed').click();
  await expect(page.getByTestId('placed')).toHaveCount(0);
  await page.getByRole('button', { name: 'Log' }).click();
  await page.getByLabel('What happened?').fill('a little stiff');
  await page.getByRole('button', { name: 'Keep note' }).click();
  await page.getByTestId('finished').click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ready for batch 2');

  // The plan that the phone stored with the pour has the hashes everybody else computes.
  const stored = async () =>
    Object.values((await (await page.request.get(`${server}/api/v1/jobs/${jobId}`)).json()).plan) as { hashes: object; input: object }[];
  await expect.poll(async () => (await stored()).length).toBe(1);
  const [row] = await stored();
  expect(row!.hashes).toEqual(served.hashes);
  // It carries the sheets that it names, and not the shelf.
  const { treatments, sheets } = worker.input as { treatments: { sheetId: string }[]; sheets: { id: string }[] };
  const named = treatments.map(({ sheetId }) => sheetId);
  expect(row!.input).toEqual({ ...worker.input, sheets: sheets.filter(({ id }) => named.includes(id)) });

  // Record: predicted against real, CSV out.
  await page.getByRole('link', { name: /^Record/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('1 batch poured');
  await expect(page.getByText('a little stiff')).toBeVisible();
  const [csv] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV' }).click()]);
  const { data } = Papa.parse<Record<string, string>>(readFileSync(await csv.path(), 'utf8'), { header: true });
  const cells = data[0]!;
  expect(Number(cells['water_kg'])).toBeCloseTo(chosen.window.batch.water_kg, 9);
  expect(Number(cells['plan_finish_by_s'])).toBeCloseTo(chosen.window.window.finishBy_s, 6);
  expect(cells['end']).toBe('finished');
});

test('corners tapped on the plan make a spall; one outside is refused where it is', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/walk`);
  await page.getByRole('button', { name: 'Add a finding' }).click();
  await page.getByRole('radio', { name: 'By drawing' }).click();
  const plan = page.getByTestId('plan');
  await plan.click({ position: { x: 3, y: 230 } });
  await expect(page.getByText('Corner 1 lies outside the element')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  for (const position of [
    { x: 150, y: 120 },
    { x: 220, y: 110 },
    { x: 210, y: 160 },
  ])
    await plan.click({ position });
  await expect(page.getByText('3 corners')).toBeVisible();
  await page.getByLabel('Deepest depth').fill('20 mm');
  // What was typed survives leaving the screen.
  await page.reload();
  // The address says what was being done: it is opened again.
  await expect(page.getByRole('button', { name: 'Corner 3' })).toBeVisible();
  await expect(page.getByLabel('Deepest depth')).toHaveValue('20 mm');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: 'Edit G' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove G' }).click();
  await expect(page.getByRole('button', { name: 'Edit G' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Edit G' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove G' }).click();
});
