import { SECTIONS } from '@tufa/core/takeoff';
import { textOf } from '@tufa/words/survey';
import { measuredOf } from '../../parts/ui/quantityText';
import { ChoiceField } from '../findingFields';
import { depthTyped } from './depthTyped';
import { Figures } from './Figures';
import type { TypedKind } from './TypedKind';

/** A broken edge: how far in and down, and how it broke. */
export const edge: TypedKind<'edge'> = {
  ways: [],
  read: null,
  fieldOf: { across: 'across', down: 'down' },
  textOf: (speaker, { section, across, down }) => ({ section, across: textOf(speaker, across, 'length'), down: textOf(speaker, down, 'length') }),
  wireOf: (typed) => ({
    section: typed.values.section,
    across: measuredOf(typed.speaker, { field: 'across', text: typed.values.across, as: 'depth', limit: 'depth_m' }),
    down: depthTyped(typed, 'down'),
  }),
  Fields: ({ onGauge: _onGauge, points: _points, joints: _joints, ...field }) => (
    <>
      <Figures
        {...field}
        row={[
          ['across', 'walk.across'],
          ['down', 'walk.down'],
        ]}
      />
      <ChoiceField {...field} name="section" word="walk.section" values={SECTIONS} valueWords="word.section" />
    </>
  ),
};
