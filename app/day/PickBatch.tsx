import type { Batch } from '@tufa/core/plan';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { amountOf, lifeText, productName } from '../mix/batchText';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Choice } from '../parts/ui/Choice';

/** Batches that read alike have one window to look at: told apart by what they are made of, how much, and how long they last. */
function alike(speaker: Speaker, { input }: JobView, list: readonly Batch[]): { label: string; all: Batch[] }[] {
  const groups = new Map<string, Batch[]>();
  for (const batch of list) {
    const name = `${productName(speaker, input, batch)}, ${amountOf(speaker, input, batch)}, ${lifeText(speaker, batch)}`;
    groups.set(name, [...(groups.get(name) ?? []), batch]);
  }
  return [...groups].map(([label, all]) => ({ label, all }));
}

/** Which of the job's batches the day is looked at for; nothing where all are alike. */
export function PickBatch({ view, list, batch, onPick }: { view: JobView; list: readonly Batch[]; batch: Batch; onPick: (key: string) => void }) {
  const speaker = useSpeaker();
  const groups = alike(speaker, view, list);
  if (groups.length < 2) return null;
  const group = groups.find(({ all }) => all.includes(batch));
  return (
    <Choice
      label={say(speaker, 'day.batch')}
      value={group?.all[0]?.key ?? null}
      options={groups.map(({ label, all }) => ({ value: all[0]!.key, label: `${all.map(({ number }) => number).join(', ')}: ${label}` }))}
      onChange={onPick}
    />
  );
}
