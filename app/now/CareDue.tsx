import type { FirmData } from '@tufa/contract/entities';
import { say } from '@tufa/words/speak';
import { formatISO } from 'date-fns/formatISO';
import { View } from 'react-native';
import { Way } from '../parts/chrome/Way';
import { links } from '../links';
import { now } from '../parts/phone/clock';
import { useSpeaker } from '../parts/phone/speaker';
import { T } from '../parts/ui/T';
import { sayDate } from '@tufa/words/dates';

/** So long before its day a visit is reminded of, ms. */
const AHEAD_MS = 14 * 86_400_000;
/** More are not looked at in one day. */
const MOST = 6;

/** A day by the phone's own clock. */
const dayOf = (ms: number): string => formatISO(ms, { representation: 'date' });

/** What is to be looked at again these days, the longest overdue first; each opens its job's record. */
export function CareDue({ data }: { data: Pick<FirmData, 'careVisit' | 'job'> }) {
  const speaker = useSpeaker();
  const [today, until] = [dayOf(now()), dayOf(now() + AHEAD_MS)];
  const due = Object.values(data.careVisit)
    .filter(({ removed, doneOn, dueOn, jobId }) => !removed && doneOn === null && dueOn <= until && data.job[jobId]?.removed === false)
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1))
    .slice(0, MOST);
  if (due.length === 0) return null;
  return (
    <View testID="care-due">
      <T as="h2">{say(speaker, 'now.care')}</T>
      <View role="list" aria-label={say(speaker, 'now.care')}>
        {due.map(({ id, jobId, kind, dueOn }) => (
          <View key={id} role="listitem" className="border-b border-line">
            <Way href={links.step(jobId, 'record')} className="min-h-[64px] justify-center py-2">
              <T as="strong">{data.job[jobId]!.name}</T>
              <T {...(dueOn < today ? { tone: 'caution' as const } : {})}>
                {say(speaker, dueOn < today ? 'now.careLate' : 'now.careDue', {
                  what: say(speaker, `now.careWhat.${kind}`),
                  date: sayDate(speaker, dueOn, 'date'),
                })}
              </T>
            </Way>
          </View>
        ))}
      </View>
    </View>
  );
}
