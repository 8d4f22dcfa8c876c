import type { ChosenPlan, RepairStep } from '@tufa/core/plan';
import { printFigure, say } from '@tufa/words';
import { View } from 'react-native';
import { T } from '../parts/ui/T';

/** The steps of the fill, then those of what goes over it. */
export const stepsOfSystem = ({ steps, overlay }: ChosenPlan): readonly RepairStep[] => (overlay ? [...steps, ...overlay.chosen.steps] : steps);

/** The repair as it is done, a step each: what, with what, how thick, when and under what condition. */
export function StepList({ steps, names }: { steps: readonly RepairStep[]; names: readonly { readonly id: string; readonly name: string }[] }) {
  return (
    <View className="gap-1">
      <T as="h2">{say('fixStep.list')}</T>
      <View role="list" aria-label={say('fixStep.list')}>
        {steps.map(({ code, figures, sheetId, thickness_m, after, condition }, i) => {
          const product = names.find(({ id }) => id === sheetId)?.name;
          const when = after
            ? after.most_s === null
              ? say('fixStep.after', { least_s: after.least_s })
              : say('fixStep.within', { least_s: after.least_s, most_s: after.most_s })
            : '';
          const more = [product, thickness_m === null ? '' : printFigure('d_m', thickness_m), when, condition ? say(`fixStep.condition.${condition}`) : '']
            .filter(Boolean)
            .join(', ');
          return (
            <View key={`${code}${i}`} role="listitem" className="border-b border-line py-3">
              <T as="strong">{say('fixStep.number', { n: String(i + 1), what: say(code.replace(/^step/, 'fixStep'), figures) })}</T>
              {more ? <T as="faint">{more}</T> : null}
            </View>
          );
        })}
      </View>
    </View>
  );
}
