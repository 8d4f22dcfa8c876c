import { Colors, DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { isLine, PLAN_KINDS } from './kinds';
import type { PlanFinding } from './PlanFinding';

/**
 * The plan of an element as DXF, metres, y upwards as a drawing program has it: a layer for the element, one for each
 * kind, one for readings.
 */
export function toDxf({
  outline,
  openings = [],
  findings,
  taps = [],
  readings = [],
}: {
  outline: readonly (readonly [number, number])[];
  openings?: readonly (readonly (readonly [number, number])[])[];
  findings: readonly PlanFinding[];
  taps?: readonly { readonly at: readonly [number, number]; readonly hollow: boolean }[];
  readings?: readonly { readonly at: readonly [number, number]; readonly text: string }[];
}): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Meters);
  for (const layer of ['element', ...PLAN_KINDS, 'solid', 'readings']) dxf.addLayer(layer, Colors.White, 'CONTINUOUS');
  const vertices = (points: readonly (readonly [number, number])[]) => points.map(([x, y]) => ({ point: { x, y: -y } }));
  const line = (layer: string, points: readonly (readonly [number, number])[], closed: boolean): void => {
    dxf.setCurrentLayerName(layer);
    dxf.addLWPolyline(vertices(points), { flags: closed ? 1 : 0 });
  };
  const words = (layer: string, [x, y]: readonly [number, number], text: string): void => {
    dxf.setCurrentLayerName(layer);
    if (text) dxf.addText(point3d(x, -y), 0.06, text);
  };
  line('element', outline, true);
  for (const opening of openings) line('element', opening, true);
  for (const { points, kind = 'spall', label, depth } of findings) {
    line(kind, points, !isLine(kind));
    words(kind, points[0]!, [label, depth].filter(Boolean).join(' '));
  }
  for (const { at, hollow } of taps) {
    dxf.setCurrentLayerName(hollow ? 'hollow' : 'solid');
    dxf.addCircle(point3d(at[0], -at[1]), 0.02);
  }
  for (const { at, text } of readings) words('readings', at, text);
  return dxf.stringify();
}
