// The parts of the bench, on this revision or on two of them by turns.
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureCluster } from '../lib/cluster.mjs';
import { ensureEmptyApp } from '../lib/emptyApp.mjs';
import { Advice, root, say } from '../lib/run.mjs';
import { against, built, hereBuilt } from './revisions.mjs';
import { figures, isOver } from './figures.mjs';
import { keepTable } from './table.mjs';
import { pagesText, startBrowser } from './page.mjs';
import { serveFolder } from './serveFolder.mjs';

/** The order in which they are measured: first what a person meets first. */
const ORDER = [
  'first',
  'steps',
  'strata',
  'taps',
  'still',
  'saved',
  'survey',
  'bar',
  'list',
  'record',
  'shelf',
  'ranking',
  'core',
  'memory',
  'search',
  'thousand',
  'phones',
];

const NAMES = readdirSync(join(root, 'scripts/bench/parts'))
  .map((file) => file.replace(/\.mjs$/, ''))
  .sort((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b));

function asked(args) {
  const at = args.indexOf('--against');
  const revision = at < 0 ? null : args[at + 1];
  if (at >= 0 && !revision) throw new Advice('Say which revision: npm run bench -- --against REV [parts]');
  const parts = args.filter((each, i) => !each.startsWith('--') && (at < 0 || i !== at + 1));
  const unknown = parts.filter((part) => !NAMES.includes(part));
  if (unknown.length > 0) throw new Advice(`No part is called ${unknown.join(', ')}. There are: ${NAMES.join(', ')}.`);
  return { revision, parts: parts.length > 0 ? parts : NAMES, keep: args.includes('--keep') };
}

export async function bench(args) {
  const { revision, parts, keep } = asked(args);
  const here = await hereBuilt();
  const there = revision ? await built(revision) : null;
  let stand = null;
  /** What pages are measured on, made when the first part asks for it. */
  const standing = async () =>
    (stand ??= { cluster: await ensureCluster({ name: 'bench-cluster' }), empty: parts.includes('first') ? await serveFolder(ensureEmptyApp()) : null });
  try {
    const run = async (side, part, figure) => {
      const { default: measure, alone = false } = await import(`./parts/${part}.mjs`);
      const browser = await startBrowser();
      let served = null;
      try {
        if (!alone) served = await side.serve((await standing()).cluster);
        await measure({ ...side, ...served, browser, ...(stand ?? {}), emptyUrl: stand?.empty?.url, figure });
        return true;
      } catch (error) {
        say(`${part} of ${side.name} came to no end: ${error.message}\nIts pages stood at:\n${await pagesText(browser)}`);
        process.exitCode = 1;
        return false;
      } finally {
        await browser.close();
        await served?.stop();
      }
    };
    if (there) return void (await against({ here, there, parts, run }));
    const { figure, all } = figures();
    for (const part of parts) await run(here, part, figure);
    if ([...all.values()].some(isOver)) process.exitCode = 1;
    if (keep) keepTable(all, here.name);
  } finally {
    stand?.empty?.close();
    stand?.cluster.stop();
  }
}
