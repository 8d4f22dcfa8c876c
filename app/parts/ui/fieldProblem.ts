import type { Kind, Problem } from '@tufa/core/quantity';
import { say, sayCoded } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** A core problem tied to the field it was typed in. */
export class FieldProblem extends Error {
  constructor(
    readonly field: string,
    readonly sentence: string,
  ) {
    super(sentence);
  }
}

const EXAMPLE: Partial<Record<Kind, Record<'us' | 'metric', string>>> = {
  length: { us: '8\' 4", 1 1/2 in', metric: '2.55 m, 38 mm' },
  temperature: { us: '78 F', metric: '24 C' },
  duration: { us: '6 h', metric: '6 h' },
};

/** What is wrong with a typed quantity and how to write it. */
export function sayQuantityProblem(speaker: Speaker, problem: Problem, kind: Kind): string {
  const example = EXAMPLE[kind]?.[speaker.system] ?? '';
  return sayCoded(speaker, `field.${problem.code}`, { ...problem.figures, kind: say(speaker, `field.${kind}`), example });
}
