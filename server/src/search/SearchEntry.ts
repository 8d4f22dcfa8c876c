import type { FoundWhat } from '@tufa/contract/found';
import type { WeatherClass } from '@tufa/core/weather';

/** One thing as it is searched and counted. */
export interface SearchEntry {
  readonly kind: FoundWhat;
  readonly id: string;
  readonly jobId: string | null;
  readonly title: string;
  /** everything a person would remember of it, as it is read */
  readonly said: string;
  /** the same two in the other languages of the crew */
  readonly spoken: Readonly<Record<string, { readonly title: string; readonly said: string }>>;
  readonly at: Date | null;
  /** a kind of element */
  readonly place: string | null;
  /** a product's name */
  readonly product: string | null;
  readonly weather: WeatherClass | null;
  /** of a finding that was poured: whether a check said that it must be done again */
  readonly calledBack: boolean | null;
  /** of a batch: whether it was lost, what went in and what it covered */
  readonly lost: boolean | null;
  readonly mixed_kg: number | null;
  readonly area_m2: number | null;
  /** its material, minor units */
  readonly cost_minor: number | null;
}

/** A thing of which nothing is counted. */
export const UNCOUNTED = {
  spoken: {},
  place: null,
  product: null,
  weather: null,
  lost: null,
  calledBack: null,
  mixed_kg: null,
  area_m2: null,
  cost_minor: null,
} as const;
