import { hostname, networkInterfaces } from 'node:os';
import type { Names } from './authority';

/** The numbers and names under which this machine is reached from beside it. */
export function reachedAs(): Names {
  const addresses = Object.values(networkInterfaces()).flatMap((found = []) =>
    found.flatMap(({ family, internal, address }) => (family === 'IPv4' && !internal ? [address] : [])),
  );
  const name = hostname()
    .toLowerCase()
    .split('.')[0]!
    .replace(/[^a-z0-9-]/g, '');
  return { addresses, names: name === '' ? [] : [`${name}.local`] };
}
