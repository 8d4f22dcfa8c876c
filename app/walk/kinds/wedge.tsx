import type { WedgeProperties } from '@tufa/contract/kinds/wedge';
import { say } from '@tufa/words';
import { textOf } from '@tufa/words/survey';
import { Controller, useWatch } from 'react-hook-form';
import { useSpeaker } from '../../parts/phone/speaker';
import { Choice } from '../../parts/ui/Choice';
import { measuredOf } from '../../parts/ui/quantityText';
import { Figures } from './Figures';
import type { TypedKind } from './TypedKind';

/** The joint that was chosen; nothing while nobody has said. @throws FieldProblem */
function jointOf({ speaker, values: { beside, jointWidth }, joints = [] }: Parameters<TypedKind<'wedge'>['wireOf']>[0]): Pick<WedgeProperties, 'joint'> {
  if (beside === '') return {};
  if (beside === 'none') return { joint: null };
  const found = joints.find(({ id }) => id === beside);
  if (found) return { joint: { findingId: found.id, label: found.label, width: found.width } };
  return { joint: { findingId: null, label: null, width: measuredOf(speaker, { field: 'jointWidth', text: jointWidth, as: 'depth', limit: 'depth_m' }) } };
}

/** A wedge: how far it runs, how high it rises, and the joint it lies beside. */
export const wedge: TypedKind<'wedge'> = {
  ways: [],
  read: null,
  fieldOf: { run: 'run', rise: 'rise', joint: 'jointWidth' },
  textOf: (speaker, { run, rise, joint }) => ({
    run: textOf(speaker, run, 'length'),
    rise: textOf(speaker, rise, 'length'),
    beside: joint === undefined ? '' : joint === null ? 'none' : (joint.findingId ?? 'other'),
    jointWidth: joint && joint.findingId === null ? textOf(speaker, joint.width, 'length') : '',
  }),
  wireOf: (typed) => ({
    run: measuredOf(typed.speaker, { field: 'run', text: typed.values.run, as: 'side', limit: 'side_m' }),
    rise: measuredOf(typed.speaker, { field: 'rise', text: typed.values.rise, as: 'depth', limit: 'depth_m' }),
    ...jointOf(typed),
  }),
  Fields({ onGauge: _onGauge, points: _points, joints, ...field }) {
    const speaker = useSpeaker();
    const beside = useWatch({ control: field.control, name: 'beside' });
    return (
      <>
        <Figures
          {...field}
          row={[
            ['run', 'walk.run'],
            ['rise', 'walk.rampRise'],
          ]}
        />
        <Controller
          control={field.control}
          name="beside"
          render={({ field: { value, onChange } }) => (
            <Choice
              label={say(speaker, 'walk.wedge.beside')}
              options={[
                { value: 'none', label: say(speaker, 'walk.wedge.none') },
                ...joints.map(({ id, label }) => ({ value: id, label: say(speaker, 'walk.wedge.joint', { label }) })),
                { value: 'other', label: say(speaker, 'walk.wedge.other') },
              ]}
              value={value || null}
              open={say(speaker, 'walk.wedge.open')}
              onChange={onChange}
            />
          )}
        />
        {beside === 'other' ? <Figures {...field} row={[['jointWidth', 'walk.wedge.width']]} /> : null}
      </>
    );
  },
};
