import { FACETS, type Facet, type FindQuery, type FoundEntry, type FoundPage } from '@tufa/contract/found';
import { wholeShelfOf } from '@tufa/contract/assemble';
import type { FirmData } from '@tufa/contract/entities';
import { isSaid, say, sayCoded } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useLocalSearchParams, useRouter, type Href } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { links } from '../links';
import { api } from '../outbox/api';
import { useFirm } from '../outbox/useFirm';
import { whyText } from '../outbox/whyText';
import { Screen } from '../parts/chrome/Screen';
import { Way } from '../parts/chrome/Way';
import { useOnline } from '../parts/chrome/SyncLine';
import { useSpeaker } from '../parts/phone/speaker';
import { Choice } from '../parts/ui/Choice';
import { Field } from '../parts/ui/Field';
import { Answer, T } from '../parts/ui/T';
import { TrendsView } from './TrendsView';
import { sayDate } from '@tufa/words/dates';

/** A word is looked for once the thumb rests, ms. */
const REST_MS = 300;

/** Longer questions the firm does not read. */
const LONGEST = 200;

type Narrowed = Partial<Record<Facet, string>>;

/** Words over everything of the firm, narrowed by what was found: jobs, findings, batches, notes, products. Kept in the address, so that a link opens it. */
export function FindScreen() {
  const speaker = useSpeaker();
  const router = useRouter();
  const online = useOnline();
  const { data } = useFirm();
  const address = useLocalSearchParams<{ q?: string } & Narrowed>();
  const [words, setWords] = useState(address.q ?? '');
  const narrowed: Narrowed = Object.fromEntries(FACETS.flatMap((facet) => (address[facet] ? [[facet, address[facet]]] : [])));
  const q = address.q ?? '';
  useEffect(() => {
    const timer = setTimeout(() => words.trim() !== q && router.setParams({ q: words.trim() }), REST_MS);
    return () => clearTimeout(timer);
  }, [words, q, router]);
  const asked: FindQuery = { q, ...narrowed };
  const blank = q === '' && Object.keys(narrowed).length === 0;
  const found = useQuery({
    queryKey: ['search', asked],
    queryFn: () => api.search(asked),
    enabled: online && !blank,
    retry: false,
    staleTime: 10_000,
    gcTime: 60_000,
    placeholderData: keepPreviousData,
  });
  const page = blank ? undefined : found.data;
  const title =
    page === undefined
      ? say(speaker, 'find.title')
      : page.more
        ? say(speaker, 'find.more', { count: page.count })
        : say(speaker, 'find.count', { count: page.count });
  const fault = found.error ? say(speaker, 'find.failed', { why: whyText(speaker, found.error, say(speaker, 'find.unanswered')) }) : null;
  return (
    <Screen
      title={say(speaker, 'find.title')}
      head={
        <View className="gap-1">
          <Answer size="number">{title}</Answer>
          {blank ? <T as="lead">{say(speaker, online ? 'find.lead' : 'find.offline')}</T> : online ? null : <T>{say(speaker, 'find.offline')}</T>}
          {found.isLoading ? <T as="lead">{say(speaker, 'find.looking')}</T> : null}
          {page ? <Told page={page} speaker={speaker} /> : null}
          {fault ? (
            <View role="alert">
              <T tone="stop">{fault}</T>
            </View>
          ) : null}
        </View>
      }
      foot={<Field label={say(speaker, 'find.words')} value={words} onChange={(text) => setWords(text.slice(0, LONGEST))} autoFocus={q === ''} />}
    >
      {page && page.count > 0 ? (
        <View role="list" aria-label={say(speaker, 'find.title')} className="border-t-2 border-ink">
          {page.entries.map((entry) => (
            <EntryLine key={`${entry.kind} ${entry.id}`} entry={entry} href={hrefOf(entry, data)} />
          ))}
        </View>
      ) : null}
      {page
        ? FACETS.filter((facet) => narrowed[facet] !== undefined || page.facets[facet].length > 1).map((facet) => (
            <Choice
              key={facet}
              label={say(speaker, `find.facet.${facet}`)}
              value={narrowed[facet] ?? 'all'}
              options={[
                { value: 'all', label: say(speaker, 'find.all') },
                ...page.facets[facet].map(({ value, count }) => ({
                  value,
                  label: say(speaker, 'find.counted', { value: valueText(speaker, facet, value), count: String(count) }),
                })),
              ]}
              onChange={(value) => router.setParams({ [facet]: value === 'all' ? '' : value })}
            />
          ))
        : null}
      {blank && online ? <TrendsView /> : null}
    </Screen>
  );
}

/** What a value of a facet is called. */
function valueText(speaker: Speaker, facet: Facet, value: string): string {
  const code = { kind: 'find.what', weather: 'find.weather', place: 'word.kind', lost: 'find.lost', product: null, year: null }[facet];
  return code !== null && isSaid(`${code}.${value}`) ? sayCoded(speaker, `${code}.${value}`) : value;
}

/** Words that are nowhere, what was taken for them, and what is not read yet. */
function Told({ page, speaker }: { page: FoundPage; speaker: Speaker }) {
  return (
    <View role="status">
      {Object.entries(page.corrected).map(([word, others]) => (
        <T key={word} as="small">
          {others.length > 0 ? say(speaker, 'find.corrected', { word, others: others.join(', ') }) : say(speaker, 'find.dropped', { word })}
        </T>
      ))}
      {page.count === 0 ? <T as="lead">{say(speaker, 'find.none')}</T> : null}
      {page.some ? <T>{say(speaker, 'find.some')}</T> : null}
      {page.waiting > 0 ? <T as="small">{say(speaker, 'find.waiting', { count: page.waiting })}</T> : null}
    </View>
  );
}

/** Where what was found is looked at; null where this phone has no place for it. */
function hrefOf({ kind, id, jobId }: FoundEntry, data: FirmData): Href | null {
  if (kind === 'product') {
    const sheet = wholeShelfOf(data).find(({ productId }) => productId === id);
    return sheet ? links.sheet(sheet.id) : null;
  }
  if (jobId === null) return null;
  return kind === 'finding' ? links.walking(jobId, 'finding', { id }) : links.step(jobId, kind === 'job' ? 'walk' : 'record');
}

function EntryLine({ entry, href }: { entry: FoundEntry; href: Href | null }) {
  const speaker = useSpeaker();
  const when = entry.at ? sayDate(speaker, entry.at, 'date') : null;
  const line = (
    <>
      <View className="flex-row items-baseline justify-between gap-3">
        <T as="strong" className="shrink">
          {entry.title}
        </T>
        <T as="small">{[say(speaker, `find.what.${entry.kind}`), when].filter(Boolean).join(', ')}</T>
      </View>
      <T as="small" lines={2}>
        {entry.said}
      </T>
    </>
  );
  const box = 'min-h-[64px] justify-center py-2';
  return (
    <View role="listitem" className="border-b border-line">
      {href ? (
        <Way href={href} className={box}>
          {line}
        </Way>
      ) : (
        <View className={box}>{line}</View>
      )}
    </View>
  );
}
