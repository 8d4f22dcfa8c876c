// Small helpers every script uses: where the clone is, saying things, running commands.
import { spawn, spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');

export const say = (text) => process.stdout.write(`${text}\n`);

/** Ends the script with a sentence that says what to do. */
export class Advice extends Error {}

/** Runs to the end; the output is shown only when it fails, or always with `show`. */
export function run(command, args, { show = false, env = {}, cwd = root, advice } = {}) {
  const result = spawnSync(command, args, { cwd, env: { ...process.env, ...env }, encoding: 'utf8', stdio: show ? 'inherit' : 'pipe', maxBuffer: 64 << 20 });
  if (result.status !== 0) {
    const said = show ? '' : `\n${result.stdout ?? ''}${result.stderr ?? ''}`;
    throw new Advice(advice ?? `${command} ${args.join(' ')} failed (${result.error?.message ?? result.status}).${said}`);
  }
  return result.stdout ?? '';
}

/** A child whose end is awaited; its signals are ours to send. */
export function start(command, args, { env = {}, cwd = root, stdio = 'inherit' } = {}) {
  const child = spawn(command, args, { cwd, env: { ...process.env, ...env }, stdio });
  const ended = new Promise((resolve) => child.once('exit', (code, signal) => resolve({ code, signal })));
  return { child, ended };
}

/** What the machine refuses, as a sentence that says what to do; null for a fault of ours. */
function adviceOf({ code, path }) {
  const where = path ?? root;
  if (code === 'EROFS')
    return `${where} cannot be written: it lies on a disk that is read-only. Clone Tufa to a place where you may write, and start it there.`;
  if (code === 'EACCES' || code === 'EPERM') return `${where} belongs to another user. Start Tufa as that user, or clone it again for yourself.`;
  if (code === 'ENOSPC') return `There is no room left for ${where}. Free some and start again.`;
  return null;
}

export function main(work) {
  work().catch((error) => {
    process.stderr.write(`${error instanceof Advice ? error.message : (adviceOf(error) ?? error.stack)}\n`);
    process.exit(1);
  });
}
