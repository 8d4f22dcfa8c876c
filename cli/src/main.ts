import { readFileSync } from 'node:fs';
import { planInput } from '@tufa/contract/schemas';
import { check } from '@tufa/contract/validate';
import { instanceSchema } from '@tufa/contract/instanceSchema';
import { schedule, type Instance } from '@tufa/core/day';
import { computePlan, type PlanInput } from '@tufa/core/plan';
import { Problem } from '@tufa/core/quantity';
import {
  batchesAgree,
  CHANCE_CASES,
  chancesKept,
  FORMULAS,
  generatedJobs,
  heldAgainst,
  missOf,
  simulatedIn,
  simulatedSpalls,
  type DamageFile,
  type ReferenceEntry,
} from '@tufa/core/reference';
import { PLAIN, sayCoded, sayProblem } from '@tufa/words';
import { fromDemonstration, isDemonstration } from './demonstration';
import { exampleJob } from './example';

const USAGE = `tufa plan JOB.json       the computed plan of a job file, as JSON
tufa vectors FILE.json   reference values evaluated; a line for each miss
tufa damage [FILE.json]  volumes from depths, held against simulated damage; without a file against draws of its own
tufa batches [FILE.json ...] tickets, clocks and order held against each other; without a file on a thousand drawn jobs
tufa schedule DAY.json   a day put in order: starts, finish, or what clashes, as JSON
tufa chances             batches worked to the plan's stop, with true lives and temperatures drawn
tufa example             a complete job file to start from`;

/** What was asked for is no call of this command. */
class Usage extends Error {}

const out = (text: string): void => void process.stdout.write(`${text}\n`);

function readJson(path: string | undefined): unknown {
  if (!path) throw new Usage();
  return JSON.parse(readFileSync(path, 'utf8'));
}

/** The input of a job file, or of a job of the demonstration as it would be seeded; refused with the field at fault when it is neither. */
function jobIn(path: string | undefined): PlanInput {
  const file = readJson(path);
  const { value, fault } = check<PlanInput>(planInput, isDemonstration(file) ? fromDemonstration(file) : file);
  if (fault) throw new Error(`${fault.field}: ${sayCoded(PLAIN, `problem.${fault.code}`, { field: fault.field, ...fault.figures })}`);
  return value;
}

function plan(path: string | undefined): number {
  out(JSON.stringify(computePlan(jobIn(path)), null, 1));
  return 0;
}

/** Evaluates every entry; one line a miss, then the count. */
function vectors(path: string | undefined): number {
  const entries = readJson(path) as ReferenceEntry[];
  let within = 0;
  let worst = 0;
  for (const [i, entry] of entries.entries()) {
    if (!(entry.formula in FORMULAS)) {
      out(`${i} ${entry.formula}: unknown formula`);
      continue;
    }
    const miss = missOf(entry);
    if (Number.isFinite(miss.relative)) worst = Math.max(worst, miss.relative);
    if (miss.within) within += 1;
    else out(`${i} ${entry.formula}: ${JSON.stringify(miss.computed)} is not ${JSON.stringify(entry.value)}`);
  }
  const outside = entries.length - within;
  out(`${within} within, ${outside} outside, worst relative error ${worst.toExponential(2)}`);
  return outside === 0 ? 0 : 1;
}

/** How far volumes from readings are from the truth: median, what the range holds, how often an order at P95 is short. */
function damage(path: string | undefined): number {
  const { median, inRange, short, families } = heldAgainst(path ? simulatedIn(readJson(path) as DamageFile) : simulatedSpalls(1, 600));
  const share = (value: number): string => `${(100 * value).toFixed(1)} %`;
  out(`median of estimate over truth   ${median.toFixed(3)}`);
  for (const [family, ratio] of Object.entries(families)) out(`  ${family.padEnd(29)} ${ratio.toFixed(3)}`);
  out(`P10 to P90 holds                ${share(inRange)}`);
  out(`an order at P95 is short in     ${share(short)}`);
  return 0;
}

/** How far tickets, clocks and orders are apart, a line a job; over a gram is a failure. */
function batches(paths: readonly string[]): number {
  const jobs = paths.map((path) => ({ name: path, input: jobIn(path) }));
  const all = (jobs.length > 0 ? jobs : [{ name: 'a thousand drawn jobs', input: null }]).map(({ name, input }) => {
    const agreed = (input ? [input] : generatedJobs(1, 1000)).map(batchesAgree);
    return { name, layers: agreed.reduce((sum, { layers }) => sum + layers, 0), apart_kg: Math.max(...agreed.map(({ apart_kg }) => apart_kg)) };
  });
  for (const { name, layers, apart_kg } of all) out(`${name.padEnd(40)} ${String(layers).padStart(4)} layers, at most ${(apart_kg * 1000).toFixed(6)} g apart`);
  return all.every(({ apart_kg }) => apart_kg < 0.001) ? 0 : 1;
}

/** How many of 25,000 simulated batches a case are lost at the plan's stop, and how often the shown range of life holds. */
function chances(): number {
  const share = (value: number): string => `${(100 * value).toFixed(1)} %`;
  const cases = CHANCE_CASES.map(([name, question], i) => ({ name, ...chancesKept(question, { seed: 1 + i, draws: 25_000 }) }));
  for (const { name, told, lost, inRange } of cases) out(`${name.padEnd(36)} accepted ${share(told)}, lost ${share(lost)}, P10 to P90 holds ${share(inRange)}`);
  return cases.every(({ kept }) => kept) ? 0 : 1;
}

/** A day put in order; a day that cannot be says what clashes, and that is no failure of the command. */
function scheduled(path: string | undefined): number {
  const { value, fault } = check<Instance>(instanceSchema, readJson(path));
  if (fault) throw new Error(`${fault.field}: ${sayCoded(PLAIN, `problem.${fault.code}`, { field: fault.field, ...fault.figures })}`);
  out(JSON.stringify(schedule(value), null, 1));
  return 0;
}

function main([command, path, ...more]: readonly string[]): number {
  try {
    if (command === 'plan') return plan(path);
    if (command === 'vectors') return vectors(path);
    if (command === 'damage') return damage(path);
    if (command === 'batches') return batches(path ? [path, ...more] : []);
    if (command === 'chances') return chances();
    if (command === 'schedule') return scheduled(path);
    if (command === 'example') {
      out(JSON.stringify(exampleJob(), null, 1));
      return 0;
    }
    process.stderr.write(`${USAGE}\n`);
    return 1;
  } catch (error) {
    const sentence = error instanceof Usage ? USAGE : error instanceof Problem ? sayProblem(PLAIN, error) : (error as Error).message;
    process.stderr.write(`${sentence}\n`);
    return 1;
  }
}

process.exitCode = main(process.argv.slice(2));
