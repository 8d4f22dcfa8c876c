import { say } from '@tufa/words';
import { textOf } from '@tufa/words/survey';
import { View } from 'react-native';
import { useSpeaker } from '../../parts/phone/speaker';
import { FieldProblem } from '../../parts/ui/fieldProblem';
import { FormField } from '../../parts/ui/FormField';
import { measuredOf } from '../../parts/ui/quantityText';
import { ChoiceField } from '../findingFields';
import { Figures } from './Figures';
import type { TypedKind } from './TypedKind';

/** How much of a step's body stays, per cent. */
const STAYS = ['0', '25', '50', '75'];
/** More steps than a flight has. */
const STEPS_MOST = 60;

/** Steps rebuilt: going, rise, how many, and how much of them stays. */
export const step: TypedKind<'step'> = {
  ways: [],
  read: null,
  fieldOf: { going: 'going', rise: 'rise', steps: 'steps', stays: 'stays' },
  textOf: (speaker, { going, rise, steps, stays }) => ({
    going: textOf(speaker, going, 'length'),
    rise: textOf(speaker, rise, 'length'),
    steps: String(steps),
    stays: String(Math.round(stays * 100)),
  }),
  wireOf({ speaker, values }) {
    const steps = Number(values.steps.trim());
    if (!Number.isInteger(steps) || steps < 1 || steps > STEPS_MOST) throw new FieldProblem('steps', say(speaker, 'walk.stepsWhole'));
    return {
      going: measuredOf(speaker, { field: 'going', text: values.going, as: 'depth', limit: 'going_m' }),
      rise: measuredOf(speaker, { field: 'rise', text: values.rise, as: 'depth', limit: 'stepRise_m' }),
      steps,
      stays: Number(values.stays) / 100,
    };
  },
  Fields({ onGauge: _onGauge, points: _points, joints: _joints, ...field }) {
    const speaker = useSpeaker();
    return (
      <>
        <Figures
          {...field}
          row={[
            ['going', 'walk.going'],
            ['rise', 'walk.stepRise'],
          ]}
        />
        <View className="flex-row">
          <FormField control={field.control} name="steps" label={say(speaker, 'walk.steps')} onSubmit={field.onSubmit} />
        </View>
        <ChoiceField {...field} name="stays" word="walk.stays" values={STAYS} />
      </>
    );
  },
};
