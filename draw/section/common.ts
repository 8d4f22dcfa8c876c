import type { SystemSection } from '@tufa/core/plan';
import { round, type Shape } from '../scene';
import { labelAt, OVER_LINE, type BasePaint, type LabelAt, type LabelPlace } from './frame';

/** Density of a filling's pattern, to scale with its largest grain. */
const grainOf = ({ grain_m }: Pick<SystemSection, 'grain_m'>, perMetre: number): number => round(Math.min(2.4, Math.max(0.7, (grain_m * perMetre) / 6)));

const BASES = {
  concrete: { pattern: 'aggregate' },
  courses: { pattern: 'courses' },
  // Timber, board, tile and laminate are plain.
  other: { fill: 'sunk' },
} as const satisfies Record<SystemSection['base'], BasePaint>;

/** What the base is drawn with, by what it is. */
export const basePaint = ({ base }: Pick<SystemSection, 'base'>): BasePaint => BASES[base];

/** The filling's own look, inked all round. */
export const filling = (section: Pick<SystemSection, 'fill' | 'grain_m'>, d: string, perMetre: number): Shape => ({
  type: 'path',
  d,
  pattern: section.fill,
  ...(section.fill === 'mortar' ? { grain: grainOf(section, perMetre) } : {}),
  stroke: 'ink',
  width: 2.5,
});

/** Where old and new meet: dashed as it is damp, dotted as it is dry, ochre where something is brushed between. */
export const interfaceLine = ({ bond, moisture }: Pick<SystemSection, 'bond' | 'moisture'>, d: string, small = false): Shape => ({
  type: 'path',
  d,
  stroke: bond === 'self' || bond === 'none' ? 'act' : 'caution',
  width: small ? 2 : 5,
  dash: moisture === 'dry' ? '2 6' : '7 4',
});

/** The product's name in its layer. */
export const nameLabel = ({ name }: Pick<SystemSection, 'name'>, y: number, more: LabelPlace = {}): LabelAt =>
  labelAt('draw.name', { name }, { y, size: 16, ...more });

/** How the base is left: its moisture, its profile, and what is brushed on. */
export function baseLabel({ bond, moisture, csp }: Pick<SystemSection, 'bond' | 'moisture' | 'csp'>, y: number, more: LabelPlace = {}): LabelAt {
  const bonded = bond === 'self' || bond === 'none' ? 'Is' : 'Bonded';
  const figures = { wants: moisture, is: moisture, bond };
  const at = { y, size: 15, ...more };
  return csp === null ? labelAt(`draw.abraded${bonded}`, figures, at) : labelAt(`draw.base${bonded}`, { ...figures, csp }, at);
}

/** What carries the repair, by its kind. */
export const slabLabel = ({ on, thickness_m }: Pick<SystemSection, 'on' | 'thickness_m'>, y: number): LabelAt =>
  labelAt(`draw.on.${on}`, { thickness_m }, { y, size: 15 });

/** What cures and coats it, above everything, the last on top. */
export const overLabels = ({ over }: Pick<SystemSection, 'over'>): LabelAt[] =>
  [...over].reverse().map((name, i) => labelAt('draw.overIt', { name }, { y: 16 + i * OVER_LINE, size: 14 }));

/** The thin line of a cure or coat over a face. */
export const coatLine = ({ over }: Pick<SystemSection, 'over'>, d: string): Shape[] => (over.length > 0 ? [{ type: 'path', d, stroke: 'act', width: 4 }] : []);
