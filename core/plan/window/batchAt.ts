import type { ChosenPlan } from '../Plan';

/** A batch of a layer by its number, 1 to the last: its ticket and its window. The last may be another than the rest; an extra one is as they are. */
export const batchAt = ({ batches, last, ticket, window }: ChosenPlan, number: number): Pick<ChosenPlan, 'ticket' | 'window'> =>
  last && number === batches.count ? last : { ticket, window };
