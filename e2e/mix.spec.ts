import { readFileSync } from 'node:fs';
import jsQR from 'jsqr';
import Papa from 'papaparse';
import { faultsOf, unreadable } from './looks';
import { acknowledgeAll, DOCK, expect, signIn, test } from './server';

interface Listed {
  readonly number: string;
  readonly make: string;
  readonly productId: string;
  readonly amount: number;
  readonly serves: readonly { readonly findingId: string; readonly role: string }[];
  readonly lines: readonly object[];
}

test('a fill, its overlay and a crack in one job, from Fix to the last ticket', async ({ page, server }) => {
  await signIn(page);
  // Nobody waits for this dock: an overlay on it has until the next day.
  const { element } = await (await page.request.get(`${server}/api/v1/jobs/${DOCK}`)).json();
  const { id: target, properties } = Object.values(element)[0] as { id: string; properties: object };
  const { person, device } = await (await page.request.get(`${server}/api/v1/session`)).json();
  const id = '0198a000-de77-7000-8000-000000000001';
  const patient = { id, v: 1, device, seq: 1, person: person.id, madeAt: new Date().toISOString(), kind: 'element.change', target };
  const answered = await page.request.post(`${server}/api/v1/commands`, {
    data: [{ ...patient, base: { properties }, change: { properties: { ...properties, opens: null } } }],
  });
  expect(answered.status()).toBe(200);
  await page.goto(`/jobs/${DOCK}/fix`);
  const list = async (): Promise<Listed[]> => (await (await page.request.get(`${server}/api/v1/jobs/${DOCK}/plan`)).json()).plan.batches;
  // An overlay over the first spall, and the crack filled with what ranks first for it.
  const layers = page.getByTestId('layers');
  await layers.getByRole('button', { name: 'Choose' }).tap();
  await layers.getByRole('radio', { name: 'Over the patch' }).tap();
  await page.getByRole('button', { name: 'Crack C' }).tap();
  await page.getByRole('button', { name: /^Use (this|it all the same)$/ }).tap();
  await expect.poll(async () => new Set((await list()).flatMap(({ serves }) => serves.map(({ role }) => role))).has('overlay')).toBe(true);
  await expect.poll(async () => new Set((await list()).map(({ make, productId }) => `${make} ${productId}`)).size).toBeGreaterThan(2);
  const batches = await list();

  await page.getByRole('link', { name: /^Mix/ }).tap();
  const rows = page.getByRole('list', { name: 'Batches in their order' }).getByRole('button');
  await expect(rows).toHaveCount(batches.length);
  await expect(rows.first()).toHaveAccessibleName(/^Batch 1: /);
  await expect(page.getByRole('list', { name: 'Batches in their order' })).toContainText('rub, rinse, damp again');
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  const [csv] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Batches as CSV' }).click()]);
  const { data } = Papa.parse<Record<string, string>>(readFileSync(await csv.path(), 'utf8'), { header: true });
  expect(data.map(({ batch }) => batch)).toEqual(batches.map(({ number }) => number));
  for (const [i, { amount }] of batches.entries()) expect(Number(data[i]!['amount_si'])).toBeCloseTo(amount, 9);

  // Every ticket in turn, the next under the thumb.
  await page.getByRole('button', { name: 'Ticket 1', exact: true }).tap();
  const title = page.getByRole('heading', { level: 1 });
  for (const { number, lines } of batches) {
    await expect(title).toHaveText(new RegExp(`^Batch ${number}`));
    await expect(page.getByRole('checkbox')).toHaveCount(lines.length);
    const next = batches[batches.findIndex((batch) => batch.number === number) + 1];
    if (next) await page.getByRole('button', { name: `Ticket ${next.number}`, exact: true }).tap();
  }
  expect(await faultsOf(page)).toEqual([]);
  // What was read off a ticket keeps its number when the list changes under it.
  await expect(page.getByText('with the firm')).toBeVisible();
  const chalked = (await (await page.request.get(`${server}/api/v1/jobs/${DOCK}`)).json()).pourEvent as Record<string, { kind: string; batch: string }>;
  expect(
    Object.values(chalked)
      .filter(({ kind }) => kind === 'chalked')
      .map(({ batch }) => Number(batch))
      .sort((a, b) => a - b),
  ).toEqual(batches.map(({ number }) => Number(number)));

  // Any of them may be started: the second before the first.
  await page.goto(`/jobs/${DOCK}/pour`);
  await acknowledgeAll(page);
  await page
    .getByRole('list', { name: 'Any of these may go first' })
    .getByRole('button', { name: /^Batch 2: / })
    .tap();
  await expect(title).toHaveText('Ready for batch 2');
  await page.getByTestId('start-batch').tap();
  await expect(page.getByTestId('pail')).toBeVisible();
  await expect(title).toContainText(`Batch 2 of ${batches.length}`);
});

test('what a change costs is told at once; labels carry every number', async ({ page }) => {
  await signIn(page, 'Lead', `/jobs/${DOCK}/mix`);
  const ways = page.getByTestId('ways');
  await ways.getByRole('radio', { name: 'a quarter of a bag' }).tap();
  await expect(page.getByRole('status').filter({ hasText: 'Since you opened this' })).toContainText(/batches/);
  await ways.getByRole('radio', { name: 'By the minute' }).tap();
  await expect(page.getByText('Since you opened this')).toHaveCount(0);
  await ways.getByLabel('Colour, packs a bag').fill('many');
  await ways.getByLabel('Colour, packs a bag').blur();
  await expect(ways.getByText('Write how many packs go to a bag, 0 to 20.')).toBeVisible();
  await page.getByTestId('place').getByLabel('Humidity, %').fill('30');
  await page.getByTestId('place').getByLabel('Humidity, %').blur();
  await expect(page.getByTestId('place').getByLabel('Humidity, %')).toHaveValue('30');
  const rows = await page.getByRole('list', { name: 'Batches in their order' }).getByRole('button').count();
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Labels for pails and bottles' }).click()]);
  const svg = readFileSync(await file.path(), 'utf8');
  for (let number = 1; number <= rows; number += 1) expect(svg).toContain(`>${number}</text>`);
  expect(svg.match(/font-size="72"/g)).toHaveLength(rows);
  // A camera that looks at the first label finds the way to its ticket.
  const { data, width, height } = await page.evaluate(async (drawn) => {
    const image = new Image();
    image.src = `data:image/svg+xml,${encodeURIComponent(drawn)}`;
    await image.decode();
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [image.width, image.height];
    const context = canvas.getContext('2d')!;
    context.fillStyle = 'white';
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(image, 0, 0);
    const label = context.getImageData(0, 0, canvas.width / 2, Math.min(canvas.height, 226));
    return { data: [...label.data], width: label.width, height: label.height };
  }, svg);
  const read = jsQR(new Uint8ClampedArray(data), width, height);
  expect(new URL(read!.data).pathname + new URL(read!.data).search).toBe(`/jobs/${DOCK}/mix?batch=1`);
  await page.goto(read!.data);
  await expect(page.getByRole('heading', { name: /Batch 1/ })).toBeVisible();
});

test('a ticket is read aloud by a voice of the device alone, line by line, and is quiet again at a tap', async ({ page }) => {
  await page.addInitScript(() => {
    const spoken: string[] = [];
    const voice = (name: string, localService: boolean) => ({ name, lang: 'en-US', localService, default: false, voiceURI: name });
    const speech = {
      getVoices: () => [voice('far', false), voice('near', true)],
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
      cancel: () => void spoken.push('cancel'),
      speak: (said: { text: string; voice: { name: string } }) => void spoken.push(`${said.voice.name}: ${said.text}`),
    };
    class Utterance {
      voice: unknown;
      constructor(readonly text: string) {}
    }
    Object.defineProperty(window, 'speechSynthesis', { value: speech });
    Object.defineProperty(window, 'SpeechSynthesisUtterance', { value: Utterance });
    Object.defineProperty(window, 'spoken', { value: spoken });
  });
  await signIn(page, 'Lead', `/jobs/${DOCK}/mix?batch=1`);
  const spoken = () => page.evaluate(() => (window as unknown as { spoken: string[] }).spoken);
  await page.getByRole('button', { name: 'Read it aloud' }).tap();
  const said = (await spoken()).filter((line) => line !== 'cancel');
  expect(said[0]).toMatch(/^near: Batch 1\. /);
  expect(said.length).toBeGreaterThanOrEqual(4);
  expect(said.every((line) => line.startsWith('near: '))).toBe(true);
  await page.getByRole('button', { name: 'Stop reading' }).tap();
  expect((await spoken()).at(-1)).toBe('cancel');
});
