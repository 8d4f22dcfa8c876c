import { bondOf, CHOOSE, edgeOf, houseOf, profileReached, type HouseMethod } from '../choose';
import { MIX } from '../mix';

import { rate } from '../setting';
import { isResin, type Interval } from '../shelf';

import { groovePasses, meanWidth, TAKEOFF } from '../takeoff';
import type { Context } from './Context';
import { standsHigh } from './orders';
import type { RepairStep } from './Plan';
import { PLAN } from './constants';
import type { WindowAnswer } from './windowFor';

type Step = Partial<RepairStep> & Pick<RepairStep, 'code'>;

const whole = ({ code, figures = {}, sheetId = null, thickness_m = null, after = null, condition = null }: Step): RepairStep => ({
  code,
  figures,
  sheetId,
  thickness_m,
  after,
  condition,
});

/** How a crack is filled: by its width, or by the firm's school. */
export function crackMethod({ cracks }: HouseMethod, width_m: number): Exclude<HouseMethod['cracks'], 'byWidth'> {
  if (cracks !== 'byWidth') return cracks;
  if (width_m < CHOOSE.neatUnder_m) return 'neat';
  return width_m <= CHOOSE.sandedTo_m ? 'sandInResin' : 'bedAndCap';
}

/** How a riser's face is made: by its depth, or by the firm's school. */
export function riserMethod({ riserFace }: HouseMethod, depth_m: number): Exclude<HouseMethod['riserFace'], 'byDepth'> {
  if (riserFace !== 'byDepth') return riserFace;
  if (depth_m < CHOOSE.skimUnder_m) return 'skimmed';
  return depth_m <= CHOOSE.trowelTo_m ? 'trowelHeld' : 'formed';
}

/** What is taken away and what is left behind of it. */
function removing({ finding, takeOff, sheet, house }: Full): Step[] {
  const csp = profileReached(house, sheet);
  const prepare: Step = { code: `step.prepare.${house.preparation}`, figures: { csp, asked: sheet.profile, area_m2: takeOff.rough_m2 || takeOff.area_m2 } };
  switch (finding.kind) {
    case 'crack':
    case 'groove':
      return [{ code: 'step.scrape' }, { code: 'step.vacuum' }];
    case 'skim':
    case 'counter':
      return [prepare, { code: 'step.vacuum' }];
    case 'void':
      return [{ code: 'step.loose' }];
    default:
      return [
        { code: 'step.breakOut', figures: { depth_m: takeOff.deepest_m, area_m2: takeOff.area_m2, mass_kg: takeOff.debris?.mass_kg ?? 0 } },
        prepare,
        { code: 'step.vacuum' },
      ];
  }
}

function edging({ element, finding, takeOff, sheet, house }: Full): Step[] {
  if (finding.kind === 'wedge') return sheet.thickness.feathers ? [] : [{ code: 'step.cutToe', figures: { least_m: sheet.thickness.least_m } }];
  if (finding.kind !== 'spall') return [];
  const edge = edgeOf({ house, element, finding });
  if (edge === 'shoulder')
    return [{ code: 'step.shoulder', figures: { depth_m: Math.max(sheet.thickness.least_m, CHOOSE.shoulderFrom_m), length_m: takeOff.perimeter_m } }];
  return edge === 'keyed' ? [{ code: 'step.keyed', figures: { length_m: takeOff.perimeter_m } }] : [{ code: 'step.feather' }];
}

function wetting({ element, sheet, house, window }: Full): Step[] {
  if (isResin(sheet) || sheet.moisture === 'dry') return [{ code: 'step.dry', condition: 'dew' }];
  if (sheet.moisture === 'wet') return [];
  if (house.moisture === 'dry') return [{ code: 'step.leftDry', condition: 'school' }];
  const wall = element.kind === 'wall' || element.kind === 'soffit';
  const hot = window.question.slab_C >= CHOOSE.hotWall_C;
  if ((house.moisture === 'dampWhenHot' || (house.moisture === 'byProduct' && wall)) && !hot) return [{ code: 'step.dustDamp' }];
  return [{ code: 'step.soak', figures: { soak_s: PLAN.soak_s, slab_C: window.question.slab_C } }];
}

function reinforcing({ finding, element, takeOff, house }: Full): Step[] {
  if (finding.kind === 'crack' || finding.kind === 'groove' || finding.kind === 'skim') return [];
  const deep = takeOff.deepest_m >= CHOOSE.reinforceFrom_m;
  if (house.reinforcement === 'none' || (house.reinforcement === 'byDepth' && !deep)) return [];
  if (house.reinforcement === 'fibre') return [{ code: 'step.fibre' }];
  const carries = finding.kind === 'edge' || finding.kind === 'step' || element.exposures.includes('wheels');
  return [{ code: carries ? 'step.anchorsAsk' : 'step.anchors', figures: { depth_m: takeOff.deepest_m }, condition: 'licensed' }];
}

function bonding({ sheet, house }: Full): Step[] {
  const bond = bondOf(house, sheet);
  if (bond === 'scrub') return [{ code: 'step.bond.scrub', sheetId: sheet.id, thickness_m: MIX.slurryLayer_m, condition: 'coverWet' }];
  if (bond === 'slurry') return [{ code: 'step.bond.slurry', thickness_m: MIX.slurryLayer_m, condition: 'coverWet' }];
  return bond === 'agent' ? [{ code: 'step.bond.agent', condition: 'coverTacky' }] : [];
}

/** By weight, or in vessels by the loose powder's density. */
const measuring = ({ sheet, house }: Full): Step[] =>
  sheet.water
    ? [{ code: `step.measure.${house.measuring}`, figures: { bulk_kg_m3: sheet.bulkDensity_kg_m3 } }]
    : [{ code: 'step.measure.parts', figures: { parts: (sheet.parts ?? []).join(' : ') } }];

/** An interval of the sheet at the slab's temperature. */
const atSlab = ({ sheet, window }: Full, interval: Interval | { readonly least_s: number; readonly most_s: null } | undefined): RepairStep['after'] => {
  if (!interval) return null;
  const k = rate({ temperature_C: window.question.slab_C, Ea_J_mol: window.basis.course.Ea_J_mol, reference_C: sheet.reference_C });
  return { least_s: interval.least_s / k, most_s: interval.most_s === null ? null : interval.most_s / k };
};

function lines(full: Full): Step[] | null {
  const { finding, element, sheet, house, takeOff } = full;
  if (finding.kind === 'groove') {
    const width_m = finding.width.value;
    if (!(sheet.movement ?? 0)) return [{ code: 'step.fillJoint', sheetId: sheet.id, figures: { length_m: takeOff.length_m ?? 0 } }];
    return [
      { code: 'step.groove', figures: { width_m, passes: groovePasses({ groove_m: width_m, blade_m: finding.blade_m }) } },
      { code: 'step.rod', figures: { rod_m: TAKEOFF.rodOverJoint * width_m } },
      { code: 'step.sealant', sheetId: sheet.id, thickness_m: TAKEOFF.sealantDepthShare * width_m, condition: 'dew' },
    ];
  }
  if (finding.kind !== 'crack') return null;
  const width_m = meanWidth(finding.widths);
  if (sheet.water) {
    const rub = house.renderCracks === 'rub' || (house.renderCracks === 'byGrain' && width_m < CHOOSE.grains * sheet.grain_m && finding.moves !== 'yes');
    return [{ code: rub ? 'step.rubIn' : 'step.openGroove', figures: { least_m: CHOOSE.grains * sheet.grain_m }, sheetId: sheet.id }];
  }
  if ((sheet.movement ?? 0) > 0)
    return [
      { code: 'step.cutJoint', figures: { least_m: sheet.thickness.least_m } },
      { code: 'step.sealant', sheetId: sheet.id },
    ];
  const method = crackMethod(house, width_m);
  const low = element.marks?.some(({ what }) => what === 'fall') ?? false;
  return [
    ...(low ? [{ code: 'step.dam' }] : []),
    ...(method === 'bedAndCap' ? [{ code: 'step.sandBed', figures: { cap_m: finding.cap_m } }] : []),
    { code: `step.crack.${method}`, sheetId: sheet.id, figures: { width_m, crown_m: TAKEOFF.crown_m } },
    {
      code: 'step.grindFlush',
      after: atSlab(full, { least_s: sheet.milestones.grind ?? sheet.milestones.final ?? 0, most_s: null }),
      condition: 'scratch',
    },
  ];
}

function filling(full: Full): Step[] {
  const { finding, takeOff, sheet, lifts, house } = full;
  const line = lines(full);
  if (line) return line;
  const each: Step[] = Array.from({ length: lifts }, (_, i) => ({
    code: finding.kind === 'skim' ? 'step.spread' : finding.kind === 'void' ? 'step.pressIn' : 'step.lift',
    sheetId: sheet.id,
    thickness_m: takeOff.deepest_m / lifts,
    figures: { lift: i + 1, lifts },
    after: i === 0 ? null : atSlab(full, sheet.intervals?.layer),
    ...(i === 0 ? {} : { condition: 'wetEdge' }),
  }));
  if (finding.kind !== 'step' && finding.kind !== 'edge') return each;
  const face = riserMethod(house, takeOff.deepest_m);
  return [{ code: `step.riser.${face}` }, ...each, ...(finding.kind === 'step' ? [{ code: `step.order.${house.stepOrder}` }] : [])];
}

function finishing(full: Full): Step[] {
  const { input, finding, takeOff, sheet } = full;
  if (finding.kind === 'crack' || finding.kind === 'groove') return [];
  const high = standsHigh(input, takeOff, sheet) && finding.kind !== 'skim' && finding.kind !== 'counter';
  const rub = sheet.milestones.grind ?? sheet.milestones.final;
  return [
    { code: sheet.textures?.[0] ? 'step.texture' : 'step.finish', figures: { texture: sheet.textures?.[0] ?? '' } },
    ...(high && rub
      ? [
          {
            code: 'step.rubFlush',
            figures: { crown_m: CHOOSE.crown_m },
            after: atSlab(full, { least_s: rub, most_s: null }),
            condition: 'scratch',
          },
        ]
      : []),
    ...(sheet.water && finding.kind !== 'void' ? [{ code: 'step.cure', condition: 'afterSet' }] : []),
    ...(sheet.milestones.coat ? [{ code: 'step.coat', after: atSlab(full, sheet.intervals?.recoat), condition: 'dryFace' }] : []),
  ];
}

interface Full extends Context {
  readonly lifts: number;
  readonly window: WindowAnswer;
  readonly house: HouseMethod;
}

/**
 * A repair as it is done, step by step: what is removed and to what profile, edge, moisture, reinforcement, bond, layers,
 * finish, cure and coat, each by the sheet and by the firm's own schools. Times are at the slab's temperature.
 */
export function stepsOf(context: Context & { readonly lifts: number; readonly window: WindowAnswer }): RepairStep[] {
  const full: Full = { ...context, house: houseOf(context.input.house) };
  return [
    ...removing(full),
    ...edging(full),
    ...wetting(full),
    ...reinforcing(full),
    ...bonding(full),
    ...measuring(full),
    ...filling(full),
    ...finishing(full),
  ].map(whole);
}
