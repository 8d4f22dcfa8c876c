import type { first } from './first';
import type { work } from './work';

/** A plural's two sentences are one code. */
type Bare<K extends string> = K extends `${infer B}_one` | `${infer B}_other` ? B : K;
type Plural<K extends string> = K extends `${string}_one` | `${string}_other` ? '{{count}}' : '';

/** Every sentence of a table as its code and its text, a plural's with its count. */
type Pairs<T, P extends string = ''> = {
  [K in keyof T & string]: T[K] extends string ? readonly [code: `${P}${Bare<K>}`, text: `${T[K]}${Plural<K>}`] : Pairs<T[K], `${P}${K}.`>;
}[keyof T & string];

type All = Pairs<typeof first> | Pairs<typeof work>;

/** Every sentence by its code. */
export type Sentences = { [P in All as P[0]]: P[1] };

/** What can be said. */
export type Code = keyof Sentences;

/** The figures that a sentence names: `{{depth_m}} deep` names `depth_m`. */
export type Names<S> = S extends `${string}{{${infer N}}}${infer R}` ? N | Names<R> : never;

type Unit = 'm' | 'm2' | 'm3' | 'kg' | 's' | 'C' | 'K' | 'MPa' | 'minor' | 'share' | 'm2h';

/** A figure that carries its unit in its name is a number, SI; any other is a number or ready words. */
export type Figure<N extends string> = N extends `${string}_${Unit}` ? number : number | string;

/** What a sentence must be given; nothing where it names no figure. */
export type Given<C extends Code> = [Names<Sentences[C]>] extends [never]
  ? [figures?: Readonly<Record<never, never>>]
  : [figures: { readonly [N in Names<Sentences[C]>]: Figure<N> }];
