// npm run nudge: every constant of the tables changed by one per cent, one at a time, must turn a test of the core red.
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { ensurePackages } from './lib/packages.mjs';
import { Advice, main, root, say } from './lib/run.mjs';

/** These look at the tables first of all and are quick; only when they stay green are the others run, and then all. */
const FIRST = ['core/testing/constants', 'core/reference'];
const SECOND = ['core/testing/thresholds', 'core/mix', 'core/takeoff', 'core/setting', 'core/weather'];

const jest = (path, tests) =>
  new Promise((resolve) => {
    const child = spawn(
      process.execPath,
      [
        join(root, 'node_modules/jest/bin/jest.js'),
        '--selectProjects',
        'core',
        '--bail',
        '--silent',
        '--runInBand',
        ...tests.map((one) => `--testPathPattern=${one}`),
      ],
      { cwd: root, env: { ...process.env, TUFA_NUDGE: path }, stdio: 'ignore' },
    );
    child.on('exit', (code) => resolve(code !== 0));
  });

main(async () => {
  await ensurePackages();
  const { bundle } = await import('./lib/build.mjs');
  const { paths, UNNUDGED } = await import(await bundle('core', 'testing/nudged.ts'));
  const only = process.argv.slice(2);
  const queue = paths().filter((path) => only.length === 0 || only.some((start) => path.startsWith(start)));
  // A test that is red before anything is changed would prove nothing.
  if (await jest('', FIRST)) throw new Advice('The tests are red as they stand. Run npm run unit -- --selectProjects core and mend them first.');
  const count = queue.length;
  const green = [];
  let listed = 0;
  const work = async () => {
    for (let path = queue.shift(); path !== undefined; path = queue.shift()) {
      if (UNNUDGED[path]) {
        listed += 1;
        say(`${path.padEnd(44)} listed: ${UNNUDGED[path]}`);
        continue;
      }
      const red = (await jest(path, FIRST)) || (await jest(path, SECOND)) || (await jest(path, []));
      if (!red) green.push(path);
      say(`${path.padEnd(44)} ${red ? 'red' : 'GREEN: no test sees it'}`);
    }
  };
  await Promise.all(Array.from({ length: Math.max(1, availableParallelism()) }, work));
  say(`${count - green.length - listed} of ${count} constants turn a test red, ${listed} listed with why not, ${green.length} seen by none`);
  if (green.length > 0) process.exitCode = 1;
});
