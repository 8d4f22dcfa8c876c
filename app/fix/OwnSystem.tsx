import { sheetOf, type Plan, type TreatmentInput } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { Choice } from '../parts/ui/Choice';
import type { JobView } from '../parts/job/useJob';
import { findingName } from '@tufa/words/findingName';
import { useSpeaker } from '../parts/phone/speaker';
import { T } from '../parts/ui/T';
import { useWorkedOut } from '../workers/useWorkedOut';

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
  return (
    <View className="gap-3" testID="own-system">
      {plan.findings.map(({ findingId }) => (
        <OwnFinding
          key={findingId}
          view={view}
          findingId={findingId}
          sheetId={treatments.find((treatment) => treatment.findingId === findingId)?.sheetId ?? null}
          onChange={(sheetId) => {
            const current = treatments.find((treatment) => treatment.findingId === findingId);
            onChange([...treatments.filter((treatment) => treatment.findingId !== findingId), { ...current, findingId, sheetId }]);
          }}
        />
      ))}
    </View>
  );
}

/** All that fits a finding, judged beside the screen: a plan of the whole job holds only the best of it. */
function OwnFinding({
  view: { input, data },
  findingId,
  sheetId,
  onChange,
}: {
  view: JobView;
  findingId: string;
  sheetId: string | null;
  onChange: (sheetId: string) => void;
}) {
  const speaker = useSpeaker();
  const { data: ranking, isError } = useWorkedOut(`shelf for ${findingId}`, [input], (worker) => worker.rank(input, findingId), { keepLast: true });
  const label = say(speaker, 'systems.ownFor', { label: findingName(speaker, data, findingId) });
  if (!ranking) return <T>{`${label}: ${say(speaker, isError ? 'systems.failed' : 'systems.working')}`}</T>;
  const fit = ranking.filter(({ verdict }) => verdict !== 'no');
  return (
    <Choice
      label={label}
      options={fit.map((ranked) => ({ value: ranked.sheetId, label: sheetOf(input, ranked.sheetId)?.name ?? '' }))}
      value={sheetId}
      onChange={onChange}
    />
  );
}
