import type { FirmData, RowOf } from '@tufa/contract/entities';

/** How somebody's tries of a rehearsal went, the best first. */
export const triesOf = (data: Pick<FirmData, 'rehearsal'>, person: string | undefined, scenario: string): RowOf<'rehearsal'>[] =>
  Object.values(data.rehearsal)
    .filter((row) => !row.removed && row.person === person && row.scenario === scenario)
    .sort((a, b) => a.lost / a.started - b.lost / b.started || a.wasted_s - b.wasted_s);
