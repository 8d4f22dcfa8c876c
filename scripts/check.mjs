// npm run check: types, lint with the arrows and the words, format.
import { join } from 'node:path';
import { main, root, run, say } from './lib/run.mjs';

export function check() {
  const node = (path, ...args) => run(process.execPath, [join(root, 'node_modules', path), ...args], { show: true });
  say('Types ...');
  node('typescript/bin/tsc', '-p', 'tsconfig.json');
  node('typescript/bin/tsc', '-p', 'app/tsconfig.json');
  say('Lint ...');
  node('eslint/bin/eslint.js', '.', '--max-warnings', '0', '--cache', '--cache-location', '.tufa/eslintcache');
  say('Format ...');
  node('prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.');
}

if (process.argv[1]?.endsWith('check.mjs')) main(async () => check());
