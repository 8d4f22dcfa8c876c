// npm test: set-up, check, unit tests, the server on real PostgreSQL, the real interface in headless Chromium, one count.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { PLAYWRIGHT, tested } from './lib/tested.mjs';
import { main, root, say } from './lib/run.mjs';

const OTHERS = ['draw', 'contract', 'words', 'server', 'cli', 'stand-ins', 'app'];

main(async () => {
  const begun = Date.now();
  /** Where the time went, s; what is set in ran beside other work, a core each. */
  const spent = new Map();
  const since = (from) => Math.round((Date.now() - from) / 1000);
  const counts = await tested(async (env) => {
    spent.set('Set-up', since(begun));
    const { program, spent: beside, twoAtATime } = await import('./lib/together.mjs');
    const { jest, readJson } = await import('./lib/jest.mjs');
    const { coreTests } = await import('./coverage.mjs');
    const { CHECKS } = await import('./check.mjs');
    const results = (name) => join(root, '.tufa', `${name}.json`);
    const checked = (name) => async () => {
      const { status } = await program(name, CHECKS[name]);
      return { passed: status === 0 ? 1 : 0, failed: status === 0 ? 0 : 1 };
    };
    // The longest first, a core each.
    const ended = await twoAtATime([
      () => jest('The other unit tests and the server', OTHERS, { env, outputFile: results('jest') }),
      () => program('The application built', ['scripts/lib/build.mjs']).then(({ status }) => ({ passed: 0, failed: status === 0 ? 0 : 1 })),
      () => coreTests({ env, outputFile: results('core') }),
      ...Object.keys(CHECKS).map(checked),
    ]);
    const from = Date.now();
    say('The interface in Chromium ...');
    spawnSync(process.execPath, PLAYWRIGHT, { cwd: root, env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: results('e2e') }, stdio: 'inherit' });
    for (const [name, s] of beside) spent.set(`  ${name}`, s);
    spent.set('The interface', since(from));
    const e2e = readJson(results('e2e'))?.stats;
    if (e2e?.flaky) say(`${e2e.flaky} of them passed only when run again: look at their traces under test-results.`);
    ended.push({ passed: (e2e?.expected ?? 0) + (e2e?.flaky ?? 0), failed: e2e ? e2e.unexpected : 1 });
    return ended;
  });
  const sum = (name) => counts.reduce((total, count) => total + count[name], 0);
  for (const [name, s] of [...spent, ['In all', since(begun)]]) say(`${name.padEnd(44)} ${String(s).padStart(5)} s`);
  say(`${sum('passed')} passed, ${sum('failed')} failed`);
  process.exitCode = sum('failed') === 0 ? 0 : 1;
});
