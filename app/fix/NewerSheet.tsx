import { shelfOf } from '@tufa/contract/assemble';
import { computePlan, differenceOf } from '@tufa/core/plan';
import { Problem } from '@tufa/core/quantity';
import type { Sheet } from '@tufa/core/shelf';
import { say } from '@tufa/words';
import { useRouter, type Href } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Button } from '../parts/Button';
import { T } from '../parts/T';
import type { JobView } from '../parts/useJob';
import { differenceLines } from '../pour/differenceLines';

/** The plan keeps the sheet it was made with; where a newer one is on the shelf it says so, shows what would change, and changes when asked. */
export function NewerSheet({ view, sheet }: { view: JobView; sheet: Sheet }) {
  const router = useRouter();
  const { data, input, plan } = view;
  const newer = useMemo(() => shelfOf(data).find(({ productId }) => productId === sheet.productId), [data, sheet]);
  const other = newer && newer.id !== sheet.id && newer.revision > sheet.revision ? newer : null;
  const lines = useMemo(() => {
    if (!other || !plan) return [];
    const treatments = input.treatments.map((one) => (one.sheetId === sheet.id ? { ...one, sheetId: other.id } : one));
    try {
      return differenceLines(differenceOf({ before: plan, after: computePlan({ ...input, treatments }) }));
    } catch (error) {
      if (error instanceof Problem) return [say(`problem.${error.code}`, error.figures)];
      throw error;
    }
  }, [other, plan, input, sheet.id]);
  if (!other) return null;
  const take = (): void => {
    const own = Object.values(data.treatment).filter(({ jobId, sheetId, removed }) => jobId === view.job.id && sheetId === sheet.id && !removed);
    void write(...own.map(({ id }) => change('treatment', 'change', id, { sheetId: other.id })));
  };
  return (
    <View role="status" className="gap-2 border-2 border-dashed border-stale bg-sheet p-3" testID="newer-sheet">
      <T as="strong">{say('shelf.newer')}</T>
      <T>{lines.length > 0 ? lines.join(', ') : say('stale.same')}</T>
      <View className="flex-row gap-2">
        <Button label={say('shelf.compare')} onPress={() => router.push(`/shelf/compare?ids=${sheet.id},${other.id}` as Href)} />
        <Button label={say('shelf.takeNewer')} grow onPress={take} />
      </View>
    </View>
  );
}
