import { ceilingOf } from '../../quantity';
import type { ChosenPlan, FindingPlan } from '../Plan';
import { stepsWith } from '../steps/RepairStep';
import { mixedOf } from '../systems/mixedOf';
import type { TicketLine } from '../window/ticket';

/** What is bought beside products and aids. */
export const EXTRAS = ['stone', 'sand', 'fibre', 'retarder', 'citric', 'colour', 'cement', 'latex', 'rod', 'tape', 'bottles', 'release'] as const;
export type ExtraCode = (typeof EXTRAS)[number];

/** So much of one of them for the whole job, in what its amount's name says. */
export type Extra = { readonly code: ExtraCode } & (
  { readonly mass_kg: number } | { readonly length_m: number } | { readonly area_m2: number } | { readonly count: number }
);

/** What a line of all of a layer's tickets comes to. */
const ofTickets = ({ batches: { count }, ticket, last }: ChosenPlan, of: (line: TicketLine) => number): number => {
  const sum = (lines: readonly TicketLine[]): number => lines.reduce((total, line) => total + of(line), 0);
  return sum(ticket.lines) * (last ? count - 1 : count) + (last ? sum(last.ticket.lines) : 0);
};

/** What the steps and the tickets of a job want beside its products and aids: what is refused wants nothing. */
export function extrasOf(findings: readonly FindingPlan[]): Extra[] {
  const all = findings.flatMap(({ chosen, takeOff }) => (chosen && chosen.refused.length === 0 ? mixedOf(chosen).map((layer) => ({ layer, takeOff })) : []));
  const sum = (of: (part: (typeof all)[number]) => number): number => all.reduce((total, part) => total + of(part), 0);
  const along = ({ takeOff }: (typeof all)[number]): number => takeOff.length_m ?? takeOff.more['width_m'] ?? takeOff.perimeter_m / 2;
  const has = ({ layer }: (typeof all)[number], ...codes: Parameters<typeof stepsWith>[1][]): boolean => stepsWith(layer.steps, ...codes).length > 0;
  const kg = (code: ExtraCode, mass_kg: number): Extra[] => (mass_kg > 0 ? [{ code, mass_kg }] : []);
  const pieces = (code: ExtraCode, count: number): Extra[] => (count > 0 ? [{ code, count: ceilingOf(count) }] : []);
  const metres = (code: ExtraCode, length_m: number): Extra[] => (length_m > 0 ? [{ code, length_m }] : []);
  const line = (code: TicketLine['code'], of: (line: TicketLine) => number): number =>
    sum(({ layer }) => ofTickets(layer, (each) => (each.code === code ? of(each) : 0)));
  const massOf = (each: TicketLine): number => ('mass_kg' in each ? each.mass_kg : 0);
  const release_m2 = sum((part) => (has(part, 'step.form.set', 'step.riser.formed', 'step.release') ? part.takeOff.area_m2 : 0));
  return [
    ...kg('stone', line('stone', massOf)),
    ...kg(
      'sand',
      sum(({ layer }) => layer.sand_kg ?? 0),
    ),
    ...pieces(
      'fibre',
      sum(({ layer }) => layer.fibre?.bags ?? 0),
    ),
    ...pieces(
      'retarder',
      line('retarder', (each) => ('packets' in each ? each.packets : 0)),
    ),
    ...kg('citric', line('citric', massOf)),
    ...pieces(
      'colour',
      line('colour', (each) => ('packs' in each ? each.packs : 0)),
    ),
    ...kg(
      'cement',
      sum(({ layer }) => layer.slurry?.cement_kg ?? 0),
    ),
    ...kg('latex', sum(({ layer }) => layer.slurry?.latex_kg ?? 0) + line('latex', massOf)),
    ...metres(
      'rod',
      sum((part) => (has(part, 'step.rod', 'step.jointOpen', 'step.jointRod', 'step.jointRodOf') ? along(part) : 0)),
    ),
    ...metres(
      'tape',
      sum((part) => (has(part, 'step.sealant') ? 2 * along(part) : 0)),
    ),
    ...pieces(
      'bottles',
      sum(({ layer }) => layer.shots?.count ?? 0),
    ),
    ...(release_m2 > 0 ? [{ code: 'release' as const, area_m2: release_m2 }] : []),
  ];
}
