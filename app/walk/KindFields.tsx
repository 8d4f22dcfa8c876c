import { ANSWERS } from '@tufa/core/survey';
import { CRACK_PROFILES, SECTIONS, SHAPES } from '@tufa/core/takeoff';
import { say } from '@tufa/words';
import { useWatch } from 'react-hook-form';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { FormField } from '../parts/ui/FormField';
import { ChoiceField, FigureField, type FindingFieldProps } from './findingFields';
import type { FindingText } from './findingText';
import { useSpeaker } from '../parts/phone/speaker';

/** Surface profiles a face may have, as its comparators are numbered. */
const CSPS = Array.from({ length: 10 }, (_, i) => String(i + 1));
/** How much of a step's body stays, per cent. */
const STAYS = ['0', '25', '50', '75'];

type Figures = readonly (readonly [name: Parameters<typeof FigureField>[0]['name'], word: string, empty?: string])[];

/** What is asked of one kind of damage beside where it lies. */
export function KindFields({ kind, onGauge, ...field }: FindingFieldProps & { kind: FindingText['kind']; onGauge: () => void }) {
  const speaker = useSpeaker();
  const { control } = field;
  const [edge, dropLength] = useWatch({ control, name: ['edge', 'dropLength'] });
  const row = (...figures: Figures) => (
    <View className="flex-row gap-2">
      {figures.map(([name, word, empty = '']) => (
        <FigureField key={name} {...field} name={name} word={word} empty={empty} />
      ))}
    </View>
  );
  switch (kind) {
    case 'spall':
      return (
        <>
          {row(['deepest', 'walk.deepest'])}
          <ChoiceField {...field} name="shape" word="walk.shape" values={SHAPES} valueWords="word.shape" />
          <ChoiceField {...field} name="edge" word="walk.edge" values={['cut', 'feathered']} valueWords="word.edge" />
          {edge === 'cut' ? row(['cutDepth', 'walk.cutDepth', say(speaker, 'walk.shallowest')]) : null}
        </>
      );
    case 'crack':
      return (
        <>
          {row(['opening', 'walk.crackWidth'], ['depth', 'walk.depth'])}
          <Button label={say(speaker, 'gauge.open')} onPress={onGauge} />
          <ChoiceField {...field} name="moves" word="walk.moves" values={ANSWERS} valueWords="walk.movesIs" />
          {row(['lip', 'walk.lip', say(speaker, 'walk.none')])}
          <ChoiceField {...field} name="profile" word="walk.profile" values={CRACK_PROFILES} valueWords="word.profile" />
        </>
      );
    case 'joint':
      return (
        <>
          {row(['opening', 'walk.jointWidth'], ['depth', 'walk.depth'])}
          <Button label={say(speaker, 'gauge.open')} onPress={onGauge} />
          {row(['between', 'walk.between', say(speaker, 'walk.still')])}
        </>
      );
    case 'edge':
      return (
        <>
          {row(['across', 'walk.across'], ['down', 'walk.down'])}
          <ChoiceField {...field} name="section" word="walk.section" values={SECTIONS} valueWords="word.section" />
        </>
      );
    case 'skim':
      return (
        <>
          {row(['layer', 'walk.layer'])}
          <ChoiceField {...field} name="roughness" word="walk.roughness" values={CSPS} />
        </>
      );
    case 'wedge':
      return row(['run', 'walk.run'], ['rise', 'walk.rampRise']);
    case 'step':
      return (
        <>
          {row(['going', 'walk.going'], ['rise', 'walk.stepRise'])}
          <View className="flex-row">
            <FormField control={control} name="steps" label={say(speaker, 'walk.steps')} onSubmit={field.onSubmit} />
          </View>
          <ChoiceField {...field} name="stays" word="walk.stays" values={STAYS} />
        </>
      );
    case 'counter':
      return (
        <>
          {row(['layer', 'walk.layer'])}
          {row(['dropLength', 'walk.dropLength', say(speaker, 'walk.noDrop')])}
          {dropLength.trim() === '' ? null : row(['across', 'walk.dropAcross'], ['down', 'walk.dropDown'])}
        </>
      );
    case 'void':
      return (
        <>
          {row(['deepest', 'walk.deepest'])}
          <ChoiceField {...field} name="shape" word="walk.shape" values={SHAPES} valueWords="word.shape" />
        </>
      );
    default:
      return null;
  }
}
