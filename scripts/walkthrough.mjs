// npm run walkthrough [part of a job's name]: every job of the demonstration from Walk to its completion sheet, step by step
// as a person would tap it, with a picture of each step in .tufa/walkthrough.
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { onDemonstration, understood } from './lib/onDemonstration.mjs';
import { main, root, say } from './lib/run.mjs';

const MORNING = '2026-05-12T12:20:00Z';
/** More taps no pour takes. */
const TAPS = 400;

const jobs = readdirSync(join(root, 'demo'))
  .filter((file) => file.endsWith('.job.json'))
  .map((file) => JSON.parse(readFileSync(join(root, 'demo', file), 'utf8')).job);
const wanted = process.argv[2]?.toLowerCase() ?? '';

main(() =>
  onDemonstration({ name: 'walkthrough', now: MORNING }, async ({ base, open }) => {
    const folder = join(root, '.tufa/walkthrough');
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    let stopped = 0;
    for (const job of jobs.filter(({ name }) => name.toLowerCase().includes(wanted))) {
      const { page, context } = await open({ width: 390, height: 844 });
      const slug = job.name.toLowerCase().replace(/\W+/g, '-');
      let number = 0;
      const picture = async (name) => page.screenshot({ path: join(folder, `${slug}-${++number}-${name}.png`) });
      const go = async (step) => {
        await page.goto(`${base}/jobs/${job.id}/${step}`);
        await page.getByRole('heading', { level: 1 }).first().waitFor();
        await page.waitForLoadState('networkidle');
        await page.clock.runFor(600);
      };
      const there = (locator) => locator.first().isVisible();
      let at = 'walk';
      try {
        await go('walk');
        await page.getByTestId('plan').waitFor();
        await survey(page, there);
        await page.clock.runFor(600);
        await picture('walk');
        at = 'fix';
        await go('fix');
        await choose(page, there);
        await picture('fix');
        at = 'mix';
        await go('mix');
        await picture('mix');
        await page
          .getByRole('button', { name: /^Mix batch|^Batch 1|batch 1/i })
          .last()
          .click();
        await page.getByRole('checkbox').first().waitFor();
        await picture('ticket');
        at = 'day';
        await go('day');
        await picture('day');
        await go('plan');
        await page.getByRole('list', { name: 'The day by the clock' }).or(page.getByTestId('clash')).first().waitFor({ timeout: 30_000 });
        await picture('plan');
        at = 'pour';
        await go('pour');
        // The server's clock stands still and the phone's runs on: poured without signal, as in a cellar, each tap keeps its order.
        await understood(page);
        await context.setOffline(true);
        await pour(page, there, picture);
        await context.setOffline(false);
        for (let i = 0; i < 60 && !(await there(page.getByText('with the firm'))); i += 1) await page.clock.runFor(3000);
        await picture('poured');
        at = 'record';
        await go('record');
        await picture('record');
        await page.getByRole('button', { name: 'Make it: Completion sheet' }).click();
        const made = page.getByRole('list', { name: 'Made so far' }).getByRole('button', { name: /^Completion sheet/ });
        for (let i = 0; i < 60 && !(await there(made)); i += 1) await page.clock.runFor(1000);
        const { documents } = await (await page.request.get(`${base}/api/v1/jobs/${job.id}/documents`)).json();
        const file = await page.request.get(`${base}/api/v1/documents/${documents[0].id}/file`);
        writeFileSync(join(folder, `${slug}-completion.pdf`), await file.body());
        say(`${job.name}: to its completion sheet, ${(await page.getByRole('heading', { level: 1 }).first().innerText()).replace(/\n/g, ' ')}`);
      } catch (error) {
        stopped += 1;
        await picture('stopped').catch(() => undefined);
        say(`${job.name}: stopped in ${at}. ${String(error.message).split('\n').slice(0, 3).join(' ')}`);
      }
      await context.close();
    }
    say(`Pictures and sheets are in ${folder}.`);
    if (stopped > 0) process.exitCode = 1;
  }),
);

/** Where nobody has answered or found anything yet: the five questions, and one spall. */
async function survey(page, there) {
  const questions = page.getByRole('button', { name: 'Answer the five questions' });
  if (await there(questions)) {
    await questions.click();
    const groups = page.getByRole('radiogroup');
    await groups.first().waitFor();
    for (let i = 0; i < (await groups.count()); i += 1) {
      const no = groups.nth(i).getByRole('radio', { name: 'No', exact: true });
      if (await there(no)) await no.click();
    }
    await page
      .getByRole('button', { name: /^(Save|Keep|Done)/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Add a finding' }).waitFor();
  }
  if (!(await there(page.getByRole('button', { name: /^Edit [A-Z]\d?$/ })))) {
    await page.getByRole('button', { name: 'Add a finding' }).click();
    await page.getByLabel('Length').fill('2\' 6"');
    await page.getByLabel('Width').fill('1\' 8"');
    await page.getByLabel('Deepest depth').fill('1 1/4');
    await page.getByRole('button', { name: 'Save' }).click();
    await page
      .getByRole('button', { name: /^Edit / })
      .first()
      .waitFor();
  }
}

/** What ranks first for every finding that has nothing yet. */
async function choose(page, there) {
  const findings = page.getByRole('button', { name: /^[A-Z][a-z ]+ [A-Z]$/ });
  const count = Math.max(1, await findings.count());
  for (let i = 0; i < count; i += 1) {
    if ((await findings.count()) > i) await findings.nth(i).click();
    await page.waitForLoadState('networkidle');
    const use = page.getByRole('button', { name: /^Use this$/ });
    if (await there(use)) await use.click();
    await page.clock.runFor(600);
  }
}

/** Every batch to its end: what is asked for is tapped, and the clock goes on between. */
async function pour(page, there, picture) {
  const of = (id) => page.getByTestId(id);
  await of('start-batch').or(of('running')).first().waitFor();
  let seen = false;
  for (let taps = 0; taps < TAPS; taps += 1) {
    const heading = await page
      .getByRole('heading', { level: 1 })
      .first()
      .innerText()
      .catch(() => '');
    if (/poured/i.test(heading) && !/^Ready/.test(heading)) return;
    if (await there(of('next-shot'))) {
      await page.clock.runFor(20_000);
      await of('next-shot').click();
    } else if (await there(of('placed'))) {
      await page.clock.runFor(90_000);
      if (!seen) await picture('pour');
      seen = true;
      await of('placed').click();
    } else if (await there(of('finished'))) {
      await page.clock.runFor(45_000);
      await of('finished').click();
    } else if (await there(of('start-batch'))) {
      await of('start-batch').click();
    }
    await page.clock.runFor(1500);
  }
  throw new Error(`the pour did not end: ${await page.getByRole('heading', { level: 1 }).first().innerText()}`);
}
