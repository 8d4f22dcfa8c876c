import { textOf } from '@tufa/words/survey';
import { measuredOf } from '../../parts/ui/quantityText';
import { Figures } from './Figures';
import type { TypedKind } from './TypedKind';

/** A wedge: how far it runs and how high it rises. */
export const wedge: TypedKind<'wedge'> = {
  ways: [],
  read: null,
  fieldOf: { run: 'run', rise: 'rise' },
  textOf: (speaker, { run, rise }) => ({ run: textOf(speaker, run, 'length'), rise: textOf(speaker, rise, 'length') }),
  wireOf: ({ speaker, values }) => ({
    run: measuredOf(speaker, { field: 'run', text: values.run, as: 'side', limit: 'side_m' }),
    rise: measuredOf(speaker, { field: 'rise', text: values.rise, as: 'depth', limit: 'depth_m' }),
  }),
  Fields: ({ onGauge: _onGauge, ...field }) => (
    <Figures
      {...field}
      row={[
        ['run', 'walk.run'],
        ['rise', 'walk.rampRise'],
      ]}
    />
  ),
};
