import type { Reason } from './Reason';

const WORSE = { yes: 0, caution: 1, no: 2 } as const;

/** A verdict is as bad as the worst of what it stands on; nothing to say is a yes. */
export function worstOf(all: readonly Pick<Reason, 'verdict'>[]): Reason['verdict'] {
  let worst: Reason['verdict'] = 'yes';
  for (const { verdict } of all) if (WORSE[verdict] > WORSE[worst]) worst = verdict;
  return worst;
}
