import { wholeShelfOf } from '@tufa/contract/assemble';
import { isMaterial, upgradeSheet } from '@tufa/contract/upgradeSheet';
import { computePlan, differenceOf, type PlanInput, type TreatmentInput } from '@tufa/core/plan';
import { Problem } from '@tufa/core/quantity';
import type { Aid, Sheet } from '@tufa/core/shelf';
import { say, sayProblem } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { differenceLines } from '../pour/differenceLines';
import { namedBy, swapped } from './namedBy';
import { writeTreatments } from './writeTreatment';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

/** The plan keeps the sheets it was made with; where a newer one is on the shelf it says so, shows what would change, and changes when asked. */
export function NewerSheets({ view, treatment }: { view: JobView; treatment: TreatmentInput }) {
  const { data, input } = view;
  const shelf = useMemo(() => wholeShelfOf(data), [data]);
  const newer = namedBy(treatment).flatMap((id) => {
    const used = input.sheets.find((sheet) => sheet.id === id) ?? input.aids?.find((aid) => aid.id === id);
    const other = shelf.find(({ productId }) => productId === used?.productId);
    return used && other && other.id !== id && other.revision > used.revision ? [{ used, other: other.sheet }] : [];
  });
  return (
    <>
      {newer.map(({ used, other }) => (
        <Newer key={used.id} view={view} used={used} other={isMaterial(other) ? upgradeSheet(other) : other} />
      ))}
    </>
  );
}

const withSheet = (input: PlanInput, other: Sheet | Aid): PlanInput =>
  isMaterial(other)
    ? { ...input, sheets: [...input.sheets.filter(({ id }) => id !== other.id), other] }
    : { ...input, aids: [...(input.aids ?? []).filter(({ id }) => id !== other.id), other] };

function Newer({ view, used, other }: { view: JobView; used: Sheet | Aid; other: Sheet | Aid }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const { input, plan } = view;
  const treatments = useMemo(() => input.treatments.map((treatment) => swapped(treatment, used.id, other.id)), [input.treatments, used.id, other.id]);
  const lines = useMemo(() => {
    if (!plan) return [];
    try {
      return differenceLines(speaker, differenceOf({ before: plan, after: computePlan({ ...withSheet(input, other), treatments }, { ranked: 'chosen' }) }));
    } catch (error) {
      if (error instanceof Problem) return [sayProblem(speaker, error)];
      throw error;
    }
  }, [plan, speaker, input, other, treatments]);
  const take = (): void =>
    void writeTreatments(
      view,
      treatments.filter((treatment) => namedBy(treatment).includes(other.id)),
    );
  return (
    <View role="status" className="gap-2 border-2 border-dashed border-stale bg-sheet p-3" testID="newer-sheet">
      <T as="strong">{say(speaker, 'shelf.newerOf', { name: used.name })}</T>
      <T>{lines.length > 0 ? lines.join(', ') : say(speaker, 'stale.same')}</T>
      <View className="flex-row gap-2">
        <Button label={say(speaker, 'shelf.compare')} onPress={() => router.push(links.compare([used.id, other.id]))} />
        <Button writes="treatment.change" label={say(speaker, 'shelf.takeNewer')} grow onPress={take} />
      </View>
    </View>
  );
}
