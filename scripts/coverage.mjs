// npm run coverage: the core's tests with its branches counted; fewer than 95 in a hundred seen is a failure.
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages } from './lib/packages.mjs';
import { jest, readJson } from './lib/jest.mjs';
import { main, root, say } from './lib/run.mjs';

const BRANCHES_LEAST = 95;

/** @returns tests passed and failed; too few branches seen counts as one failed */
export async function coreWithCoverage({ env = process.env, outputFile, reporter = 'json-summary' }) {
  const folder = join(root, '.tufa/coverage');
  rmSync(folder, { recursive: true, force: true });
  const own = ['<rootDir>/**/*.ts', '!<rootDir>/**/index.ts', '!<rootDir>/testing/**', '!<rootDir>/node_modules/**', '!<rootDir>/dist/**'];
  const options = ['--coverage', ...own.map((glob) => `--collectCoverageFrom=${glob}`), `--coverageDirectory=${folder}`, '--coverageReporters=json-summary'];
  if (reporter !== 'json-summary') options.push(`--coverageReporters=${reporter}`);
  const { passed, failed } = await jest('The core, its branches counted', ['core'], { env, outputFile, options, quiet: reporter === 'json-summary' });
  const branches = readJson(join(folder, 'coverage-summary.json'))?.total.branches.pct ?? 0;
  const few = branches < BRANCHES_LEAST;
  say(`Branches of the core that its tests see: ${branches} %${few ? `, fewer than ${BRANCHES_LEAST}` : ''}`);
  return { passed, failed: failed + (few ? 1 : 0) };
}

if (process.argv[1]?.endsWith('coverage.mjs'))
  main(async () => {
    await ensurePackages();
    mkdirSync(join(root, '.tufa'), { recursive: true });
    const { passed, failed } = await coreWithCoverage({ outputFile: join(root, '.tufa/core.json'), reporter: 'text' });
    say(`${passed} passed, ${failed} failed`);
    process.exitCode = failed === 0 ? 0 : 1;
  });
