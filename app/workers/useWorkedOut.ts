import { keepPreviousData, useQuery, useQueryClient, type FetchQueryOptions, type UseQueryResult } from '@tanstack/react-query';
import type { Remote } from 'comlink';
import { WORKED_OUT } from '../outbox/queryClient';
import type { PlanWorker } from './plan.worker';
import { askBeside, askDay, askPlan } from './planWorker';

let count = 0;
const numbers = new WeakMap<object, number>();

/** A number for each thing that is asked about: what is asked of the same thing again has its answer already. */
function numberOf(thing: object): number {
  const number = numbers.get(thing) ?? (count += 1);
  numbers.set(thing, number);
  return number;
}

/**
 * What the worker makes of some things, kept while they are the same ones.
 *
 * @param name what is asked; one name, one kind of answer
 * @param by which worker: what is asked of the day's or beside it is left as soon as something else is asked
 * @param keepLast while something else is worked out the last answer stands
 * @param about the things it is worked out from, by their identity; null asks nothing
 */
export function useWorkedOut<T>(
  name: string,
  about: readonly object[] | null,
  ask: (worker: Remote<PlanWorker>) => Promise<T>,
  { keepLast = false, by = 'plan' }: { readonly keepLast?: boolean; readonly by?: 'plan' | 'day' | 'beside' } = {},
): UseQueryResult<T> {
  const asked: FetchQueryOptions<T> = {
    queryKey: [WORKED_OUT, name, ...(about ?? []).map(numberOf)],
    // Whose signal is not looked at is worked out to its end, whoever has gone meanwhile.
    queryFn: (context) => (by === 'plan' ? askPlan(ask) : (by === 'day' ? askDay : askBeside)(ask, context.signal)),
    staleTime: Infinity,
    gcTime: 300_000,
    networkMode: 'always',
    retry: false,
  };
  const client = useQueryClient();
  // The worker begins while the screen is drawn that waits for it.
  if (about !== null && by === 'plan' && !client.getQueryState(asked.queryKey)) void client.prefetchQuery(asked);
  return useQuery({ ...asked, enabled: about !== null, ...(keepLast ? { placeholderData: keepPreviousData } : {}) });
}
