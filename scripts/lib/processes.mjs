// Who runs: a number is given to another process once its owner has ended, so a process is known by its number and its beginning.
import { mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Advice, say } from './run.mjs';

/** When a process began, in ticks since the machine did; null for one that has ended, or that nobody has collected yet. */
function beginningOf(pid) {
  try {
    const [, rest] = readFileSync(`/proc/${pid}/stat`, 'utf8').split(/\) (.*)/s);
    const fields = rest.split(' ');
    return fields[0] === 'Z' || fields[0] === 'X' ? null : fields[19];
  } catch {
    return null;
  }
}

/** How this process signs what it leaves behind. */
const signature = () => `${process.pid} ${beginningOf(process.pid)}`;

/** Whether whoever signed so still runs. */
function runs(signed) {
  const [pid, began] = signed.trim().split(' ');
  return Boolean(pid && began) && beginningOf(pid) === began;
}

/** Whether a process is the database server of a folder, and not whoever has got its number since. */
export function servesDatabase(pid, data) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').includes(data) && beginningOf(pid) !== null;
  } catch {
    return false;
  }
}

const PATIENCE_MS = 900_000;

function ageOf(file) {
  try {
    return Date.now() - statSync(file).mtimeMs;
  } catch {
    return 0;
  }
}

/** Work that two processes must not do at once in one folder: the later waits for the earlier, and takes over from one that has ended. */
export async function alone(folder, work) {
  const lock = join(folder, 'in-hand');
  const until = Date.now() + PATIENCE_MS;
  for (let told = false; ; told = true) {
    try {
      writeFileSync(lock, signature(), { flag: 'wx' });
      break;
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
      const holder = readOr(lock, '');
      // Of nobody who runs; one that says nothing is being written, or was never finished.
      if (holder === '' ? ageOf(lock) > 5000 : !runs(holder)) rmSync(lock, { force: true });
      else if (Date.now() > until) throw new Advice(`Another start has been at work in ${folder} for a quarter of an hour. End it, or remove ${lock}.`);
      else {
        if (!told) say('Another start is at work in this clone; waiting for it.');
        await new Promise((done) => setTimeout(done, 200));
      }
    }
  }
  try {
    return await work();
  } finally {
    rmSync(lock, { force: true });
  }
}

/** Who uses something in a folder. Whoever ended without a word is no user any more. */
export function usersOf(folder) {
  const users = join(folder, 'users');
  const mine = join(users, String(process.pid));
  mkdirSync(users, { recursive: true });
  const others = () =>
    readdirSync(users).filter((name) => {
      const file = join(users, name);
      if (file === mine) return false;
      if (runs(readOr(file, ''))) return true;
      rmSync(file, { force: true });
      return false;
    });
  return {
    join: () => writeFileSync(mine, signature()),
    leave: () => rmSync(mine, { force: true }),
    others,
  };
}

function readOr(file, otherwise) {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return otherwise;
  }
}
