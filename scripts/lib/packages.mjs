// npm packages and Debian packages, installed only when they are missing or older than what asks for them.
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Advice, root, run, say, start } from './run.mjs';

const newer = (a, b) => !existsSync(b) || statSync(a).mtimeMs > statSync(b).mtimeMs;

/** Begun, it goes on beside other set-up until it is awaited. */
export async function ensurePackages() {
  const lock = join(root, 'package-lock.json');
  if (!newer(lock, join(root, 'node_modules/.package-lock.json'))) return;
  say('Installing packages (a minute or two) ...');
  const { code } = await start('npm', ['ci', '--no-audit', '--no-fund'], { stdio: ['ignore', 'ignore', 'inherit'] }).ended;
  if (code !== 0) throw new Advice('The packages could not be installed. What npm says stands above; mend it and start again.');
}

function ensureDebian(names, present, what) {
  if (present()) return;
  const root_ = process.getuid?.() === 0;
  const sudo = !root_ && existsSync('/usr/bin/sudo');
  const command = `apt-get update && apt-get install -y --no-install-recommends ${names.join(' ')}`;
  if (!root_ && !sudo) throw new Advice(`${what} is missing and this user may not install it. Run once as root:\n  ${command}`);
  if (!existsSync('/usr/bin/apt-get')) throw new Advice(`${what} is missing and there is no apt-get here. Install ${what} and start again.`);
  say(`Installing ${what} from Debian ...`);
  const prefix = root_ ? [] : ['sudo', '-n'];
  const apt = (...args) => {
    const [first, ...rest] = [...prefix, 'apt-get', ...args];
    run(first, rest, { env: { DEBIAN_FRONTEND: 'noninteractive' }, advice: `${what} could not be installed. Run once as root:\n  ${command}` });
  };
  apt('update');
  apt('install', '-y', '--no-install-recommends', ...names);
  if (!present()) throw new Advice(`${what} is still missing after installing ${names.join(', ')}. Run once as root:\n  ${command}`);
}

/** The newest PostgreSQL's programs, or null. */
export function postgresPrograms() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const versions = readdirSync(base)
    .filter((version) => existsSync(join(base, version, 'bin/initdb')))
    .sort((a, b) => Number(b) - Number(a));
  return versions[0] ? join(base, versions[0], 'bin') : null;
}

export const ensurePostgres = () => ensureDebian(['postgresql'], () => postgresPrograms() !== null, 'PostgreSQL');
export const ensureFirefox = () => ensureDebian(['firefox-esr'], () => existsSync('/usr/bin/firefox-esr'), 'Firefox');

/** Chromium without its window and without what draws one: pages, workers, stores and pictures are the same, in three fifths of the time. */
export const CHROMIUM = '/usr/bin/chromium-headless-shell';
export const ensureChromium = () => ensureDebian(['chromium-headless-shell'], () => existsSync(CHROMIUM), 'Chromium');
