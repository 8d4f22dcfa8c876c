import { inRange } from '../quantity';

/**
 * What is masked around a repair: tape along its edge, sheet over a strip beside it, corners included.
 *
 * @param edge_m metres of edge; `strip_m` how far the neighbours are covered; `corners` outside corners of the edge
 * @returns tape in m, sheet in m2
 * @throws Problem `outOfRange`
 */
export function maskingOf({ edge_m, strip_m, corners = 0 }: { edge_m: number; strip_m: number; corners?: number }): { tape_m: number; sheet_m2: number } {
  inRange({ quantity: 'edge_m', value: edge_m, least: 0, most: 1e4 });
  inRange({ quantity: 'strip_m', value: strip_m, least: 0, most: 10 });
  inRange({ quantity: 'corners', value: corners, least: 0, most: 1000 });
  return { tape_m: edge_m, sheet_m2: edge_m * strip_m + corners * strip_m * strip_m };
}
