import { useQuery } from '@tanstack/react-query';
import type { Ranked } from '@tufa/core/choose';
import { printFigure, say, sayReason } from '@tufa/words';
import { useDeferredValue, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';

import { whole } from './money';
import { MARK, TONE } from './verdict';
import { WORKED_OUT } from '../outbox/queryClient';
import { useSpeaker } from '../parts/phone/speaker';
import { sheetOf } from '@tufa/core/plan';

/** As many are listed at once: all that fits, as a rule, and the first of what does not. */
const LISTED = 20;

/** The shelf ranked for a finding, best first; any product is found by name, and a tap tells why or why not. */
export function ShelfFor({
  ranking,
  view,
  currentId,
  onLook,
}: {
  ranking: readonly Ranked[];
  view: JobView;
  currentId: string;
  onLook: (sheetId: string) => void;
}) {
  const speaker = useSpeaker();
  const [text, setText] = useState('');
  const [listed, setListed] = useState(LISTED);
  const wanted = useDeferredValue(text);
  const { sheet: rows } = view.data;
  const searching = wanted.trim() !== '';
  // Made ready when somebody asks: most look at the list alone.
  const { data: finder } = useQuery({
    queryKey: [WORKED_OUT, 'ShelfIndex'],
    queryFn: () => import('../shelf/ShelfScreen'),
    enabled: searching,
    staleTime: Infinity,
    networkMode: 'always',
  });
  const index = useMemo(
    () =>
      searching && finder
        ? new finder.ShelfIndex(
            speaker,
            ranking.flatMap(({ sheetId }) => rows[sheetId] ?? []),
            new Set(),
          )
        : null,
    [searching, finder, speaker, ranking, rows],
  );
  const found = useMemo(() => {
    if (!index) return ranking;
    const ids = index.named(wanted);
    return ranking.filter(({ sheetId }) => ids.has(sheetId));
  }, [index, ranking, wanted]);
  return (
    <View className="gap-2">
      <T as="small">{say(speaker, 'fix.wholeCost')}</T>
      <View className="flex-row">
        <Field label={say(speaker, 'fix.search')} value={text} onChange={setText} />
      </View>
      {found.length === 0 ? <T as="lead">{say(speaker, 'shelf.nothingFits')}</T> : null}
      <View role="list" aria-label={say(speaker, 'fix.others')} className="gap-2">
        {found.slice(0, listed).map((ranked) => (
          <View key={ranked.sheetId} role="listitem">
            <Product ranked={ranked} name={sheetOf(view.input, ranked.sheetId)?.name ?? ''} currentId={currentId} onLook={onLook} />
          </View>
        ))}
      </View>
      {found.length > listed ? <Button label={say(speaker, 'fix.more', { count: found.length - listed })} onPress={() => setListed(listed + LISTED)} /> : null}
    </View>
  );
}

function Product({ ranked, name, currentId, onLook }: { ranked: Ranked; name: string; currentId: string; onLook: (sheetId: string) => void }) {
  const speaker = useSpeaker();
  const why = ranked.reasons.find(({ verdict }) => verdict === ranked.verdict && verdict !== 'yes');
  const tone = TONE[ranked.verdict];
  return (
    <Pressable
      role="button"
      aria-current={ranked.sheetId === currentId ? 'true' : undefined}
      onPress={() => onLook(ranked.sheetId)}
      className={`min-h-[64px] justify-center border-l-4 bg-sheet px-3 py-2 ${ranked.sheetId === currentId ? 'border-act' : 'border-line'}`}
    >
      <View className="flex-row justify-between gap-2">
        <T as="strong" className="flex-1">
          {name}
        </T>
        <T as="faint">{ranked.cost_minor === null ? '' : printFigure(speaker, 'c_minor', whole(ranked.cost_minor))}</T>
      </View>
      <T {...(tone ? { tone } : { as: 'faint' as const })}>{`${MARK[ranked.verdict]}${why ? sayReason(speaker, why) : say(speaker, 'fix.yes')}`}</T>
    </Pressable>
  );
}
