import type { Point } from '@tufa/core/takeoff';
import { legendScene, nicePace, planScale, planScene, ruledEdge, WHOLE, type PlanFinding, type PlanKind, type PlanLook, type Scene } from '@tufa/draw';
import { say } from '@tufa/words';
import { planShape } from '@tufa/words/survey';
import { useGesture } from '@use-gesture/react';
import { useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Pressable, Text, useWindowDimensions, View } from 'react-native';
import { SceneView } from '../parts/ui/SceneView';
import { usePhone } from '../parts/phone/useSettings';
import { useSize, useWide } from '../parts/phone/useSize';
import { useSpeaker } from '../parts/phone/speaker';

const RULER = 56;
const CLOSEST = 12;

type PlanScale = ReturnType<typeof planScale>;

/** What a layer over the plan is told: the same scale, the same size. */
export interface PlanLayer {
  readonly scale: PlanScale;
  readonly width: number;
  readonly height: number;
}

/** What a finger that is not moving the plan does to it. A finger down that is taken is followed until it is lifted. */
export interface PlanTouch {
  /** whether this press is taken; else it moves the plan */
  readonly onDown?: (at: Point, layer: PlanLayer) => boolean;
  readonly onMove?: (at: Point, layer: PlanLayer) => void;
  readonly onUp?: (at: Point, layer: PlanLayer) => void;
  readonly onTap?: (at: Point, layer: PlanLayer) => void;
  readonly onKey?: (event: KeyboardEvent, layer: PlanLayer) => void;
  readonly label: string;
}

/**
 * The plan of an element to scale, with the ruled edge on the thumb's side. Two fingers or the wheel bring it closer, one
 * finger moves it; what lies over it gets the same scale.
 */
export function PlanView({
  element,
  findings,
  taps,
  readings,
  wanted,
  next,
  touch,
  children,
}: {
  element: Parameters<typeof planShape>[0];
  findings: readonly PlanFinding[];
  taps?: readonly { readonly at: Point; readonly hollow: boolean }[];
  readings?: readonly { readonly at: Point; readonly text: string }[];
  wanted?: readonly Point[];
  next?: Point | null;
  touch?: PlanTouch;
  children?: (layer: PlanLayer) => ReactNode;
}) {
  const speaker = useSpeaker();
  const { size, onLayout } = useSize();
  const { hand } = usePhone();
  const [look, setLook] = useState<PlanLook>(WHOLE);
  const metric = speaker.system === 'metric';
  const unit_m = metric ? 1 : 0.3048;
  const shape = useMemo(() => planShape(element), [element]);
  const { outline } = shape;
  const frame = useMemo(
    () => (size && size.width >= 60 && size.height >= 60 ? { outline, width: size.width - RULER, height: size.height } : null),
    [size, outline],
  );
  const layer = useMemo<PlanLayer | null>(
    () => (frame ? { scale: planScale({ ...frame, look }), width: frame.width, height: frame.height } : null),
    [frame, look],
  );
  const plan = useMemo(
    () =>
      frame
        ? planScene({
            ...shape,
            ...frame,
            look,
            unit_m,
            unit: metric ? 'm' : 'ft',
            findings,
            ...(taps ? { taps } : {}),
            ...(readings ? { readings } : {}),
            ...(wanted ? { wanted } : {}),
            ...(next ? { next } : {}),
          })
        : null,
    [shape, frame, look, unit_m, metric, findings, taps, readings, wanted, next],
  );
  const ruler = useMemo(() => (layer ? rulerScene(layer, outline, hand, metric) : null), [layer, outline, hand, metric]);
  return (
    <View className={`min-h-[200px] flex-1 ${hand === 'right' ? 'flex-row' : 'flex-row-reverse'}`} onLayout={onLayout}>
      {layer && plan && ruler ? (
        <>
          <Moved layer={layer} look={look} onLook={setLook} {...(touch ? { touch } : {})} over={children?.(layer)}>
            <SceneView scene={plan} />
          </Moved>
          <SceneView scene={ruler} bare />
        </>
      ) : null}
    </View>
  );
}

function rulerScene({ scale, height }: PlanLayer, outline: readonly Point[], hand: 'left' | 'right', metric: boolean): Scene {
  const unit_m = metric ? 1 : 0.3048;
  const ys = outline.map(([, y]) => y);
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const seen_m = Math.min(bottom - top, height / scale.perMetre);
  const major = nicePace(seen_m / unit_m / 2);
  return {
    width: RULER,
    height,
    title: { text: '' },
    shapes: ruledEdge({
      x: hand === 'right' ? 4 : RULER - 4,
      from: Math.max(4, scale.toY(top)),
      to: Math.min(height - 4, scale.toY(bottom)),
      zeroAt: scale.toY(top),
      perUnit: unit_m * scale.perMetre,
      major,
      minor: major / 5,
      mirror: hand === 'left',
      unit: metric ? 'm' : 'ft',
    }),
  };
}

const kept = (look: PlanLook, { width, height }: PlanLayer): PlanLook => {
  const zoom = Math.min(CLOSEST, Math.max(1, look.zoom));
  const within = (value: number, room: number): number => Math.min(0, Math.max(room * (1 - zoom), value));
  return { zoom, x: within(look.x, width), y: within(look.y, height) };
};

/** Fingers, wheel and keys on the plan. While they move it only the picture is carried along; it is drawn anew when they rest. */
function Moved({
  layer,
  look,
  onLook,
  touch,
  over,
  children,
}: {
  layer: PlanLayer;
  look: PlanLook;
  onLook: (look: PlanLook) => void;
  touch?: PlanTouch;
  over: ReactNode;
  children: ReactNode;
}) {
  const speaker = useSpeaker();
  const box = useRef<View>(null);
  const carried = useRef<View>(null);
  const moving = useRef<PlanLook | null>(null);
  const taken = useRef(false);
  const element = (): HTMLElement => box.current as unknown as HTMLElement;
  // Asked once for each press: asked at a move it would lay the page out again before its time.
  const place = useRef<DOMRect | null>(null);
  const placeOf = (x: number, y: number, afresh = true): Point => {
    if (afresh || !place.current) place.current = element().getBoundingClientRect();
    const rect = place.current;
    return [layer.scale.fromX(x - rect.left), layer.scale.fromY(y - rect.top)];
  };
  const carry = (to: PlanLook): void => {
    moving.current = kept(to, layer);
    const by = moving.current.zoom / look.zoom;
    const [dx, dy] = [moving.current.x - look.x * by, moving.current.y - look.y * by];
    (carried.current as unknown as HTMLElement).style.transform = `translate(${dx}px, ${dy}px) scale(${by})`;
  };
  const rest = (): void => {
    if (moving.current) onLook(moving.current);
    moving.current = null;
  };
  const closer = (from: PlanLook, by: number, x: number, y: number): PlanLook => {
    const zoom = Math.min(CLOSEST, Math.max(1, from.zoom * by));
    const grown = zoom / from.zoom;
    return { zoom, x: x - (x - from.x) * grown, y: y - (y - from.y) * grown };
  };
  useLayoutEffect(() => {
    (carried.current as unknown as HTMLElement).style.transform = '';
  }, [look]);
  useGesture(
    {
      onDrag: ({ first, last, tap, xy: [x, y], initial: [ix, iy], movement: [mx, my], pinching, cancel }) => {
        if (pinching) return cancel();
        if (tap) {
          // A press that went nowhere comes once, when it is over.
          const at = placeOf(x, y);
          if (touch?.onDown?.(at, layer)) touch.onUp?.(at, layer);
          else touch?.onTap?.(at, layer);
          return;
        }
        if (first) taken.current = touch?.onDown?.(placeOf(ix, iy), layer) ?? false;
        if (taken.current) touch?.onMove?.(placeOf(x, y, false), layer);
        else carry({ zoom: look.zoom, x: look.x + mx, y: look.y + my });
        if (!last) return;
        if (taken.current) touch?.onUp?.(placeOf(x, y, false), layer);
        else rest();
        taken.current = false;
      },
      onPinch: ({ origin: [ox, oy], movement: [scale], last }) => {
        const rect = element().getBoundingClientRect();
        carry(closer(look, scale, ox - rect.left, oy - rect.top));
        if (last) rest();
      },
      onWheel: ({ event, delta: [, dy], last }) => {
        event.preventDefault();
        const rect = element().getBoundingClientRect();
        const { clientX, clientY } = event;
        carry(closer(moving.current ?? look, Math.exp(-dy / 400), clientX - rect.left, clientY - rect.top));
        if (last) rest();
      },
    },
    { target: box as never, eventOptions: { passive: false }, drag: { filterTaps: true, threshold: 6, pointer: { keys: false } } },
  );
  const onKeyDown = (event: { nativeEvent: KeyboardEvent; preventDefault: () => void; key: string }): void => {
    const by = { '+': 1.5, '=': 1.5, '-': 1 / 1.5 }[event.key];
    if (by !== undefined) onLook(kept(closer(look, by, layer.width / 2, layer.height / 2), layer));
    else touch?.onKey?.(event.nativeEvent ?? (event as never), layer);
  };
  return (
    <View
      ref={box}
      role={'application' as never}
      aria-label={touch?.label ?? say(speaker, 'walk.planHelp')}
      tabIndex={0}
      testID="plan"
      className="overflow-hidden bg-ground"
      style={{ width: layer.width, height: layer.height, touchAction: 'none', userSelect: 'none' } as object}
      {...({ onKeyDown } as object)}
    >
      <View ref={carried} style={{ transformOrigin: '0 0' }}>
        {children}
        {over}
      </View>
      {look.zoom > 1 ? (
        <Pressable
          role="button"
          onPress={() => onLook(WHOLE)}
          className="absolute left-1 top-1 min-h-[56px] lg:min-h-[48px] justify-center bg-selected px-3"
          testID="plan-whole"
        >
          <Text className="font-text text-16 font-bold text-on-selected">{say(speaker, 'walk.whole')}</Text>
        </Pressable>
      ) : null}
    </View>
  );
}

/** What a phone's screen leaves beside its body. */
const MARGINS = 32;

/** What the patterns of a plan mean, for the kinds on it. */
export function PlanLegend({ kinds }: { kinds: readonly PlanKind[] }) {
  const { size, onLayout } = useSize();
  const window = useWindowDimensions();
  const wide = useWide();
  // On a phone its width is known before it is measured, and nothing under it is pushed down by it.
  const width = size?.width ?? (wide ? null : window.width - MARGINS);
  return <View onLayout={onLayout}>{width !== null && kinds.length > 0 ? <SceneView scene={legendScene({ kinds, width })} /> : null}</View>;
}
