import { DOCK, expect, signIn, test } from './server';

test('ice tried, kept, weighed out on the ticket, and left out again', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/day`);
  await page.getByRole('button', { name: /^Try it: .* as ice/ }).click();
  await page.getByRole('button', { name: 'Keep these for the pour' }).click();
  await expect(page.getByText('with the firm')).toBeVisible();
  const toTicket = async (): Promise<void> => {
    await page.getByRole('link', { name: /^Mix/ }).click();
    await page.getByRole('button', { name: /^Batch 1: / }).click();
  };
  await toTicket();
  const [water, ice] = [page.getByRole('checkbox', { name: /^Water/ }), page.getByRole('checkbox', { name: /^Ice/ })];
  await expect(ice).toContainText('lb');
  const before = await water.innerText();
  await page.getByRole('link', { name: /^Day/ }).click();
  await page.getByRole('button', { name: 'Leave the ice out' }).click();
  await page.getByRole('button', { name: 'Keep these for the pour' }).click();
  await toTicket();
  await expect(water).not.toHaveText(before);
  await expect(ice).toHaveCount(0);
});

test('a day on which no batch fits: what is enough by itself or together, and what each of the others lacks', async ({ page, server }) => {
  await signIn(page);
  const { person, device } = (await (await page.request.get(`${server}/api/v1/session`)).json()) as { person: { id: string }; device: string };
  const id = (n: number): string => `0198a000-de77-7000-8000-00000000000${n}`;
  const reading = (n: number, kind: string, value: number) => ({
    id: id(n),
    v: 1,
    device,
    seq: n,
    person: person.id,
    madeAt: new Date().toISOString(),
    kind: 'reading.add',
    target: id(n),
    base: null,
    change: {
      jobId: DOCK,
      elementId: null,
      findingId: null,
      kind,
      value: { value, source: 'typed' },
      at: null,
      takenAt: new Date().toISOString(),
      subject: null,
    },
  });
  const commands = [reading(1, 'air_C', 40), reading(2, 'slab_C', 60), reading(3, 'powder_C', 40), reading(4, 'water_C', 30)];
  expect((await page.request.post(`${server}/api/v1/commands`, { data: commands })).status()).toBe(200);
  await page.goto(`/jobs/${DOCK}/day`);
  await page.getByText('What would give more time').waitFor();
  await expect(page.getByText(/Enough by itself|Together/).first()).toBeVisible();
  await expect(page.getByText(/^Not enough by itself/).first()).toBeVisible();
});
