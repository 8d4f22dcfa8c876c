// This revision and another, built beside each other, and measured by turns.
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { serveOn } from './largeFirm.mjs';
import { Advice, root, run, say } from '../lib/run.mjs';
import { digits, figures, limitText, percentile } from './figures.mjs';

/** How often each of two revisions is measured. */
const TURNS = 3;

const git = (...args) => run('git', args).trim();

/** What a part is handed of a revision: its files, its server's bundle, its build. */
async function sideOf(home, name) {
  const { bundle, ensureWeb } = await import(pathToFileURL(join(home, 'scripts/lib/build.mjs')).href);
  // Only what a part asks for is built: the core by itself needs neither pages nor a server.
  const serve = async (cluster) => {
    const [web, server] = [await ensureWeb(), await bundle('server')];
    return { web, server, ...(await serveOn({ cluster, name: `bench_${name}`, server, web, demo: join(home, 'demo') })) };
  };
  return { name, home, bundle, serve };
}

export const hereBuilt = () => sideOf(root, git('rev-parse', '--short', 'HEAD'));

/** Another revision in a worktree of its own under `.tufa`, with its build kept for the next time. */
export async function built(revision) {
  let name;
  try {
    name = git('rev-parse', '--short', `${revision}^{commit}`);
  } catch {
    throw new Advice(`${revision} is no revision of this clone: git log shows those that are.`);
  }
  const home = join(root, '.tufa/against', name);
  const whole = join(home, '.whole');
  if (!existsSync(whole)) {
    say(`Laying out ${name} beside this revision ...`);
    mkdirSync(join(root, '.tufa/against'), { recursive: true });
    git('worktree', 'prune');
    if (!existsSync(home)) git('worktree', 'add', '--detach', home, name);
    const same = git('rev-parse', 'HEAD:package-lock.json') === git('rev-parse', `${name}:package-lock.json`);
    // The same packages under another name of the same files; its workspaces are its own, being links beside it.
    if (same) run('cp', ['-al', join(root, 'node_modules'), home]);
    else run('npm', ['ci', '--no-audit', '--no-fund'], { cwd: home });
    writeFileSync(whole, '');
  }
  return sideOf(home, name);
}

/**
 * Each part on both revisions by turns, a line a figure: medians, their ratio, and whether it is beyond what the turns of
 * each differ by among themselves.
 */
export async function against({ here, there, parts, run: measure }) {
  say(`${'figure'.padEnd(72)} ${there.name.padStart(9)} ${here.name.padStart(9)}   ratio`);
  for (const part of parts) {
    const turns = { here: [], there: [] };
    for (let turn = 0; turn < TURNS; turn += 1)
      // Who is first changes: what the one leaves warm does not always serve the other.
      for (const side of turn % 2 ? ['here', 'there'] : ['there', 'here']) {
        const { figure, all } = figures({ quiet: true });
        if (await measure(side === 'here' ? here : there, part, figure)) turns[side].push(all);
      }
    for (const [name, { value: _, ...limit }] of turns.here[0] ?? []) {
      const [ours, theirs] = [turns.here, turns.there].map((list) => list.flatMap((all) => all.get(name)?.value ?? []));
      const [now, before] = [ours, theirs].map((values) => (values.length > 0 ? percentile(values, 0.5) : NaN));
      say(`${name.padEnd(72)} ${digits(before).padStart(9)} ${digits(now).padStart(9)}   ${verdict(ours, theirs)}${limitText(limit)}`);
    }
  }
}

/** @returns the ratio of two medians, and whether every turn of the one lies beyond every turn of the other */
function verdict(ours, theirs) {
  if (theirs.length === 0) return 'new';
  const ratio = percentile(ours, 0.5) / percentile(theirs, 0.5);
  if (!Number.isFinite(ratio)) return '';
  const apart = Math.min(...ours) > Math.max(...theirs) || Math.max(...ours) < Math.min(...theirs);
  const said = !apart || Math.abs(ratio - 1) < 0.02 ? 'within noise' : ratio > 1 ? 'MORE' : 'less';
  return `${ratio.toFixed(2)}  ${said}`;
}
