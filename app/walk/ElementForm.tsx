import type { ElementFields, FindingFields, RowOf } from '@tufa/contract/entities';
import { MATERIALS } from '@tufa/contract/entities';
import { EXPOSURES, MOISTURES, TEXTURES } from '@tufa/core/shelf';
import { ANSWERS, COUNTER_FLOORS, COUNTER_ON, EARLIER, ELEMENT_KINDS, WATER_ACCESS } from '@tufa/core/survey';
import { shelfOf, UNKNOWN } from '@tufa/contract/assemble';
import { say, sayCoded } from '@tufa/words';
import { useState } from 'react';
import { Controller, useFieldArray, type FieldPath } from 'react-hook-form';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Choice, Several } from '../parts/ui/Choice';
import type { Typed } from '../keypad/entries';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { FormField } from '../parts/ui/FormField';
import { StepLayout } from '../parts/job/StepScreen';
import { Answer, T } from '../parts/ui/T';
import { useWireForm } from '../parts/ui/useWireForm';
import type { JobView } from '../parts/job/useJob';
import { copyOfElement } from './copies';
import { NOTCHES, SUNS, textOfElement, wireOfElement, type ElementText } from './elementText';
import { FlightFields } from './FlightFields';
import { TapedShape } from './TapedShape';
import { leftBehind, movedFindings } from './wholeFindings';
import { useSpeaker } from '../parts/phone/speaker';

/** What is looked at: name, kind, shape and sizes, what it is made of and must endure, when it must be open. */
export function ElementForm({ view, element, onDone }: { view: JobView; element: RowOf<'element'> | undefined; onDone: () => void }) {
  const speaker = useSpeaker();
  const [more, setMore] = useState(false);
  const form = useWireForm<ElementText>({
    name: `element ${element?.id ?? view.job.id}`,
    row: element,
    initial: textOfElement(speaker, element),
    wire: {
      entity: 'element',
      toWire: (values) => {
        const wired = wireOfElement(speaker, values, view.job.id);
        const lost = element ? leftBehind(view.data, element, wired.geometry) : undefined;
        if (lost) throw new FieldProblem('flightCount', say(speaker, 'walk.flight.stepUsed', { label: lost.label }));
        return { ...wired, stops: element?.stops ?? {} };
      },
      fieldOf: (path) => fieldOf(path),
    },
  });
  const { control } = form;
  const openings = useFieldArray({ control, name: 'openings' });
  const save = form.submit(async (wire, seen) => {
    const { name, kind, geometry, properties, ...rest } = wire as ElementFields;
    const changes = element
      ? [
          change('element', 'change', element.id, { name, kind, geometry, properties }, seen),
          ...movedFindings(view.data, element, geometry).map(({ finding: { id, kind: what, properties: said }, points }) =>
            change('finding', 'change', id, { kind: what, outline: { points }, properties: said } as Partial<FindingFields>),
          ),
        ]
      : [change('element', 'add', uuid(), { name, kind, geometry, properties, ...rest })];
    await write(...changes);
    onDone();
  });
  const copy = async (): Promise<void> => {
    if (!element) return;
    await write(...copyOfElement(view.data, element, say(speaker, 'walk.copyOf', { name: element.name })));
    onDone();
  };
  const text = (name: FieldPath<ElementText>, label: string, as?: Typed, placeholder = '') => (
    <FormField
      control={control}
      name={name}
      label={label}
      placeholder={placeholder}
      as={as}
      unknown={name === 'thickness' ? UNKNOWN.thickness : undefined}
      onSubmit={() => void save()}
    />
  );
  const choice = (
    name: keyof ElementText,
    label: string,
    values: readonly string[],
    word: string,
    open?: string,
    onChosen: (value: string) => void = () => undefined,
  ) => (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <Choice
          label={label}
          options={values.map((value) => ({ value, label: sayCoded(speaker, `${word}.${value}`) }))}
          value={(field.value as string) || null}
          {...(open ? { open } : {})}
          onChange={(value) => (field.onChange(value), onChosen(value))}
        />
      )}
    />
  );
  const [shape, kind, opensTo, water, standOn] = form.watch(['shape', 'kind', 'opensTo', 'waterLevel', 'standOn']);
  const upright = kind === 'wall';
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: <Answer size="number">{element ? say(speaker, 'walk.editElement', { name: element.name }) : say(speaker, 'walk.elementTitle')}</Answer>,
        body: (
          <View className="gap-4">
            {text('name', say(speaker, 'walk.name'))}
            {choice('kind', say(speaker, 'walk.kind'), ELEMENT_KINDS, 'word.kind', undefined, (chosen) => {
              // Steps are a flight; nothing else is.
              if (chosen === 'step' && !element) form.setValue('shape', 'flight');
              if (chosen !== 'step' && form.getValues('shape') === 'flight') form.setValue('shape', 'rectangle');
            })}
            {choice('shape', say(speaker, 'walk.elementShape'), kind === 'step' ? SHAPES : SHAPES.slice(1), 'walk.shapes')}
            {shape === 'flight' ? (
              <>
                <FlightFields form={form} text={text} choice={choice} />
                <View className="flex-row">{text('thickness', say(speaker, 'walk.thickness'), 'depth')}</View>
              </>
            ) : shape === 'polygon' ? (
              <>
                <TapedShape form={form} />
                <View className="flex-row">{text('thickness', say(speaker, 'walk.thickness'), 'depth')}</View>
              </>
            ) : (
              <View className="flex-row gap-2">
                {text('length', say(speaker, 'walk.length'), 'side')}
                {text('width', say(speaker, upright ? 'walk.height' : 'walk.width'), 'side')}
                {text('thickness', say(speaker, 'walk.thickness'), 'depth')}
              </View>
            )}
            {shape === 'ell' ? (
              <View className="gap-4">
                <View className="flex-row gap-2">
                  {text('notchLength', say(speaker, 'walk.notchLength'), 'side')}
                  {text('notchWidth', say(speaker, 'walk.notchWidth'), 'side')}
                </View>
                {choice('notch', say(speaker, 'walk.notch'), NOTCHES, 'walk.notches')}
              </View>
            ) : null}
            {openings.fields.map((field, i) => (
              <View key={field.id} className="gap-2 border-l-4 border-edge pl-3" role="group" aria-label={say(speaker, 'walk.opening', { n: String(i + 1) })}>
                <View className="flex-row items-center justify-between">
                  <T as="strong">{say(speaker, 'walk.opening', { n: String(i + 1) })}</T>
                  <Word
                    label={say(speaker, 'walk.remove')}
                    hint={`${say(speaker, 'walk.remove')} ${say(speaker, 'walk.opening', { n: String(i + 1) })}`}
                    onPress={() => openings.remove(i)}
                  />
                </View>
                <View className="flex-row gap-2">
                  {text(`openings.${i}.left`, say(speaker, 'walk.from'), 'side')}
                  {text(`openings.${i}.top`, say(speaker, 'walk.fromTop'), 'side')}
                </View>
                <View className="flex-row gap-2">
                  {text(`openings.${i}.width`, say(speaker, 'walk.width'), 'side')}
                  {text(`openings.${i}.height`, say(speaker, 'walk.height'), 'side')}
                </View>
              </View>
            ))}
            <Word label={say(speaker, 'walk.addOpening')} onPress={() => openings.append({ left: '', top: '', width: '', height: '' })} />
            <Controller
              control={control}
              name="suspended"
              render={({ field }) => (
                <Choice
                  label={say(speaker, 'walk.support')}
                  options={[
                    { value: 'no' as const, label: say(speaker, 'walk.onGround') },
                    { value: 'yes' as const, label: say(speaker, 'walk.suspended') },
                  ]}
                  value={field.value || null}
                  open={say(speaker, 'walk.openSupport')}
                  onChange={field.onChange}
                />
              )}
            />
            {kind === 'counter' ? (
              <>
                {choice('standOn', say(speaker, 'walk.stand.on'), COUNTER_ON, 'walk.stand.ons', say(speaker, 'walk.stand.open'))}
                {standOn === '' ? null : (
                  <>
                    {choice('standFloor', say(speaker, 'walk.stand.floor'), COUNTER_FLOORS, 'walk.stand.floors')}
                    {choice('standConfirmed', say(speaker, 'walk.stand.confirmed'), ['no', 'yes'], 'walk.stand.confirmedIs')}
                  </>
                )}
              </>
            ) : null}
            {choice('moisture', say(speaker, 'walk.moisture'), MOISTURES, 'word.is', say(speaker, 'walk.openMoisture'))}
            <Controller
              control={control}
              name="exposures"
              render={({ field }) => (
                <Several
                  label={say(speaker, 'walk.exposure')}
                  options={EXPOSURES.map((value) => ({ value, label: say(speaker, `word.exposure.${value}`) }))}
                  values={field.value}
                  onChange={field.onChange}
                />
              )}
            />
            <Controller
              control={control}
              name="opensTo"
              render={({ field }) => (
                <Choice
                  label={say(speaker, 'walk.opens')}
                  options={[
                    { value: 'nobody' as const, label: say(speaker, 'walk.opensNobody') },
                    { value: 'foot' as const, label: say(speaker, 'word.to.foot') },
                    { value: 'vehicles' as const, label: say(speaker, 'word.to.vehicles') },
                  ]}
                  value={field.value}
                  onChange={field.onChange}
                />
              )}
            />
            {opensTo === 'nobody' ? null : text('opensAfter', say(speaker, 'walk.opensAfter'), 'opens')}
            {choice('earlier', say(speaker, 'walk.earlier'), EARLIER, 'walk.earlierIs', say(speaker, 'walk.openEarlier'))}
            {choice('cause', say(speaker, 'walk.cause'), ANSWERS, 'walk.answers', say(speaker, 'walk.openCause'))}
            {more ? (
              <>
                {choice('material', say(speaker, 'walk.material'), MATERIALS, 'walk.materials')}
                {choice('texture', say(speaker, 'walk.texture'), ['any', ...TEXTURES], 'walk.textures')}
                <Controller
                  control={control}
                  name="colour"
                  render={({ field }) => (
                    <Choice
                      label={say(speaker, 'walk.colour')}
                      options={[
                        { value: '', label: say(speaker, 'walk.colourAny') },
                        ...coloursOf(view, field.value).map((value) => ({ value, label: value })),
                      ]}
                      value={field.value}
                      onChange={field.onChange}
                    />
                  )}
                />
                {choice('sun', say(speaker, 'walk.sun'), SUNS, 'walk.suns')}
                <View className="flex-row gap-2">
                  {text('north', say(speaker, 'walk.north'))}
                  {upright ? text('faces', say(speaker, 'walk.faces')) : null}
                  {text('age', say(speaker, 'walk.age'))}
                </View>
                {upright || shape === 'flight' ? null : (
                  <View className="flex-row gap-2">
                    {text('fall', say(speaker, 'walk.fallSlope'))}
                    {text('fallTowards', say(speaker, 'walk.fallTowards'))}
                  </View>
                )}
                {kind === 'wall' || kind === 'slab' ? (
                  <>
                    <View className="flex-row">
                      {text(
                        'waterLevel',
                        say(speaker, kind === 'wall' ? 'walk.water.levelWall' : 'walk.water.levelFloor'),
                        'side',
                        say(speaker, 'walk.water.none'),
                      )}
                    </View>
                    {water.trim() === '' ? null : choice('waterAccess', say(speaker, 'walk.water.access'), WATER_ACCESS, 'walk.water.accessIs')}
                  </>
                ) : null}
                {text('neighbours', say(speaker, 'walk.neighbours'))}
                {element ? <Button label={say(speaker, 'walk.copyElement')} onPress={() => void copy()} /> : null}
              </>
            ) : (
              <Word label={say(speaker, 'walk.moreElement')} onPress={() => setMore(true)} />
            )}
          </View>
        ),
        foot: <SaveOrCancel onSave={() => void save()} onCancel={() => (form.clear(), onDone())} />,
      }}
    />
  );
}

/** How an element may be told; the first is for steps alone. */
const SHAPES = ['flight', 'rectangle', 'ell', 'polygon'];

/** What the materials on the shelf dry to, and what was chosen from a shelf that has changed since. */
const coloursOf = ({ data }: JobView, chosen: string): string[] =>
  [...new Set([...shelfOf(data).map(({ sheet }) => sheet.colour.dry), ...(chosen ? [chosen] : [])])].sort();

/** Where each sent field is typed. */
function fieldOf(path: string): { field: keyof ElementText; kind?: 'length' } {
  if (path.startsWith('geometry.openings')) return { field: 'openings' };
  if (path.startsWith('geometry.flight.height')) return { field: 'flightHeight', kind: 'length' };
  if (path.startsWith('geometry.flight')) return { field: 'flightRise', kind: 'length' };
  if (path.startsWith('geometry.thickness')) return { field: 'thickness', kind: 'length' };
  if (path.startsWith('geometry')) return { field: 'length', kind: 'length' };
  const [first = '', second = ''] = path.split('.');
  const fields: Readonly<Record<string, keyof ElementText>> = {
    opens: 'opensAfter',
    neighbours: 'neighbours',
    fall: 'fall',
    water: 'waterLevel',
    age_y: 'age',
    sun: 'faces',
  };
  return { field: first === 'properties' ? (fields[second] ?? 'name') : (first as keyof ElementText) };
}

/** What every form of Walk ends with. */
export function SaveOrCancel({ onSave, onCancel }: { onSave: () => void; onCancel: () => void }) {
  const speaker = useSpeaker();
  return (
    <View className="flex-row gap-3">
      <Button label={say(speaker, 'walk.cancel')} onPress={onCancel} />
      <Button label={say(speaker, 'walk.save')} tone="act" grow onPress={onSave} />
    </View>
  );
}
