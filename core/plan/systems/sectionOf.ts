import { baseKindOf, bondOf, CHOOSE, edgeOf, houseOf, profileReached } from '../../choose';
import { MIX, textureOf } from '../../mix';
import type { Figures } from '../../quantity';
import { movementOf, isResin, type Bond, type Moisture } from '../../shelf';
import type { ElementInput } from '../../survey';
import { TAKEOFF, type CrackProfile, type SpallShape } from '../../takeoff';
import { baseMoisture } from '../steps/baseMoisture';
import type { Context } from '../input/Context';
import { liftsOf } from './chosenOf';
import { standsHigh } from '../orders/orders';
import { crackOpened, crackWay, type CrackWay } from '../steps/filledTakeOff';
import { reinforceable, riserMethod } from '../steps/stepsOf';

/** What every section shows beside its own shape. */
interface Common {
  readonly name: string;
  /** of the element, m */
  /** what carries it */
  readonly on: ElementInput['kind'];
  readonly thickness_m: number;
  readonly base: 'concrete' | 'courses' | 'other';
  readonly fill: 'mortar' | 'resin';
  readonly grain_m: number;
  readonly bond: Bond;
  readonly moisture: Moisture;
  /** surface profile that it is laid on; null for a base that has none */
  readonly csp: number | null;
  readonly crown_m: number;
  readonly overlay: { readonly name: string; readonly thickness_m: number } | null;
  /** names of what cures and coats it */
  readonly over: readonly string[];
  readonly anchors: boolean;
}

type Shaped =
  | {
      readonly kind: 'spall' | 'void';
      readonly deepest_m: number;
      readonly shape: SpallShape;
      readonly edge: 'shoulder' | 'keyed' | 'feathered';
      readonly lifts: number;
    }
  | { readonly kind: 'skim'; readonly layer_m: number; readonly texture_m: number }
  | { readonly kind: 'counter'; readonly layer_m: number; readonly drop_m: number; readonly across_m: number }
  | { readonly kind: 'wedge'; readonly run_m: number; readonly rise_m: number; readonly toe_m: number }
  | { readonly kind: 'edge'; readonly across_m: number; readonly down_m: number; readonly section: 'rectangle' | 'triangle'; readonly face: string }
  | { readonly kind: 'step'; readonly going_m: number; readonly rise_m: number; readonly face: string }
  | {
      readonly kind: 'crack';
      readonly width_m: number;
      readonly depth_m: number;
      readonly profile: CrackProfile;
      readonly cap_m: number;
      readonly method: CrackWay;
      /** of the joint it is cut to; null for what is only filled */
      readonly sealant_m: number | null;
      readonly rod_m: number | null;
    }
  | { readonly kind: 'groove'; readonly width_m: number; readonly depth_m: number; readonly sealant_m: number | null; readonly rod_m: number | null };

/** A repair as if cut through: its shape and its layers, m. */
export type SystemSection = Common & Shaped;

/** One layer of a section from the top down, as a table shows it. */
export interface SectionLayer {
  /** of its words */
  readonly code: string;
  readonly figures: Figures;
  readonly thickness_m: number | null;
}

/** A joint's sealant and the rod under it, by how wide it is. */
const jointOf = (width_m: number, gives: boolean): { sealant_m: number | null; rod_m: number | null } =>
  gives ? { sealant_m: TAKEOFF.sealantDepthShare * width_m, rod_m: TAKEOFF.rodOverJoint * width_m } : { sealant_m: null, rod_m: null };

function shapeOf({ input, element, finding, takeOff, sheet }: Context): Shaped {
  const house = houseOf(input.house);
  switch (finding.kind) {
    case 'spall':
      return {
        kind: 'spall',
        deepest_m: takeOff.deepest_m,
        shape: finding.shape,
        edge: edgeOf({ house, element, finding }),
        lifts: liftsOf({ takeOff, sheet }),
      };
    case 'void':
      return { kind: 'void', deepest_m: takeOff.deepest_m, shape: finding.shape, edge: 'feathered', lifts: liftsOf({ takeOff, sheet }) };
    case 'skim':
      return { kind: 'skim', layer_m: takeOff.deepest_m, texture_m: textureOf(Math.max(1, finding.profile)) };
    case 'counter': {
      const drop = [...finding.edges].sort((a, b) => b.down_m - a.down_m)[0];
      return { kind: 'counter', layer_m: finding.thickness.value, drop_m: drop?.down_m ?? 0, across_m: drop?.across_m ?? 0 };
    }
    case 'wedge':
      return { kind: 'wedge', run_m: finding.run.value, rise_m: finding.rise.value, toe_m: sheet.thickness.feathers ? 0 : sheet.thickness.least_m };
    case 'edge':
      return {
        kind: 'edge',
        across_m: finding.across.value,
        down_m: finding.down.value,
        section: finding.section,
        face: riserMethod(house, takeOff.deepest_m),
      };
    case 'step':
      return { kind: 'step', going_m: finding.going.value, rise_m: finding.rise.value, face: riserMethod(house, takeOff.deepest_m) };
    case 'crack': {
      const method = crackWay({ house, sheet, finding });
      const opened = crackOpened({ sheet, finding, way: method });
      return { kind: 'crack', ...opened, cap_m: finding.cap_m, method, ...jointOf(opened.width_m, method === 'joint') };
    }
    case 'groove': {
      const width_m = takeOff.more['width_m'] ?? finding.width.value;
      return { kind: 'groove', width_m, depth_m: finding.depth.value, ...jointOf(width_m, movementOf(sheet) > 0) };
    }
  }
}

/** A finding with a sheet as if cut through, with everything its treatment puts over it. */
export function sectionOf(context: Context): SystemSection {
  const { input, element, finding, takeOff, sheet, treatment } = context;
  const house = houseOf(input.house);
  const named = (id: string | undefined): string[] => input.aids?.filter((aid) => aid.id === id).map(({ name }) => name) ?? [];
  const mineral = baseKindOf(element) === 'mineral';
  const over = input.sheets.find(({ id }) => id === treatment?.overlay?.sheetId);
  const anchored = house.reinforcement === 'anchors' || (house.reinforcement === 'byDepth' && takeOff.deepest_m >= CHOOSE.reinforceFrom_m);
  return {
    name: sheet.name,
    on: element.kind,
    thickness_m: element.thickness.value,
    base: coursed(element) ? 'courses' : mineral ? 'concrete' : 'other',
    fill: isResin(sheet) ? 'resin' : 'mortar',
    grain_m: sheet.grain_m,
    bond: bondOf(house, sheet),
    moisture: baseMoisture(context),
    csp: mineral ? profileReached(house, sheet) : null,
    crown_m: finding.kind === 'crack' && isResin(sheet) && movementOf(sheet) === 0 ? TAKEOFF.crown_m : standsHigh(context) ? CHOOSE.crown_m : 0,
    overlay: over && treatment?.overlay && finding.kind === 'spall' ? { name: over.name, thickness_m: treatment.overlay.thickness_m } : null,
    over: [...named(treatment?.aids?.cure), ...named(treatment?.aids?.coat)],
    anchors: anchored && reinforceable(finding),
    ...shapeOf(context),
  };
}

const coursed = ({ material }: ElementInput): boolean => material === 'brick' || material === 'block';

/** The layers of a section from the top down. */
export function sectionLayers(section: SystemSection): SectionLayer[] {
  const layer = (code: string, thickness_m: number | null, figures: Figures = {}): SectionLayer => ({ code: `draw.layer.${code}`, figures, thickness_m });
  const { name } = section;
  return [
    ...[...section.over].reverse().map((aid) => layer('over', null, { name: aid })),
    ...(section.overlay ? [layer('overlay', section.overlay.thickness_m, { name: section.overlay.name })] : []),
    ...(section.crown_m > 0 ? [layer('crown', section.crown_m)] : []),
    ...bodyLayers(section).map(({ code, thickness_m, figures }) => layer(code, thickness_m, { name, ...figures })),
    ...(section.bond === 'slurry' || section.bond === 'scrub' ? [layer(section.bond, MIX.slurryLayer_m)] : []),
    ...(section.bond === 'agent' ? [layer('agent', null)] : []),
    ...(section.anchors ? [layer('anchors', null)] : []),
    section.csp === null
      ? layer('abraded', section.thickness_m, { wants: section.moisture })
      : layer('base', section.thickness_m, { wants: section.moisture, csp: section.csp }),
  ];
}

type Body = { readonly code: string; readonly thickness_m: number | null; readonly figures?: Figures };

function bodyLayers(section: SystemSection): Body[] {
  switch (section.kind) {
    case 'spall':
    case 'void':
      return Array.from({ length: section.lifts }, (_, i) => ({
        code: 'lift',
        thickness_m: section.deepest_m / section.lifts,
        figures: { lift: section.lifts - i },
      }));
    case 'skim':
    case 'counter':
      return [
        { code: 'fill', thickness_m: section.layer_m },
        ...(section.kind === 'counter' && section.drop_m > 0 ? [{ code: 'drop', thickness_m: section.drop_m }] : []),
      ];
    case 'wedge':
      return [{ code: 'fill', thickness_m: section.rise_m }, ...(section.toe_m > 0 ? [{ code: 'toe', thickness_m: section.toe_m }] : [])];
    case 'edge':
    case 'step':
      return [
        { code: 'fill', thickness_m: section.kind === 'edge' ? section.down_m : section.rise_m },
        { code: `face.${section.face}`, thickness_m: null },
      ];
    case 'crack':
    case 'groove':
      if (section.sealant_m !== null && section.rod_m !== null)
        return [
          { code: 'sealant', thickness_m: section.sealant_m },
          { code: 'rod', thickness_m: section.rod_m },
        ];
      if (section.kind === 'crack' && section.method === 'bedAndCap')
        return [
          { code: 'cap', thickness_m: Math.min(section.cap_m, section.depth_m) },
          { code: 'bed', thickness_m: Math.max(0, section.depth_m - section.cap_m) },
        ];
      return [{ code: section.kind === 'crack' && section.method === 'sandInResin' ? 'sanded' : 'fill', thickness_m: section.depth_m }];
  }
}
