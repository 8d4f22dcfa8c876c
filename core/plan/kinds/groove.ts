import { CHOOSE } from '../../choose';
import { isResin, movementOf } from '../../shelf';
import { depthReasons, type GrooveInput } from '../../survey';
import { crackResin, filledWidth, groovePasses, jointWidth, lineLength, TAKEOFF } from '../../takeoff';
import { vacuuming } from '../steps/preparing';
import { resinShots } from '../steps/resinShots';
import { stepOf } from '../steps/stepOf';
import { sanded } from './crackWays';
import type { Damage } from './Damage';
import { sealedBy, sealedLayers } from './sealed';
import { sigmaOfSizes } from './Taken';
import { ORDINARY, ordinaryAsks } from './ordinary';

/** A cut groove or a control joint that is filled. */
export const groove: Damage<GrooveInput> = {
  ...ORDINARY,
  use: 'joint',
  reinforceable: false,
  work: () => 'sealant',
  open: true,
  asks: ({ width, depth, moves }, site) =>
    ordinaryAsks(depth.value, {
      grainRoom_m: width.value,
      moving: { of: 'joint', width_m: width.value, moves, isJoint: site?.element.kind === 'joint' },
      takesTexture: false,
    }),
  takeOff({ line, width, depth, blade_m, moves }) {
    const length_m = lineLength(line);
    const cut = { groove_m: width.value, blade_m };
    const width_m = filledWidth(cut);
    const least_m = moves ? jointWidth({ length_m: moves.between_m, temperatureRange_K: moves.range_K, movementClass: moves.movementClass }) : 0;
    // A joint that moves is filled half as deep as it is wide, over a rod.
    const depth_m = moves ? width_m * TAKEOFF.sealantDepthShare : depth.value;
    return {
      area_m2: length_m * width_m,
      edge_m: 2 * length_m,
      volume_m3: length_m * width_m * depth_m,
      sigma: sigmaOfSizes([width, depth], TAKEOFF.dimensionSpread),
      rough_m2: 0,
      removed_m3: length_m * width_m * depth.value,
      length_m,
      more: { width_m, passes: groovePasses(cut), ...(moves ? { least_m, rod_m: TAKEOFF.rodOverJoint * width_m, sealant_m: depth_m } : {}) },
    };
  },
  movedTo: (finding, points) => ({ ...finding, line: points }),
  verdict: ({ label, depth }, { element }) => depthReasons({ element, label, deepest_m: depth.value }),
  filled({ finding, takeOff, sheet }) {
    // Rigid resin stands over it as a crown, and takes dry sand where its sheet does.
    if (!isResin(sheet) || movementOf(sheet) > 0 || finding.moves) return takeOff;
    const width_m = takeOff.more['width_m'] ?? finding.width.value;
    const full_m3 = crackResin({
      length_m: takeOff.length_m ?? 0,
      width_m,
      depth_m: finding.depth.value,
      cap_m: finding.depth.value,
      profile: 'slot',
      porosity: 0,
    });
    return sanded(takeOff, sheet, full_m3, width_m >= CHOOSE.neatUnder_m);
  },
  removing(context) {
    const { finding, takeOff } = context;
    const width_m = finding.width.value;
    const passes = groovePasses({ groove_m: width_m, blade_m: finding.blade_m });
    return [stepOf('step.scrape', {}), stepOf('step.groove', { width_m, passes, length_m: takeOff.length_m ?? 0 }), vacuuming(context)];
  },
  filling(context) {
    const { finding, sheet, takeOff } = context;
    const width_m = takeOff.more['width_m'] ?? finding.width.value;
    const length_m = takeOff.length_m ?? 0;
    if (movementOf(sheet)) {
      const { sealant_m, rod_m } = sealedBy(width_m, true);
      return [stepOf('step.rod', { rod_m: rod_m ?? 0 }), stepOf('step.sealant', {}, { sheetId: sheet.id, thickness_m: sealant_m, condition: 'dew' })];
    }
    if (!isResin(sheet)) return [stepOf('step.fillJoint', { length_m }, { sheetId: sheet.id })];
    const way = (takeOff.more['sand_kg'] ?? 0) > 0 ? 'sandInResin' : 'neat';
    return resinShots(context, way, width_m);
  },
  finishing: () => [],
  section({ finding, takeOff, sheet }) {
    const width_m = takeOff.more['width_m'] ?? finding.width.value;
    return { kind: 'groove', width_m, depth_m: finding.depth.value, ...sealedBy(width_m, movementOf(sheet) > 0) };
  },
  body: (section) => sealedLayers(section, [{ code: 'fill', thickness_m: section.depth_m }]),
};
