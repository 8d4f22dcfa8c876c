// npm run e2e -- [file] [options]: the end-to-end tests alone. What failed is run again with its trace by: npm run e2e -- --last-failed --trace on
import { spawnSync } from 'node:child_process';
import { PLAYWRIGHT, tested } from './lib/tested.mjs';
import { main, root } from './lib/run.mjs';

main(() =>
  tested(async (env) => {
    const { ensureWeb } = await import('./lib/build.mjs');
    await ensureWeb();
    const { status } = spawnSync(process.execPath, [...PLAYWRIGHT, ...process.argv.slice(2)], { cwd: root, env, stdio: 'inherit' });
    process.exitCode = status ?? 1;
  }),
);
