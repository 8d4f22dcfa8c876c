import { textOf } from '@tufa/words/survey';
import { measuredOf } from '../../parts/ui/quantityText';
import { ChoiceField } from '../findingFields';
import { Figures } from './Figures';
import type { TypedKind } from './TypedKind';

/** Surface profiles a face may have, as its comparators are numbered. */
const CSPS = Array.from({ length: 10 }, (_, i) => String(i + 1));

/** A skim: how thick, over how rough a face. */
export const skim: TypedKind<'skim'> = {
  ways: ['whole', 'sizes', 'corners'],
  read: null,
  fieldOf: { thickness: 'layer', profile: 'roughness' },
  textOf: (speaker, { thickness, profile }) => ({ layer: textOf(speaker, thickness, 'length'), roughness: String(profile) }),
  wireOf: ({ speaker, values }) => ({
    thickness: measuredOf(speaker, { field: 'layer', text: values.layer, as: 'depth', limit: 'skim_m' }),
    profile: Number(values.roughness),
  }),
  Fields: ({ onGauge: _onGauge, points: _points, joints: _joints, ...field }) => (
    <>
      <Figures {...field} row={[['layer', 'walk.layer']]} />
      <ChoiceField {...field} name="roughness" word="walk.roughness" values={CSPS} />
    </>
  ),
};
