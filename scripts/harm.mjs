// node scripts/harm.mjs CLUSTER kill|start|restart: what the tests do to a database that a process of theirs holds. Its
// server is killed as by a loss of power, started again, or restarted.
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { as, homeOf } from './lib/cluster.mjs';
import { postgresPrograms } from './lib/packages.mjs';
import { Advice, main, run } from './lib/run.mjs';

main(async () => {
  const [name, how] = process.argv.slice(2);
  const home = homeOf(name);
  const data = join(home, 'data');
  const options = `-c listen_addresses=127.0.0.1 -p ${readFileSync(join(home, 'port'), 'utf8')} -k ${home} -c timezone=UTC`;
  const control = (...args) => run(...as(join(postgresPrograms(), 'pg_ctl'), ['-D', data, '-w', '-t', '30', '-l', join(home, 'log'), ...args]), { cwd: '/' });
  if (how === 'kill') process.kill(Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL');
  else if (how === 'restart') control('-m', 'fast', '-o', options, 'restart');
  else if (how !== 'start') throw new Advice(`kill, start or restart, not ${how}.`);
  // Those that served a killed server's connections end a moment after it; until then it does not start.
  for (let tries = 0; how === 'start'; tries += 1)
    try {
      return control('-o', options, 'start');
    } catch (error) {
      if (tries > 20) throw error;
      spawnSync('sleep', ['0.2']);
    }
});
