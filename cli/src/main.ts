import { readFileSync } from 'node:fs';
import { planInput } from '@tufa/contract/schemas';
import { check } from '@tufa/contract/validate';
import { computePlan, type PlanInput } from '@tufa/core/plan';
import { Problem } from '@tufa/core/quantity';
import { FORMULAS, missOf, type ReferenceEntry } from '@tufa/core/reference';
import { PLAIN, sayCoded, sayProblem } from '@tufa/words';
import { fromDemonstration, isDemonstration } from './demonstration';
import { exampleJob } from './example';

const USAGE = `tufa plan JOB.json       the computed plan of a job file, as JSON
tufa vectors FILE.json   reference values evaluated; a line for each miss
tufa example             a complete job file to start from`;

/** What was asked for is no call of this command. */
class Usage extends Error {}

const out = (text: string): void => void process.stdout.write(`${text}\n`);

function readJson(path: string | undefined): unknown {
  if (!path) throw new Usage();
  return JSON.parse(readFileSync(path, 'utf8'));
}

/** The plan of a job file, refused with the field at fault when the file is not one. */
function plan(path: string | undefined): number {
  const file = readJson(path);
  const { value, fault } = check<PlanInput>(planInput, isDemonstration(file) ? fromDemonstration(file) : file);
  if (fault) {
    process.stderr.write(`${fault.field}: ${sayCoded(PLAIN, `problem.${fault.code}`, { field: fault.field, ...fault.figures })}\n`);
    return 1;
  }
  out(JSON.stringify(computePlan(value), null, 1));
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

function main([command, path]: readonly string[]): number {
  try {
    if (command === 'plan') return plan(path);
    if (command === 'vectors') return vectors(path);
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
