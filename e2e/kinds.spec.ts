import { newJob, saveForm } from './forms';
import { faultsOf, unreadable } from './looks';
import { expect, signIn, test } from './server';

const COUNTER = '0198a000-de00-7000-8000-0000000000a0';
const CELLAR = '0198a000-de00-7000-8000-000000000080';
const HALL = '0198a000-de00-7000-8000-000000000060';
const CISTERN = '0198a000-de00-7000-8000-0000000000c0';

test('an overlay of all of it, a ramp and steps to rebuild are told in Walk; Fix judges them by how they must look', async ({ page, server }) => {
  test.setTimeout(300_000);
  await signIn(page);
  const save = (): Promise<void> => saveForm(page);
  const job = await newJob(page, 'Landing');
  await page.getByLabel('Name').fill('Landing');
  await page.getByRole('button', { name: /^More:/ }).tap();
  await page.getByRole('radiogroup', { name: 'Finish it must look like' }).getByRole('radio', { name: 'Broomed' }).tap();
  await page.getByRole('radiogroup', { name: 'Colour it must look like, dry' }).getByRole('radio', { name: 'mid grey' }).tap();
  await page.getByRole('radiogroup', { name: 'Surface is' }).getByRole('radio', { name: 'damp' }).tap();
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await page.getByLabel('Length', { exact: true }).fill("10'");
  await page.getByLabel('Width', { exact: true }).fill("6'");
  await page.getByLabel('Thickness', { exact: true }).fill('6 in');
  await save();
  const add = async (kind: string): Promise<void> => {
    await page.getByRole('button', { name: 'Add a finding' }).tap();
    await page.getByRole('radiogroup', { name: 'What is it?' }).getByRole('radio', { name: kind }).tap();
  };
  const across = async (y: number): Promise<void> => {
    for (const x of [0.3, 0.6]) {
      await page.getByTestId('plan').evaluate((plan) => plan.scrollIntoView({ block: 'center' }));
      const box = (await page.getByTestId('plan').boundingBox())!;
      await page.touchscreen.tap(box.x + box.width * x, box.y + box.height * y);
    }
  };
  await add('Overlay');
  await expect(page.getByRole('radio', { name: 'All of it' })).toBeChecked();
  await page
    .getByRole('radiogroup', { name: /^Roughness of the face/ })
    .getByRole('radio', { name: '5', exact: true })
    .tap();
  await page.getByLabel('Thickness of the layer').fill('1/8 in');
  await save();
  await add('Ramp');
  await across(0.3);
  await page.getByLabel('Length of the ramp').fill("2'");
  await page.getByLabel('Height of the ramp').fill('3/4 in');
  await save();
  await add('Steps to rebuild');
  await across(0.45);
  const quarter = page.getByRole('radiogroup', { name: 'Sound core that stays, %' }).getByRole('radio', { name: '25' });
  await quarter.tap();
  await expect(quarter).toBeChecked();
  await page.getByLabel('Going').fill('11 in');
  await page.getByLabel('Rise').fill('7 in');
  await page.getByLabel('How many steps').fill('1.5');
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByText('Write a whole number from 1 to 60.')).toBeVisible();
  await page.getByLabel('How many steps').fill('2');
  await expect(quarter).toBeChecked();
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByRole('button', { name: 'Save' })).toHaveCount(0);
  await expect(page.getByText('2 steps, going 11 in, rise 7 in')).toBeVisible();
  await expect(page.getByText('with the firm')).toBeVisible();
  const { input } = await (await page.request.get(`${server}/api/v1/jobs/${job}/plan`)).json();
  expect(input.findings.map(({ kind }: { kind: string }) => kind).sort()).toEqual(['skim', 'step', 'wedge']);
  const skim = input.findings.find(({ kind }: { kind: string }) => kind === 'skim');
  expect([skim.outline, skim.profile, skim.thickness.value]).toEqual([input.elements[0].outline, 5, expect.closeTo(0.003175, 9)]);
  const step = input.findings.find(({ kind }: { kind: string }) => kind === 'step');
  expect(step.stays_m3 / (step.width.value * step.going.value * step.rise.value)).toBeCloseTo(0.25, 9);
  await page.getByRole('button', { name: 'Answer the five questions' }).tap();
  for (const question of await page.getByRole('radiogroup').all()) await question.getByRole('radio', { name: 'No', exact: true }).tap();
  await page.getByRole('button', { name: 'Save' }).tap();
  // Nobody said what it lies on, nor what became of earlier repairs.
  await expect(page.getByText('Borderline.')).toBeVisible();
  await page.goto(`/jobs/${job}/fix`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Broom overlay/);
  await page.getByRole('button', { name: /more that fit$/ }).tap();
  await expect(page.getByText('Can be broomed, as its surroundings are')).toBeVisible();
  await expect(page.getByText(/^Your batch is placed and finished with \d+\s% of its life used/)).toBeVisible();
  // What was told comes back as it was typed.
  await page.goto(`/jobs/${job}/walk`);
  await page.getByRole('button', { name: 'Edit C', exact: true }).tap();
  await expect(page.getByLabel('Going')).toHaveValue('11 in');
  await expect(page.getByRole('radiogroup', { name: 'Sound core that stays, %' }).getByRole('radio', { name: '25' })).toBeChecked();
});

test('a countertop around its sink and a void under water are walked and fixed', async ({ page, server }) => {
  await signIn(page, 'Lead', `/jobs/${COUNTER}/walk`);
  await expect(page.getByText('3/4 in thick, front 1 1/2 in down')).toBeVisible();
  await page.getByRole('button', { name: 'Edit A', exact: true }).tap();
  await expect(page.getByRole('radio', { name: 'All of it' })).toBeChecked();
  await expect(page.getByLabel('How far down')).toHaveValue('1 1/2 in');
  const front = page.getByRole('radiogroup', { name: /^Side 3-4/ });
  await expect(front.getByRole('radio', { name: 'Hangs lower' })).toBeChecked();
  await expect(page.getByLabel('Corner 3, radius')).toHaveValue('1 in');
  // A tap hole beside the top, and a corner rounder than its side: said where it is typed.
  await page.getByLabel('From left').fill("12'");
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByText(/^A tap hole lies outside the top/)).toBeVisible();
  await page.getByLabel('From left').fill('5\' 6"');
  await page.getByLabel('Corner 3, radius').fill("3'");
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByText(/^Corner 3 is rounder|^Corner \d is rounder/)).toBeVisible();
  await page.getByLabel('Corner 3, radius').fill('1 in');
  await front.getByRole('radio', { name: 'Plain' }).tap();
  await expect(page.getByLabel('How far down')).toHaveCount(0);
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByText('3/4 in thick', { exact: true })).toBeVisible();
  // A top that is all of it goes with it.
  await page.getByRole('button', { name: 'Counter top' }).tap();
  await page.getByLabel('Length', { exact: true }).fill("10'");
  await saveForm(page);
  await expect(page.getByText('with the firm')).toBeVisible();
  const { input } = await (await page.request.get(`${server}/api/v1/jobs/${COUNTER}/plan`)).json();
  expect(input.elements[0].outline[1][0]).toBeCloseTo(3.048, 9);
  expect(input.findings[0].outline).toEqual(input.elements[0].outline);
  await page.goto(`/jobs/${COUNTER}/fix`);
  await expect(page.getByRole('img', { name: /^Section: a countertop of Countertop mix/ })).toBeVisible();
  const cuts = page.getByTestId('cut-list');
  await expect(cuts).toContainText('Weighs');
  await expect(cuts.getByRole('img', { name: /^Cut list of \d lengths/ })).toBeVisible();
  await expect(page.getByText('Have someone competent confirm cabinets and floor', { exact: false })).toBeVisible();
  await page.goto(`/jobs/${CISTERN}/fix`);
  const steps = page.getByRole('list', { name: 'Step by step' });
  await expect(steps).toContainText('Press it in by hand from the deepest point outward');
  await expect(steps).toContainText('Smooth only what stands above the water');
  await expect(steps).not.toContainText('Anchors');
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
});

test('a flight is tapped where it is broken, climbed by keys, and refuses risers that miss its height', async ({ page, server }) => {
  await signIn(page, 'Lead', `/jobs/${CELLAR}/walk`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('4 steps, 2 broken');
  await expect(page.getByText(/Riser 3 is 3.8\sin higher than riser 1/)).toBeVisible();
  const profile = page.getByTestId('flight');
  const face = page.getByTestId('flight-face');
  await profile.evaluate((drawing) => drawing.scrollIntoView({ block: 'center' }));
  const box = (await profile.boundingBox())!;
  await page.touchscreen.tap(box.x + box.width * 0.06, box.y + box.height * 0.8);
  await expect(face).toContainText('Step 1, riser');
  // From there by keys: nosing and tread of the first step, then the riser over it.
  await profile.focus();
  for (let i = 0; i < 6; i += 1) await page.keyboard.press('ArrowUp');
  await expect(face).toContainText('Step 3, riser');
  await expect(face).toContainText('7 1/4 in');
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await page.getByRole('button', { name: 'Rebuild the step' }).tap();
  await expect(page.getByLabel('Which step, from the bottom')).toHaveValue('3');
  await expect(page.getByLabel('Going')).toHaveValue('11 in');
  await page.getByRole('button', { name: /^Make it even: 7 1.8/ }).tap();
  await expect(page.getByLabel('Rise')).toHaveValue(/^7\s1.8/);
  await page.getByLabel('Which step, from the bottom').fill('5');
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByText('This flight has 4 steps.')).toBeVisible();
  await page.getByLabel('Which step, from the bottom').fill('3');
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('4 steps, 3 broken');
  await page.getByRole('button', { name: 'Cellar flight' }).tap();
  await page.getByLabel('Floor to landing').fill("3'");
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByText(/^The risers add up to/)).toBeVisible();
  await page.getByLabel('Floor to landing').fill('');
  await page.getByLabel('Landing', { exact: true }).fill("3'");
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByRole('button', { name: 'Save' })).toHaveCount(0);
  await expect(page.getByText('with the firm')).toBeVisible();
  // What was found keeps to its face, lower on the flight laid flat by what the landing grew.
  const { input } = await (await page.request.get(`${server}/api/v1/jobs/${CELLAR}/plan`)).json();
  const rebuilt = input.findings.find(({ kind }: { kind: string }) => kind === 'step');
  expect([rebuilt.from, rebuilt.rise.value]).toEqual([3, expect.closeTo(0.180975, 6)]);
  const { rows } = await (await page.request.get(`${server}/api/v1/changes?since=2`)).json();
  const found = (Object.values(rows.finding) as { jobId: string; outline: { points: number[][] } }[]).filter(({ jobId }) => jobId === CELLAR);
  const places = found.map(({ outline }) => outline.points[0]![1]).sort();
  expect(places).toEqual([1.3716, 1.838325, 2.295525].map((y) => expect.closeTo(y, 6)));
});

test('a cistern says what lies under its water, by keys; a ramp says which joint it lies beside', async ({ page, server }) => {
  await signIn(page, 'Lead', `/jobs/${CISTERN}/walk`);
  await expect(page.getByText(/^under water, 1′/)).toBeVisible();
  // By keys alone: into the form, past what is asked always, to the water.
  await page.getByRole('button', { name: 'Edit Cistern wall' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^More:/ }).focus();
  await page.keyboard.press('Enter');
  const level = page.getByLabel('Water stands in it: level over its foot');
  await level.focus();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type("9'");
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^The wall is 6′ high: water over it would run out\./)).toBeVisible();
  await level.focus();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type("5'");
  await page.getByRole('radio', { name: 'Only from inside' }).focus();
  await page.keyboard.press('Space');
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await level.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^It is reached only from inside|nobody goes in without a licensed person/).first()).toBeVisible();
  await page.goto(`/jobs/${HALL}/walk`);
  await page.getByRole('button', { name: 'Add a finding' }).tap();
  await page.getByRole('radiogroup', { name: 'What is it?' }).getByRole('radio', { name: 'Ramp' }).tap();
  for (const x of [0.3, 0.6]) {
    await page.getByTestId('plan').evaluate((plan) => plan.scrollIntoView({ block: 'center' }));
    const box = (await page.getByTestId('plan').boundingBox())!;
    await page.touchscreen.tap(box.x + box.width * x, box.y + box.height * 0.7);
  }
  await page.getByLabel('Length of the ramp').fill("2'");
  await page.getByLabel('Height of the ramp').fill('3/4 in');
  await page.getByRole('radiogroup', { name: 'Beside an open joint?' }).getByRole('radio', { name: 'Joint B' }).tap();
  await saveForm(page);
  await expect(page.getByText('with the firm')).toBeVisible();
  const { input } = await (await page.request.get(`${server}/api/v1/jobs/${HALL}/plan`)).json();
  expect(input.findings.find(({ kind }: { kind: string }) => kind === 'wedge').joint).toMatchObject({ label: 'B' });
});
