import { say } from '@tufa/words';
import { textOf } from '@tufa/words/survey';
import { useSpeaker } from '../../parts/phone/speaker';
import { measuredOf } from '../../parts/ui/quantityText';
import { Figures } from './Figures';
import { SlotFields, slotText, slotTyped } from './slot';
import type { TypedKind } from './TypedKind';

/** A joint: how wide and deep, and how far to the next where it moves. */
export const joint: TypedKind<'joint'> = {
  ways: [],
  read: null,
  fieldOf: { width: 'opening', depth: 'depth', between: 'between' },
  textOf: (speaker, { width, depth, between }) => ({
    ...slotText(speaker, { width, depth }),
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
        <SlotFields {...field} width="walk.jointWidth" onGauge={onGauge} />
        <Figures {...field} row={[['between', 'walk.between', say(speaker, 'walk.still')]]} />
      </>
    );
  },
};
