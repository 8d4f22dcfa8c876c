import type { CounterInput } from '../../survey';
import { counterArea, cutList, extent, prismVolume, roundedOutline, seamsOf, TAKEOFF } from '../../takeoff';
import { atSlab } from '../steps/atSlab';
import { facing } from '../steps/facing';
import { lifting } from '../steps/lifting';
import { preparing } from '../steps/preparing';
import { stepOf } from '../steps/stepOf';
import type { Damage } from './Damage';
import { sigmaOfSizes } from './Taken';
import { ORDINARY, ordinaryAsks } from './ordinary';

/** Shorter than this no strip is cut, m. */
const STRIP_LEAST_M = 0.005;

/** A countertop cast or overlaid. */
export const counter: Damage<CounterInput> = {
  ...ORDINARY,
  use: 'counter',
  wetEdge: true,
  work: () => 'overlay',
  tasks: () => ['pour', 'spread'],
  covers: true,
  reinforceable: false,
  asks: ({ thickness: { value: deepest_m } }) => ordinaryAsks(deepest_m),
  takeOff({ outline, cutouts_m2, edges, stock_m, kerf_m, thickness, radii = [], splash, holes = [], cast }) {
    const thickness_m = thickness.value;
    const { sides_m, curves_m, lost_m2 } = roundedOutline({ outline, radii });
    const splash_m = splash ? splash.lengths_m.reduce((sum, length_m) => sum + length_m, 0) : 0;
    const splash_m3 = splash ? splash_m * splash.height_m * splash.thick_m : 0;
    const edges_m3 = edges.reduce((sum, edge) => sum + prismVolume({ section: 'rectangle', ...edge }), 0);
    // A rounded corner is cut out as a sink is; an inner one that is filled gives back.
    const area_m2 = counterArea({ outline, cutouts_m2 }) - lost_m2;
    const volume_m3 = area_m2 * thickness_m + edges_m3 + splash_m3;
    const mass_kg = volume_m3 * TAKEOFF.fresh_kg_m3;
    const top_kg = mass_kg - splash_m3 * TAKEOFF.fresh_kg_m3;
    // What is laid over an old top stays where it is: only what is cast is carried.
    const seams = cast ? seamsOf({ outline, holes, mass_kg: top_kg, carry_kg: TAKEOFF.twoCarry_kg }) : null;
    const { width_m, length_m } = extent(outline);
    // A side longer than its stock is spliced: whole stocks and what is left. A seam is a strip across; a splash is cast flat in a form of its own.
    const along_m = [
      ...sides_m,
      ...(seams ? seams.at_m.map(() => Math.min(length_m, width_m)) : []),
      ...(splash && cast ? splash.lengths_m.flatMap((side_m) => [side_m, side_m, splash.height_m, splash.height_m]) : []),
    ].filter((side_m) => side_m >= STRIP_LEAST_M);
    const parts_m = along_m.flatMap((side) => [
      ...Array.from({ length: Math.floor(side / stock_m - 1e-9) }, () => stock_m),
      side - Math.floor(side / stock_m - 1e-9) * stock_m,
    ]);
    return {
      area_m2,
      edge_m: sides_m.reduce((sum, side_m) => sum + side_m, 0) + curves_m.reduce((sum, curve_m) => sum + curve_m, 0),
      volume_m3,
      sigma: sigmaOfSizes([thickness], TAKEOFF.dimensionSpread),
      rough_m2: 0,
      removed_m3: 0,
      more: {
        mass_kg,
        perArea_kg_m2: mass_kg / area_m2,
        perLength_kg_m: mass_kg / Math.max(...sides_m),
        edges_m3,
        stock_m,
        kerf_m,
        flexible_m: curves_m.reduce((sum, curve_m) => sum + curve_m, 0),
        curves: curves_m.length,
        pieces: (seams?.pieces ?? 1) + (splash?.lengths_m.length ?? 0),
        heaviest_kg: seams?.heaviest_kg ?? top_kg,
        ...(seams?.at_m[0] === undefined ? {} : { seam_m: seams.at_m[0] }),
      },
      strips: cutList({ parts_m, stock_m, kerf_m }).stocks.map((stock) => stock.map((piece) => parts_m[piece]!)),
    };
  },
  movedTo: (finding, points) => ({ ...finding, outline: points }),
  // Its weight is new to what stands there: nobody but somebody competent says that it holds.
  verdict(finding, { element: { stand } }) {
    if (!stand || stand.confirmed) return [];
    const { on, floor } = stand;
    return [
      {
        code: 'verdict.counterLoad',
        verdict: 'caution',
        figures: { label: finding.label, mass_kg: counter.takeOff(finding, {}).more?.['mass_kg'] ?? 0, stand: on, floor },
      },
    ];
  },
  cautions: () => ['extraWeight'],
  onBase: ({ cast }) => !cast,
  // Cast: the mould, sealed and released, in place of a base. Laid: the old top abraded, forms around it.
  removing(context) {
    const { finding, takeOff } = context;
    if (!finding.cast) return [...preparing(context), stepOf('step.formsAround', { length_m: takeOff.perimeter_m })];
    const pieces = takeOff.strips.reduce((sum, strip) => sum + strip.length, 0);
    const { flexible_m = 0, pieces: cast = 1, heaviest_kg = 0, seam_m } = takeOff.more;
    return [
      stepOf('step.mould', { pieces, lengths: takeOff.strips.length }),
      ...(flexible_m > 0 ? [stepOf('step.flexible', { length_m: flexible_m, curves: takeOff.more['curves'] ?? 1 })] : []),
      ...(seam_m !== undefined
        ? [stepOf('step.seams', { pieces: cast, heaviest_kg, seam_m })]
        : cast > 1
          ? [stepOf('step.pieces', { pieces: cast, heaviest_kg })]
          : []),
      stepOf('step.release', {}),
    ];
  },
  filling: (context) =>
    context.finding.cast ? [...lifting(context), stepOf('step.vibrate', {}), stepOf('step.cover', {}, { condition: 'afterSet' })] : lifting(context),
  finishing(context) {
    const { finding, sheet } = context;
    const { strip, final } = sheet.milestones;
    const faced = facing(context);
    const coats = faced.filter(({ code }) => code === 'step.coat');
    if (!finding.cast)
      return [...faced.filter(({ code }) => code !== 'step.cure' && code !== 'step.coat'), stepOf('step.mist', {}, { condition: 'afterSet' }), ...coats];
    return [
      stepOf('step.demould', {}, { after: atSlab(context, { least_s: strip ?? final ?? 0, most_s: null }), condition: 'scratch' }),
      stepOf('step.turn', {}),
      stepOf('step.pinholes', {}, { sheetId: sheet.id }),
      ...coats,
    ];
  },
  section({ finding: { edges, thickness } }) {
    const drop = [...edges].sort((a, b) => b.down_m - a.down_m)[0];
    return { kind: 'counter', layer_m: thickness.value, drop_m: drop?.down_m ?? 0, across_m: drop?.across_m ?? 0 };
  },
  body: ({ layer_m, drop_m }) => [{ code: 'fill', thickness_m: layer_m }, ...(drop_m > 0 ? [{ code: 'drop', thickness_m: drop_m }] : [])],
};
