import type { Batch } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { format } from 'date-fns/format';
import { View } from 'react-native';
import { servesText } from '../mix/batchText';
import { usePerson } from '../outbox/session';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { log } from './log';
import { siteClocksOf, wettingOf, type Followed } from './siteClocksOf';
import type { Did } from './UndoBand';
import { useNow } from './useNow';
import { sayDate } from '@tufa/words/dates';

/** So long before its time a clock says soon, ms. */
const SOON_MS = 120_000;

/** What follows the tool, batch by batch: clocks that say soon, the hand that decides, and what is kept wet meanwhile. */
export function AfterView({ view, left, onDid }: { view: JobView; left: readonly Batch[]; onDid: (did: Did) => void }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const clocks = siteClocksOf(view);
  const wetting = wettingOf(view, left);
  const at = useNow(view, clocks.length > 0 || wetting.length > 0) + view.clockOffset;
  if (clocks.length === 0 && wetting.length === 0) return null;
  const tell = (state: Followed['state'], test: string, passed: boolean): void => {
    if (!person) return;
    const { batch, findingId, planId } = state;
    void log({ view, person: person.id, kind: 'tested', batch, findingId, planId, payload: { test, passed } }).then((eventId) =>
      onDid({ what: 'tested', eventId, batch: state, until: Date.now() + 8000 }),
    );
  };
  const finds = ({ batch, code }: Followed): boolean | null => view.practice?.finds(batch, code) ?? null;
  const time = (ms: number): string => format(ms - view.clockOffset, 'HH:mm');
  const open = clocks.filter(({ passedAt }) => passedAt === null);
  const due = open.filter((clock) => clock.at - SOON_MS <= at);
  const batches = [...new Map(clocks.map((clock) => [clock.batch, clock])).values()];
  return (
    <View className="gap-3" testID="after">
      <T as="h2">{say(speaker, 'after.title')}</T>
      {due.map((clock) => (
        <View key={clock.key} className="gap-2 border-2 border-ink bg-sheet p-3" role="status">
          <T as="number">{say(speaker, `after.ask.${clock.code}`)}</T>
          <T as="small">{`${say(speaker, 'mix.batchOf', { number: clock.batch })}: ${servesText(speaker, view.data, clock.planned)}`}</T>
          {clock.until !== null && clock.until < at ? (
            <T tone="stop" as="strong">
              {say(speaker, 'after.closed', { time: time(clock.until) })}
            </T>
          ) : null}
          <T>{say(speaker, `after.test.${clock.code}`)}</T>
          {finds(clock) === null ? null : <T as="strong">{say(speaker, finds(clock) ? 'rehearse.findsReady' : 'rehearse.findsNot')}</T>}
          {clock.notYet > 0 && clock.code !== 'gel' ? <T as="faint">{say(speaker, 'after.again', { count: clock.notYet })}</T> : null}
          <View className="flex-row gap-4">
            <Button
              writes="pourEvent.add"
              label={say(speaker, clock.code === 'gel' ? 'after.disturbed' : 'after.notYet')}
              big
              grow
              onPress={() => tell(clock.state, clock.code, false)}
              testID={`not-yet-${clock.code}`}
            />
            <Button
              writes="pourEvent.add"
              label={say(speaker, `after.yes.${clock.code}`)}
              tone="act"
              big
              grow
              onPress={() => tell(clock.state, clock.code, true)}
              testID={`yes-${clock.code}`}
            />
          </View>
        </View>
      ))}
      {wetting.map(({ code, state, at: next }) => {
        const minutes = Math.ceil((next - at) / 60_000);
        return (
          <View key={`${code} ${state.batch}`} className="flex-row items-center gap-3">
            <T className="flex-1" {...(minutes <= 0 ? { tone: 'caution' as const, as: 'strong' as const } : {})}>
              {minutes <= 0 ? say(speaker, `pour.${code}Now`) : say(speaker, `pour.${code}`, { minutes: String(minutes) })}
            </T>
            <Button writes="pourEvent.add" label={say(speaker, code === 'damp' ? 'pour.damped' : 'pour.misted')} onPress={() => tell(state, code, true)} />
          </View>
        );
      })}
      <View role="list" aria-label={say(speaker, 'after.title')}>
        {batches.map(({ batch, planned }) => (
          <View key={batch} role="listitem" className="gap-1 border-b border-line py-2">
            <T as="strong">{`${batch}  ${servesText(speaker, view.data, planned)}`}</T>
            <AfterBar clocks={clocks.filter((clock) => clock.batch === batch)} at={at} />
            <T as="small">
              {clocks
                .filter((clock) => clock.batch === batch)
                .map(({ code, at: from, until, passedAt }) => {
                  const name = say(speaker, `after.name.${code}`);
                  if (passedAt !== null) return say(speaker, 'after.done', { name, time: time(passedAt) });
                  const from_ = say(speaker, 'after.at', { name, time: day(from, at) ? time(from) : sayDate(speaker, from - view.clockOffset, 'dayAndTime') });
                  return until === null ? from_ : `${from_} ${say(speaker, 'after.until', { time: time(until) })}`;
                })
                .join('; ')}
            </T>
          </View>
        ))}
      </View>
    </View>
  );
}

const day = (a: number, b: number): boolean => new Date(a).toDateString() === new Date(b).toDateString();

/** How far a batch has come towards what follows it: a bar over its first day with a mark for each, the next one thick. */
function AfterBar({ clocks, at }: { clocks: readonly Followed[]; at: number }) {
  const from = clocks[0]!.startedAt;
  const near = clocks.filter((clock) => clock.at - from < 6 * 3_600_000);
  const to = Math.max(...(near.length > 0 ? near : clocks.slice(0, 1)).map((clock) => clock.at));
  const share = (ms: number): `${number}%` => `${Math.min(100, Math.max(0, ((ms - from) / Math.max(1, to - from)) * 92))}%`;
  const next = near.find(({ passedAt }) => passedAt === null);
  return (
    <View className="h-[20px] bg-sunk">
      <View className="absolute bottom-0 left-0 top-0 bg-edge" style={{ width: share(at) }} />
      {near.map((clock) => (
        <View
          key={clock.key}
          className={`absolute bg-ink ${clock === next ? '-bottom-[3px] -top-[3px] w-[5px]' : 'bottom-0 top-0 w-[2px]'}`}
          style={{ left: share(clock.at) }}
        />
      ))}
    </View>
  );
}
