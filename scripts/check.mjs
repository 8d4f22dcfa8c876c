// npm run check: types, lint with the arrows and the words, format, nothing unused.
import { join } from 'node:path';
import { program, twoAtATime } from './lib/together.mjs';
import { Advice, main, root } from './lib/run.mjs';

const bin = (path) => join(root, 'node_modules', path);

/** What is checked, the longest first. */
export const CHECKS = {
  Lint: [bin('eslint/bin/eslint.js'), '.', '--max-warnings', '0', '--cache', '--cache-strategy', 'content', '--cache-location', '.tufa/eslintcache'],
  'Types of the application': [bin('ts7/bin/tsc'), '-p', 'app/tsconfig.json'],
  Types: [bin('ts7/bin/tsc'), '-p', 'tsconfig.json'],
  'Nothing unused': [bin('knip/bin/knip.js'), '--no-progress', '--no-config-hints'],
  Notices: [join(root, 'scripts/notices.mjs'), '--check'],
  Format: [bin('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '--cache', '--cache-location', '.tufa/prettiercache', '.'],
};

/** @throws Advice naming what failed; what each said has been printed */
export async function check(names = Object.keys(CHECKS)) {
  const ended = await twoAtATime(names.map((name) => () => program(name, CHECKS[name])));
  const failed = names.filter((_, i) => ended[i].status !== 0);
  if (failed.length > 0) throw new Advice(`Not in order: ${failed.join(', ')}.`);
}

if (process.argv[1]?.endsWith('check.mjs')) main(() => check());
