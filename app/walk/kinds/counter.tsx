import { COUNTER_SIDES, sideLength } from '@tufa/contract/kinds/counter';
import type { CounterProperties } from '@tufa/contract/kinds/counter';
import type { Point } from '@tufa/core/takeoff';
import { printFigure, say } from '@tufa/words';
import { textOf } from '@tufa/words/survey';
import { Controller, useFieldArray, useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { useSpeaker } from '../../parts/phone/speaker';
import { Word } from '../../parts/ui/Button';
import { Choice } from '../../parts/ui/Choice';
import { FormField } from '../../parts/ui/FormField';
import { measuredOf } from '../../parts/ui/quantityText';
import { T } from '../../parts/ui/T';
import { ChoiceField } from '../findingFields';
import type { CounterSide, FindingText } from '../TypedFinding';
import { Figures } from './Figures';
import type { KindFieldProps, TypedKind } from './TypedKind';

/** Which corners a side lies between, as people count them. */
const sideName = (i: number, of: number): string => `${i + 1}-${((i + 1) % of) + 1}`;

/** A front that was told by its length alone: the side that is nearest to it, the last of two alike, as a plan has its front below. */
function frontOf(points: readonly Point[], length_m: number): CounterSide[] {
  const off = points.map((_, i) => Math.abs(sideLength(points, i) - length_m));
  const front = off.findLastIndex((by) => by <= Math.min(...off) + 1e-9);
  return points.map((_, i) => (i === front ? 'dropped' : 'plain'));
}

/** Only what differs from a plain square-cornered top is sent of its sides. */
function shapeOf(typed: Parameters<TypedKind<'counter'>['wireOf']>[0]): Partial<CounterProperties> & Pick<CounterProperties, 'dropped'> {
  const { speaker, values, points = [] } = typed;
  const depth = (field: string, text: string) => measuredOf(speaker, { field, text, as: 'depth', limit: 'depth_m' });
  const sides = points.map((_, i): CounterSide => values.sides[i] ?? 'plain');
  const dropped = sides.flatMap((side, i) => (side === 'dropped' ? [sideLength(points, i)] : []));
  const length_m = dropped.reduce((sum, side_m) => sum + side_m, 0);
  const radii = values.radii
    .slice(0, points.length)
    .flatMap((text, corner) => (text.trim() === '' ? [] : [{ corner, radius: depth(`radii.${corner}`, text) }]));
  const taped = (i: number, name: 'left' | 'top') =>
    measuredOf(speaker, { field: `holes.${i}.${name}`, text: values.holes[i]![name], as: 'side', limit: 'side_m' });
  return {
    dropped: length_m > 0 ? { length: { value: length_m, source: 'typed' }, across: depth('across', values.across), down: depth('down', values.down) } : null,
    ...(sides.some((side) => side !== 'plain') ? { sides } : {}),
    ...(sides.includes('splash') ? { splash: { height: depth('splashHeight', values.splashHeight), thick: depth('splashThick', values.splashThick) } } : {}),
    ...(radii.length > 0 ? { radii } : {}),
    ...(values.holes.length > 0
      ? { holes: values.holes.map(({ across }, i) => ({ left: taped(i, 'left'), top: taped(i, 'top'), across: depth(`holes.${i}.across`, across) })) }
      : {}),
  };
}

/** A countertop: how thick, what each side and corner is, its tap holes. */
export const counter: TypedKind<'counter'> = {
  ways: ['whole', 'sizes', 'corners'],
  read: null,
  fieldOf: { thickness: 'layer', dropped: 'down', splash: 'splashHeight', radii: 'radii', holes: 'holes' },
  textOf: (speaker, { thickness, dropped, cast, sides, splash, radii = [], holes = [] }, points) => ({
    made: cast ? 'cast' : 'laid',
    layer: textOf(speaker, thickness, 'length'),
    sides: sides ? [...sides] : dropped ? frontOf(points, dropped.length.value) : [],
    ...(dropped ? { across: textOf(speaker, dropped.across, 'length'), down: textOf(speaker, dropped.down, 'length') } : {}),
    ...(splash ? { splashHeight: textOf(speaker, splash.height, 'length'), splashThick: textOf(speaker, splash.thick, 'length') } : {}),
    radii: radii.reduce<string[]>((texts, { corner, radius }) => {
      while (texts.length < corner) texts.push('');
      texts[corner] = textOf(speaker, radius, 'length');
      return texts;
    }, []),
    holes: holes.map(({ left, top, across }) => ({
      left: textOf(speaker, left, 'length'),
      top: textOf(speaker, top, 'length'),
      across: textOf(speaker, across, 'length'),
    })),
  }),
  wireOf: (typed) => ({
    thickness: measuredOf(typed.speaker, { field: 'layer', text: typed.values.layer, as: 'depth', limit: 'counter_m' }),
    ...(typed.values.made === 'cast' ? { cast: true } : {}),
    ...shapeOf(typed),
  }),
  Fields({ onGauge: _onGauge, points, joints: _joints, ...field }) {
    const sides = useWatch({ control: field.control, name: 'sides' });
    const shown = sides.slice(0, points.length);
    return (
      <>
        <ChoiceField {...field} name="made" word="walk.made" values={['laid', 'cast']} valueWords="walk.madeIs" />
        <Figures {...field} row={[['layer', 'walk.layer']]} />
        <Sides {...field} points={points} />
        {shown.includes('dropped') ? (
          <Figures
            {...field}
            row={[
              ['across', 'walk.dropAcross'],
              ['down', 'walk.dropDown'],
            ]}
          />
        ) : null}
        {shown.includes('splash') ? (
          <Figures
            {...field}
            row={[
              ['splashHeight', 'walk.top.splashHeight'],
              ['splashThick', 'walk.top.splashThick'],
            ]}
          />
        ) : null}
        <TapHoles {...field} />
      </>
    );
  },
};

type Shared = Pick<KindFieldProps, 'control' | 'label' | 'onSubmit'>;

/** Each side with what it is, each corner with how round it is. */
function Sides({ control, onSubmit, points }: Shared & Pick<KindFieldProps, 'points'>) {
  const speaker = useSpeaker();
  return (
    <>
      {points.map((_, i) => (
        <View key={i} className="gap-2 border-l-4 border-edge pl-3">
          <Controller
            control={control}
            name="sides"
            render={({ field }) => (
              <Choice
                label={say(speaker, 'walk.top.side', { side: sideName(i, points.length), length: printFigure(speaker, 'side_m', sideLength(points, i)) })}
                options={COUNTER_SIDES.map((value) => ({ value: value as CounterSide, label: say(speaker, `walk.top.sideIs.${value}`) }))}
                value={field.value[i] ?? 'plain'}
                onChange={(value) => field.onChange(points.map((__, j) => (j === i ? value : (field.value[j] ?? 'plain'))))}
              />
            )}
          />
          <View className="flex-row">
            <FormField
              control={control}
              name={`radii.${i}` as `radii.0`}
              label={say(speaker, 'walk.top.radius', { corner: String(i + 1) })}
              placeholder={say(speaker, 'walk.top.square')}
              as="depth"
              onSubmit={onSubmit}
            />
          </View>
        </View>
      ))}
    </>
  );
}

/** Round holes for taps, each from the left and from the back to its middle. */
function TapHoles({ control, onSubmit }: Shared) {
  const speaker = useSpeaker();
  const { fields, append, remove } = useFieldArray({ control, name: 'holes' });
  const text = (name: `holes.${number}.${keyof FindingText['holes'][number]}`, label: string, as: 'side' | 'depth') => (
    <FormField control={control} name={name} label={label} as={as} onSubmit={onSubmit} />
  );
  return (
    <>
      {fields.map((field, i) => (
        <View key={field.id} className="gap-2 border-l-4 border-edge pl-3" role="group" aria-label={say(speaker, 'walk.top.hole', { n: String(i + 1) })}>
          <View className="flex-row items-center justify-between">
            <T as="strong">{say(speaker, 'walk.top.hole', { n: String(i + 1) })}</T>
            <Word
              label={say(speaker, 'walk.remove')}
              hint={`${say(speaker, 'walk.remove')} ${say(speaker, 'walk.top.hole', { n: String(i + 1) })}`}
              onPress={() => remove(i)}
            />
          </View>
          <View className="flex-row gap-2">
            {text(`holes.${i}.left`, say(speaker, 'walk.from'), 'side')}
            {text(`holes.${i}.top`, say(speaker, 'walk.top.fromBack'), 'side')}
            {text(`holes.${i}.across`, say(speaker, 'walk.top.wide'), 'depth')}
          </View>
        </View>
      ))}
      <Word label={say(speaker, 'walk.top.addHole')} onPress={() => append({ left: '', top: '', across: '' })} />
    </>
  );
}
