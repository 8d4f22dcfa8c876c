import { SHAPES } from '@tufa/core/takeoff';
import { say } from '@tufa/words';
import { textOf } from '@tufa/words/survey';
import { useWatch } from 'react-hook-form';
import { useSpeaker } from '../../parts/phone/speaker';
import { ChoiceField } from '../findingFields';
import { depthTyped } from './depthTyped';
import { Figures } from './Figures';
import type { TypedKind } from './TypedKind';

/** A spall: how deep, of what shape, with what rim. */
export const spall: TypedKind<'spall'> = {
  ways: ['sizes', 'corners'],
  read: 'depth',
  fieldOf: { deepest: 'deepest', cutDepth: 'cutDepth' },
  textOf: (speaker, { deepest, shape, edge, cutDepth }) => ({
    deepest: textOf(speaker, deepest, 'length'),
    shape,
    edge,
    cutDepth: cutDepth ? textOf(speaker, cutDepth, 'length') : '',
  }),
  wireOf(typed) {
    const { shape, edge, cutDepth } = typed.values;
    const cut = edge === 'cut' && cutDepth.trim() !== '' ? { cutDepth: depthTyped(typed, 'cutDepth') } : {};
    return { deepest: depthTyped(typed, 'deepest'), shape, edge, ...cut };
  },
  Fields({ onGauge: _onGauge, points: _points, joints: _joints, ...field }) {
    const speaker = useSpeaker();
    const edge = useWatch({ control: field.control, name: 'edge' });
    return (
      <>
        <Figures {...field} row={[['deepest', 'walk.deepest']]} />
        <ChoiceField {...field} name="shape" word="walk.shape" values={SHAPES} valueWords="word.shape" />
        <ChoiceField {...field} name="edge" word="walk.edge" values={['cut', 'feathered']} valueWords="word.edge" />
        {edge === 'cut' ? <Figures {...field} row={[['cutDepth', 'walk.cutDepth', say(speaker, 'walk.shallowest')]]} /> : null}
      </>
    );
  },
};
