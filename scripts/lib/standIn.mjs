// The simulated outside world as a process of its own.
import { spawn } from 'node:child_process';
import { Advice } from './run.mjs';

/** A stand-in as a process of its own: the simulated weather, or the simulated instruments. @returns it with its address */
export async function standIn(program, { of = 'weather', ...env } = {}) {
  const child = spawn(process.execPath, [program], { env: { ...process.env, ...env, TUFA_STAND_IN: of, PORT: '0' }, stdio: ['ignore', 'pipe', 'inherit'] });
  process.once('exit', () => child.kill('SIGTERM'));
  const address = await new Promise((told, failed) => {
    child.stdout.once('data', (line) => told(String(line).trim()));
    child.once('exit', () => failed(new Advice(`The simulated ${of} did not start; what it said is above.`)));
  });
  return { child, address };
}
