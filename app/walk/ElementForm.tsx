import type { ElementFields, RowOf } from '@tufa/contract/entities';
import { FIELDS } from '@tufa/contract/schemas';
import { EXPOSURES, MOISTURES, type Exposure, type Moisture } from '@tufa/core/shelf';
import { ELEMENT_KINDS, type ElementKind } from '@tufa/core/survey';
import { UNKNOWN } from '@tufa/contract/assemble';
import type { Measured } from '@tufa/core/quantity';
import { rectangle } from '@tufa/core/takeoff';
import { say } from '@tufa/words';
import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write } from '../outbox/useFirm';
import { Button } from '../parts/Button';
import { Choice, Several } from '../parts/Choice';
import type { Typed } from '../keypad/entries';
import { Field } from '../parts/Field';
import { QuantityField } from '../parts/QuantityField';
import { measuredOf, readTyped, textOf } from '../parts/quantityText';
import { StepLayout } from '../parts/StepScreen';
import { Answer } from '../parts/T';
import { useWireForm } from '../parts/useWireForm';
import type { JobView } from '../parts/useJob';

interface ElementText {
  name: string;
  kind: ElementKind;
  length: string;
  width: string;
  thickness: string;
  suspended: 'yes' | 'no';
  exposures: Exposure[];
  moisture: Moisture;
  opensTo: 'foot' | 'vehicles' | 'nobody';
  opensAfter: string;
}

/** What is looked at: name, kind, sizes, exposure, when it must be open. */
export function ElementForm({ view, element, onDone }: { view: JobView; element: RowOf<'element'> | undefined; onDone: () => void }) {
  const opens = element?.properties.opens;
  const form = useWireForm<ElementText>({
    name: `element ${element?.id ?? view.job.id}`,
    initial: {
      name: element?.name ?? '',
      kind: element?.kind ?? 'slab',
      length: element?.geometry.typed?.['length'] ?? '',
      width: element?.geometry.typed?.['width'] ?? '',
      thickness: element ? textOf(element.geometry.thickness, 'length') : '',
      suspended: element?.properties.suspended ? 'yes' : 'no',
      exposures: [...(element?.properties.exposures ?? [])],
      moisture: element?.properties.moisture ?? 'dry',
      opensTo: opens?.to ?? 'nobody',
      opensAfter: opens?.typed ?? '',
    },
    wire: {
      schema: FIELDS.element,
      toWire: (values) => {
        const length_m = readTyped({ field: 'length', text: values.length, as: 'side', limit: 'side_m' });
        const width_m = readTyped({ field: 'width', text: values.width, as: 'side', limit: 'side_m' });
        return {
          jobId: view.job.id,
          name: values.name,
          kind: values.kind,
          geometry: {
            outline: rectangle({ length_m, width_m }),
            thickness: measuredOf({ field: 'thickness', text: values.thickness, as: 'depth', limit: 'thickness_m', unknown: UNKNOWN.thickness }),
            typed: { length: values.length.trim(), width: values.width.trim() },
          },
          properties: {
            suspended: values.suspended === 'yes',
            exposures: values.exposures,
            moisture: values.moisture,
            opens:
              values.opensTo === 'nobody'
                ? null
                : {
                    to: values.opensTo,
                    after_s: readTyped({ field: 'opensAfter', text: values.opensAfter, as: 'opens', limit: 'opens_s' }),
                    typed: values.opensAfter.trim(),
                  },
          },
          stops: element?.stops ?? {},
        };
      },
      fieldOf: (path) => (path.startsWith('geometry') ? { field: 'length', kind: 'length' } : { field: path.split('.')[0] as keyof ElementText }),
    },
  });
  const save = form.submit(async (wire) => {
    const { name, kind, geometry, properties, ...rest } = wire as ElementFields;
    await write(
      element
        ? change('element', 'change', element.id, { name, kind, geometry, properties })
        : change('element', 'add', uuid(), { name, kind, geometry, properties, ...rest }),
    );
    onDone();
  });
  const text = (name: FieldPath<ElementText>, label: string, as?: Typed) => (
    <TextOf
      control={form.control}
      name={name}
      label={label}
      {...(as ? { as } : {})}
      {...(name === 'thickness' ? { unknown: UNKNOWN.thickness } : {})}
      onSubmit={() => void save()}
    />
  );
  const opensTo = form.watch('opensTo');
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: <Answer size="number">{element ? say('walk.editElement', { name: element.name }) : say('walk.elementTitle')}</Answer>,
        body: (
          <View className="gap-4">
            {text('name', say('walk.name'))}
            <Controller
              control={form.control}
              name="kind"
              render={({ field }) => (
                <Choice
                  label={say('walk.kind')}
                  options={ELEMENT_KINDS.map((value) => ({ value, label: say(`word.kind.${value}`) }))}
                  value={field.value}
                  onChange={field.onChange}
                />
              )}
            />
            <View className="flex-row gap-2">
              {text('length', say('walk.length'), 'side')}
              {text('width', say('walk.width'), 'side')}
              {text('thickness', say('walk.thickness'), 'depth')}
            </View>
            <Controller
              control={form.control}
              name="suspended"
              render={({ field }) => (
                <Choice
                  label={say('walk.suspended')}
                  options={[
                    { value: 'no' as const, label: say('walk.onGround') },
                    { value: 'yes' as const, label: say('walk.suspended') },
                  ]}
                  value={field.value}
                  onChange={field.onChange}
                />
              )}
            />
            <Controller
              control={form.control}
              name="moisture"
              render={({ field }) => (
                <Choice
                  label={say('walk.moisture')}
                  options={MOISTURES.map((value) => ({ value, label: say(`word.is.${value}`) }))}
                  value={field.value}
                  onChange={field.onChange}
                />
              )}
            />
            <Controller
              control={form.control}
              name="exposures"
              render={({ field }) => (
                <Several
                  label={say('walk.exposure')}
                  options={EXPOSURES.map((value) => ({ value, label: say(`word.exposure.${value}`) }))}
                  values={field.value}
                  onChange={field.onChange}
                />
              )}
            />
            <Controller
              control={form.control}
              name="opensTo"
              render={({ field }) => (
                <Choice
                  label={say('walk.opens')}
                  options={[
                    { value: 'nobody' as const, label: say('walk.opensNobody') },
                    { value: 'foot' as const, label: say('word.to.foot') },
                    { value: 'vehicles' as const, label: say('word.to.vehicles') },
                  ]}
                  value={field.value}
                  onChange={field.onChange}
                />
              )}
            />
            {opensTo === 'nobody' ? null : text('opensAfter', say('walk.opensAfter'), 'opens')}
          </View>
        ),
        foot: <SaveOrCancel onSave={() => void save()} onCancel={() => (form.clear(), onDone())} />,
      }}
    />
  );
}

/** One field of a form, bound: for a figure where `as` says which, for text else. */
export function TextOf<V extends FieldValues>({
  control,
  name,
  label,
  placeholder,
  as,
  unknown,
  onSubmit,
}: {
  control: Control<V>;
  name: FieldPath<V>;
  label: string;
  placeholder?: string;
  as?: Typed;
  /** what *don't know* stands for here, where the work can go on without the figure */
  unknown?: Measured;
  onSubmit: () => void;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => {
        const shared = {
          label,
          value: String(field.value ?? ''),
          onChange: field.onChange,
          onBlur: field.onBlur,
          fault: fieldState.error?.message,
          placeholder: placeholder ?? '',
        };
        if (!as) return <Field {...shared} onSubmit={onSubmit} />;
        const word = say('keypad.unknown');
        const cost =
          unknown && shared.value === word
            ? say('keypad.cost', { taken_m: unknown.value, percent: String(Math.round((unknown.spread ?? 0) * 100)) })
            : undefined;
        return <QuantityField {...shared} as={as} hint={cost} onDontKnow={unknown ? () => field.onChange(word) : null} />;
      }}
    />
  );
}

export function SaveOrCancel({ onSave, onCancel }: { onSave: () => void; onCancel: () => void }) {
  return (
    <View className="flex-row gap-3">
      <Button label={say('walk.cancel')} onPress={onCancel} />
      <Button label={say('walk.save')} tone="act" grow onPress={onSave} />
    </View>
  );
}
