import Joi from 'joi';
import { WEATHER_CLASSES, type WeatherClass } from '@tufa/core/weather';
import { exactly } from './common';

/** What can be found. */
export const FOUND = ['job', 'finding', 'batch', 'note', 'product'] as const;
export type FoundWhat = (typeof FOUND)[number];

/** One thing that was found. */
export interface FoundEntry {
  readonly kind: FoundWhat;
  readonly id: string;
  /** null for a product */
  readonly jobId: string | null;
  readonly title: string;
  readonly said: string;
  /** when it was; null where nobody has said */
  readonly at: string | null;
}

/** By what is found may be narrowed. */
export const FACETS = ['kind', 'place', 'product', 'weather', 'year', 'lost'] as const;
export type Facet = (typeof FACETS)[number];

/** What is asked as it stands in an address: words, and to what it is narrowed. */
export type FindQuery = { readonly q: string } & Readonly<Partial<Record<Facet, string>>>;

/** The same as it is read. */
export interface FindAsked {
  readonly q: string;
  readonly kind?: FoundWhat;
  /** a kind of element */
  readonly place?: string;
  /** a product's name */
  readonly product?: string;
  readonly weather?: WeatherClass;
  readonly year?: number;
  readonly lost?: boolean;
}

/** What was found. */
export interface FoundPage {
  readonly entries: readonly FoundEntry[];
  /** of the newest that match, how many of each; `more` says that there are others beyond those that were counted */
  readonly facets: Readonly<Record<Facet, readonly { readonly value: string; readonly count: number }[]>>;
  readonly count: number;
  readonly more: boolean;
  /** words that nothing has, with those that were taken in their place */
  readonly corrected: Readonly<Record<string, readonly string[]>>;
  /** nothing had all of the words: these have some */
  readonly some: boolean;
  /** jobs whose words are still being read */
  readonly waiting: number;
}

/** What a product has cost and lost in a kind of weather. */
export interface Trend {
  readonly product: string;
  readonly weather: WeatherClass;
  readonly batches: number;
  readonly lost: number;
  /** findings of it that had to be done again */
  readonly calledBack: number;
  /** share of what was mixed that was lost */
  readonly waste: number;
  readonly area_m2: number;
  /** of its material, minor units a m2; null where no area is known */
  readonly cost_minor_m2: number | null;
}

/** The same schema behind the screen and the server. */
export const findQuery = Joi.object({
  q: Joi.string().trim().max(200).allow('').default(''),
  kind: exactly(FOUND),
  place: Joi.string().max(40),
  product: Joi.string().max(80),
  weather: exactly(WEATHER_CLASSES),
  year: Joi.number().integer().min(1970).max(2200),
  lost: Joi.boolean(),
});
