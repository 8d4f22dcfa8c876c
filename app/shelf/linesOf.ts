import { isMaterial } from '@tufa/contract/upgradeSheet';
import { yieldOf } from '@tufa/core/plan';
import { bagOf, MILESTONES, type Aid, type Interval, type Sheet, type SheetTime, type Use } from '@tufa/core/shelf';
import { siFactor } from '@tufa/core/quantity';
import { printFigure, say, sayCoded } from '@tufa/words';
import { inUnits } from '@tufa/words/survey';
import type { Speaker } from '@tufa/words/speak';

/** One line of a sheet: a stable name to compare it by, what it is called, what it says. */
export interface SheetLine {
  readonly key: string;
  readonly label: string;
  readonly text: string;
  /** nobody read it from the bag */
  readonly assumed: boolean;
}

const span = (speaker: Speaker, name: string, least: number, most: number): string =>
  least === most
    ? printFigure(speaker, name, least)
    : say(speaker, 'shelf.range', { least: printFigure(speaker, name, least), most: printFigure(speaker, name, most) });
const time = (speaker: Speaker, { least_s, most_s }: SheetTime): string => span(speaker, 't_s', least_s, most_s);
const words = (speaker: Speaker, name: string, values: readonly string[]): string => values.map((value) => printFigure(speaker, name, value)).join(', ');
const after = (speaker: Speaker, { least_s, most_s }: Interval): string => say(speaker, 'shelf.within', { least_s, most_s });

/** A sheet as lines of what it says, in the firm's units; the same keys for the same things, so that two can be laid side by side. */
export const linesOf = (speaker: Speaker, sheet: Sheet | Aid): SheetLine[] => {
  const assumed = new Set(sheet.assumed ?? []);
  const said = isMaterial(sheet) ? materialLines(speaker, sheet) : aidLines(speaker, sheet);
  return said.flatMap(([key, label, text]) =>
    text === null || text === '' ? [] : [{ key, label: sayCoded(speaker, `shelf.${label}`), text, assumed: assumed.has(key) }],
  );
};

type Said = readonly [key: string, label: string, text: string | null];

function materialLines(speaker: Speaker, sheet: Sheet): Said[] {
  const { thickness, water, parts, limits, retarder, resin, intervals, storage, mixing, extension } = sheet;
  return [
    ['uses', 'uses', words(speaker, 'use', sheet.uses)],
    ['thickness', 'thickness', span(speaker, 'd_m', thickness.least_m, thickness.most_m)],
    ['byUse', 'thicknessUses', byUse(speaker, sheet)],
    ['lift', 'lift', printFigure(speaker, 'd_m', thickness.liftMost_m)],
    ['liftVertical', 'liftVertical', thickness.liftBy?.vertical ? printFigure(speaker, 'd_m', thickness.liftBy.vertical) : null],
    ['liftOverhead', 'liftOverhead', thickness.liftBy?.overhead ? printFigure(speaker, 'd_m', thickness.liftBy.overhead) : null],
    ['feathers', 'feather', say(speaker, thickness.feathers ? 'shelf.yes' : 'shelf.no')],
    ['grain_m', 'grain', printFigure(speaker, 'd_m', sheet.grain_m)],
    ['orientations', 'orientations', words(speaker, 'orientation', sheet.orientations)],
    ['substrates', 'substrates', words(speaker, 'substrate', sheet.substrates ?? [])],
    ['exposures', 'exposures', words(speaker, 'exposure', sheet.exposures)],
    [
      'movement',
      'movement',
      sheet.movement === undefined ? null : sheet.movement > 0 ? say(speaker, 'shelf.movementShare', { m_share: sheet.movement }) : say(speaker, 'shelf.rigid'),
    ],
    ['head_m', 'head', sheet.head_m ? printFigure(speaker, 'h_m', sheet.head_m) : null],
    ['moisture', 'moisture', printFigure(speaker, 'wants', sheet.moisture)],
    ['profile', 'profile', say(speaker, 'shelf.csp', { profile: sheet.profile })],
    ['bond', 'bond', printFigure(speaker, 'bond', sheet.bond)],
    ['water', 'water', water ? say(speaker, 'shelf.byWeight', { least: water.least, most: water.most }) : null],
    ['parts', 'parts', parts ? (parts.length > 1 ? parts.join(' : ') : say(speaker, 'shelf.onePart')) : null],
    ['resin', 'byMass', resin?.byMass ? resin.byMass.join(' : ') : null],
    ['resin', 'bottle', resin ? inUnits(speaker, 'volume', resin.bottle_m3) : null],
    ['resin', 'sandLimit', resin?.sandLimit ? say(speaker, 'shelf.toPart', { most: resin.sandLimit }) : null],
    ['stoneTo', 'stoneTo', extension?.most_m ? printFigure(speaker, 'd_m', extension.most_m) : null],
    ['latexMost', 'latexMost', sheet.latexMost ? printFigure(speaker, 'latex_share', sheet.latexMost) : null],
    ['extension', 'stone', extension ? say(speaker, 'shelf.stoneIs', { most: extension.most, d_m: extension.grain_m }) : null],
    ['mixing', 'mixing', water ? say(speaker, 'shelf.mixingIs', { t_s: mixing.time_s, count: mixing.portions }) : printFigure(speaker, 't_s', mixing.time_s)],
    [
      'yield_m3_kg',
      'yield',
      say(speaker, 'shelf.yieldIs', { volume: inUnits(speaker, 'volume', bagOf(sheet).mass_kg * yieldOf(sheet, 'spread')), m_kg: bagOf(sheet).mass_kg }),
    ],
    ['powderDensity_kg_m3', 'densities', say(speaker, 'shelf.mixed', { bulk: String(sheet.bulkDensity_kg_m3), solid: String(sheet.powderDensity_kg_m3) })],
    ['flow', 'flow', time(speaker, sheet.flow)],
    ['finish', 'finish', time(speaker, sheet.finish)],
    ['reference_C', 'reference', printFigure(speaker, 't_C', sheet.reference_C)],
    [
      'flowPoints',
      'points',
      (sheet.flowPoints ?? []).map(([t_C, t_s]) => `${printFigure(speaker, 't_C', t_C)} ${printFigure(speaker, 't_s', t_s)}`).join(', '),
    ],
    [
      'milestones',
      'milestones',
      MILESTONES.flatMap((name) =>
        sheet.milestones[name] === undefined ? [] : [say(speaker, 'shelf.milestoneAt', { milestone: name, after_s: sheet.milestones[name] })],
      ).join(', '),
    ],
    ['milestonePoints', 'milestonesAlso', alsoAt(speaker, sheet)],
    [
      'strengthFor',
      'strengthFor',
      MILESTONES.flatMap((name) =>
        sheet.strengthFor[name] === undefined ? [] : [say(speaker, 'shelf.strengthForIs', { milestone: name, s_MPa: sheet.strengthFor[name] })],
      ).join(', '),
    ],
    [
      'strengths',
      'strength',
      sheet.strengths.map(([after_s, MPa]) => `${printFigure(speaker, 't_s', after_s)} ${printFigure(speaker, 's_MPa', MPa)}`).join(', '),
    ],
    ['limits', 'limits', `${span(speaker, 't_C', limits.airLeast_C, limits.airMost_C)}; ${span(speaker, 't_C', limits.slabLeast_C, limits.slabMost_C)}`],
    ['intervals', 'interval', intervals ? after(speaker, intervals.layer) : null],
    ['intervals', 'recoat', intervals ? after(speaker, intervals.recoat) : null],
    [
      'retarder',
      'retarder',
      !water ? null : retarder.length > 1 ? retarderText(speaker, retarder, sheet.retarderUnit === 'citric') : say(speaker, 'shelf.noRetarder'),
    ],
    ['textures', 'textures', words(speaker, 'texture', sheet.textures ?? [])],
    [
      'packs',
      'packs',
      sheet.packs.map(({ mass_kg, price_minor }) => `${printFigure(speaker, 'm_kg', mass_kg)} ${printFigure(speaker, 'p_minor', price_minor)}`).join(', '),
    ],
    ['colour', 'colour', say(speaker, 'shelf.colourWetDry', { ...sheet.colour })],
    ['hazards', 'hazards', words(speaker, 'hazard', sheet.hazards)],
    ['storage', 'storage', storage ? span(speaker, 't_C', storage.least_C, storage.most_C) : null],
    ['shelfLife_days', 'keeps', say(speaker, 'shelf.keepsDays', { days: sheet.shelfLife_days, opened: sheet.opened_days ?? sheet.shelfLife_days })],
  ];
}

/** Milestones that the sheet also times at other temperatures. */
const alsoAt = (speaker: Speaker, { milestonePoints = {} }: Sheet): string =>
  MILESTONES.flatMap((milestone) =>
    (milestonePoints[milestone] ?? []).map(([t_C, after_s]) => say(speaker, 'shelf.milestoneWhen', { milestone, t_C, after_s })),
  ).join(', ');

/** Where a use has its own thickness. */
const byUse = (speaker: Speaker, { thickness }: Sheet): string =>
  (Object.entries(thickness.byUse ?? {}) as [Use, { least_m: number; most_m: number }][])
    .map(([use, { least_m, most_m }]) => `${printFigure(speaker, 'use', use)} ${span(speaker, 'd_m', least_m, most_m)}`)
    .join('; ');

/** An amount of what goes with a material, in its own unit. */
export function amountText(speaker: Speaker, unit: Aid['unit'], amount: number): string {
  if (unit === 'piece') return say(speaker, 'shelf.amountOf.piece', { count: amount });
  return unit === 'kg' ? printFigure(speaker, 'm_kg', amount) : inUnits(speaker, 'volume', amount);
}

const EACH = { us: { mass: 'lb', volume: 'gal' }, metric: { mass: 'kg', volume: 'L' } } as const;

/** What a coverage is told for, in the firm's units, and how much of SI one is. */
function eachOf(speaker: Speaker, amount: Aid['unit']): { unit: string; si: number } {
  if (amount === 'piece') return { unit: say(speaker, 'shelf.piece'), si: 1 };
  const kind = amount === 'kg' ? 'mass' : 'volume';
  const unit = EACH[speaker.system][kind];
  return { unit, si: siFactor(kind, unit) };
}

function aidLines(speaker: Speaker, aid: Aid): Said[] {
  const { coverage_m2, dose, covered, open, times, limits } = aid;
  const { unit, si } = eachOf(speaker, aid.unit);
  return [
    [
      'coverage_m2',
      'coverage',
      coverage_m2 ? say(speaker, 'shelf.coverageEach', { least_m2: coverage_m2.least_m2 * si, most_m2: coverage_m2.most_m2 * si, unit }) : null,
    ],
    ['dose', 'dose', dose ? doseText(speaker, dose) : null],
    ['covered', 'openTime', covered && open ? say(speaker, 'shelf.openTimeIs', { state: printFigure(speaker, 'covered', covered), ...open }) : null],
    ['passed', 'passed', aid.passed ? printFigure(speaker, 'passed', aid.passed) : null],
    ['film', 'film', dose ? null : aid.film ? say(speaker, 'shelf.yesWord') : say(speaker, 'shelf.no')],
    ['underWater', 'underWater', dose ? null : say(speaker, aid.underWater ? 'shelf.holds' : 'shelf.softens')],
    ['moisture', 'moisture', dose ? null : printFigure(speaker, 'wants', aid.moisture)],
    ['orientations', 'orientations', dose ? null : words(speaker, 'orientation', aid.orientations)],
    ['substrates', 'substrates', dose ? null : words(speaker, 'substrate', aid.substrates)],
    ['exposures', 'exposures', dose ? null : words(speaker, 'exposure', aid.exposures)],
    ['times', 'dryAfter', times.dry_s ? printFigure(speaker, 't_s', times.dry_s) : null],
    ['times', 'recoat', times.recoatLeast_s && times.recoatMost_s ? after(speaker, { least_s: times.recoatLeast_s, most_s: times.recoatMost_s }) : null],
    ['waits_s', 'waits', aid.waits_s > 0 ? say(speaker, 'shelf.old', { t_s: aid.waits_s }) : null],
    ['reference_C', 'reference', open || times.dry_s ? printFigure(speaker, 't_C', aid.reference_C) : null],
    [
      'limits',
      'limits',
      dose ? null : `${span(speaker, 't_C', limits.airLeast_C, limits.airMost_C)}; ${span(speaker, 't_C', limits.slabLeast_C, limits.slabMost_C)}`,
    ],
    [
      'packs',
      'packs',
      aid.packs.map(({ amount, price_minor }) => `${amountText(speaker, aid.unit, amount)} ${printFigure(speaker, 'p_minor', price_minor)}`).join(', '),
    ],
    ['colour', 'colour', say(speaker, 'shelf.colourWetDry', { ...aid.colour })],
    ['hazards', 'hazards', words(speaker, 'hazard', aid.hazards)],
    ['storage', 'storage', span(speaker, 't_C', aid.storage.least_C, aid.storage.most_C)],
    ['shelfLife_days', 'keeps', say(speaker, 'shelf.keepsDays', { days: aid.shelfLife_days, opened: aid.opened_days })],
  ];
}

/** Doses with what they do to the life: packets a bag, or citric acid by weight. */
const retarderText = (speaker: Speaker, table: Sheet['retarder'], acid: boolean): string =>
  table
    .slice(1)
    .map(([dose, factor]) =>
      acid ? say(speaker, 'shelf.dosesAcid', { dose: String(Math.round(dose * 10_000) / 10), factor }) : say(speaker, 'shelf.doses', { count: dose, factor }),
    )
    .join('; ');

function doseText(speaker: Speaker, dose: NonNullable<Aid['dose']>): string {
  if (dose.kind === 'retarder') return retarderText(speaker, dose.table, dose.per !== 'packet');
  if (dose.kind === 'fibre') return say(speaker, 'shelf.fibreDose', { least: dose.least_kg_m3, most: dose.most_kg_m3, l_m: dose.length_m });
  return say(speaker, 'shelf.colourDose', { most: dose.mostPacks });
}
