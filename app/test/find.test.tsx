import { PLAIN, say } from '@tufa/words';
import { waitFor } from '@testing-library/react';
import { TrendsView } from '../find/TrendsView';

import { page, show } from './shown';

const METRIC = { ...PLAIN, system: 'metric', currency: 'USD' } as const;

const trend = { product: 'Fine mortar', weather: 'frost', batches: 7, lost: 2, calledBack: 1, waste: 0.25, area_m2: 4, cost_minor_m2: 1000 };

test('what batches have cost is told by the hundred square feet, or by ten square metres', async () => {
  Object.assign(globalThis, { fetch: async () => ({ ok: true, status: 200, json: async () => ({ trends: [trend], waiting: 3 }) }) });
  const { unmount } = await show(<TrendsView />);
  await waitFor(() => expect(page()).toContain('Fine mortar, frost'));
  expect(page()).toContain('Batches 7, Lost 2, Waste 25 %, Material 100 sq ft for $92.90, Done again 1');
  expect(page()).toContain(say(PLAIN, 'find.waiting', { count: 3 }));
  unmount();
  await show(<TrendsView />, { speaker: METRIC });
  await waitFor(() => expect(page()).toContain('10 m² for $100,'));
});
