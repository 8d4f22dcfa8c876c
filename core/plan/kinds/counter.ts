import type { CounterInput } from '../../survey';
import { counterArea, counterLoad, cutList, perimeter, prismVolume, TAKEOFF } from '../../takeoff';
import { atSlab } from '../steps/atSlab';
import { facing } from '../steps/facing';
import { lifting } from '../steps/lifting';
import { preparing } from '../steps/preparing';
import { stepOf } from '../steps/stepOf';
import type { Damage } from './Damage';
import { sigmaOfSizes } from './Taken';
import { ORDINARY, ordinaryAsks } from './ordinary';

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
  takeOff({ outline, cutouts_m2, edges, stock_m, kerf_m, thickness }) {
    const thickness_m = thickness.value;
    const edges_m3 = edges.reduce((sum, edge) => sum + prismVolume({ section: 'rectangle', ...edge }), 0);
    const area_m2 = counterArea({ outline, cutouts_m2 });
    const sides = outline.map(([x, y], i) => {
      const [nx, ny] = outline[(i + 1) % outline.length]!;
      return Math.hypot(nx - x, ny - y);
    });
    const load = counterLoad({ outline, cutouts_m2, thickness_m, density_kg_m3: TAKEOFF.fresh_kg_m3, edges_m3, length_m: Math.max(...sides) });
    // A side longer than its stock is spliced: whole stocks and what is left.
    const parts_m = sides.flatMap((side) => [
      ...Array.from({ length: Math.floor(side / stock_m - 1e-9) }, () => stock_m),
      side - Math.floor(side / stock_m - 1e-9) * stock_m,
    ]);
    return {
      area_m2,
      edge_m: perimeter(outline),
      volume_m3: area_m2 * thickness_m + edges_m3,
      sigma: sigmaOfSizes([thickness], TAKEOFF.dimensionSpread),
      rough_m2: 0,
      removed_m3: 0,
      more: { ...load, edges_m3 },
      strips: cutList({ parts_m, stock_m, kerf_m }).stocks.map((stock) => stock.map((piece) => parts_m[piece]!)),
    };
  },
  movedTo: (finding, points) => ({ ...finding, outline: points }),
  cautions: () => ['extraWeight'],
  onBase: ({ cast }) => !cast,
  // Cast: the mould, sealed and released, in place of a base. Laid: the old top abraded, forms around it.
  removing(context) {
    const { finding, takeOff } = context;
    if (!finding.cast) return [...preparing(context), stepOf('step.formsAround', { length_m: takeOff.perimeter_m })];
    const pieces = takeOff.strips.reduce((sum, strip) => sum + strip.length, 0);
    return [stepOf('step.mould', { pieces, lengths: takeOff.strips.length }), stepOf('step.release', {})];
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
