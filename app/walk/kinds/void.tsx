import { SHAPES } from '@tufa/core/takeoff';
import { textOf } from '@tufa/words/survey';
import { ChoiceField } from '../findingFields';
import { depthTyped } from './depthTyped';
import { Figures } from './Figures';
import type { TypedKind } from './TypedKind';

/** A void under water: how deep, of what shape. */
export const voidUnderWater: TypedKind<'void'> = {
  ways: ['sizes', 'corners'],
  read: null,
  fieldOf: { deepest: 'deepest' },
  textOf: (speaker, { deepest, shape }) => ({ deepest: textOf(speaker, deepest, 'length'), shape }),
  wireOf: (typed) => ({ deepest: depthTyped(typed, 'deepest'), shape: typed.values.shape }),
  Fields: ({ onGauge: _onGauge, points: _points, joints: _joints, ...field }) => (
    <>
      <Figures {...field} row={[['deepest', 'walk.deepest']]} />
      <ChoiceField {...field} name="shape" word="walk.shape" values={SHAPES} valueWords="word.shape" />
    </>
  ),
};
