import type { RowOf } from '@tufa/contract/entities';
import { planScale, planScene, ruledEdge, nicePace, type Scene } from '@tufa/draw';
import { say, unitSystem } from '@tufa/words';
import { useMemo, useRef } from 'react';
import { View } from 'react-native';
import type { Point } from '@tufa/core/takeoff';
import { textOf } from '../parts/quantityText';
import { SceneView } from '../parts/SceneView';
import { usePhone } from '../parts/useSettings';
import { useSize } from '../parts/useSize';

const RULER = 56;

/** The plan of an element to scale, with the ruled edge on the thumb's side; a tap gives the place on the element in metres. */
export function PlanView({
  element,
  findings,
  drawing,
  taps,
  next,
  chosenId = null,
  onTap,
}: {
  element: RowOf<'element'>;
  findings: readonly RowOf<'finding'>[];
  /** corners tapped so far */
  drawing?: readonly Point[];
  taps?: readonly { readonly at: Point; readonly hollow: boolean }[];
  next?: Point | null;
  chosenId?: string | null;
  onTap?: (at: Point) => void;
}) {
  const { size, onLayout } = useSize();
  const { hand } = usePhone();
  const metric = unitSystem() === 'metric';
  const unit_m = metric ? 1 : 0.3048;
  const { outline } = element.geometry;
  const box = useRef<View>(null);
  const made = useMemo(() => {
    if (!size || size.width < 60 || size.height < 60) return null;
    const frame = { outline, width: size.width - RULER, height: size.height };
    const scale = planScale(frame);
    const plan = planScene({
      ...frame,
      unit_m,
      unit: metric ? 'm' : 'ft',
      ...(taps ? { taps } : {}),
      ...(next ? { next } : {}),
      findings: [
        ...findings.map((finding) => ({
          id: finding.id,
          label: finding.label,
          points: finding.outline.points,
          depth: textOf(finding.properties.deepest, 'length'),
          chosen: finding.id === chosenId,
        })),
        ...(drawing ? [{ id: 'drawing', label: '', points: drawing, chosen: true }] : []),
      ],
    });
    const ys = outline.map(([, y]) => y);
    const top = scale.toY(Math.min(...ys));
    const major = nicePace((Math.max(...ys) - Math.min(...ys)) / unit_m / 2);
    const ruler: Scene = {
      width: RULER,
      height: size.height,
      title: { text: '' },
      shapes: ruledEdge({
        x: hand === 'right' ? 4 : RULER - 4,
        from: top,
        to: scale.toY(Math.max(...ys)),
        perUnit: unit_m * scale.perMetre,
        major,
        minor: major / 5,
        mirror: hand === 'left',
        unit: metric ? 'm' : 'ft',
      }),
    };
    return { plan, ruler, scale };
  }, [size, outline, findings, drawing, taps, next, chosenId, hand, metric, unit_m]);
  const press = (event: { nativeEvent: { pageX: number; pageY: number } }): void => {
    if (!made || !onTap) return;
    const rect = (box.current as unknown as HTMLElement).getBoundingClientRect();
    onTap([made.scale.fromX(event.nativeEvent.pageX - rect.left), made.scale.fromY(event.nativeEvent.pageY - rect.top)]);
  };
  return (
    <View className={`min-h-[200px] flex-1 ${hand === 'right' ? 'flex-row' : 'flex-row-reverse'}`} onLayout={onLayout}>
      {made ? (
        <>
          <View
            ref={box}
            {...(onTap
              ? {
                  onStartShouldSetResponder: () => true,
                  onResponderRelease: press,
                  testID: 'plan-tap',
                  'aria-label': say('walk.cornersHelp'),
                  role: 'application' as never,
                }
              : {})}
          >
            <SceneView scene={made.plan} />
          </View>
          <SceneView scene={made.ruler} bare />
        </>
      ) : null}
    </View>
  );
}
