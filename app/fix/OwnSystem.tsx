import type { Plan, TreatmentInput } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { Choice } from '../parts/ui/Choice';
import type { JobView } from '../parts/job/useJob';
import { findingName } from './findingName';
import { useSpeaker } from '../parts/phone/speaker';
import { sheetOf } from '@tufa/core/plan';

/** A system put together by hand: for every finding one of what fits it. */
export function OwnSystem({
  view,
  plan,
  treatments,
  onChange,
}: {
  view: JobView;
  plan: Plan;
  treatments: readonly TreatmentInput[];
  onChange: (treatments: readonly TreatmentInput[]) => void;
}) {
  const speaker = useSpeaker();
  return (
    <View className="gap-3" testID="own-system">
      {plan.findings.map(({ findingId, ranking }) => {
        const fit = ranking.filter(({ verdict }) => verdict !== 'no');
        const label = findingName(speaker, view.data, findingId);
        const current = treatments.find((treatment) => treatment.findingId === findingId);
        return (
          <Choice
            key={findingId}
            label={say(speaker, 'systems.ownFor', { label })}
            options={fit.map(({ sheetId }) => ({ value: sheetId, label: sheetOf(view.input, sheetId)?.name ?? '' }))}
            value={current?.sheetId ?? null}
            onChange={(sheetId) => onChange([...treatments.filter((treatment) => treatment.findingId !== findingId), { ...current, findingId, sheetId }])}
          />
        );
      })}
    </View>
  );
}
