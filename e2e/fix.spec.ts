import { faultsOf, unreadable } from './looks';
import { DOCK, expect, reading, signIn, test } from './server';

test('a firm’s school is followed by every plan, and a job may have its own', async ({ page, server }) => {
  await signIn(page);
  const steps = async (): Promise<string[]> =>
    (await (await page.request.get(`${server}/api/v1/jobs/${DOCK}/plan`)).json()).plan.findings[0].chosen.steps.map(({ code }: { code: string }) => code);
  expect(await steps()).toContain('step.shoulder');
  await page.goto('/firm');
  const method = page.getByTestId('house-method');
  await method.getByRole('button', { name: 'Change it: House method' }).tap();
  await method.getByRole('radiogroup', { name: 'Edge of a patch' }).getByRole('radio', { name: 'Irregular, keyed' }).tap();
  await expect.poll(steps).toContain('step.keyed');
  await page.goto(`/jobs/${DOCK}/fix`);
  await expect(page.getByRole('list', { name: 'Step by step' })).toContainText('Leave the rim irregular');
  await method.getByRole('button', { name: 'Change it: House method' }).tap();
  await method.getByRole('radiogroup', { name: 'Edge of a patch' }).getByRole('radio', { name: 'Always a shoulder' }).tap();
  await expect(page.getByRole('list', { name: 'Step by step' })).toContainText('Saw a shoulder');
  await expect.poll(steps).toContain('step.shoulder');
  expect(await faultsOf(page)).toEqual([]);
});

reading('why not this one: any product is found by its name and tells what keeps it from being chosen', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/fix`);
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toHaveText('Sanded rapid mortar, 15 minute');
  const reasons = page.getByRole('list', { name: 'Reasons' });
  const few = await reasons.getByRole('listitem').count();
  await page.getByRole('button', { name: /^\d+ more that fit$/ }).tap();
  expect(await reasons.getByRole('listitem').count()).toBeGreaterThan(few);
  await page.getByRole('button', { name: 'Why not…' }).tap();
  const shelf = page.getByRole('dialog', { name: 'The shelf for it' });
  expect(await faultsOf(page)).toEqual([]);
  const listed = shelf.getByRole('listitem');
  const before = await listed.count();
  await shelf.getByRole('button', { name: /^Show more: \d+ left$/ }).tap();
  expect(await listed.count()).toBeGreaterThan(before);
  await shelf.getByLabel('Find a product').fill('countertop white');
  await listed.getByRole('button', { name: /^Countertop mix, white/ }).tap();
  await expect(shelf).toHaveCount(0);
  await expect(title).toHaveText(/^Countertop mix, white/);
  await expect(reasons.getByRole('listitem').first()).toContainText(/^× .*no$/);
  await page.getByRole('button', { name: 'Back to Sanded rapid mortar, 15 minute' }).tap();
  await expect(title).toHaveText('Sanded rapid mortar, 15 minute');
});

test('the kit list is ticked as it is loaded, kept with the firm, and a tick is taken back', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/fix`);
  const kit = page.getByTestId('kit');
  await kit.getByRole('button', { name: /^Kit list: 0 of \d+ loaded/ }).tap();
  await expect(kit.getByRole('checkbox', { name: /^Sanded rapid mortar, 15 minute: \d packs?,/ })).toBeVisible();
  const vacuum = kit.getByRole('checkbox', { name: 'HEPA vacuum' });
  await vacuum.tap();
  await expect(vacuum).toBeChecked();
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await page.reload();
  await kit.getByRole('button', { name: /^Kit list: 1 of/ }).tap();
  await vacuum.tap();
  await expect(vacuum).not.toBeChecked();
  await expect(kit.getByRole('button', { name: 'Close the kit list' })).toBeVisible();
});

const HALL = '0198a000-de00-7000-8000-000000000060';
const CELLAR = '0198a000-de00-7000-8000-000000000080';
const WALL = '0198a000-de00-7000-8000-000000000040';

test('what goes with a material is chosen and judged: an overlay, a cure that must leave no film under it', async ({ page, server }) => {
  await signIn(page);
  const chosen = async () => (await (await page.request.get(`${server}/api/v1/jobs/${DOCK}/plan`)).json()).plan.findings[0].chosen;
  expect((await chosen()).aids.map(({ role }: { role: string }) => role)).toEqual(['cure', 'coat']);
  await page.goto(`/jobs/${DOCK}/fix`);
  const layers = page.getByTestId('layers');
  await layers.getByRole('button', { name: 'Choose' }).tap();
  await layers.getByRole('radio', { name: 'Over the patch' }).tap();
  await expect(page.getByRole('list', { name: 'Step by step' })).toContainText('Fill set: rub the ridges off');
  await expect(page.getByRole('table', { name: 'Layers as a table' })).toContainText('Overlay: Broom overlay, rapid');
  await expect.poll(async () => (await chosen()).overlay?.over).toBe('patch');
  await layers.getByLabel('Overlay thickness').fill('3/16 in');
  await page.getByTestId('keypad').waitFor();
  await page.getByTestId('keypad').getByRole('button', { name: 'Done', exact: true }).tap();
  await expect.poll(async () => (await chosen()).overlay?.takeOff.deepest_m).toBeCloseTo(0.0047625, 6);
  await layers
    .getByRole('radiogroup', { name: 'Cure' })
    .getByRole('radio', { name: /film-forming/ })
    .tap();
  await expect(layers.getByText('Its film must come off before anything is laid on it')).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await layers.getByRole('radio', { name: 'None' }).first().tap();
  await expect.poll(async () => (await chosen()).overlay).toBeNull();
  // What bonds, cures and coats is bought with the rest.
  await page.goto(`/jobs/${DOCK}/mix`);
  const order = page.getByRole('list', { name: 'To buy for the whole job' });
  await expect(order.getByRole('listitem').filter({ hasText: 'Silane, penetrating' })).toContainText(/1 x .*\$/);
  await expect(order.getByRole('listitem').filter({ hasText: 'Sanded rapid mortar, 15 minute' })).toContainText(/\d x .*\$/);
});

reading('every kind of damage is drawn as if cut through, with its table', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${HALL}/fix`);
  const table = page.getByRole('table', { name: 'Layers as a table' });
  await expect(page.getByRole('img', { name: /^Section: a crack filled with One-to-one crack resin/ })).toBeVisible();
  await expect(table).toContainText('with dry sand');
  await page.getByRole('button', { name: 'Joint B' }).tap();
  await expect(page.getByRole('img', { name: /^Section: a joint filled with Flexible joint sealant/ })).toBeVisible();
  await expect(table).toContainText('Backer rod');
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save the section as an SVG' }).tap()]);
  expect(file.suggestedFilename()).toMatch(/\.svg$/);
  await page.goto(`/jobs/${CELLAR}/fix`);
  await page.getByRole('button', { name: 'Broken edge B' }).tap();
  await expect(page.getByRole('img', { name: /^Section: an edge of Edge mortar/ })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Step by step' })).toContainText('Brush the bonding agent on');
  await expect(page.getByRole('list', { name: 'Step by step' })).toContainText('Epoxy bond coat, wet on wet');
  expect(await faultsOf(page)).toEqual([]);
});

test('systems side by side: what each costs in the whole and what decides; a price agreed; one is taken for the plan', async ({ page, server }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/fix`);
  await page.getByRole('button', { name: 'Compare systems' }).tap();
  const table = page.getByRole('table', { name: 'Compare systems' });
  await expect(table.getByRole('columnheader')).toHaveText(['What', '1: As chosen', '2: Opens first', '3: Replace it']);
  await expect(page.getByRole('img', { name: 'What 3 systems cost, part by part' })).toBeVisible();
  const row = (name: string) => table.getByRole('row').filter({ has: page.getByRole('rowheader', { name, exact: true }) });
  await expect(table.getByRole('row').filter({ has: page.getByRole('rowheader', { name: /^Whole cost/ }) })).toContainText('best: $');
  await expect(row('Should last')).toContainText('as new');
  await expect(page.getByText('Dock slab would be open')).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await page.getByLabel('Price agreed').fill('much');
  await page.getByLabel('Price agreed').blur();
  await expect(page.getByText('Write an amount')).toBeVisible();
  await page.getByLabel('Price agreed').fill('2500');
  await page.getByLabel('Price agreed').blur();
  await expect(row('Price')).toContainText('$2,500');
  // One of every finding's own, put together by hand and taken.
  await page.getByRole('checkbox', { name: 'Opens first' }).tap();
  await page.getByRole('checkbox', { name: 'Put together' }).tap();
  await page
    .getByTestId('own-system')
    .getByRole('radiogroup', { name: 'Material for Spall A' })
    .getByRole('radio', { name: 'Fine rapid mortar, 10 minute' })
    .tap();
  await page.getByRole('checkbox', { name: 'As chosen' }).tap();
  await page.getByRole('button', { name: 'Use Put together' }).tap();
  await expect(page).toHaveURL(/\/fix$/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Fine rapid mortar, 10 minute');
  const kept = async () => (await (await page.request.get(`${server}/api/v1/jobs/${DOCK}`)).json()).job;
  await expect.poll(async () => JSON.stringify(await kept())).toContain('"price_minor":250000');
});

test('everything now against phases, at the firm’s own rates, on a wide screen', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page, 'Owner', '/firm');
  const rates = page.getByTestId('rates');
  await rates.getByLabel('A trip to the site').fill('400');
  await rates.getByLabel('A day on site, h').fill('40');
  await rates.getByLabel('Markup, %').focus();
  await expect(rates.getByText('Write hours, 1 to 16.')).toBeVisible();
  await expect(rates.getByLabel('A trip to the site')).toHaveValue('$400');
  await page.goto(`/jobs/${WALL}/systems`);
  await page.getByRole('radio', { name: 'All now or in phases' }).click();
  const table = page.getByRole('table', { name: 'Compare systems' });
  await expect(table.getByRole('columnheader')).toHaveText(['What', '1: In phases', '2: All of it now']);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('2: All of it now');
  await expect(page.getByText(/wait: measure again before they are priced/)).toBeVisible();
  await expect(page.getByText(/\$400 a trip/)).toBeVisible();
  expect(await faultsOf(page)).toEqual([]);
  // Taken, nothing waits any more.
  await page.getByRole('button', { name: 'Use All of it now' }).click();
  await expect(page).toHaveURL(/\/fix$/);
  await page.goto(`/jobs/${WALL}/systems`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText(': ');
  await expect(page.getByRole('radio', { name: 'All now or in phases' })).toHaveCount(0);
});

test('what is not loaded for tomorrow is asked on Now', async ({ page }) => {
  await signIn(page, 'Lead', '/');
  // Within the hour before midnight the dock, poured in fifty minutes, is tomorrow's work too: each job is asked about by itself.
  const asked = page.getByTestId('kit-asked').filter({ hasText: 'Tomorrow’s kit, Press-hall floor' });
  await expect(asked).toHaveCount(1);
  await expect(asked).toContainText(/Not loaded yet: .* and \d+ more/);
  await asked.getByRole('button', { name: 'Kit list' }).tap();
  const kit = page.getByTestId('kit');
  await expect(kit.getByText(/^Tomorrow’s work: \d+ things/)).toBeVisible();
  await expect(kit.getByRole('button', { name: 'Close the kit list' })).toBeVisible();
  for (const box of await kit.getByRole('checkbox').all()) {
    await box.tap();
    await expect(box).toBeChecked();
  }
  await page.goto('/');
  await expect(asked).toContainText('All of it is loaded.');
});
