import { Colors, DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { flightFaces, type Flight } from '@tufa/core/survey';
import { extent } from '@tufa/core/takeoff';
import { isLine, PLAN_KINDS } from './kinds';
import type { PlanFinding } from './PlanFinding';

/**
 * The plan of an element as DXF, metres, y upwards as a drawing program has it: a layer for the element, one for each
 * kind, one for readings.
 */
export function toDxf({
  outline,
  openings = [],
  flight,
  findings,
  taps = [],
  readings = [],
}: {
  outline: readonly (readonly [number, number])[];
  openings?: readonly (readonly (readonly [number, number])[])[];
  /** a flight laid flat: its nosings and corners are lines of the element */
  flight?: Pick<Flight, 'steps'>;
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
  const { left_m, length_m } = extent(outline);
  for (const { from_m } of flight ? flightFaces(flight).slice(1) : [])
    line(
      'element',
      [
        [left_m, from_m],
        [left_m + length_m, from_m],
      ],
      false,
    );
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
