import { CHECKS, checksOf, type BatchState, type CheckCode } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { findingName } from '@tufa/words/findingName';
import { change, write } from '../outbox/useFirm';
import { usePerson } from '../outbox/session';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { batchOfPlan } from './clocks';
import { jobEvent } from './log';
import type { Did } from './UndoBand';

/** Letters that the contract has room for. */
const LABEL = 12;

interface Laid {
  readonly findingId: string;
  readonly state: BatchState;
}

/** Every finding that a batch which has ended went into, with the last such batch: what is looked at is the finding's face. */
function laidOf({ batches, data }: JobView): Laid[] {
  const last = new Map<string, Laid>();
  for (const state of batches) {
    if (state.ends.length === 0) continue;
    const served = batchOfPlan(data, state)?.batch.serves ?? [{ findingId: state.findingId }];
    for (const { findingId } of served) if (data.finding[findingId]?.removed === false) last.set(findingId, { findingId, state });
  }
  return [...last.values()];
}

/** What is looked at once it has set, finding by finding: each passes, or becomes a finding of its own at the same place. */
export function FinishChecks({ view, onDid }: { view: JobView; onDid: (did: Did) => void }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const all = laidOf(view);
  const checks = checksOf(view.events);
  const tell = ({ findingId, state }: Laid, check: CheckCode, passed: boolean): void => {
    const finding = view.data.finding[findingId];
    if (!person || !finding) return;
    const { batch, planId } = state;
    const event = jobEvent({ view, person: person.id, kind: 'checked', batch, findingId, planId, payload: { test: check, passed } });
    if (passed)
      return void write(event).then(() => onDid({ what: 'checked', eventId: event.target, batch: { batch, findingId, planId }, until: Date.now() + 8000 }));
    const { id: _id, version: _version, changed: _changed, removed: _removed, ...found } = finding;
    void write(event, change('finding', 'add', uuid(), { ...found, label: `${found.label}r`.slice(-LABEL) }));
  };
  if (all.length === 0) return null;
  return (
    <View className="gap-3" testID="checks">
      <T as="h2">{say(speaker, 'checks.title')}</T>
      <T as="faint">{say(speaker, 'checks.lead')}</T>
      {all.map((laid) => (
        <View key={laid.findingId} className="gap-1">
          <T as="strong">{findingName(speaker, view.data, laid.findingId)}</T>
          {CHECKS.map((check) => {
            const passed = checks.get(laid.findingId)?.[check];
            return (
              <View key={check} className="min-h-[56px] flex-row items-center gap-3 border-b border-line py-1">
                <T className="flex-1">{say(speaker, `checks.of.${check}`)}</T>
                {passed !== undefined ? (
                  <T as="strong" {...(passed ? {} : { tone: 'caution' as const })}>
                    {passed ? say(speaker, 'checks.passed') : say(speaker, 'checks.rework')}
                  </T>
                ) : (
                  <>
                    <Button writes="pourEvent.add" label={say(speaker, 'checks.rework')} onPress={() => tell(laid, check, false)} />
                    <Button writes="pourEvent.add" label={say(speaker, 'checks.pass')} onPress={() => tell(laid, check, true)} />
                  </>
                )}
              </View>
            );
          })}
        </View>
      ))}
    </View>
  );
}
