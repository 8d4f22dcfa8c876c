import { tested } from './lib/tested.mjs';
import { spawn } from 'node:child_process';
process.exit(await tested(async (env) => new Promise((done) => spawn(process.execPath, ['node_modules/jest/bin/jest.js', '--selectProjects', 'server', '--runInBand', '--testPathPattern', 'test/fuzz', '-t', 'nobody should send'], { env: { ...env, TUFA_FUZZED: '100000', TUFA_FUZZ_SEED: '77123' }, stdio: 'inherit' }).once('exit', done))));
