import type { CounterInput } from '../../survey';
import { counterArea, counterLoad, cutList, perimeter, prismVolume, TAKEOFF } from '../../takeoff';
import { facing } from '../steps/facing';
import { lifting } from '../steps/lifting';
import { preparing } from '../steps/preparing';
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
  removing: preparing,
  filling: (context) => lifting(context),
  finishing: (context) => facing(context),
  section({ finding: { edges, thickness } }) {
    const drop = [...edges].sort((a, b) => b.down_m - a.down_m)[0];
    return { kind: 'counter', layer_m: thickness.value, drop_m: drop?.down_m ?? 0, across_m: drop?.across_m ?? 0 };
  },
  body: ({ layer_m, drop_m }) => [{ code: 'fill', thickness_m: layer_m }, ...(drop_m > 0 ? [{ code: 'drop', thickness_m: drop_m }] : [])],
};
