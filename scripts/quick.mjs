// npm run quick [-- BASE]: types, lint and the unit tests of what changed since BASE (the last commit where none is named).
// The server's tests and the interface's want a database and a browser: npm test.
import { execFileSync } from 'node:child_process';
import { ensurePackages } from './lib/packages.mjs';
import { main, root, say } from './lib/run.mjs';

const WITHOUT_DATABASE = ['core', 'draw', 'contract', 'words', 'cli', 'stand-ins', 'app'];

main(async () => {
  const begun = Date.now();
  await ensurePackages();
  const { program, twoAtATime } = await import('./lib/together.mjs');
  const { CHECKS } = await import('./check.mjs');
  const base = process.argv[2] ?? 'HEAD';
  const git = (...args) => execFileSync('git', args, { cwd: root, encoding: 'utf8' }).split('\n').filter(Boolean);
  const changed = [...git('diff', '--name-only', '--diff-filter=d', base), ...git('ls-files', '--others', '--exclude-standard')];
  const code = changed.filter((path) => /\.(tsx?|m?js)$/.test(path));
  const [lint, ...options] = CHECKS.Lint;
  const unit = ['node_modules/jest/bin/jest.js', '--selectProjects', ...WITHOUT_DATABASE, '--passWithNoTests', '--silent'];
  const ended = await twoAtATime([
    () => program('Unit tests of what changed', [...unit, '--findRelatedTests', ...code]),
    () => program('Types of the application', CHECKS['Types of the application']),
    () => program('Types', CHECKS.Types),
    ...(code.length > 0 ? [() => program('Lint', [lint, ...options.filter((option) => option !== '.'), ...code])] : []),
  ]);
  say(`${Math.round((Date.now() - begun) / 1000)} s for ${changed.length} changed files`);
  process.exitCode = ended.every(({ status }) => status === 0) ? 0 : 1;
});
