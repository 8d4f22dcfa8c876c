// What the server takes of memory while nobody asks it anything.
import { readFileSync } from 'node:fs';

export default async function memory({ pid, figure }) {
  const [, kB] = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
  figure('server memory at rest, MB', Number(kB) / 1024, { most: 200 });
}
