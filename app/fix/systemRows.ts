import { bestBy, CRITERIA, type Decision, type SystemOutcome } from '@tufa/core/plan';
import { printFigure, say } from '@tufa/words';
import type { SideRow } from '../parts/ui/SideBySide';
import { whole } from './money';
import type { Speaker } from '@tufa/words/speak';

const money = (speaker: Speaker, minor: number): string => printFigure(speaker, 'c_minor', whole(minor));

/** How each criterion is printed. */
const PRINTED: Readonly<Record<(typeof CRITERIA)[number][0], (speaker: Speaker, outcome: SystemOutcome) => string>> = {
  total: (speaker, { cost }) => money(speaker, cost.total_minor),
  material: (speaker, { cost }) => money(speaker, cost.material_minor),
  labour: (speaker, { cost }) => money(speaker, cost.labour_minor),
  tools: (speaker, { cost }) => money(speaker, cost.tools_minor),
  disposal: (speaker, { cost }) => money(speaker, cost.disposal_minor),
  travel: (speaker, { cost }) => money(speaker, cost.trips_minor),
  hand: (speaker, { hand_s }) => printFigure(speaker, 't_s', hand_s),
  days: (speaker, { days }) => String(days),
  trips: (speaker, { trips }) => String(trips - 1),
  opens: (speaker, { opens_s }) => (opens_s === null ? say(speaker, 'systems.unknown') : printFigure(speaker, 't_s', opens_s)),
  chance: (speaker, { chanceLost }) => (chanceLost === null ? say(speaker, 'systems.noBatch') : printFigure(speaker, 'chance_share', chanceLost)),
  life: (speaker, { life }) =>
    say(speaker, 'systems.years', { least: String(life.years[0]), most: String(life.years[1]), class: say(speaker, `systems.life.${life.code}`) }),
  margin: (speaker, { margin_minor, price_minor }) =>
    say(speaker, 'systems.marginShare', {
      margin_minor: whole(margin_minor),
      share: price_minor > 0 ? String(Math.round((margin_minor / price_minor) * 100)) : '0',
    }),
};

/** The table of a comparison: every criterion with what is best in it, the range under the whole cost, the price above the margin. */
export function systemRows(speaker: Speaker, outcomes: readonly SystemOutcome[], decision: Decision | null): SideRow[] {
  const best = bestBy(outcomes);
  const hands = String(outcomes[0]?.hands ?? 1);
  const rows = CRITERIA.map(([name]): SideRow => ({
    key: name,
    label: say(speaker, `systems.criterion.${name}`, { hands }),
    // What decided is marked among the rest.
    ...(decision?.code === name ? { marked: true, note: say(speaker, 'systems.decides') } : {}),
    cells: outcomes.map((outcome, i) => {
      const strong = best[name].includes(i);
      const value = PRINTED[name](speaker, outcome);
      return { text: strong ? say(speaker, 'systems.best', { value }) : value, strong };
    }),
  }));
  const plain = (key: 'range' | 'price', of: (outcome: SystemOutcome) => string): SideRow => ({
    key,
    label: say(speaker, `systems.criterion.${key}`),
    cells: outcomes.map((outcome) => ({ text: of(outcome) })),
  });
  const range = plain('range', ({ total }) => say(speaker, 'systems.between', { low_minor: whole(total.p10), high_minor: whole(total.p90) }));
  const price = plain('price', ({ price_minor }) => money(speaker, price_minor));
  return [rows[0]!, range, ...rows.slice(1, -1), price, rows.at(-1)!];
}
