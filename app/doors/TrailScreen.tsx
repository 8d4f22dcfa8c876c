import { useInfiniteQuery } from '@tanstack/react-query';
import type { TrailLine } from '@tufa/contract/doors';
import { say, sayCoded } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../outbox/api';
import { useFirm } from '../outbox/useFirm';
import { Screen } from '../parts/chrome/Screen';
import { loadCsv } from '../parts/phone/csv';
import { saveFile } from '../parts/phone/saveFile';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Answer, T } from '../parts/ui/T';
import { doorText } from './useDoorForm';
import { sayDate } from '@tufa/words/dates';

const AT_ONCE = 100;
/** A file holds so many lines; more are in the archive. */
const IN_FILE = 10_000;

/** What was done in the firm: every change that reached it, to be read and taken out. */
export function TrailScreen() {
  const speaker = useSpeaker();
  const { data: firm } = useFirm();
  const [failed, setFailed] = useState<string | null>(null);
  const { data, error, fetchNextPage, hasNextPage } = useInfiniteQuery({
    queryKey: ['trail'],
    queryFn: ({ pageParam }) => api.trail(pageParam, AT_ONCE),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page: readonly TrailLine[]) => (page.length < AT_ONCE ? undefined : page.at(-1)?.at),
    staleTime: 0,
  });
  const lines = data?.pages.flat() ?? [];
  const at = (iso: string): string => sayDate(speaker, iso, 'moment');
  const nameOf = (id: string): string => firm.person[id]?.name ?? id;
  const told = ({ person, kind }: TrailLine): string => {
    const [what, verb] = kind.split('.');
    return say(speaker, 'doors.trailLine', {
      who: nameOf(person),
      verb: sayCoded(speaker, `doors.trailVerb.${verb}`),
      what: sayCoded(speaker, `doors.trailWhat.${what}`),
    });
  };
  const takeOut = async (): Promise<void> => {
    const [{ unparse }, all] = await Promise.all([loadCsv(), api.trail(undefined, IN_FILE)]);
    const column = (name: 'at' | 'who' | 'device' | 'kind' | 'target' | 'result') => say(speaker, `doors.trailColumns.${name}`);
    const rows = all.map(({ person, ...line }) => ({
      [column('at')]: line.at,
      [column('who')]: nameOf(person),
      [column('device')]: line.device,
      [column('kind')]: line.kind,
      [column('target')]: line.target,
      [column('result')]: line.result,
    }));
    saveFile({ name: 'tufa-trail.csv', type: 'text/csv', text: unparse(rows, { escapeFormulae: true }) });
  };
  return (
    <Screen
      title={say(speaker, 'doors.trail')}
      head={
        <View className="gap-1">
          <Answer size="number">{say(speaker, 'doors.trail')}</Answer>
          <T as="lead">{say(speaker, 'doors.trailLead')}</T>
        </View>
      }
      foot={<Button label={say(speaker, 'doors.trailOut')} onPress={() => void takeOut().catch((fault: unknown) => setFailed(doorText(speaker, fault)))} />}
    >
      {failed || error ? (
        <View role="alert">
          <T tone="stop">{failed ?? doorText(speaker, error)}</T>
        </View>
      ) : null}
      {data && lines.length === 0 ? <T>{say(speaker, 'doors.trailNone')}</T> : null}
      {lines.map((line) => (
        <View key={`${line.at} ${line.target} ${line.kind}`} className="border-b border-line pb-2">
          <T as="strong">{told(line)}</T>
          <T as="faint">{[at(line.at), say(speaker, `doors.trailResult.${line.result as 'done' | 'conflict' | 'refused'}`), line.target].join(', ')}</T>
        </View>
      ))}
      {hasNextPage ? <Button label={say(speaker, 'doors.trailMore')} onPress={() => void fetchNextPage()} /> : null}
    </Screen>
  );
}
