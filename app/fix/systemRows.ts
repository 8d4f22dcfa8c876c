import { bestBy, CRITERIA, type Decision, type SystemOutcome } from '@tufa/core/plan';
import { printFigure, say } from '@tufa/words';
import type { SideRow } from '../parts/ui/SideBySide';
import { whole } from './money';

const money = (minor: number): string => printFigure('c_minor', whole(minor));

/** How each criterion is printed. */
const PRINTED: Readonly<Record<(typeof CRITERIA)[number][0], (outcome: SystemOutcome) => string>> = {
  total: ({ cost }) => money(cost.total_minor),
  material: ({ cost }) => money(cost.material_minor),
  labour: ({ cost }) => money(cost.labour_minor),
  tools: ({ cost }) => money(cost.tools_minor),
  disposal: ({ cost }) => money(cost.disposal_minor),
  travel: ({ cost }) => money(cost.trips_minor),
  hand: ({ hand_s }) => printFigure('t_s', hand_s),
  days: ({ days }) => String(days),
  trips: ({ trips }) => String(trips - 1),
  opens: ({ opens_s }) => (opens_s === null ? say('systems.unknown') : printFigure('t_s', opens_s)),
  chance: ({ chanceLost }) => (chanceLost === null ? say('systems.noBatch') : printFigure('chance_share', chanceLost)),
  life: ({ life }) => say('systems.years', { least: String(life.years[0]), most: String(life.years[1]), class: say(`systems.life.${life.code}`) }),
  margin: ({ margin_minor, price_minor }) =>
    say('systems.marginShare', { margin_minor: whole(margin_minor), share: price_minor > 0 ? String(Math.round((margin_minor / price_minor) * 100)) : '0' }),
};

/** The table of a comparison: every criterion with what is best in it, the range under the whole cost, the price above the margin. */
export function systemRows(outcomes: readonly SystemOutcome[], decision: Decision | null): SideRow[] {
  const best = bestBy(outcomes);
  const hands = String(outcomes[0]?.hands ?? 1);
  const rows = CRITERIA.map(([name]): SideRow => ({
    key: name,
    label: say(`systems.criterion.${name}`, { hands }),
    // What decided is marked among the rest.
    ...(decision?.code === name ? { marked: true, note: say('systems.decides') } : {}),
    cells: outcomes.map((outcome, i) => {
      const strong = best[name].includes(i);
      const value = PRINTED[name](outcome);
      return { text: strong ? say('systems.best', { value }) : value, strong };
    }),
  }));
  const plain = (key: 'range' | 'price', of: (outcome: SystemOutcome) => string): SideRow => ({
    key,
    label: say(`systems.criterion.${key}`),
    cells: outcomes.map((outcome) => ({ text: of(outcome) })),
  });
  const range = plain('range', ({ total }) => say('systems.between', { low_minor: whole(total.p10), high_minor: whole(total.p90) }));
  const price = plain('price', ({ price_minor }) => money(price_minor));
  return [rows[0]!, range, ...rows.slice(1, -1), price, rows.at(-1)!];
}
