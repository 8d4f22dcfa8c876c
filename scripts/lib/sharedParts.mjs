// What several parts of the built application share, divided by who needs it. The bundler puts all of that into one file,
// which a page would fetch whole for one small thing of Now.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { runInNewContext } from 'node:vm';
import { Advice } from './run.mjs';

export const WEB = '/_expo/static/js/web/';

/** Parts that are opened together, by the name of who opens them: first what comes first. */
const OPENED = {
  now: ['GoodHours', 'KitMissing', 'JobDrawing'],
  walk: ['WalkScreen', 'fingers', 'Keypad'],
  fix: ['FixScreen', 'Keypad'],
  mix: ['MixScreen', 'Keypad'],
  day: ['DayScreen', 'StrataView', 'Keypad'],
  pour: ['PourScreen', 'Keypad'],
  record: ['RecordScreen', 'Keypad'],
  forms: ['forms'],
};

/** Other screens that a link opens, by how its address ends: what they share is fetched with the page too. */
const LINKED = {
  plan: ['PlanScreen', 'Keypad'],
  week: ['WeekScreen', 'Keypad'],
  shelf: ['ShelfScreen', 'Keypad'],
  firm: ['FirmScreen', 'Keypad'],
  jobs: ['JobsScreen', 'Keypad'],
};

/** What fewer bytes than this are left of shared by few is fetched with what most share: a request costs more. */
const LEAST = 12_000;

/** Modules of a bundled file, by their numbers, as the bundler defines them: nothing in them is run. */
function modulesOf(text) {
  const modules = new Map();
  const __d = (factory, id, deps) => modules.set(id, { text: `__d(${factory},${id},${JSON.stringify(deps)});`, deps });
  runInNewContext(text, { __d });
  return modules;
}

/** What a module reads itself, not what it fetches later. */
function readBy({ deps }) {
  if (Array.isArray(deps)) return deps;
  const { paths, ...read } = deps ?? {};
  return Object.values(read).filter((id) => !(String(id) in paths));
}

/** What of the shared modules a part needs, with all that those need. */
function needs(part, shared) {
  const found = new Set();
  const look = (id) => {
    if (found.has(id) || !shared.has(id)) return;
    found.add(id);
    readBy(shared.get(id)).forEach(look);
  };
  for (const module of part.values()) readBy(module).forEach(look);
  return found;
}

/**
 * Divides the shared file, and takes it away.
 *
 * @returns {{ needed: Record<string, string[]>, opened: Record<string, string[]> }} by a part's address what it shares, in
 *   order; by the end of a page's address all that its first screen wants
 */
export function divideShared(dist, sharedFile) {
  const folder = join(dist, WEB);
  const shared = modulesOf(readFileSync(join(folder, sharedFile), 'utf8'));
  const parts = new Map();
  for (const file of readdirSync(folder)) {
    if (file === sharedFile || !file.endsWith('.js')) continue;
    const text = readFileSync(join(folder, file), 'utf8');
    // The application and the workers are whole by themselves: they run what they define.
    if (text.startsWith('__d(') && !/^__r\(/m.test(text)) parts.set(file, needs(modulesOf(text), shared));
  }
  const fileOf = (name) => {
    const file = [...parts.keys()].find((each) => each.startsWith(`${name}-`));
    if (!file) throw new Advice(`The build has no part called ${name}: look at what is opened together in scripts/lib/sharedParts.mjs.`);
    return file;
  };
  const users = Object.entries(OPENED).map(([who, names]) => [who, new Set(names.flatMap((name) => [...parts.get(fileOf(name))]))]);
  const groups = new Map();
  const into = (name, id) => groups.set(name, [...(groups.get(name) ?? []), id]);
  for (const id of shared.keys()) {
    const who = users.filter(([, ids]) => ids.has(id)).map(([name]) => name);
    const steps = who.filter((name) => name !== 'now' && name !== 'forms');
    if (who.includes('now')) into('now', id);
    else if (steps.length > 2) into('steps', id);
    else into(steps.join('-') || who[0] || 'rest', id);
  }
  const textOf = (ids) => ids.map((id) => shared.get(id).text).join('\n');
  for (const [name, ids] of groups)
    if (!['now', 'steps', 'forms', 'rest'].includes(name) && textOf(ids).length < LEAST) {
      groups.delete(name);
      ids.forEach((id) => into('steps', id));
    }
  const groupOf = new Map();
  for (const [name, ids] of groups) {
    const text = textOf(ids);
    const file = `shared-${name}-${createHash('md5').update(text).digest('hex')}.js`;
    writeFileSync(join(folder, file), text);
    for (const id of ids) groupOf.set(id, file);
  }
  rmSync(join(folder, sharedFile));
  const order = [...groupOf.values()];
  const filesOf = (ids) => [...new Set([...ids].map((id) => groupOf.get(id)))].sort((a, b) => order.indexOf(a) - order.indexOf(b)).map((file) => WEB + file);
  const opened = Object.fromEntries(
    Object.entries({ ...OPENED, ...LINKED }).map(([who, names]) => {
      const files = names.map(fileOf);
      return [who, [...filesOf(new Set(files.flatMap((file) => [...parts.get(file)]))), ...files.map((file) => WEB + file)]];
    }),
  );
  return { needed: Object.fromEntries([...parts].filter(([, ids]) => ids.size > 0).map(([file, ids]) => [WEB + file, filesOf(ids)])), opened };
}
