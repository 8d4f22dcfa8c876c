import { MIX } from '../mix/constants';
import { partsByMass } from '../mix/partsByMass';
import { Problem, type Figures } from '../quantity';
import { strengthsRise } from '../setting/strength';
import { MILESTONES, type MilestoneName, type Sheet } from './Sheet';

/** Two figures of a sheet that cannot both be right, and where they stand. */
export interface Contradiction {
  readonly field: string;
  readonly code: string;
  readonly figures: Figures;
}

/** Milestones that can only come one after another. */
const ORDER: readonly (readonly [MilestoneName, MilestoneName])[] = [
  ['initial', 'final'],
  ['holdsForm', 'strip'],
  ['final', 'foot'],
  ['foot', 'vehicles'],
];

const SLACK = 1 + 1e-9;

/** What a sheet says against itself: bands the wrong way round, a life longer than its set, parts that differ by weight and by volume. */
export function contradictions(sheet: Sheet): Contradiction[] {
  const found: Contradiction[] = [];
  const say = (field: string, code: string, figures: Figures): void => void found.push({ field, code, figures });
  const { thickness, water, flow, finish, milestones, limits, resin, parts, intervals, storage } = sheet;
  const bands: readonly (readonly [string, number, number])[] = [
    ['thickness.most_m', thickness.least_m, thickness.most_m],
    ['flow.most_s', flow.least_s, flow.most_s],
    ['finish.most_s', finish.least_s, finish.most_s],
    ['limits.airMost_C', limits.airLeast_C, limits.airMost_C],
    ['limits.slabMost_C', limits.slabLeast_C, limits.slabMost_C],
    ...(water ? [['water.most', water.least, water.most] as const] : []),
    ...(storage ? [['storage.most_C', storage.least_C, storage.most_C] as const] : []),
    ...(intervals ? [['intervals.layer.most_s', intervals.layer.least_s, intervals.layer.most_s] as const] : []),
    ...(intervals ? [['intervals.recoat.most_s', intervals.recoat.least_s, intervals.recoat.most_s] as const] : []),
    ...Object.entries(thickness.byUse ?? {}).map(([use, { least_m, most_m }]) => [`thickness.byUse.${use}.most_m`, least_m, most_m] as const),
  ];
  for (const [field, least, most] of bands) if (least > most * SLACK) say(field, 'bandReversed', { least, most });
  if (thickness.liftMost_m > thickness.most_m * SLACK) say('thickness.liftMost_m', 'liftOverWhole', { lift_m: thickness.liftMost_m, most_m: thickness.most_m });
  if (flow.most_s > finish.most_s * SLACK) say('finish.most_s', 'flowAfterFinish', { flow_s: flow.most_s, finish_s: finish.most_s });
  // Initial set is when it no longer flows, final set when no tool marks it: neither life can outlast its set.
  if (milestones.initial !== undefined && flow.most_s > milestones.initial * SLACK && sheet.class !== 'jointSealant')
    say('flow.most_s', 'lifeAfterSet', { life_s: flow.most_s, set_s: milestones.initial });
  if (milestones.final !== undefined && finish.most_s > milestones.final * SLACK)
    say('finish.most_s', 'lifeAfterSet', { life_s: finish.most_s, set_s: milestones.final });
  for (const [first, then] of ORDER) {
    const [a, b] = [milestones[first], milestones[then]];
    if (a !== undefined && b !== undefined && a > b * SLACK) say(`milestones.${then}`, 'milestonesOutOfOrder', { first, then, first_s: a, then_s: b });
  }
  for (const name of Object.keys(sheet.strengthFor) as MilestoneName[])
    if (!MILESTONES.includes(name) || milestones[name] === undefined) say(`strengthFor.${name}`, 'noMilestone', { milestone: name });
  if (!strengthsRise(sheet.strengths)) say('strengths', 'strengthsFall', { points: sheet.strengths.length });
  if (water)
    for (const [task, ratio] of Object.entries(water.byTask))
      if (ratio < water.least / SLACK || ratio > water.most * SLACK)
        say(`water.byTask.${task}`, 'waterOutside', { ratio, least: water.least, most: water.most });
  if (!water && !parts) say('water', 'neitherWaterNorParts', {});
  if (parts && resin)
    try {
      const { difference } = partsByMass({ byVolume: parts, densities_kg_m3: resin.densities_kg_m3, byMass: resin.byMass });
      if (difference > MIX.partsDiffer) say('resin.byMass', 'partsDiffer', { difference_share: difference });
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      say('resin.densities_kg_m3', error.code, error.figures);
    }
  return found;
}
