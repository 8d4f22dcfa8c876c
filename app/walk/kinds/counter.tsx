import { say } from '@tufa/words';
import { textOf } from '@tufa/words/survey';
import { useWatch } from 'react-hook-form';
import { useSpeaker } from '../../parts/phone/speaker';
import { measuredOf } from '../../parts/ui/quantityText';
import { ChoiceField } from '../findingFields';
import { Figures } from './Figures';
import type { TypedKind } from './TypedKind';

/** A countertop: how thick, and its front where that hangs lower. */
export const counter: TypedKind<'counter'> = {
  ways: ['whole', 'sizes', 'corners'],
  read: null,
  fieldOf: { thickness: 'layer', dropped: 'dropLength' },
  textOf: (speaker, { thickness, dropped, cast }) => ({
    made: cast ? 'cast' : 'laid',
    layer: textOf(speaker, thickness, 'length'),
    ...(dropped
      ? {
          dropLength: textOf(speaker, dropped.length, 'length'),
          across: textOf(speaker, dropped.across, 'length'),
          down: textOf(speaker, dropped.down, 'length'),
        }
      : {}),
  }),
  wireOf({ speaker, values }) {
    const thickness = measuredOf(speaker, { field: 'layer', text: values.layer, as: 'depth', limit: 'counter_m' });
    const cast = values.made === 'cast' ? { cast: true } : {};
    if (values.dropLength.trim() === '') return { thickness, ...cast, dropped: null };
    const part = (field: 'across' | 'down') => measuredOf(speaker, { field, text: values[field], as: 'depth', limit: 'depth_m' });
    const length = measuredOf(speaker, { field: 'dropLength', text: values.dropLength, as: 'side', limit: 'side_m' });
    return { thickness, ...cast, dropped: { length, across: part('across'), down: part('down') } };
  },
  Fields({ onGauge: _onGauge, ...field }) {
    const speaker = useSpeaker();
    const dropLength = useWatch({ control: field.control, name: 'dropLength' });
    return (
      <>
        <ChoiceField {...field} name="made" word="walk.made" values={['laid', 'cast']} valueWords="walk.madeIs" />
        <Figures {...field} row={[['layer', 'walk.layer']]} />
        <Figures {...field} row={[['dropLength', 'walk.dropLength', say(speaker, 'walk.noDrop')]]} />
        {dropLength.trim() === '' ? null : (
          <Figures
            {...field}
            row={[
              ['across', 'walk.dropAcross'],
              ['down', 'walk.dropDown'],
            ]}
          />
        )}
      </>
    );
  },
};
