import { baseKindOf, bondOf, CHOOSE, houseOf, profileReached } from '../../choose';
import { MIX } from '../../mix';
import type { Figures } from '../../quantity';
import { isResin } from '../../shelf';
import type { ElementInput } from '../../survey';
import type { Context } from '../input/Context';
import { standsHigh } from '../orders/orders';
import { bodyOf, kindOf } from '../kinds';
import { baseMoisture } from '../steps/baseMoisture';
import type { SectionLayer, SystemSection } from './SystemSection';
import { sheetOf } from '../input/sheetOf';

/** A finding with a sheet as if cut through, with everything its treatment puts over it. */
export function sectionOf(context: Context): SystemSection {
  const { input, element, finding, takeOff, sheet, treatment } = context;
  const house = houseOf(input.house);
  const kind = kindOf(finding);
  const named = (id: string | undefined): string[] => input.aids?.filter((aid) => aid.id === id).map(({ name }) => name) ?? [];
  const mineral = baseKindOf(element) === 'mineral';
  const over = sheetOf(input, treatment?.overlay?.sheetId);
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
    crown_m: standsHigh(context) ? CHOOSE.crown_m : kind.crown(sheet),
    overlay: over && treatment?.overlay && kind.overlaid(finding) ? { name: over.name, thickness_m: treatment.overlay.thickness_m } : null,
    over: [...named(treatment?.aids?.cure), ...named(treatment?.aids?.coat)],
    anchors: anchored && kind.reinforceable,
    ...kind.section({ ...context, house }),
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
    ...bodyOf(section).map(({ code, thickness_m, figures }) => layer(code, thickness_m, { name, ...figures })),
    ...(section.bond === 'slurry' || section.bond === 'scrub' ? [layer(section.bond, MIX.slurryLayer_m)] : []),
    ...(section.bond === 'agent' ? [layer('agent', null)] : []),
    ...(section.anchors ? [layer('anchors', null)] : []),
    section.csp === null
      ? layer('abraded', section.thickness_m, { wants: section.moisture })
      : layer('base', section.thickness_m, { wants: section.moisture, csp: section.csp }),
  ];
}
