import { isMaterial } from '@tufa/contract/upgradeSheet';
import { yieldOf } from '@tufa/core/plan';
import { bagOf, MILESTONES, type Aid, type Interval, type Sheet, type SheetTime, type Use } from '@tufa/core/shelf';
import { siFactor } from '@tufa/core/quantity';
import { printFigure, say, unitSystem } from '@tufa/words';
import { inUnits } from '@tufa/words/survey';

/** One line of a sheet: a stable name to compare it by, what it is called, what it says. */
export interface SheetLine {
  readonly key: string;
  readonly label: string;
  readonly text: string;
  /** nobody read it from the bag */
  readonly assumed: boolean;
}

const span = (name: string, least: number, most: number): string =>
  least === most ? printFigure(name, least) : say('shelf.range', { least: printFigure(name, least), most: printFigure(name, most) });
const time = ({ least_s, most_s }: SheetTime): string => span('t_s', least_s, most_s);
const words = (name: string, values: readonly string[]): string => values.map((value) => printFigure(name, value)).join(', ');
const after = ({ least_s, most_s }: Interval): string => say('shelf.within', { least_s, most_s });

/** A sheet as lines of what it says, in the firm's units; the same keys for the same things, so that two can be laid side by side. */
export const linesOf = (sheet: Sheet | Aid): SheetLine[] => {
  const assumed = new Set(sheet.assumed ?? []);
  const said = isMaterial(sheet) ? materialLines(sheet) : aidLines(sheet);
  return said.flatMap(([key, label, text]) => (text === null || text === '' ? [] : [{ key, label: say(`shelf.${label}`), text, assumed: assumed.has(key) }]));
};

type Said = readonly [key: string, label: string, text: string | null];

function materialLines(sheet: Sheet): Said[] {
  const { thickness, water, parts, limits, retarder, resin, intervals, storage, mixing, extension } = sheet;
  return [
    ['uses', 'uses', words('use', sheet.uses)],
    ['thickness', 'thickness', span('d_m', thickness.least_m, thickness.most_m)],
    ['byUse', 'thicknessUses', byUse(sheet)],
    ['lift', 'lift', printFigure('d_m', thickness.liftMost_m)],
    ['feathers', 'feather', say(thickness.feathers ? 'shelf.yes' : 'shelf.no')],
    ['grain_m', 'grain', printFigure('d_m', sheet.grain_m)],
    ['orientations', 'orientations', words('orientation', sheet.orientations)],
    ['substrates', 'substrates', words('substrate', sheet.substrates ?? [])],
    ['exposures', 'exposures', words('exposure', sheet.exposures)],
    [
      'movement',
      'movement',
      sheet.movement === undefined ? null : sheet.movement > 0 ? say('shelf.movementShare', { m_share: sheet.movement }) : say('shelf.rigid'),
    ],
    ['head_m', 'head', sheet.head_m ? printFigure('h_m', sheet.head_m) : null],
    ['moisture', 'moisture', printFigure('wants', sheet.moisture)],
    ['profile', 'profile', say('shelf.csp', { profile: sheet.profile })],
    ['bond', 'bond', printFigure('bond', sheet.bond)],
    ['water', 'water', water ? say('shelf.byWeight', { least: water.least, most: water.most }) : null],
    ['parts', 'parts', parts ? (parts.length > 1 ? parts.join(' : ') : say('shelf.onePart')) : null],
    ['resin', 'byMass', resin?.byMass ? resin.byMass.join(' : ') : null],
    ['resin', 'bottle', resin ? inUnits('volume', resin.bottle_m3) : null],
    ['resin', 'sandLimit', resin?.sandLimit ? say('shelf.toPart', { most: resin.sandLimit }) : null],
    ['extension', 'stone', extension ? say('shelf.stoneIs', { most: extension.most, d_m: extension.grain_m }) : null],
    ['mixing', 'mixing', water ? say('shelf.mixingIs', { t_s: mixing.time_s, count: mixing.portions }) : printFigure('t_s', mixing.time_s)],
    ['yield_m3_kg', 'yield', say('shelf.yieldIs', { volume: inUnits('volume', bagOf(sheet).mass_kg * yieldOf(sheet, 'spread')), m_kg: bagOf(sheet).mass_kg })],
    ['powderDensity_kg_m3', 'densities', say('shelf.mixed', { bulk: String(sheet.bulkDensity_kg_m3), solid: String(sheet.powderDensity_kg_m3) })],
    ['flow', 'flow', time(sheet.flow)],
    ['finish', 'finish', time(sheet.finish)],
    ['reference_C', 'reference', printFigure('t_C', sheet.reference_C)],
    ['flowPoints', 'points', (sheet.flowPoints ?? []).map(([t_C, t_s]) => `${printFigure('t_C', t_C)} ${printFigure('t_s', t_s)}`).join(', ')],
    [
      'milestones',
      'milestones',
      MILESTONES.flatMap((name) =>
        sheet.milestones[name] === undefined ? [] : [say('shelf.milestoneAt', { milestone: name, after_s: sheet.milestones[name] })],
      ).join(', '),
    ],
    ['milestonePoints', 'milestonesAlso', alsoAt(sheet)],
    [
      'strengthFor',
      'strengthFor',
      MILESTONES.flatMap((name) =>
        sheet.strengthFor[name] === undefined ? [] : [say('shelf.strengthForIs', { milestone: name, s_MPa: sheet.strengthFor[name] })],
      ).join(', '),
    ],
    ['strengths', 'strength', sheet.strengths.map(([after_s, MPa]) => `${printFigure('t_s', after_s)} ${printFigure('s_MPa', MPa)}`).join(', ')],
    ['limits', 'limits', `${span('t_C', limits.airLeast_C, limits.airMost_C)}; ${span('t_C', limits.slabLeast_C, limits.slabMost_C)}`],
    ['intervals', 'interval', intervals ? after(intervals.layer) : null],
    ['intervals', 'recoat', intervals ? after(intervals.recoat) : null],
    ['retarder', 'retarder', !water ? null : retarder.length > 1 ? retarderText(retarder, sheet.retarderUnit === 'citric') : say('shelf.noRetarder')],
    ['textures', 'textures', words('texture', sheet.textures ?? [])],
    ['packs', 'packs', sheet.packs.map(({ mass_kg, price_minor }) => `${printFigure('m_kg', mass_kg)} ${printFigure('p_minor', price_minor)}`).join(', ')],
    ['colour', 'colour', say('shelf.colourWetDry', { ...sheet.colour })],
    ['hazards', 'hazards', words('hazard', sheet.hazards)],
    ['storage', 'storage', storage ? span('t_C', storage.least_C, storage.most_C) : null],
    ['shelfLife_days', 'keeps', say('shelf.keepsDays', { days: sheet.shelfLife_days, opened: sheet.opened_days ?? sheet.shelfLife_days })],
  ];
}

/** Milestones that the sheet also times at other temperatures. */
const alsoAt = ({ milestonePoints = {} }: Sheet): string =>
  MILESTONES.flatMap((milestone) => (milestonePoints[milestone] ?? []).map(([t_C, after_s]) => say('shelf.milestoneWhen', { milestone, t_C, after_s }))).join(
    ', ',
  );

/** Where a use has its own thickness. */
const byUse = ({ thickness }: Sheet): string =>
  (Object.entries(thickness.byUse ?? {}) as [Use, { least_m: number; most_m: number }][])
    .map(([use, { least_m, most_m }]) => `${printFigure('use', use)} ${span('d_m', least_m, most_m)}`)
    .join('; ');

/** An amount of what goes with a material, in its own unit. */
export function amountText(unit: Aid['unit'], amount: number): string {
  if (unit === 'piece') return say('shelf.amountOf.piece', { count: amount });
  return unit === 'kg' ? printFigure('m_kg', amount) : inUnits('volume', amount);
}

const EACH = { us: { mass: 'lb', volume: 'gal' }, metric: { mass: 'kg', volume: 'L' } } as const;

/** What a coverage is told for, in the firm's units, and how much of SI one is. */
function eachOf(amount: Aid['unit']): { unit: string; si: number } {
  if (amount === 'piece') return { unit: say('shelf.piece'), si: 1 };
  const kind = amount === 'kg' ? 'mass' : 'volume';
  const unit = EACH[unitSystem()][kind];
  return { unit, si: siFactor(kind, unit) };
}

function aidLines(aid: Aid): Said[] {
  const { coverage_m2, dose, covered, open, times, limits } = aid;
  const { unit, si } = eachOf(aid.unit);
  return [
    [
      'coverage_m2',
      'coverage',
      coverage_m2 ? say('shelf.coverageEach', { least_m2: coverage_m2.least_m2 * si, most_m2: coverage_m2.most_m2 * si, unit }) : null,
    ],
    ['dose', 'dose', dose ? doseText(dose) : null],
    ['covered', 'openTime', covered && open ? say('shelf.openTimeIs', { state: printFigure('covered', covered), ...open }) : null],
    ['passed', 'passed', aid.passed ? printFigure('passed', aid.passed) : null],
    ['film', 'film', dose ? null : aid.film ? say('shelf.yesWord') : say('shelf.no')],
    ['underWater', 'underWater', dose ? null : say(aid.underWater ? 'shelf.holds' : 'shelf.softens')],
    ['moisture', 'moisture', dose ? null : printFigure('wants', aid.moisture)],
    ['orientations', 'orientations', dose ? null : words('orientation', aid.orientations)],
    ['substrates', 'substrates', dose ? null : words('substrate', aid.substrates)],
    ['exposures', 'exposures', dose ? null : words('exposure', aid.exposures)],
    ['times', 'dryAfter', times.dry_s ? printFigure('t_s', times.dry_s) : null],
    ['times', 'recoat', times.recoatLeast_s && times.recoatMost_s ? after({ least_s: times.recoatLeast_s, most_s: times.recoatMost_s }) : null],
    ['waits_s', 'waits', aid.waits_s > 0 ? say('shelf.old', { t_s: aid.waits_s }) : null],
    ['reference_C', 'reference', open || times.dry_s ? printFigure('t_C', aid.reference_C) : null],
    ['limits', 'limits', dose ? null : `${span('t_C', limits.airLeast_C, limits.airMost_C)}; ${span('t_C', limits.slabLeast_C, limits.slabMost_C)}`],
    ['packs', 'packs', aid.packs.map(({ amount, price_minor }) => `${amountText(aid.unit, amount)} ${printFigure('p_minor', price_minor)}`).join(', ')],
    ['colour', 'colour', say('shelf.colourWetDry', { ...aid.colour })],
    ['hazards', 'hazards', words('hazard', aid.hazards)],
    ['storage', 'storage', span('t_C', aid.storage.least_C, aid.storage.most_C)],
    ['shelfLife_days', 'keeps', say('shelf.keepsDays', { days: aid.shelfLife_days, opened: aid.opened_days })],
  ];
}

/** Doses with what they do to the life: packets a bag, or citric acid by weight. */
const retarderText = (table: Sheet['retarder'], acid: boolean): string =>
  table
    .slice(1)
    .map(([dose, factor]) =>
      acid ? say('shelf.dosesAcid', { dose: String(Math.round(dose * 10_000) / 10), factor }) : say('shelf.doses', { count: dose, factor }),
    )
    .join('; ');

function doseText(dose: NonNullable<Aid['dose']>): string {
  if (dose.kind === 'retarder') return retarderText(dose.table, dose.per !== 'packet');
  if (dose.kind === 'fibre') return say('shelf.fibreDose', { least: dose.least_kg_m3, most: dose.most_kg_m3, l_m: dose.length_m });
  return say('shelf.colourDose', { most: dose.mostPacks });
}
