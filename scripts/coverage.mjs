// npm run coverage: the core's tests with its branches counted; fewer than 95 in a hundred seen is a failure. What was
// counted is kept in core/branches.json with a hash of the core: npm test counts again only where the core has changed.
import { createHash } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages } from './lib/packages.mjs';
import { jest, readJson } from './lib/jest.mjs';
import { main, root, say } from './lib/run.mjs';

const BRANCHES_LEAST = 95;
const KEPT = join(root, 'core/branches.json');

/** The core and its tests, whatever of it git knows or would. */
function coreHash() {
  const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', 'core'], { cwd: root, encoding: 'utf8' }).split('\n');
  const hash = createHash('sha256');
  for (const file of [...new Set(files)].filter((name) => /\.(ts|json)$/.test(name) && name !== 'core/branches.json').sort()) {
    try {
      hash.update(file).update(readFileSync(join(root, file)));
    } catch {
      // Taken away and not committed yet.
    }
  }
  return hash.digest('hex');
}

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
  if (!few && failed === 0) writeFileSync(KEPT, `${JSON.stringify({ branches, core: coreHash() }, null, 2)}\n`);
  return { passed, failed: failed + (few ? 1 : 0) };
}

/** The core's tests; its branches are counted where it is not the core that they were last counted of. */
export async function coreTests({ env, outputFile }) {
  if (readJson(KEPT)?.core !== coreHash()) return coreWithCoverage({ env, outputFile });
  return jest('The core, whose branches are counted', ['core'], { env, outputFile });
}

if (process.argv[1]?.endsWith('coverage.mjs'))
  main(async () => {
    await ensurePackages();
    mkdirSync(join(root, '.tufa'), { recursive: true });
    const { passed, failed } = await coreWithCoverage({ outputFile: join(root, '.tufa/core.json'), reporter: 'text' });
    say(`${passed} passed, ${failed} failed`);
    process.exitCode = failed === 0 ? 0 : 1;
  });
