// Work side by side, a core each: what a program says is kept until it ends, so that two of them never speak at once.
import { spawn } from 'node:child_process';
import { root, say } from './run.mjs';

/**
 * Runs jobs in their order, two at a time.
 *
 * @param {readonly (() => Promise<T>)[]} jobs
 * @returns {Promise<T[]>} what each gave, in the same order
 * @template T
 */
export async function twoAtATime(jobs) {
  const results = [];
  const waiting = jobs.entries();
  const worker = async () => {
    for (const [i, job] of waiting) results[i] = await job();
  };
  await Promise.all([worker(), worker()]);
  return results;
}

/** How long each program took, s, in the order in which they ended. */
export const spent = new Map();

/**
 * Runs a Node program of this project to its end, telling how long it took.
 *
 * @returns {Promise<{ status: number, output: string }>}
 */
export function program(name, args, { env = process.env, quiet = false } = {}) {
  const begun = Date.now();
  return new Promise((done) => {
    const child = spawn(process.execPath, args, { cwd: root, env, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (output += data));
    child.once('close', (status) => {
      spent.set(name, Math.round((Date.now() - begun) / 1000));
      say(`${name}: ${spent.get(name)} s`);
      if ((!quiet || status !== 0) && output.trim() !== '') say(output.trimEnd());
      done({ status: status ?? 1, output });
    });
  });
}
