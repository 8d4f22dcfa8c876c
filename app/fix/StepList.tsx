import type { ChosenPlan, RepairStep } from '@tufa/core/plan';
import { printFigure, say, sayStep } from '@tufa/words';
import { View } from 'react-native';
import { T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';

/** The steps of the fill, then those of what goes over it. */
export const stepsOfSystem = ({ steps, overlay }: ChosenPlan): readonly RepairStep[] => (overlay ? [...steps, ...overlay.chosen.steps] : steps);

/** The repair as it is done, a step each: what, with what, how thick, when and under what condition. */
export function StepList({ steps, names }: { steps: readonly RepairStep[]; names: readonly { readonly id: string; readonly name: string }[] }) {
  const speaker = useSpeaker();
  return (
    <View className="gap-1">
      <T as="h2">{say(speaker, 'fixStep.list')}</T>
      <View role="list" aria-label={say(speaker, 'fixStep.list')}>
        {steps.map((step, i) => {
          const { code, sheetId, thickness_m, after, condition } = step;
          const product = names.find(({ id }) => id === sheetId)?.name;
          const when = after
            ? after.most_s === null
              ? say(speaker, 'fixStep.after', { least_s: after.least_s })
              : say(speaker, 'fixStep.within', { least_s: after.least_s, most_s: after.most_s })
            : '';
          const more = [
            product,
            thickness_m === null ? '' : printFigure(speaker, 'd_m', thickness_m),
            when,
            condition ? say(speaker, `fixStep.condition.${condition}`) : '',
          ]
            .filter(Boolean)
            .join(', ');
          return (
            <View key={`${code}${i}`} role="listitem" className="border-b border-line py-3">
              <T as="strong">{say(speaker, 'fixStep.number', { n: String(i + 1), what: sayStep(speaker, step) })}</T>
              {more ? <T as="faint">{more}</T> : null}
            </View>
          );
        })}
      </View>
    </View>
  );
}
