import { isMaterial } from '@tufa/contract/upgradeSheet';
import { assemblePlanInput } from '@tufa/contract/assemble';
import { namedOnly, sheetOf } from '@tufa/core/plan';
import { printFigure, say } from '@tufa/words';
import { useMemo } from 'react';
import { View } from 'react-native';
import { change } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { afterwards } from '../parts/ui/following';
import { Toggle } from '../parts/ui/Toggle';
import { T } from '../parts/ui/T';
import { useWorkedOut } from '../workers/useWorkedOut';
import { entriesIn, notTaken, takenUp } from './entryRows';
import { ProductFigures } from './ProductFigures';

/** A window that moves by less is the same, s. */
const SAME_S = 30;

/** What a job has shown of the crew's own figures: taken up with what that changes before it does, or planned as the sheets say. */
export const JobFigures = afterwards(function JobFigures({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const { data, job, input, plan, batches } = view;
  const open = useMemo(() => notTaken(view), [view]);
  // The job as it would be planned with them: a thousand lives are learned from beside the screen.
  const next = useMemo(() => {
    if (open.length === 0) return null;
    const laid = takenUp(job.id, open).map(({ target, change: fields }) => [target, { id: target, version: 0, changed: 0, removed: false, ...fields }]);
    const input = assemblePlanInput({ ...data, crewEntry: { ...data.crewEntry, ...Object.fromEntries(laid) } }, job.id);
    return input && namedOnly(input);
  }, [open, data, job.id]);
  const planned = useWorkedOut('plan', next ? [next] : null, (worker) => worker.plan(next!));
  const after = planned.data?.value ?? null;
  const sheets = [...new Set(plan?.batches.flatMap(({ productId }) => productId ?? []) ?? [])].flatMap((id) => sheetOf(input, id) ?? []);
  const taken = entriesIn(data).length > 0;
  if (batches.length === 0 && !taken) return null;
  const minutes = (s: number): string => printFigure(speaker, 't_s', s);
  const changed =
    after && plan
      ? after.batches.flatMap(({ key, number, window }) => {
          const before = plan.batches.find((batch) => batch.key === key)?.window;
          return window && before && Math.abs(window.window.placeBy_s - before.window.placeBy_s) > SAME_S
            ? [{ number, after: minutes(window.window.placeBy_s), before: minutes(before.window.placeBy_s) }]
            : [];
        })
      : [];
  const asSheet = job.asSheet === true;
  return (
    <View className="gap-3" testID="crew-figures">
      <T as="h2">{say(speaker, 'crewFigures.title')}</T>
      {open.length > 0 ? (
        <View className="gap-2 border-2 border-ink bg-sheet p-3">
          <T as="strong">{say(speaker, 'crewFigures.shown', { count: open.length })}</T>
          <T>{say(speaker, 'crewFigures.changes')}</T>
          {changed.length === 0 ? <T as="small">{say(speaker, planned.isPending ? 'mix.working' : 'crewFigures.changeNone')}</T> : null}
          {changed.map((each) => (
            <T key={each.number} as="small">
              {say(speaker, 'crewFigures.change', each)}
            </T>
          ))}
          <Button
            writes="crewEntry.add"
            label={say(speaker, 'crewFigures.take')}
            tone="act"
            onPress={() => void view.write(...takenUp(job.id, open))}
            testID="take-up"
          />
        </View>
      ) : batches.length > 0 ? (
        <T as="small">{say(speaker, 'crewFigures.allTaken')}</T>
      ) : null}
      {sheets.filter(isMaterial).map((sheet) => (
        <ProductFigures key={sheet.id} data={data} sheet={sheet} />
      ))}
      {taken ? (
        <Toggle
          role="switch"
          aria-checked={asSheet}
          aria-label={say(speaker, 'crewFigures.asSheet')}
          onPress={() => void view.write(change('job', 'change', job.id, { asSheet: !asSheet }))}
          className="min-h-[56px] justify-center border-2 border-edge bg-sheet px-3 lg:min-h-[48px]"
        >
          <T as="strong">{say(speaker, asSheet ? 'crewFigures.asSheetOn' : 'crewFigures.asYours')}</T>
          <T as="small">{say(speaker, 'crewFigures.asSheet')}</T>
        </Toggle>
      ) : null}
    </View>
  );
});
