import { CHECKS, type BatchState, type CheckCode } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { findingName } from '../fix/findingName';
import { change, usePerson, write } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { jobEvent } from './log';
import type { Did } from './UndoBand';

/** Letters that the contract has room for. */
const LABEL = 12;

/** The last batch of each finding: what is looked at is the finding's face. */
function lastOfFindings({ batches, data }: JobView): BatchState[] {
  const last = new Map<string, BatchState>();
  for (const state of batches) if (state.ends.length > 0 && data.finding[state.findingId]?.removed === false) last.set(state.findingId, state);
  return [...last.values()];
}

/** What is looked at once it has set, finding by finding: each passes, or becomes a finding of its own at the same place. */
export function FinishChecks({ view, onDid }: { view: JobView; onDid: (did: Did) => void }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const states = lastOfFindings(view);
  const seen = (findingId: string, check: CheckCode) =>
    view.batches.flatMap((state) => (state.findingId === findingId ? state.tests.filter(({ test }) => test === check) : [])).at(-1);
  const tell = (state: BatchState, check: CheckCode, passed: boolean): void => {
    const finding = view.data.finding[state.findingId];
    if (!person || !finding) return;
    const { batch, findingId, planId } = state;
    const event = jobEvent({ view, person: person.id, kind: 'checked', batch, findingId, planId, payload: { test: check, passed } });
    if (passed) return void write(event).then(() => onDid({ what: 'checked', eventId: event.target, batch: state, until: Date.now() + 8000 }));
    const { id: _id, version: _version, changed: _changed, removed: _removed, ...found } = finding;
    void write(event, change('finding', 'add', uuid(), { ...found, label: `${found.label}r`.slice(-LABEL) }));
  };
  if (states.length === 0) return null;
  return (
    <View className="gap-3" testID="checks">
      <T as="h2">{say(speaker, 'checks.title')}</T>
      <T as="faint">{say(speaker, 'checks.lead')}</T>
      {states.map((state) => (
        <View key={state.findingId} className="gap-1">
          <T as="strong">{findingName(speaker, view.data, state.findingId)}</T>
          {CHECKS.map((check) => {
            const last = seen(state.findingId, check);
            return (
              <View key={check} className="min-h-[56px] flex-row items-center gap-3 border-b border-line py-1">
                <T className="flex-1">{say(speaker, `checks.of.${check}`)}</T>
                {last ? (
                  <T as="strong" {...(last.passed ? {} : { tone: 'caution' as const })}>
                    {last.passed ? say(speaker, 'checks.passed') : say(speaker, 'checks.rework')}
                  </T>
                ) : (
                  <>
                    <Button label={say(speaker, 'checks.rework')} onPress={() => tell(state, check, false)} />
                    <Button label={say(speaker, 'checks.pass')} onPress={() => tell(state, check, true)} />
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
