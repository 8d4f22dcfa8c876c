import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import type { Page } from '@playwright/test';
import { acknowledgeAll, DOCK, expect, reading, signIn, test } from './server';

/** Limits that are counted and not timed. A change that needs more raises them there, and says why in its message. */
const { scripts_kB, requests, drawn } = JSON.parse(readFileSync(resolve(__dirname, '../budgets.json'), 'utf8')) as {
  readonly scripts_kB: Readonly<Record<string, number>>;
  readonly requests: Readonly<Record<string, number>>;
  readonly drawn: Readonly<Record<string, { readonly commits: number; readonly parts: number }>>;
};

const STEPS = ['walk', 'fix', 'mix', 'day', 'pour', 'record'];

/** Notes when a page first shows its heading. */
async function noteShown(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const watch = new MutationObserver(() => {
      if (!document.querySelector('[role=heading][aria-level="1"]')) return;
      watch.disconnect();
      Object.assign(window, { shownAt: performance.now() });
    });
    watch.observe(document, { childList: true, subtree: true });
  });
}

/** Scripts that a page asked for, kB as they were sent: until its heading showed, or since then and until now. A worker is read beside the page. */
const scriptsOf = (page: Page, when: 'first' | 'after'): Promise<number> =>
  page.evaluate((wanted) => {
    const { shownAt } = window as unknown as { shownAt: number };
    const scripts = performance.getEntriesByType('resource').filter(({ name }) => name.endsWith('.js') && !/\/(plan|rows|photo)-[0-9a-f]+\.js$/.test(name));
    const counted = (scripts as PerformanceResourceTiming[]).filter(({ startTime }) => startTime <= shownAt === (wanted === 'first'));
    return counted.reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0) / 1000;
  }, when);

const heading = (page: Page): Promise<void> => page.getByRole('heading', { level: 1 }).waitFor();

reading('the first screen and Now after signing in weigh no more than they may, and ask no more often', async ({ page }) => {
  const asked: string[] = [];
  page.on('request', (request) => void asked.push(request.url()));
  await noteShown(page);
  await page.goto('/');
  await page.getByRole('button', { name: 'Lead' }).waitFor();
  expect(asked.length).toBeLessThanOrEqual(requests['first screen']!);
  expect(await scriptsOf(page, 'first')).toBeLessThanOrEqual(scripts_kB['first screen']!);
  await page.getByRole('button', { name: 'Lead' }).tap();
  await page.getByText('Waiting for you').waitFor();
  await expect(
    page
      .getByRole('link', { name: /Loading dock/ })
      .locator('svg')
      .first(),
  ).toBeVisible();
  expect(await scriptsOf(page, 'after')).toBeLessThanOrEqual(scripts_kB['Now after signing in']!);
});

for (const step of STEPS)
  reading(`${step} by its link weighs no more than it may`, async ({ page }) => {
    await signIn(page);
    await noteShown(page);
    await page.goto(`/jobs/${DOCK}/${step}`);
    await heading(page);
    expect(await scriptsOf(page, 'first')).toBeLessThanOrEqual(scripts_kB[`${step} by its link`]!);
  });

/** Counts what React draws from here on: its commits, and in them the parts whose function ran. */
async function countDrawn(page: Page): Promise<void> {
  await page.addInitScript(() => {
    interface Fiber {
      readonly tag: number;
      readonly flags: number;
      readonly child: Fiber | null;
      readonly sibling: Fiber | null;
      readonly alternate: Fiber | null;
    }
    const drawn = { commits: 0, parts: 0 };
    const FUNCTION_TAGS = [0, 11, 15];
    const PERFORMED_WORK = 1;
    // What was not worked on is the very same fiber as before: it is not looked into.
    const look = (fiber: Fiber, before: Fiber | null): void => {
      if (FUNCTION_TAGS.includes(fiber.tag) && fiber.flags & PERFORMED_WORK) drawn.parts += 1;
      if (before && fiber.child === before.child) return;
      for (let child = fiber.child; child; child = child.sibling) look(child, child.alternate);
    };
    const hook = {
      supportsFiber: true,
      isDisabled: false,
      renderers: new Map(),
      inject: () => 1,
      checkDCE: () => undefined,
      onCommitFiberUnmount: () => undefined,
      onPostCommitFiberRoot: () => undefined,
      onCommitFiberRoot: (_id: number, { current }: { current: Fiber }) => {
        drawn.commits += 1;
        look(current, current.alternate);
      },
    };
    Object.assign(window, { __REACT_DEVTOOLS_GLOBAL_HOOK__: hook, drawn });
  });
}

/** What one act has drawn, once the page has come to rest. */
async function drawnBy(page: Page, act: () => Promise<void>): Promise<{ commits: number; parts: number }> {
  const read = (): Promise<{ commits: number; parts: number }> =>
    page.evaluate(() => ({ ...(window as unknown as { drawn: { commits: number; parts: number } }).drawn }));
  const rested = async (): Promise<{ commits: number; parts: number }> => {
    let last = await read();
    await expect
      .poll(
        async () => {
          const now = await read();
          const same = now.commits === last.commits;
          last = now;
          return same;
        },
        { intervals: [400] },
      )
      .toBe(true);
    return last;
  };
  // What the firm sends meanwhile is drawn too, and only ever adds: the least of three is the act's.
  const times: { commits: number; parts: number }[] = [];
  for (let i = 0; i < 3; i += 1) {
    const before = await rested();
    await act();
    const after = await rested();
    times.push({ commits: after.commits - before.commits, parts: after.parts - before.parts });
  }
  return times.reduce((least, next) => (next.parts < least.parts ? next : least));
}

test('a tap on the ticket, a key and a step of the quantity draw no more than they may', async ({ page }) => {
  await countDrawn(page);
  await signIn(page, 'Lead', `/jobs/${DOCK}/mix?batch=1`);
  const came: Record<string, { commits: number; parts: number }> = {};
  const line = page.getByRole('checkbox').first();
  await line.waitFor();
  came['a tap on the ticket'] = await drawnBy(page, () => line.tap());
  await page.goto(`/jobs/${DOCK}/walk`);
  await page.getByRole('button', { name: 'Add a finding' }).tap();
  await page.getByLabel('Length').tap();
  const key = page.getByTestId('keypad').getByRole('button', { name: '2', exact: true });
  await key.waitFor();
  came['a key'] = await drawnBy(page, () => key.tap());
  await page.goto(`/jobs/${DOCK}/day`);
  const more = page.getByRole('button', { name: 'More Slab' });
  await more.waitFor();
  came['a step of the quantity'] = await drawnBy(page, () => more.tap());
  for (const [name, { commits, parts }] of Object.entries(came)) {
    expect([name, commits, commits >= 1 && commits <= drawn[name]!.commits]).toEqual([name, commits, true]);
    expect([name, parts, parts >= 1 && parts <= drawn[name]!.parts]).toEqual([name, parts, true]);
  }
  expect(Object.keys(came).sort()).toEqual(Object.keys(drawn).sort());
});

test('the main path asks for one document', async ({ page }) => {
  const documents: string[] = [];
  page.on('request', (request) => request.isNavigationRequest() && void documents.push(request.url()));
  await page.goto('/');
  await page.getByRole('button', { name: 'Lead' }).tap();
  await page.getByRole('link', { name: /Loading dock/ }).tap();
  for (const step of STEPS) {
    await page.getByRole('link', { name: new RegExp(`^${step}, `, 'i') }).tap();
    await expect(page).toHaveURL(new RegExp(`/${step}$`));
    await heading(page);
    if (step !== 'pour') continue;
    await acknowledgeAll(page);
    await page.getByTestId('start-batch').tap();
    await page.getByTestId('placed').tap();
    await page.getByTestId('finished').tap();
    await page.getByTestId('start-batch').waitFor();
  }
  expect(documents.length).toBeLessThanOrEqual(requests['documents on the main path']!);
});
