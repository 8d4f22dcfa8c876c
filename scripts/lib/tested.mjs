// What every kind of test needs: packages, a database cluster of the tests' own, the built application and server.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureChromium, ensurePostgres, ensurePackages } from './packages.mjs';
import { ensureCluster } from './cluster.mjs';
import { root } from './run.mjs';

/** Sets up and runs the work, then stops the cluster, whatever came of it. */
export async function tested(work) {
  // Two registries at once: the packages come while Debian's are installed.
  const packages = ensurePackages();
  ensureChromium();
  ensurePostgres();
  await packages;
  mkdirSync(join(root, '.tufa'), { recursive: true });
  const cluster = await ensureCluster({ name: 'test-cluster' });
  try {
    const { bundle } = await import('./build.mjs');
    const env = {
      ...process.env,
      TEST_ADMIN_URL: cluster.adminUrl,
      TEST_APP_URL: cluster.url,
      TEST_OWNER_URL: cluster.ownerUrl,
      TUFA_WEB: join(root, 'app/dist'),
      TUFA_SERVER: await bundle('server'),
      // The same without its program's frame, for tests that start many.
      TUFA_SERVE: await bundle('server', 'src/serve.ts'),
      NODE_NO_WARNINGS: '1',
    };
    return await work(env);
  } finally {
    cluster.stop();
  }
}

export const PLAYWRIGHT = ['node_modules/@playwright/test/cli.js', 'test', '--config', 'e2e/playwright.config.ts'];
