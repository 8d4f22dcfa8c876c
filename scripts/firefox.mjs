// npm run firefox: the main path, from Walk to Record, tapped in Debian's Firefox as well (WebDriver BiDi): other phones have
// other engines. Outside npm test; a picture of each step in .tufa/firefox.
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { withDemonstration } from './lib/onDemonstration.mjs';
import { ensureFirefox } from './lib/packages.mjs';
import { main, root, say } from './lib/run.mjs';

const DOCK = '/jobs/0198a000-de00-7000-8000-000000000001';
const WAIT_MS = 60_000;

main(() =>
  withDemonstration({ name: 'firefox' }, async (base) => {
    ensureFirefox();
    const { default: puppeteer } = await import('puppeteer-core');
    const folder = join(root, '.tufa/firefox');
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    const browser = await puppeteer.launch({ browser: 'firefox', executablePath: '/usr/bin/firefox-esr', headless: true });
    const page = await browser.newPage();
    await page.setViewport({ width: 390, height: 844 });
    page.setDefaultTimeout(WAIT_MS);
    const wrong = [];
    page.on('pageerror', (error) => wrong.push(String(error)));
    page.on('console', (message) => {
      if (message.type() === 'error') wrong.push(message.text());
    });
    let number = 0;
    /** A picture, and the answer at the top of the screen. */
    const seen = async (step) => {
      await page.screenshot({ path: join(folder, `${++number}-${step}.png`) });
      const title = await page.$eval('#answer', (heading) => heading.textContent).catch(() => '');
      say(`${step}: ${title}`);
    };
    const button = (name) => page.locator(`::-p-aria([role="button"][name="${name}"])`);
    const of = (id) => page.locator(`[data-testid="${id}"]`);
    const go = async (step) => {
      await page.goto(`${base}${DOCK}/${step}`);
      await page.locator('#answer').wait();
    };

    await page.goto(base);
    await button('Lead').click();
    await page.waitForFunction(() => document.body.textContent.includes('Waiting for you'));
    await seen('now');

    await go('walk');
    await of('plan').wait();
    await button('Add a finding').click();
    for (const [label, text] of [
      ['Length', '1\' 6"'],
      ['Width', "1'"],
      ['Deepest depth', '1 in'],
    ])
      await page.locator(`::-p-aria([name="${label}"][role="textbox"])`).fill(text);
    await button('Save').click();
    await button('Edit G').wait();
    await seen('walk');

    await go('fix');
    await page.locator('::-p-aria([role="button"][name="Spall G"])').click();
    await button('Use this').click();
    await seen('fix');

    await go('mix');
    await page.waitForFunction(() => /\d/.test(document.querySelector('#answer')?.textContent ?? ''));
    await seen('mix');
    await page.goto(`${base}${DOCK}/mix?batch=1`);
    await page.locator('[role="checkbox"]').click();
    await seen('ticket');

    await go('day');
    await of('strata').wait();
    await seen('day');
    await go('plan');
    await page.locator('::-p-aria([role="list"][name="The day by the clock"])').wait();
    await seen('plan');

    await go('pour');
    // Each caution is understood before the first batch; the next is asked for once one is gone.
    const acks = () => page.$$eval('[data-testid^="ack-"]', (left) => left.length);
    await page.waitForSelector('[data-testid^="ack-"], [data-testid="start-batch"]:not([aria-disabled="true"])');
    for (let left = await acks(); left > 0; left = await acks()) {
      await page.locator('[data-testid^="ack-"]').click();
      await page.waitForFunction((before) => document.querySelectorAll('[data-testid^="ack-"]').length < before, {}, left);
    }
    await of('start-batch').click();
    await of('pail').wait();
    await seen('pour');
    await of('placed').click();
    await of('finished').click();
    await page.waitForFunction(() => document.body.textContent.includes('with the firm'));
    await seen('poured');

    await go('record');
    await page.waitForFunction(() => document.querySelector('#answer')?.textContent);
    await seen('record');

    await browser.close();
    if (wrong.length > 0) throw new Error(`Firefox found something wrong: ${[...new Set(wrong)].join('; ')}`);
    say(`Firefox went from Walk to Record; pictures are in ${folder}.`);
  }),
);
