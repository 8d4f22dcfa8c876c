import type { ReasonFigures } from '@tufa/core/choose';
import type { KitCode, StepFigures } from '@tufa/core/plan';
import type { ProblemFigures } from '@tufa/core/quantity';
import type { Code, Names, Sentences } from './sentences';

/** Codes without a sentence, or whose sentence names a figure that does not come with them. */
export type Uncovered<Figures, Before extends string, Cut extends string = ''> = {
  [C in keyof Figures & string]: C extends `${Cut}${infer Rest}`
    ? `${Before}${Rest}` extends Code
      ? Exclude<Names<Sentences[`${Before}${Rest}`]>, keyof Figures[C] | 'count'> extends never
        ? never
        : [C, 'names', Exclude<Names<Sentences[`${Before}${Rest}`]>, keyof Figures[C]>]
      : [C, 'has no sentence']
    : never;
}[keyof Figures & string];

/** Compiles only while nothing is left over. */
export type None<Left extends never> = Left;

/** Every reason of the rules has its sentence; a question that stops speaks with its own words. */
export type Reasons = None<Uncovered<Omit<ReasonFigures, `stop.${string}`>, 'reason.'>>;
/** So has every step of a repair. */
export type Steps = None<Uncovered<StepFigures, 'fixStep.', 'step.'>>;
/** And everything that is loaded. */
export type Kit = None<Exclude<KitCode, Code extends infer C ? (C extends `kit.${infer Rest}` ? Rest : never) : never>>;
/** And whatever can be wrong; what cannot be read is said of its field. */
export type Problems = None<Uncovered<{ [C in keyof ProblemFigures]: ProblemFigures[C] & { readonly field: string } }, 'problem.'>>;
