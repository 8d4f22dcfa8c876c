import type { RowOf } from '@tufa/contract/entities';
import { crossesItself, extent, outsiders, pulledInside, uncrossed, type Point } from '@tufa/core/takeoff';
import { isLine, type PlanFinding, type PlanKind } from '@tufa/draw';
import { printFigure, say } from '@tufa/words';
import { useCallback, useLayoutEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { Button, Word } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { QuantityField } from '../parts/ui/QuantityField';
import { textOf } from '@tufa/words/survey';
import { readWithin } from '../parts/ui/quantityText';
import { T } from '../parts/ui/T';
import { FieldProblem } from '../parts/ui/fieldProblem';
import type { Draft } from './Draft';
import { DraftLayer, draftTouch, type Pen } from './DraftLayer';
import { PlanView } from './Plan';
import { useSpeaker } from '../parts/phone/speaker';

const GRIDS = { us: [0, 0.0254, 0.0762, 0.1524, 0.3048], metric: [0, 0.01, 0.05, 0.1, 0.5] } as const;

const NONE: readonly (readonly Point[])[] = [];

/** Made for a draft at rest, it tells a moved one. */
type Prepare = (rested: readonly Point[]) => (points: readonly Point[]) => string;

/** A finding drawn on its element: by tap, by finger or by typed distances, with what is wrong named where it is. */
export function DrawPlan({
  element,
  draft,
  kind,
  others,
  corners,
  readings,
  prepare,
}: {
  element: Pick<RowOf<'element'>, 'geometry'>;
  draft: Draft;
  kind: PlanKind;
  others: readonly PlanFinding[];
  /** what a place may snap to */
  corners: readonly Point[];
  readings?: readonly { readonly at: Point; readonly text: string }[];
  /** the live figures of what is drawn, made ready for where the finger last rested */
  prepare?: Prepare;
}) {
  const speaker = useSpeaker();
  const line = isLine(kind);
  const [pen, setPen] = useState<Pen>('corners');
  const [grid_m, setGrid] = useState(0);
  const { outline, openings = NONE } = element.geometry;
  const touch = useMemo(
    () => draftTouch({ draft, pen, outline, others: corners, grid_m, label: say(speaker, 'walk.drawHelp') }),
    [draft, pen, outline, corners, grid_m, speaker],
  );
  const pens: readonly Pen[] = line ? ['corners', 'free'] : ['corners', 'round', 'free'];
  return (
    <View className="gap-2">
      <Choice
        label={say(speaker, 'walk.pen')}
        labelHidden
        options={pens.map((value) => ({ value, label: say(speaker, `walk.pens.${value}`) }))}
        value={pen}
        onChange={setPen}
      />
      <View className="h-[280px] lg:h-[360px]">
        <PlanView element={element} findings={others} touch={touch} {...(readings ? { readings } : {})}>
          {(layer) => <DraftLayer draft={draft} kind={kind} layer={layer} />}
        </PlanView>
      </View>
      <DraftTools draft={draft} outline={outline} openings={openings} line={line} pen={pen} {...(prepare ? { prepare } : {})} />
      <Choice
        label={say(speaker, 'walk.grid')}
        options={GRIDS[speaker.system].map((value) => ({
          value: String(value),
          label: value === 0 ? say(speaker, 'walk.noGrid') : printFigure(speaker, 'grid_m', value),
        }))}
        value={String(grid_m)}
        onChange={(value) => setGrid(Number(value))}
      />
    </View>
  );
}

/** Undo, redo, what is wrong with its mend, and the held corner by its distances. */
function DraftTools({
  draft,
  outline,
  openings,
  line,
  pen,
  prepare,
}: {
  draft: Draft;
  outline: readonly Point[];
  openings: readonly (readonly Point[])[];
  line: boolean;
  pen: Pen;
  prepare?: Prepare;
}) {
  const speaker = useSpeaker();
  const { points, chosen } = useSyncExternalStore(draft.subscribeRest, draft.rest, draft.rest);
  const crosses = !line && points.length > 3 && crossesItself(points);
  const out = outsiders(points, outline, openings);
  const help =
    points.length > 0 ? say(speaker, 'walk.corners', { count: points.length }) : say(speaker, pen === 'corners' ? 'walk.cornersHelp' : `walk.penHelp.${pen}`);
  const add = (): void => {
    const [x, y] = points.at(-1) ?? outline[0]!;
    draft.do([...points, points.length === 0 ? [x, y] : [x + 0.3, y]], points.length);
  };
  return (
    <View className="gap-2">
      <View className="flex-row items-center justify-between">
        <LiveAnswer draft={draft} line={line} help={help} {...(prepare ? { prepare } : {})} />
        <View className="flex-row">
          <Word label={say(speaker, 'walk.undo')} onPress={draft.undo} tone={draft.canUndo ? 'text-ink' : 'text-disabled'} />
          <Word label={say(speaker, 'walk.redo')} onPress={draft.redo} tone={draft.canRedo ? 'text-ink' : 'text-disabled'} />
        </View>
      </View>
      {crosses ? (
        <View role="alert" className="gap-2">
          <T tone="stop">{say(speaker, 'field.outlineCrosses')}</T>
          <Button label={say(speaker, 'walk.uncross')} onPress={() => draft.do(uncrossed(points), null)} />
        </View>
      ) : null}
      {out.length > 0 ? (
        <View role="alert" className="gap-2">
          <T tone="stop">{say(speaker, 'walk.outsiders', { count: out.length, corners: out.map((i) => i + 1).join(', ') })}</T>
          <Button label={say(speaker, 'walk.pullInside')} onPress={() => draft.do(pulledInside(points, outline, openings), null)} />
        </View>
      ) : null}
      <View className="flex-row flex-wrap items-center gap-2" role="group" aria-label={say(speaker, 'walk.cornersList')}>
        {points.map((_, i) => (
          <Button
            key={i}
            label={String(i + 1)}
            hint={say(speaker, 'walk.corner', { n: String(i + 1) })}
            tone={i === chosen ? 'dark' : 'plain'}
            onPress={() => draft.choose(i)}
          />
        ))}
        <Button label={say(speaker, 'walk.addCorner')} onPress={add} />
      </View>
      {chosen !== null && points[chosen] ? <CornerFields key={`${chosen} ${points[chosen].join()}`} draft={draft} chosen={chosen} outline={outline} /> : null}
    </View>
  );
}

/** Over the figures of the rested draft: laid out by itself, so that a move of the finger lays out nothing else. */
const OVER = { position: 'absolute', inset: 0, contain: 'strict' } as object;

/** The figures of what is drawn. They follow the finger as text alone, without rendering the screen. */
function LiveAnswer({ draft, line, help, prepare }: { draft: Draft; line: boolean; help: string; prepare?: Prepare }) {
  const rested = useSyncExternalStore(draft.subscribeRest, draft.rest, draft.rest);
  const over = useRef<View>(null);
  const tell = useMemo(() => prepare?.(rested.points), [prepare, rested]);
  const toldOf = useCallback(
    (points: readonly Point[]): string => {
      const told = points.length > (line ? 1 : 2) && (line || points.length < 4 || !crossesItself(points));
      return told && tell ? tell(points) : help;
    },
    [line, tell, help],
  );
  useLayoutEffect(() => {
    const show = (): void => {
      const box = over.current as unknown as HTMLElement;
      const moving = draft.snapshot() !== draft.rest();
      box.style.visibility = moving ? 'visible' : 'hidden';
      if (moving) box.firstElementChild!.textContent = toldOf(draft.snapshot().points);
    };
    show();
    return draft.subscribe(show);
  }, [draft, toldOf]);
  return (
    <View className="flex-1">
      <View aria-live="polite">
        <T as="strong">{toldOf(rested.points)}</T>
      </View>
      <View ref={over} aria-hidden className="bg-ground" style={OVER}>
        <T as="strong">{null}</T>
      </View>
    </View>
  );
}

/** The held corner as distances from the element's left and top edges. */
function CornerFields({ draft, chosen, outline }: { draft: Draft; chosen: number; outline: readonly Point[] }) {
  const speaker = useSpeaker();
  const { points } = draft.snapshot();
  const { left_m, top_m } = extent(outline);
  const origin: Point = [left_m, top_m];
  const point = points[chosen]!;
  const [texts, setTexts] = useState(() => point.map((value, axis) => textOf(speaker, { value: value - origin[axis]!, source: 'typed' }, 'length')));
  const [fault, setFault] = useState<{ axis: number; text: string } | null>(null);
  const apply = (): void => {
    try {
      const read = texts.map((text, axis) =>
        Number(text.trim() === '0' ? 0 : readWithin(speaker, { field: String(axis), text, as: 'side', least: 0, most: 100 })),
      );
      draft.do(points.map((point, i): Point => (i === chosen ? [origin[0] + read[0]!, origin[1] + read[1]!] : point)));
    } catch (error) {
      if (!(error instanceof FieldProblem)) throw error;
      setFault({ axis: Number(error.field), text: error.sentence });
    }
  };
  return (
    <View className="gap-2">
      <View className="flex-row gap-2">
        {(['walk.from', 'walk.fromTop'] as const).map((label, axis) => (
          <QuantityField
            key={label}
            as="side"
            label={say(speaker, label)}
            value={texts[axis]!}
            onChange={(text) => setTexts(texts.map((other, i) => (i === axis ? text : other)))}
            onSubmit={apply}
            onDone={apply}
            fault={fault?.axis === axis ? fault.text : undefined}
          />
        ))}
      </View>
      <View className="flex-row gap-2">
        <Button label={say(speaker, 'walk.placeCorner')} grow onPress={apply} />
        <Button
          label={say(speaker, 'walk.removeCorner')}
          grow
          onPress={() =>
            draft.do(
              points.filter((_, i) => i !== chosen),
              null,
            )
          }
        />
      </View>
    </View>
  );
}
