import { crossesItself, type Point } from '@tufa/core/takeoff';
import { draftScene, isLine, type PlanKind } from '@tufa/draw';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { MovingScene } from '../parts/ui/MovingScene';
import type { Draft } from './Draft';
import type { PlanLayer, PlanTouch } from './Plan';
import { snap, type Snapping } from './snap';
import simplify from 'simplify-js';
import { ellipse } from '@tufa/core/takeoff';
import { useSpeaker } from '../parts/phone/speaker';

/** How a finger draws: a corner a tap, round in one drag, or along the finger. */
export type Pen = 'corners' | 'round' | 'free';

/** A glove reaches so far, in units of the drawing. */
const REACH = 26;
const SNAP = 14;
/** A line drawn along a finger keeps the corners that are more than this out of line, in units of the drawing. */
const FREE_OFF = 3;

const near = (points: readonly Point[], at: Point, reach_m: number): number | null => {
  let best: { i: number; off: number } | null = null;
  points.forEach(([x, y], i) => {
    const off = Math.hypot(x - at[0], y - at[1]);
    if (off <= reach_m && (!best || off < best.off)) best = { i, off };
  });
  return (best as { i: number } | null)?.i ?? null;
};

const crossing = (points: readonly Point[], kind: PlanKind): boolean => !isLine(kind) && points.length > 3 && crossesItself(points);

/** Draws the draft on a canvas at every step of it, without rendering the screen. */
export function DraftLayer({ draft, kind, layer }: { draft: Draft; kind: PlanKind; layer: PlanLayer }) {
  const speaker = useSpeaker();
  const canvas = useRef<HTMLCanvasElement>(null);
  const moving = useRef<MovingScene | null>(null);
  const show = useRef(() => {});
  useLayoutEffect(() => {
    if (!canvas.current) return;
    moving.current ??= new MovingScene(canvas.current);
    moving.current.fit(layer);
    show.current = () => {
      const { points, chosen } = draft.snapshot();
      moving.current?.show(speaker, draftScene({ points, kind, chosen, crossing: crossing(points, kind), ...layer }));
    };
    show.current();
  }, [draft, kind, layer, speaker]);
  useEffect(() => draft.subscribe(() => show.current()), [draft]);
  return <canvas ref={canvas} aria-hidden style={{ position: 'absolute', left: 0, top: 0, width: layer.width, height: layer.height, pointerEvents: 'none' }} />;
}

/** What fingers and keys do to a draft. `others` are the corners a place may snap to. */
export function draftTouch({
  draft,
  pen,
  outline,
  others,
  grid_m,
  label,
}: {
  draft: Draft;
  pen: Pen;
  outline: readonly Point[];
  others: readonly Point[];
  grid_m: number;
  label: string;
}): PlanTouch {
  let corner: number | null = null;
  let begun: Point | null = null;
  let trail: Point[] = [];
  let stepped = false;
  const snapping = (layer: PlanLayer): Snapping => ({ corners: others, outline, grid_m, reach_m: SNAP / layer.scale.perMetre });
  const step = (points: readonly Point[]): void => {
    if (stepped) draft.move(points);
    else draft.begin(points);
    stepped = true;
  };
  return {
    label,
    onDown: (at, layer) => {
      const { points } = draft.snapshot();
      stepped = false;
      corner = near(points, at, REACH / layer.scale.perMetre);
      begun = at;
      trail = [at];
      if (corner !== null) draft.choose(corner);
      return corner !== null || (pen !== 'corners' && points.length === 0);
    },
    onMove: (at, layer) => {
      const { points } = draft.snapshot();
      if (corner !== null) return step(points.map((point, i) => (i === corner ? snap(at, snapping(layer)) : point)));
      if (!begun) return;
      if (pen === 'round') {
        const [w, h] = [Math.abs(at[0] - begun[0]), Math.abs(at[1] - begun[1])];
        if (Math.min(w, h) * layer.scale.perMetre > 4)
          step(ellipse({ middle: [(at[0] + begun[0]) / 2, (at[1] + begun[1]) / 2], across_m: w, along_m: h, corners: 16 }));
        return;
      }
      trail.push(at);
      if (trail.length > 2)
        step(
          simplify(
            trail.map(([x, y]) => ({ x, y })),
            FREE_OFF / layer.scale.perMetre,
            true,
          ).map(({ x, y }): Point => [x, y]),
        );
    },
    onUp: (_at, layer) => {
      const { points } = draft.snapshot();
      if (corner === null && stepped) draft.move(points.map((point) => snap(point, { ...snapping(layer), grid_m: 0, corners: [] })));
      if (corner === null) draft.choose(null);
      draft.settle();
      corner = null;
      trail = [];
      begun = null;
    },
    onTap: (at, layer) => {
      const { points } = draft.snapshot();
      if (pen !== 'corners' && points.length === 0) return;
      draft.do([...points, snap(at, snapping(layer))], points.length);
    },
    onKey: (event) => {
      const { points, chosen } = draft.snapshot();
      if (event.key === 'z' && (event.ctrlKey || event.metaKey)) {
        event.preventDefault();
        return event.shiftKey ? draft.redo() : draft.undo();
      }
      if (chosen === null) return;
      const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
      if (by) {
        event.preventDefault();
        const pace = (grid_m || 0.01) * (event.shiftKey ? 10 : 1);
        draft.do(points.map((point, i): Point => (i === chosen ? [point[0] + by[0]! * pace, point[1] + by[1]! * pace] : point)));
      } else if (event.key === 'Delete' || event.key === 'Backspace') {
        event.preventDefault();
        draft.do(
          points.filter((_, i) => i !== chosen),
          null,
        );
      }
    },
  };
}
