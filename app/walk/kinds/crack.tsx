import { ANSWERS } from '@tufa/core/survey';
import { CRACK_PROFILES } from '@tufa/core/takeoff';
import { say } from '@tufa/words';
import { textOf } from '@tufa/words/survey';
import { useSpeaker } from '../../parts/phone/speaker';
import { measuredOf } from '../../parts/ui/quantityText';
import { ChoiceField } from '../findingFields';
import { Figures } from './Figures';
import { SlotFields, slotText, slotTyped } from './slot';
import type { TypedKind } from './TypedKind';

/** A crack: how wide and deep, whether it moves, whether one side stands higher. */
export const crack: TypedKind<'crack'> = {
  ways: [],
  read: 'width',
  fieldOf: { width: 'opening', depth: 'depth', lip: 'lip' },
  textOf: (speaker, { width, depth, profile, moves, lip }) => ({
    ...slotText(speaker, { width, depth }),
    profile,
    moves,
    lip: lip ? textOf(speaker, lip, 'length') : '',
  }),
  wireOf(typed) {
    const { profile, moves, lip } = typed.values;
    const level = lip.trim() === '' || lip.trim() === '0';
    return { profile, ...slotTyped(typed), moves, lip: level ? null : measuredOf(typed.speaker, { field: 'lip', text: lip, as: 'depth', limit: 'lip_m' }) };
  },
  Fields({ onGauge, ...field }) {
    const speaker = useSpeaker();
    return (
      <>
        <SlotFields {...field} width="walk.crackWidth" onGauge={onGauge} />
        <ChoiceField {...field} name="moves" word="walk.moves" values={ANSWERS} valueWords="walk.movesIs" />
        <Figures {...field} row={[['lip', 'walk.lip', say(speaker, 'walk.none')]]} />
        <ChoiceField {...field} name="profile" word="walk.profile" values={CRACK_PROFILES} valueWords="word.profile" />
      </>
    );
  },
};
