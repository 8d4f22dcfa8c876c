import { say } from '@tufa/words';
import { textOf } from '@tufa/words/survey';
import { useSpeaker } from '../../parts/phone/speaker';
import { Button } from '../../parts/ui/Button';
import { measuredOf } from '../../parts/ui/quantityText';
import { slotTyped } from './depthTyped';
import { Figures } from './Figures';
import type { TypedKind } from './TypedKind';

/** A joint: how wide and deep, and how far to the next where it moves. */
export const joint: TypedKind<'joint'> = {
  ways: [],
  read: null,
  fieldOf: { width: 'opening', depth: 'depth', between: 'between' },
  textOf: (speaker, { width, depth, between }) => ({
    opening: textOf(speaker, width, 'length'),
    depth: textOf(speaker, depth, 'length'),
    between: between ? textOf(speaker, between, 'length') : '',
  }),
  wireOf(typed) {
    const { between } = typed.values;
    return {
      ...slotTyped(typed),
      between: between.trim() === '' ? null : measuredOf(typed.speaker, { field: 'between', text: between, as: 'side', limit: 'side_m' }),
    };
  },
  Fields({ onGauge, ...field }) {
    const speaker = useSpeaker();
    return (
      <>
        <Figures
          {...field}
          row={[
            ['opening', 'walk.jointWidth'],
            ['depth', 'walk.depth'],
          ]}
        />
        <Button label={say(speaker, 'gauge.open')} onPress={onGauge} />
        <Figures {...field} row={[['between', 'walk.between', say(speaker, 'walk.still')]]} />
      </>
    );
  },
};
