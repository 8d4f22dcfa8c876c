// docs/speed.md: one table of every figure, its limit, what was last measured, and on which revision.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../lib/run.mjs';
import { digits, isOver } from './figures.mjs';

const FILE = join(root, 'docs/speed.md');
const HEAD = `# Speed

What \`npm run bench -- --keep\` last measured, a row a figure: those of a part are written when that part is measured. Times are
of the machine that measured them and are compared with \`npm run bench -- --against REV\`, which measures two revisions by turns
on one machine; what is counted and not timed is held by \`npm test\` ([budgets](../budgets.json)).

| figure | limit | measured | revision | |
| --- | --- | --- | --- | --- |
`;

/** Writes figures over their older rows; the others stay. */
export function keepTable(all, revision) {
  const rows = new Map();
  if (existsSync(FILE)) for (const [, name, rest] of readFileSync(FILE, 'utf8').matchAll(/^\| (?!figure|---)(.+?) \|(.*)\|$/gm)) rows.set(name.trim(), rest);
  for (const [name, { value, most, least }] of all) {
    const limit = most !== undefined ? `at most ${digits(most)}` : least !== undefined ? `at least ${digits(least)}` : '';
    rows.set(name, ` ${limit} | ${digits(value)} | ${revision} | ${isOver({ value, most, least }) ? 'over' : ''} `);
  }
  writeFileSync(FILE, HEAD + [...rows].map(([name, rest]) => `| ${name} |${rest}|\n`).join(''));
}
