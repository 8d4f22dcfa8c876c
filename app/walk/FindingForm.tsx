import type { FindingFields, ReadingFields, RowOf } from '@tufa/contract/entities';
import { readingsOf } from '@tufa/contract/assemble';
import { findingInputOf } from '@tufa/contract/findingInputOf';
import { kindOf, takeOffOf } from '@tufa/core/plan';
import { Problem } from '@tufa/core/quantity';
import { PHASES, STEP_FACES, type FindingInput } from '@tufa/core/survey';
import type { Point } from '@tufa/core/takeoff';
import { PLAN_KINDS, type PlanKind } from '@tufa/draw';
import { printFigure, say } from '@tufa/words';
import { useEffect, useMemo, useState } from 'react';
import type { FieldPath } from 'react-hook-form';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { StepLayout } from '../parts/job/StepScreen';
import { Answer, T } from '../parts/ui/T';
import { useWireForm } from '../parts/ui/useWireForm';
import { FieldProblem } from '../parts/ui/fieldProblem';
import type { JobView } from '../parts/job/useJob';
import { Draft } from './Draft';
import { DrawPlan } from './DrawPlan';
import { ChoiceField, FigureField, type FindingFieldProps } from './findingFields';
import { SaveOrCancel } from './ElementForm';
import { FormField } from '../parts/ui/FormField';
import { ON_STEP, sizedOutline, textOfFinding, wayOf, waysOf, wireOfFinding } from './findingText';
import type { FindingText } from './TypedFinding';
import { typedKind } from './kinds';
import type { FoundJoint } from './kinds/TypedKind';
import { GaugeCard } from './GaugeCard';
import { isFace, isWhole } from './wholeFindings';
import { beginningAt, evenedText, type Begun } from './beginning';
import { planFinding, planReadings, volumeText } from '@tufa/words/survey';
import { useSpeaker } from '../parts/phone/speaker';

/** The deepest that was read of a finding; nothing where nobody read. */
function deepestRead(readings: readonly ReadingFields[], findingId: string | undefined): number | undefined {
  const depths = readings.filter((reading) => reading.kind === 'depth' && reading.findingId === findingId).map(({ value }) => value.value);
  return depths.length > 0 ? Math.max(...depths) : undefined;
}

/** Joints that were found on an element. */
const jointsOn = ({ finding }: Pick<JobView['data'], 'finding'>, elementId: string): FoundJoint[] =>
  Object.values(finding).flatMap((row) =>
    row.kind === 'joint' && row.elementId === elementId && !row.removed ? [{ id: row.id, label: row.label, width: row.properties.width }] : [],
  );

/** What is wrong with an element: what it is, where it lies, how deep or wide, and when it is dealt with. */
export function FindingForm({
  view,
  element,
  finding,
  label,
  begun,
  onDone,
}: {
  view: JobView;
  element: RowOf<'element'>;
  finding: RowOf<'finding'> | undefined;
  label: string;
  /** what it is and where on a flight, where that was tapped */
  begun?: Begun | null;
  onDone: () => void;
}) {
  const speaker = useSpeaker();
  const [gauge, setGauge] = useState(false);
  const [picking, setPicking] = useState(!begun);
  const form = useWireForm<FindingText>({
    name: `finding ${finding?.id ?? element.id}${begun ? ` ${begun.kind} ${begun.step} ${begun.face}` : ''}`,
    row: finding,
    initial: {
      ...textOfFinding(speaker, finding, element.geometry.flight),
      ...(finding && isWhole(finding, element) ? { by: 'whole' } : finding && isFace(finding, element) ? { by: 'face' } : {}),
      ...(begun && !finding ? beginningAt(speaker, element, begun) : {}),
    },
    wire: {
      entity: 'finding',
      toWire: (values) =>
        wireOfFinding(speaker, values, {
          element,
          jobId: view.job.id,
          label,
          joints: jointsOn(view.data, element.id),
          read_m: deepestRead(readingsOf(view.data, view.job.id), finding?.id),
        }),
      fieldOf: (path, values) => (path.startsWith('outline') ? { field: 'corners' } : { field: fieldOf(values.kind, path.split('.')), kind: 'length' }),
    },
  });
  const { control, setValue, getValues, clearErrors } = form;
  const [draft] = useState(() => new Draft(getValues('corners')));
  // The form follows what is drawn once the finger rests: it is written down at every change of it.
  useEffect(
    () =>
      draft.subscribeRest(() => {
        setValue('corners', [...draft.rest().points], { shouldDirty: true });
        clearErrors('corners');
      }),
    [draft, setValue, clearErrors],
  );
  const submit = form.submit(async (wire, seen) => {
    const fields = wire as FindingFields;
    const { kind, outline, properties } = fields;
    await write(
      finding
        ? change('finding', 'change', finding.id, { kind, outline, properties } as Partial<FindingFields>, seen)
        : change('finding', 'add', uuid(), fields as Partial<FindingFields>),
    );
    onDone();
  });
  const save = (): void => void submit();
  const kind = form.watch('kind');
  const by = form.watch('by');
  const way = wayOf({ kind, by }, element);
  const cornerFault = form.formState.errors.corners?.message;
  const readings = useMemo(() => readingsOf(view.data, view.job.id), [view.data, view.job.id]);
  const around = useMemo(
    () => Object.values(view.data.finding).filter((row) => row.elementId === element.id && !row.removed && row.id !== finding?.id),
    [view.data.finding, element.id, finding?.id],
  );
  const others = useMemo(() => around.map((neighbour) => planFinding(speaker, neighbour)), [around, speaker]);
  const corners = useMemo(
    () => [element.geometry.outline, ...(element.geometry.openings ?? []), ...around.map(({ outline }) => outline.points)].flat(),
    [element, around],
  );
  const drawnId = finding?.id ?? 'none';
  const ofFinding = useMemo(() => readings.filter(({ findingId }) => findingId === drawnId), [readings, drawnId]);
  const shown = useMemo(() => planReadings(speaker, ofFinding, element.id), [speaker, ofFinding, element.id]);

  /** What is drawn as the core measures it, with what is typed so far; null until that can be read. */
  const inputFor = (points: readonly Point[]): FindingInput | null => {
    try {
      const values = { ...getValues(), corners: [...points], by: 'corners' as const };
      const row = {
        ...wireOfFinding(speaker, values, { element, jobId: view.job.id, label, joints: jointsOn(view.data, element.id) }),
        id: finding?.id ?? 'drawn',
        version: 0,
        changed: 0,
        removed: false,
      };
      return findingInputOf(row as RowOf<'finding'>, ofFinding, element.geometry.openings)[0] ?? null;
    } catch (error) {
      // Not yet whole, or crossing itself: there is nothing to measure.
      if (error instanceof FieldProblem || error instanceof Problem) return null;
      throw error;
    }
  };
  /** The figures of a draft: what is typed is read once for each rest of the finger, the take-off at every move. */
  const prepare = (rested: readonly Point[]) => {
    const base = inputFor(rested);
    return (points: readonly Point[]): string => {
      const input = base ? kindOf(base).movedTo(base, points) : inputFor(points);
      if (!input) return say(speaker, 'walk.corners', { count: points.length });
      try {
        const { area_m2, volume, length_m } = takeOffOf(input);
        const { text: much, range } = volumeText(speaker, volume);
        return `${length_m === null ? printFigure(speaker, 'area_m2', area_m2) : printFigure(speaker, 'length_m', length_m)}, ${much} (${range})`;
      } catch (error) {
        if (error instanceof Problem) return say(speaker, 'walk.corners', { count: points.length });
        throw error;
      }
    };
  };

  const joints = useMemo(() => jointsOn(view.data, element.id), [view.data, element.id]);
  const drawnCorners = form.watch('corners');
  const [wide, deep] = form.watch(['length', 'width']);
  const points = useMemo(() => {
    if (way === 'whole') return element.geometry.outline;
    if (way === 'corners') return drawnCorners;
    return sizedOutline(speaker, { length: wide, width: deep });
  }, [way, element, drawnCorners, wide, deep, speaker]);

  const field = { control, label, onSubmit: save };
  const typed = typedKind(kind);
  const ways = waysOf(kind, element);
  const { flight } = element.geometry;
  const evened = flight && kind === 'step' ? evenedText(speaker, flight, form.watch(['stepNumber', 'steps'])) : null;
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: <Answer size="number">{say(speaker, finding ? 'walk.editFinding' : 'walk.findingTitle', { label })}</Answer>,
        body: (
          <View className="gap-4">
            {finding ? null : picking ? (
              <ChoiceField
                {...field}
                name="kind"
                word="walk.whatKind"
                values={PLAN_KINDS}
                valueWords="walk.kinds"
                onChosen={(chosen) => {
                  // The plan comes up where the kinds were.
                  setPicking(false);
                  setValue('by', waysOf(chosen, element)[0] ?? 'corners');
                }}
              />
            ) : (
              <Button label={say(speaker, 'walk.kindIs', { what: say(speaker, `walk.kinds.${kind}`) })} onPress={() => setPicking(true)} />
            )}
            {ways.length > 0 ? (
              <ChoiceField {...field} name="by" word="walk.byHow" values={ways} valueWords="walk.by" labelHidden onChosen={() => setPicking(false)} />
            ) : null}
            {way === 'whole' ? null : way === 'face' ? (
              <OnFace {...field} kind={kind} />
            ) : way === 'corners' ? (
              <DrawPlan key={kind} element={element} draft={draft} kind={kind} others={others} corners={corners} readings={shown} prepare={prepare} />
            ) : (
              <>
                {flight ? <OnFace {...field} kind={kind} /> : null}
                <View className="flex-row gap-2">
                  <FigureField {...field} name="length" word="walk.length" />
                  <FigureField {...field} name="width" word="walk.width" />
                </View>
                <View className="flex-row gap-2">
                  <FigureField {...field} name="fromLeft" word="walk.from" empty={say(speaker, 'walk.middle')} />
                  <FigureField {...field} name="fromTop" word="walk.fromTop" empty={say(speaker, 'walk.middle')} />
                </View>
              </>
            )}
            {cornerFault ? (
              <View role="alert">
                <T tone="stop">{cornerFault}</T>
              </View>
            ) : null}
            {typed ? <typed.Fields {...field} points={points} joints={joints} onGauge={() => setGauge(true)} /> : null}
            {evened ? (
              <Button
                label={say(speaker, 'walk.flight.even', { even_m: evened.even_m })}
                onPress={() => setValue('rise', evened.text, { shouldDirty: true, shouldValidate: true })}
              />
            ) : null}
            {!flight && element.kind === 'step' && ON_STEP.includes(kind) ? <OnFace {...field} kind="mark" /> : null}
            {typed ? <ChoiceField {...field} name="phase" word="walk.phase" values={PHASES} valueWords="walk.phases" /> : null}
            <View className="flex-row">
              <FormField control={control} name="note" label={say(speaker, 'walk.note')} onSubmit={save} />
            </View>
            {gauge ? (
              <GaugeCard
                onPick={(picked) => {
                  setValue('opening', picked, { shouldDirty: true });
                  setGauge(false);
                }}
                onClose={() => setGauge(false)}
              />
            ) : null}
          </View>
        ),
        foot: <SaveOrCancel onSave={save} onCancel={() => (form.clear(), onDone())} />,
      }}
    />
  );
}

/** Which step, counted from the bottom, and which face of it where the kind does not say that itself. */
function OnFace({ kind, ...field }: FindingFieldProps & { kind: PlanKind | 'mark' }) {
  const speaker = useSpeaker();
  const { control, onSubmit } = field;
  return (
    <View className="gap-2">
      <View className="flex-row">
        <FormField control={control} name="stepNumber" label={say(speaker, 'walk.stepNumber')} onSubmit={onSubmit} />
      </View>
      {kind === 'edge' || kind === 'step' ? null : (
        <ChoiceField
          {...field}
          name="stepFace"
          word="walk.stepFace"
          values={kind === 'mark' ? STEP_FACES : STEP_FACES.filter((face) => face !== 'nosing')}
          valueWords="walk.stepFaces"
        />
      )}
    </View>
  );
}

/** Where a sent property is typed. */
function fieldOf(kind: PlanKind, [, property = '', nth = '0']: readonly string[]): FieldPath<FindingText> {
  if (property === 'holes') return `holes.${Number(nth)}.left`;
  if (property === 'radii') return `radii.${Number(nth)}`;
  const fields: Readonly<Partial<Record<string, keyof FindingText>>> = { note: 'note', ...typedKind(kind)?.fieldOf };
  return fields[property] ?? 'deepest';
}
