// npm test: set-up, check, unit tests, the server on real PostgreSQL, the real interface in headless Chromium, one count.
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { ensureChromium, ensurePackages } from './lib/packages.mjs';
import { ensureCluster } from './lib/cluster.mjs';
import { coreWithCoverage } from './coverage.mjs';
import { main, root, say } from './lib/run.mjs';

main(async () => {
  const begun = Date.now();
  ensurePackages();
  ensureChromium();
  const { bundle, ensureWeb } = await import('./lib/build.mjs');
  mkdirSync(join(root, '.tufa'), { recursive: true });
  const cluster = await ensureCluster({ name: 'test-cluster' });
  const counts = { passed: 0, failed: 0 };
  const results = join(root, '.tufa');
  try {
    const { check } = await import('./check.mjs');
    try {
      check();
      counts.passed += 1;
    } catch (error) {
      say(error.message);
      counts.failed += 1;
    }
    const web = await ensureWeb();
    const server = await bundle('server');
    const env = {
      ...process.env,
      TEST_ADMIN_URL: cluster.adminUrl,
      TEST_APP_URL: cluster.url,
      TEST_OWNER_URL: cluster.ownerUrl,
      TUFA_WEB: web,
      TUFA_SERVER: server,
      NODE_NO_WARNINGS: '1',
    };

    say('The core, its branches counted ...');
    const core = coreWithCoverage({ env, outputFile: join(results, 'core.json') });
    counts.passed += core.passed;
    counts.failed += core.failed;

    say('The other unit tests and the server ...');
    const others = ['draw', 'contract', 'words', 'server', 'cli', 'stand-ins', 'app'];
    const jestFile = join(results, 'jest.json');
    spawnSync(process.execPath, ['node_modules/jest/bin/jest.js', '--selectProjects', ...others, '--json', `--outputFile=${jestFile}`, '--silent'], {
      cwd: root,
      env,
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    const jest = readJson(jestFile);
    counts.passed += jest?.numPassedTests ?? 0;
    counts.failed += (jest?.numFailedTests ?? 0) + (jest?.numRuntimeErrorTestSuites ?? (jest ? 0 : 1));

    say('The interface in Chromium ...');
    spawnSync(process.execPath, ['node_modules/@playwright/test/cli.js', 'test', '--config', 'e2e/playwright.config.ts'], {
      cwd: root,
      env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: join(results, 'e2e.json') },
      stdio: 'inherit',
    });
    const e2e = readJson(join(results, 'e2e.json'))?.stats;
    counts.passed += (e2e?.expected ?? 0) + (e2e?.flaky ?? 0);
    counts.failed += e2e ? e2e.unexpected : 1;
  } finally {
    cluster.stop();
  }
  say(`Took ${Math.round((Date.now() - begun) / 1000)} s.`);
  say(`${counts.passed} passed, ${counts.failed} failed`);
  process.exitCode = counts.failed === 0 ? 0 : 1;
});

function readJson(path) {
  try {
    return JSON.parse(readFileSync(path, 'utf8'));
  } catch {
    return null;
  }
}
