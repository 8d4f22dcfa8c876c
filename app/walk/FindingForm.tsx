import type { FindingFields, RowOf } from '@tufa/contract/entities';
import { UNKNOWN } from '@tufa/contract/assemble';
import { FIELDS } from '@tufa/contract/schemas';
import { inside, rectangle, SHAPES, type Point, type SpallShape } from '@tufa/core/takeoff';
import { say, printFigure } from '@tufa/words';
import { Controller } from 'react-hook-form';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write } from '../outbox/useFirm';
import { Word } from '../parts/Button';
import { Choice } from '../parts/Choice';
import { measuredOf, readTyped, textOf } from '../parts/quantityText';
import { StepLayout } from '../parts/StepScreen';
import { Answer, T } from '../parts/T';
import { FieldProblem, useWireForm } from '../parts/useWireForm';
import type { JobView } from '../parts/useJob';
import { SaveOrCancel, TextOf } from './ElementForm';
import { PlanView } from './PlanView';

interface FindingText {
  by: 'sizes' | 'corners';
  length: string;
  width: string;
  fromLeft: string;
  fromTop: string;
  corners: Point[];
  deepest: string;
  shape: SpallShape;
  edge: 'cut' | 'feathered';
}

const extent = (outline: readonly Point[]): { length_m: number; width_m: number } => {
  const xs = outline.map(([x]) => x);
  const ys = outline.map(([, y]) => y);
  return { length_m: Math.max(...xs) - Math.min(...xs), width_m: Math.max(...ys) - Math.min(...ys) };
};

/** The outline as typed: sizes and a place, in the middle where none is given. @throws FieldProblem */
function outlineOf(values: FindingText, element: RowOf<'element'>): readonly Point[] {
  if (values.by === 'corners') {
    if (values.corners.length < 3) throw new FieldProblem('corners', say('field.outlineTooShort'));
    return values.corners;
  }
  const whole = extent(element.geometry.outline);
  const side = (field: 'length' | 'width'): number => {
    const value = readTyped({ field, text: values[field], as: 'side', limit: 'side_m' });
    const most = whole[`${field}_m`];
    if (value > most) throw new FieldProblem(field, say('field.tooBig', { most: printFigure('most_m', most) }));
    return value;
  };
  const length_m = side('length');
  const width_m = side('width');
  const place = (field: 'fromLeft' | 'fromTop', room: number): number =>
    values[field].trim() === '' ? room / 2 : values[field].trim() === '0' ? 0 : readTyped({ field, text: values[field], as: 'side', limit: 'side_m' });
  const at: Point = [place('fromLeft', whole.length_m - length_m), place('fromTop', whole.width_m - width_m)];
  if (at[0] + length_m > whole.length_m + 1e-9)
    throw new FieldProblem('fromLeft', say('field.tooBig', { most: printFigure('most_m', whole.length_m - length_m) }));
  if (at[1] + width_m > whole.width_m + 1e-9) throw new FieldProblem('fromTop', say('field.tooBig', { most: printFigure('most_m', whole.width_m - width_m) }));
  return rectangle({ length_m, width_m, at });
}

/** What was typed of an outline, without the fields left empty. */
const typedOf = ({ length, width, fromLeft, fromTop }: FindingText): Record<string, string> =>
  Object.fromEntries(Object.entries({ length, width, fromLeft, fromTop }).flatMap(([name, text]) => (text.trim() === '' ? [] : [[name, text.trim()]])));

/** A spall by sizes or by tapping its corners on the plan; deepest depth, shape of the bottom, edge. */
export function FindingForm({
  view,
  element,
  finding,
  label,
  onDone,
}: {
  view: JobView;
  element: RowOf<'element'>;
  finding: RowOf<'finding'> | undefined;
  label: string;
  onDone: () => void;
}) {
  const typed = finding?.outline.typed;
  const form = useWireForm<FindingText>({
    name: `finding ${finding?.id ?? element.id}`,
    initial: {
      by: finding && !typed ? 'corners' : 'sizes',
      length: typed?.['length'] ?? '',
      width: typed?.['width'] ?? '',
      fromLeft: typed?.['fromLeft'] ?? '',
      fromTop: typed?.['fromTop'] ?? '',
      corners: [...(finding && !typed ? finding.outline.points : [])],
      deepest: finding ? textOf(finding.properties.deepest, 'length') : '',
      shape: finding?.properties.shape ?? 'dish',
      edge: finding?.properties.edge ?? 'cut',
    },
    wire: {
      schema: FIELDS.finding,
      toWire: (values) => ({
        jobId: view.job.id,
        elementId: element.id,
        label,
        kind: 'spall',
        outline: {
          points: outlineOf(values, element),
          ...(values.by === 'sizes' ? { typed: typedOf(values) } : {}),
        },
        properties: {
          deepest: measuredOf({ field: 'deepest', text: values.deepest, as: 'depth', limit: 'depth_m', unknown: UNKNOWN.deepest }),
          shape: values.shape,
          edge: values.edge,
        },
      }),
      fieldOf: (path) => (path.startsWith('outline') ? { field: 'corners' } : { field: 'deepest', kind: 'length' }),
    },
  });
  const save = form.submit(async (wire) => {
    const fields = wire as FindingFields;
    await write(
      finding ? change('finding', 'change', finding.id, { outline: fields.outline, properties: fields.properties }) : change('finding', 'add', uuid(), fields),
    );
    onDone();
  });
  const by = form.watch('by');
  const corners = form.watch('corners');
  const cornerFault = form.formState.errors.corners?.message as string | undefined;
  const tap = ([x, y]: Point): void => {
    // To the millimetre: a thumb is no finer.
    const at: Point = [Math.round(x * 1000) / 1000, Math.round(y * 1000) / 1000];
    if (!inside(at, element.geometry.outline)) {
      form.setError('corners', { type: 'wire', message: say('field.outside') });
      return;
    }
    form.setValue('corners', [...corners, at], { shouldDirty: true });
    form.clearErrors('corners');
  };
  const text = (name: 'length' | 'width' | 'fromLeft' | 'fromTop' | 'deepest', key: string, placeholder = '') => (
    <TextOf
      control={form.control}
      name={name}
      label={say(key)}
      placeholder={placeholder}
      as={name === 'deepest' ? 'depth' : 'side'}
      {...(name === 'deepest' ? { unknown: UNKNOWN.deepest } : {})}
      onSubmit={() => void save()}
    />
  );
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: <Answer size="number">{say(finding ? 'walk.editFinding' : 'walk.findingTitle', { label })}</Answer>,
        body: (
          <View className="gap-4">
            <Controller
              control={form.control}
              name="by"
              render={({ field }) => (
                <Choice
                  label={say('walk.findingTitle', { label })}
                  labelHidden
                  options={[
                    { value: 'sizes' as const, label: say('walk.bySizes') },
                    { value: 'corners' as const, label: say('walk.byCorners') },
                  ]}
                  value={field.value}
                  onChange={field.onChange}
                />
              )}
            />
            {by === 'sizes' ? (
              <>
                <View className="flex-row gap-2">
                  {text('length', 'walk.length')}
                  {text('width', 'walk.width')}
                </View>
                <View className="flex-row gap-2">
                  {text('fromLeft', 'walk.from', say('walk.middle'))}
                  {text('fromTop', 'walk.fromTop', say('walk.middle'))}
                </View>
              </>
            ) : (
              <View className="gap-1">
                <View className="flex-row items-center justify-between">
                  <T as="faint" className="flex-1">
                    {corners.length === 0 ? say('walk.cornersHelp') : say('walk.corners', { count: corners.length })}
                  </T>
                  {corners.length > 0 ? <Word label={say('walk.undoCorner')} onPress={() => form.setValue('corners', corners.slice(0, -1))} /> : null}
                </View>
                <View className="h-[260px] lg:h-[360px]">
                  <PlanView
                    element={element}
                    findings={Object.values(view.data.finding).filter((one) => one.elementId === element.id && !one.removed && one.id !== finding?.id)}
                    drawing={corners}
                    onTap={tap}
                  />
                </View>
              </View>
            )}
            {cornerFault ? <T tone="stop">{cornerFault}</T> : null}
            {text('deepest', 'walk.deepest')}
            <Controller
              control={form.control}
              name="shape"
              render={({ field }) => (
                <Choice
                  label={say('walk.shape')}
                  options={SHAPES.map((value) => ({ value, label: say(`word.shape.${value}`) }))}
                  value={field.value}
                  onChange={field.onChange}
                />
              )}
            />
            <Controller
              control={form.control}
              name="edge"
              render={({ field }) => (
                <Choice
                  label={say('walk.edge')}
                  options={(['cut', 'feathered'] as const).map((value) => ({ value, label: say(`word.edge.${value}`) }))}
                  value={field.value}
                  onChange={field.onChange}
                />
              )}
            />
          </View>
        ),
        foot: <SaveOrCancel onSave={() => void save()} onCancel={() => (form.clear(), onDone())} />,
      }}
    />
  );
}
