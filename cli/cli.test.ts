import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { computePlan } from '@tufa/core/plan';
import { exampleJob } from './src/example';

const root = resolve(__dirname, '..');
const folder = mkdtempSync(join(tmpdir(), 'tufa-'));
const run = (...args: string[]) => spawnSync(process.execPath, ['scripts/tufa.mjs', ...args], { cwd: root, encoding: 'utf8', maxBuffer: 64e6 });
const file = (name: string, value: unknown): string => {
  const path = join(folder, name);
  writeFileSync(path, JSON.stringify(value));
  return path;
};

test('plan prints the plan the core computes; example prints a job file it takes', () => {
  const example = run('example');
  expect(JSON.parse(example.stdout)).toEqual(JSON.parse(JSON.stringify(exampleJob())));
  const planned = run('plan', file('job.json', exampleJob()));
  expect(planned.status).toBe(0);
  expect(JSON.parse(planned.stdout)).toEqual(JSON.parse(JSON.stringify(computePlan(exampleJob()))));
});

test('a job file with a fault is refused with its field', () => {
  const { elements, ...rest } = exampleJob();
  const bad = run('plan', file('bad.json', { ...rest, elements: elements.map((element) => ({ ...element, thickness: { value: 900, source: 'typed' } })) }));
  expect(bad.status).toBe(1);
  expect(bad.stderr).toContain('elements.0.thickness.value');
});

test('vectors counts what is within, names what misses and what it does not know', () => {
  const entry = { formula: 'rate', inputs: { temperature_C: 21, Ea_J_mol: 50000 }, value: 1, tolerance: 1e-6 };
  expect(run('vectors', file('good.json', [entry]))).toMatchObject({ status: 0, stdout: expect.stringContaining('1 within, 0 outside') });
  const mixed = run('vectors', file('mixed.json', [entry, { ...entry, value: 2 }, { ...entry, formula: 'guess' }]));
  expect(mixed.status).toBe(1);
  expect(mixed.stdout).toContain('1 within, 2 outside');
  expect(mixed.stdout).toContain('2 guess: unknown formula');
});

test('a job of the demonstration is planned as the server would seed it', () => {
  const planned = run('plan', 'demo/1-loading-dock.job.json');
  expect(planned.status).toBe(0);
  const { findings } = JSON.parse(planned.stdout) as ReturnType<typeof computePlan>;
  expect(findings).toHaveLength(4);
  expect(findings[0]?.chosen?.batches.share).toBe(0.5);
  expect(run('plan', 'demo/2-press-hall-apron.job.json').status).toBe(0);
});

test('batches holds tickets, clocks and order against each other to a gram; a file that is no job is refused with its field', () => {
  const agreed = run('batches', 'demo/1-loading-dock.job.json', file('agree.json', exampleJob()));
  expect(agreed.status).toBe(0);
  expect(agreed.stdout.trim().split('\n')).toHaveLength(2);
  expect(agreed.stdout).toMatch(/loading-dock\.job\.json +[1-9]\d* layers, at most 0\.0\d* g apart/);
  const bad = run('batches', file('bad-batches.json', { ...exampleJob(), crew: { hands: 0 } }));
  expect(bad).toMatchObject({ status: 1, stderr: expect.stringContaining('crew.') });
});

test('chances counts what is lost at the stop, a line a case', () => {
  const counted = run('chances');
  expect(counted.status).toBe(0);
  expect(
    counted.stdout
      .trim()
      .split('\n')
      .every((line) => /accepted 10\.0 %, lost \d+\.\d %/.test(line)),
  ).toBe(true);
});
