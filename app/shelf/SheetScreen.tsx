import { wholeShelfOf } from '@tufa/contract/assemble';
import { isMaterial } from '@tufa/contract/upgradeSheet';
import { say } from '@tufa/words';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { change, useFirm, write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { Answer, T } from '../parts/ui/T';
import { UndoBand } from '../parts/ui/UndoBand';
import { ImpliedView } from './ImpliedView';
import { linesOf, type SheetLine } from './linesOf';
import { StockLots } from './StockLots';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

/** One sheet read: what it says, what that comes to, what of it lies in the yard. */
export function SheetScreen() {
  const speaker = useSpeaker();
  const { sheet: sheetId = '' } = useLocalSearchParams<{ sheet: string }>();
  const firm = useFirm();
  const router = useRouter();
  const [removed, setRemoved] = useState(false);
  const row = firm.data.sheet[sheetId];
  if (!row)
    return (
      <Screen title={say(speaker, 'shelf.title')} head={<Answer size="number">{say(speaker, 'shelf.title')}</Answer>}>
        <Standing firm={firm} />
        {firm.ready ? <T as="lead">{say(speaker, 'state.notFound')}</T> : null}
      </Screen>
    );
  const { sheet, productId } = row;
  const product = firm.data.product[productId];
  const newest = wholeShelfOf(firm.data).find((revision) => revision.productId === productId);
  const material = isMaterial(sheet) ? sheet : null;
  const gone = removed || product?.removed === true;
  return (
    <Screen
      title={sheet.name}
      head={
        <View className="gap-1">
          <Answer size="number">{sheet.name}</Answer>
          <T as="lead">{`${say(speaker, `class.${sheet.class}`)}, ${say(speaker, 'shelf.revision', { revision: row.revision })}`}</T>
        </View>
      }
      foot={
        <View className="flex-row gap-3">
          {material?.water ? <Button label={say(speaker, 'shelf.use')} grow onPress={() => router.push(links.window(sheetId))} /> : null}
          <Button writes="sheet.add" label={say(speaker, 'shelf.copy')} tone="act" grow onPress={() => router.push(links.newSheet({ from: sheetId }))} />
        </View>
      }
    >
      {gone ? (
        <UndoBand
          said={say(speaker, 'shelf.removed', { name: sheet.name })}
          label={say(speaker, 'shelf.undo')}
          onUndo={() => void write(change('product', 'change', productId, { name: product?.name ?? sheet.name })).then(() => setRemoved(false))}
        />
      ) : null}
      {newest && newest.id !== sheetId && newest.revision > row.revision ? (
        <View className="flex-row items-center justify-between border-l-4 border-caution pl-3">
          <T as="strong" className="flex-1">
            {say(speaker, 'shelf.newer')}
          </T>
          <Word label={say(speaker, 'shelf.showNewer')} onPress={() => router.replace(links.sheet(newest.id))} />
        </View>
      ) : null}
      <SheetLines lines={linesOf(speaker, sheet)} />
      {material ? <ImpliedView sheet={material} /> : null}
      <StockLots data={firm.data} row={row} />
      <View className="flex-row flex-wrap">
        <Word writes="sheet.add" label={say(speaker, 'shelf.change')} onPress={() => router.push(links.newSheet({ from: sheetId, changes: true }))} />
        {gone ? null : (
          <Word
            writes="product.remove"
            label={say(speaker, 'shelf.remove')}
            onPress={() => void write(change('product', 'remove', productId)).then(() => setRemoved(true))}
          />
        )}
      </View>
    </Screen>
  );
}

/** What a sheet says, a line each; what nobody read from the bag is outlined. */
function SheetLines({ lines }: { lines: readonly SheetLine[] }) {
  const speaker = useSpeaker();
  const assumed = lines.filter((line) => line.assumed).length;
  return (
    <View className="gap-2">
      {assumed > 0 ? <T as="faint">{say(speaker, 'shelf.assumedLead', { count: assumed })}</T> : null}
      <View role="list" aria-label={say(speaker, 'shelf.section')}>
        {lines.map(({ key, label, text, assumed: guessed }) => (
          <View key={`${key} ${label}`} role="listitem" className="flex-row justify-between gap-4 border-b border-line py-3">
            <T as="strong" className="max-w-[46%]">
              {label}
            </T>
            <View className={`max-w-[62%] flex-1 items-end ${guessed ? 'border-2 border-dashed border-edge px-2' : ''}`}>
              <T as="faint" className="text-right">
                {text}
              </T>
              {guessed ? <T as="small">{say(speaker, 'shelf.assumed')}</T> : null}
            </View>
          </View>
        ))}
      </View>
    </View>
  );
}
