import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { FAULTS, instrumentService, type Fault } from '../stand-ins/src/instruments';
import { faultsOf, unreadable } from './looks';
import { DOCK, expect, signIn, startServer, test as base } from './server';

/** How the instruments fail now; nothing while they do not. */
let failing: Fault | null = null;

const test = base.extend<{ server: string }>({
  // The library reads what a fixture needs from this pattern: an option that is set anyway costs nothing.
  server: async ({ browserName: _any }, provide) => {
    const service = instrumentService({ fails: 0 });
    const instruments = createServer((request, response) => {
      if (failing && request.url?.endsWith('/reading')) request.url += `?fault=${failing}`;
      service(request, response);
    }).listen(0, '127.0.0.1');
    await once(instruments, 'listening');
    const { url, stop } = await startServer({ instruments: `http://127.0.0.1:${(instruments.address() as AddressInfo).port}` });
    await provide(url);
    await stop();
    instruments.closeAllConnections();
    instruments.close();
  },
});

const SAYS: Readonly<Record<Fault, string>> = {
  battery: 'Its battery is flat',
  lost: 'The instrument does not answer',
  unit: 'It answers in a unit that is none of its own',
  wild: 'What it reads is out of reason',
};

test('a field is read from its instrument with one tap, keeps where it came from, and says what to do where it fails', async ({ page, server }) => {
  failing = null;
  await signIn(page, 'Lead', `/jobs/${DOCK}/walk`);
  await page.getByRole('button', { name: 'Edit A', exact: true }).tap();
  const deepest = page.getByLabel('Deepest depth');
  const before = await deepest.inputValue();
  await deepest.tap();
  const read = page.getByTestId('read-instrument');
  for (const fault of FAULTS) {
    failing = fault;
    await read.tap();
    await expect(page.getByRole('alert').filter({ hasText: SAYS[fault] })).toBeVisible();
    // What was typed stays.
    await expect(deepest).toHaveValue(before);
  }
  failing = null;
  expect(await faultsOf(page)).toEqual([]);
  expect(await unreadable(page)).toEqual([]);
  await read.tap();
  await expect(deepest).toHaveValue(/^\d\.\d{3} in$/);
  await expect(page.getByText(/^Depth gauge, invented, \d/)).toBeVisible();
  // A draft lies on the phone: what read it is known there too.
  await page.reload();
  await expect(page.getByText(/^Depth gauge, invented, \d/)).toBeVisible();
  await page.getByRole('button', { name: 'Save' }).tap();
  await expect(page.getByRole('button', { name: 'Save' })).toHaveCount(0);
  await expect(page.getByText('with the firm')).toBeVisible();
  const { input } = await (await page.request.get(`${server}/api/v1/jobs/${DOCK}/plan`)).json();
  const { deepest: kept } = input.findings.find(({ label }: { label: string }) => label === 'A');
  expect(kept).toMatchObject({ source: 'instrument', by: 'Depth gauge, invented', at: expect.stringContaining('T') as unknown });
  expect(kept.value).toBeGreaterThan(0.01);
});
