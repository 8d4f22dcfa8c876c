// The unit tests of some workspaces, and what they came to.
import { readFileSync } from 'node:fs';
import { program } from './together.mjs';

export function readJson(path) {
  try {
    return JSON.parse(readFileSync(path, 'utf8'));
  } catch {
    return null;
  }
}

/** Runs projects in a process of their own. @returns tests passed and failed; a file that does not load counts as failed */
export async function jest(name, projects, { env = process.env, outputFile, options = [], quiet = true }) {
  const args = ['node_modules/jest/bin/jest.js', '--selectProjects', ...projects, ...options, '--json', `--outputFile=${outputFile}`, '--silent'];
  await program(name, args, { env, quiet });
  const results = readJson(outputFile);
  return {
    passed: results?.numPassedTests ?? 0,
    failed: (results?.numFailedTests ?? 0) + (results?.numRuntimeErrorTestSuites ?? (results ? 0 : 1)),
  };
}
