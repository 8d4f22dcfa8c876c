// npm run shots: remakes docs/screenshots/ from the demonstration data, one picture of each main view.
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { onDemonstration, understood } from './lib/onDemonstration.mjs';
import { main, root } from './lib/run.mjs';

const WALL = '/jobs/0198a000-de00-7000-8000-000000000040';
const HALL = '/jobs/0198a000-de00-7000-8000-000000000060';
const DOCK = '/jobs/0198a000-de00-7000-8000-000000000001';
const PLINTH = '/jobs/0198a000-de00-7000-8000-0000000000e0';
/** The demonstration's morning; the phone's clock is held at it and the data anchored to it. */
const MORNING = '2026-05-12T12:20:00Z';

main(() =>
  onDemonstration({ name: 'shots', now: MORNING }, async ({ base, open: signedIn }) => {
    const folder = join(root, 'docs/screenshots');
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    const open = async (viewport, who = 'Lead') => {
      const { page, context } = await signedIn(viewport, { who });
      const shot = async (path, file, ready) => {
        if (path) await page.goto(`${base}${path}`);
        await page.getByRole('heading', { level: 1 }).waitFor();
        await (ready ?? (() => page.waitForLoadState('networkidle')))();
        await page.clock.runFor(600);
        await page.screenshot({ path: join(folder, `${file}.png`) });
      };
      return { page, context, shot };
    };
    const phone = await open({ width: 390, height: 844 });
    await phone.shot('/', 'now');
    await phone.shot('/jobs', 'jobs');
    await phone.shot('/shelf', 'shelf');
    await phone.shot('/bench/window', 'bench-window');
    for (const step of ['walk', 'fix', 'mix', 'day']) await phone.shot(`${DOCK}/${step}`, step);
    await phone.shot(`${DOCK}/week`, 'day-week', () => phone.page.getByTestId('hour').waitFor());
    await phone.shot(`${HALL}/mix?batch=2`, 'ticket');
    await phone.page.goto(`${base}${DOCK}/walk`);
    await phone.page.getByRole('button', { name: 'Add a finding' }).click();
    await phone.page.getByLabel('Length').click();
    const keys = phone.page.getByTestId('keypad');
    for (const name of ['4', 'feet', '2']) await keys.getByRole('button', { name, exact: true }).click();
    const strip = await phone.page.getByTestId('ruler-strip').boundingBox();
    await phone.page.mouse.click(strip.x + (strip.width * 5) / 16, strip.y + 30);
    await phone.page.screenshot({ path: join(folder, 'keypad.png') });
    await phone.page.evaluate(() => localStorage.removeItem(Object.keys(localStorage).find((key) => key.startsWith('tufa-draft finding')) ?? ''));
    await phone.shot(`${DOCK}/systems`, 'systems', () => phone.page.getByTestId('systems').waitFor());
    await phone.page.goto(`${base}${DOCK}/pour`);
    await understood(phone.page);
    await phone.context.setOffline(true);
    await phone.page.getByTestId('start-batch').click();
    await phone.page.getByTestId('pail').waitFor();
    await phone.page.clock.runFor(130_000);
    await phone.page.screenshot({ path: join(folder, 'pour.png') });
    await phone.page.getByTestId('placed').click();
    await phone.page.clock.runFor(120_000);
    await phone.page.getByTestId('finished').click();
    await phone.context.setOffline(false);
    await phone.shot(`${PLINTH}/record`, 'record');
    await phone.shot('/find?q=plinth', 'find', () => phone.page.getByRole('list', { name: 'Find' }).waitFor());
    await phone.shot('/rehearse/sunRound', 'rehearse', async () => {
      await phone.page.getByTestId('begin-rehearsal').click();
      await understood(phone.page);
      await phone.page.getByTestId('start-batch').click();
      await phone.page.getByTestId('pail').waitFor();
      await phone.page.clock.runFor(120_000);
    });
    const owner = await open({ width: 390, height: 844 }, 'Owner');
    await owner.shot('/doors', 'doors', () => owner.page.getByTestId('people').waitFor());
    const wide = await open({ width: 1280, height: 800 });
    await wide.shot(`${WALL}/walk`, 'wide-walk', () => wide.page.getByRole('application').waitFor());
    await wide.shot(`${DOCK}/plan`, 'wide-plan', () => wide.page.getByTestId('helps').waitFor({ timeout: 60_000 }));
  }),
);
