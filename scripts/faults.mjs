// npm run bench:faults: what the short forms in npm test stand for, whole. Phones that write while the server and the
// database are killed, requests that nobody should send, a firm of a thousand jobs, fifty phones at once.
import { spawnSync } from 'node:child_process';
import { main, root, say } from './lib/run.mjs';
import { tested } from './lib/tested.mjs';

main(async () => {
  await tested(async (env) => {
    const run = (what, pattern, more) => {
      say(what);
      const { status } = spawnSync('npx', ['jest', '--selectProjects', 'server', '--testPathPattern', pattern, '--verbose'], {
        cwd: root,
        env: { ...env, ...more },
        stdio: 'inherit',
      });
      if (status !== 0) process.exitCode = 1;
    };
    run(
      '3,000 commands of four phones, ten kills of the server, five of the database; 10,000 events of a pour over three phones, twenty kills and three',
      'test/faults',
      { TUFA_FAULTS: 'full' },
    );
    run('100,000 requests that nobody should send', 'test/fuzz', { TUFA_FUZZED: '100000', TUFA_FUZZ_SEED: String(Date.now() % 1e9) });
  });
  const { bench } = await import('./bench/bench.mjs');
  await bench(['thousand', 'phones']);
});
