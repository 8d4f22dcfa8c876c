import { wholeShelfOf } from '@tufa/contract/assemble';
import type { RowOf } from '@tufa/contract/entities';
import { isMaterial } from '@tufa/contract/upgradeSheet';
import { say, printFigure } from '@tufa/words';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRouter } from 'expo-router';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { Text, View } from 'react-native';
import { Way } from '../parts/chrome/Way';
import { useFirm } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { Answer, T } from '../parts/ui/T';
import { ShelfIndex } from './ShelfIndex';
import { NO_FILTER, type ShelfFilter } from './ShelfFilter';
import { ShelfNarrow } from './ShelfNarrow';
import { Toggle } from '../parts/ui/Toggle';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

/** As many as can be read side by side. */
const COMPARED = 4;
const ROW = 88;

/** A list that only wants to find by name takes it from here: who searches it is rare, and the library large. */
export { ShelfIndex };

/** The shelf: searched, narrowed down, chosen from to compare. However long it is, only the rows in sight are drawn. */
export function ShelfScreen() {
  const speaker = useSpeaker();
  const firm = useFirm();
  const router = useRouter();
  const [filter, setFilter] = useState<ShelfFilter>(NO_FILTER);
  const [narrowing, setNarrowing] = useState(false);
  const [compared, setCompared] = useState<readonly string[]>([]);
  const { sheet: sheets, product, stockLot } = firm.data;
  const index = useMemo(
    () =>
      new ShelfIndex(
        speaker,
        wholeShelfOf({ sheet: sheets, product }),
        new Set(Object.values(stockLot).flatMap((lot) => (lot.removed || lot.amount <= 0 ? [] : [lot.productId]))),
      ),
    [speaker, sheets, product, stockLot],
  );
  // The letters appear as they are typed; the list follows.
  const wanted = useDeferredValue(filter);
  const found = useMemo(() => index.find(wanted), [index, wanted]);
  const narrowed = Number(filter.use !== null) + Number(filter.class !== null) + Number(filter.thickness_m !== null) + Number(filter.inStock);
  const asked = narrowed > 0 || filter.text !== '';
  const pick = (id: string): void =>
    setCompared((ids) => (ids.includes(id) ? ids.filter((other) => other !== id) : ids.length < COMPARED ? [...ids, id] : ids));
  return (
    <Screen
      title={say(speaker, 'shelf.title')}
      fixed
      head={
        <View className="gap-2">
          <Answer size="number">
            {asked
              ? say(speaker, 'shelf.found', { count: found.length, all: index.rows.length })
              : firm.ready
                ? say(speaker, 'shelf.count', { count: index.rows.length })
                : ''}
          </Answer>
          {asked ? null : <T as="small">{say(speaker, 'shelf.lead')}</T>}
          <View className="flex-row items-end gap-2">
            <Field label={say(speaker, 'shelf.search')} value={filter.text} onChange={(text) => setFilter({ ...filter, text })} />
            <Button
              label={narrowed > 0 ? say(speaker, 'shelf.filterOn', { count: narrowed }) : say(speaker, 'shelf.filter')}
              tone={narrowing ? 'dark' : 'plain'}
              onPress={() => setNarrowing(!narrowing)}
            />
          </View>
        </View>
      }
      foot={
        compared.length > 0 ? (
          <View className="flex-row gap-3">
            <Button label={say(speaker, 'shelf.clear')} onPress={() => setCompared([])} />
            <Button
              label={say(speaker, 'shelf.compareCount', { count: compared.length })}
              tone="act"
              grow
              disabled={compared.length < 2}
              onPress={() => router.push(links.compare(compared))}
            />
          </View>
        ) : (
          <View className="flex-row gap-3">
            <Button label={say(speaker, 'shelf.files')} onPress={() => router.push(links.shelfFiles())} />
            <Button writes="sheet.add" label={say(speaker, 'shelf.enter')} tone="act" grow onPress={() => router.push(links.newSheet())} />
          </View>
        )
      }
    >
      {narrowing ? <ShelfNarrow filter={filter} onChange={setFilter} onDone={() => setNarrowing(false)} /> : null}
      <View className="px-4">
        <Standing firm={firm} />
        {firm.ready && index.rows.length === 0 ? <T as="lead">{say(speaker, 'shelf.none')}</T> : null}
        {asked && index.rows.length > 0 && found.length === 0 ? <T as="lead">{say(speaker, 'shelf.nothingFits')}</T> : null}
        {asked ? <Word label={say(speaker, 'shelf.all')} onPress={() => setFilter(NO_FILTER)} /> : null}
      </View>
      <View className="flex-row justify-end gap-3 border-b-2 border-ink px-4 pb-1">
        <T as="small" className="flex-1">
          {say(speaker, 'shelf.thickness')}
        </T>
        <T as="small">{say(speaker, 'shelf.flow')}</T>
        <T as="small">{say(speaker, 'shelf.compare')}</T>
      </View>
      <ShelfList rows={found} compared={compared} onPick={pick} />
    </Screen>
  );
}

/** The list itself: a long one scrolls as lightly as a short one. */
function ShelfList({ rows, compared, onPick }: { rows: readonly RowOf<'sheet'>[]; compared: readonly string[]; onPick: (id: string) => void }) {
  'use no memo';
  const box = useRef<HTMLDivElement>(null);
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    overscan: 6,
    getItemKey: (i) => rows[i]!.id,
  });
  return (
    <div ref={box} tabIndex={0} style={{ flex: 1, minHeight: 0, overflowY: 'auto' }} data-testid="shelf-list">
      <div role="list" style={{ position: 'relative', height: list.getTotalSize() }}>
        {list.getVirtualItems().map(({ index, start, key }) => (
          <div
            key={key}
            ref={list.measureElement}
            data-index={index}
            role="listitem"
            aria-setsize={rows.length}
            aria-posinset={index + 1}
            style={{ position: 'absolute', left: 0, right: 0, top: 0, transform: `translateY(${start}px)` }}
          >
            <ShelfRow row={rows[index]!} chosen={compared.includes(rows[index]!.id)} full={compared.length >= COMPARED} onPick={onPick} />
          </div>
        ))}
      </div>
    </div>
  );
}

function ShelfRow({ row: { id, sheet }, chosen, full, onPick }: { row: RowOf<'sheet'>; chosen: boolean; full: boolean; onPick: (id: string) => void }) {
  const speaker = useSpeaker();
  const material = isMaterial(sheet);
  const kind = say(speaker, `class.${sheet.class}`);
  const between = material
    ? say(speaker, 'shelf.range', {
        least: printFigure(speaker, 'least_m', sheet.thickness.least_m),
        most: printFigure(speaker, 'most_m', sheet.thickness.most_m),
      })
    : null;
  return (
    <View className="min-h-[88px] flex-row items-center gap-2 border-b border-line px-4">
      <Way href={links.sheet(id)} className="min-h-[76px] flex-1 flex-row items-center justify-between gap-3 py-2">
        <View className="flex-1">
          <T as="strong">{sheet.name}</T>
          <T as="faint">{between ? `${kind}, ${between}` : kind}</T>
        </View>
        {material ? <T as="number">{printFigure(speaker, 'life_s', Math.sqrt(sheet.flow.least_s * sheet.flow.most_s))}</T> : null}
      </Way>
      <Toggle
        role="checkbox"
        aria-checked={chosen}
        disabled={full && !chosen}
        aria-label={say(speaker, 'shelf.compareThis', { name: sheet.name })}
        onPress={() => onPick(id)}
        className={`h-[56px] w-[56px] lg:h-[48px] lg:w-[48px] items-center justify-center border-2 ${chosen ? 'border-selected bg-selected' : full ? 'border-disabled bg-ground' : 'border-edge bg-sheet'}`}
      >
        <Text className={`font-text text-20 font-bold ${chosen ? 'text-on-selected' : 'text-faint'}`} aria-hidden>
          {chosen ? '✓' : ''}
        </Text>
      </Toggle>
    </View>
  );
}
