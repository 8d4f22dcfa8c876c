import { CHOOSE, houseOf } from '../../choose';
import { sigmaOf } from '../../quantity';
import { isResin, movementOf } from '../../shelf';
import { crackMoves, crackReasons, orientationOf, type CrackInput } from '../../survey';
import { crackResin, crackSand, lineLength, meanWidth, TAKEOFF } from '../../takeoff';
import { vacuuming } from '../steps/preparing';
import { resinShots } from '../steps/resinShots';
import { stepOf } from '../steps/stepOf';
import { crackFilled, crackOpened, crackWay } from './crackWays';
import type { Damage } from './Damage';
import { sealedBy, sealedLayers } from './sealed';
import { ORDINARY, ordinaryAsks } from './ordinary';

/** A crack that is filled with resin, rubbed in, opened, or cut to a joint. */
export const crack: Damage<CrackInput> = {
  ...ORDINARY,
  use: 'crack',
  reinforceable: false,
  work: () => 'crackResin',
  bedded: ({ input, finding, sheet }) => crackWay({ house: houseOf(input.house), sheet, finding }) === 'bedAndCap',
  // Rubbed in as paste, or pressed into what was opened.
  tasks: (_finding, asked) => (orientationOf(asked.element.kind) === 'horizontal' ? ['brush', 'spread'] : ['hang', 'spread']),
  open: true,
  asks: (finding, site) =>
    ordinaryAsks(finding.depth.value, {
      grainRoom_m: meanWidth(finding.widths),
      moving: { of: 'crack', moves: crackMoves(finding, site), width_m: meanWidth(finding.widths), cap_m: finding.cap_m },
      rubbedIn: true,
      takesTexture: false,
    }),
  takeOff({ line, widths, profile, depth, cap_m, runaway }, learned) {
    const length_m = lineLength(line);
    const width_m = meanWidth(widths);
    const size = { profile, length_m, width_m, depth_m: depth.value, cap_m };
    return {
      area_m2: length_m * (width_m + 2 * TAKEOFF.lap_m),
      edge_m: 2 * length_m,
      volume_m3: crackResin({ ...size, ...learned }) * (1 + runaway),
      sigma: Math.max(sigmaOf(TAKEOFF.crackSpread), sigmaOf(depth.spread ?? 0)),
      rough_m2: 0,
      removed_m3: 0,
      length_m,
      more: { width_m, sand_m3: crackSand(size) },
    };
  },
  movedTo: (finding, points) => ({ ...finding, line: points }),
  verdict: crackReasons,
  filled: crackFilled,
  crown: (sheet) => (isResin(sheet) && movementOf(sheet) === 0 ? TAKEOFF.crown_m : 0),
  removing: (context) => [stepOf('step.scrape', {}), vacuuming(context)],
  filling(context) {
    const { finding, sheet, house } = context;
    const width_m = meanWidth(finding.widths);
    const way = crackWay({ house, sheet, finding });
    if (way === 'rubIn' || way === 'openGroove') return [stepOf(`step.${way}`, { least_m: CHOOSE.grains * sheet.grain_m }, { sheetId: sheet.id })];
    if (way === 'joint')
      return [
        stepOf('step.cutJoint', { least_m: sheet.thickness.least_m }),
        stepOf('step.rod', { rod_m: sealedBy(crackOpened({ sheet, finding, way }).width_m, true).rod_m ?? 0 }),
        stepOf('step.sealant', {}, { sheetId: sheet.id, condition: 'dew' }),
      ];
    const bed = way === 'bedAndCap' ? [stepOf('step.sandBed', { cap_m: finding.cap_m })] : [];
    return [...bed, ...resinShots(context, way, width_m)];
  },
  finishing: () => [],
  section({ finding, house, sheet }) {
    const method = crackWay({ house, sheet, finding });
    const opened = crackOpened({ sheet, finding, way: method });
    return { kind: 'crack', ...opened, cap_m: finding.cap_m, method, ...sealedBy(opened.width_m, method === 'joint') };
  },
  body(section) {
    const { cap_m, depth_m, method } = section;
    if (method === 'bedAndCap')
      return sealedLayers(section, [
        { code: 'cap', thickness_m: Math.min(cap_m, depth_m) },
        { code: 'bed', thickness_m: Math.max(0, depth_m - cap_m) },
      ]);
    return sealedLayers(section, [{ code: method === 'sandInResin' ? 'sanded' : 'fill', thickness_m: depth_m }]);
  },
};
