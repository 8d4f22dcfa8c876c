import type { ShelfPreview } from '@tufa/contract/shelfFile';
import { LABEL_CELLS, type LabelCells } from '@tufa/contract/sheetLabel';
import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, useFirm, write, type Change } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { PickFile } from '../parts/ui/PickFile';
import { saveFile } from '../parts/phone/saveFile';
import { Screen } from '../parts/chrome/Screen';
import { Answer, T } from '../parts/ui/T';
import { cellOf, sayLabelFault } from './labelText';
import { useSpeaker } from '../parts/phone/speaker';
import { loadChecks } from '../parts/phone/checks';
import { loadCsv } from '../parts/phone/csv';
import { links } from '../links';

/** More rows with something wrong than this are counted, not listed. */
const FAULTS_SHOWN = 20;
/** As many as are written at once. */
const AT_ONCE = 200;

/** The shelf out and in; what a file would write is shown first, and nothing is written while a row has a fault. */
export function ShelfFiles() {
  const speaker = useSpeaker();
  const firm = useFirm();
  const router = useRouter();
  const [preview, setPreview] = useState<ShelfPreview | null>(null);
  const take = async (picked: File): Promise<void> => {
    const { previewOfLabels, previewOfShelf } = await loadChecks();
    const content = await picked.text();
    if (/\.json$/i.test(picked.name)) return setPreview(previewOfShelf({ content, data: firm.data, newId: uuid }));
    const { parse } = await loadCsv();
    const { data: rows } = parse<LabelCells>(content, { header: true, skipEmptyLines: true });
    return setPreview(previewOfLabels({ rows, data: firm.data, newId: uuid }));
  };
  const csv = async (): Promise<void> => {
    const [{ shelfRows }, { unparse }] = await Promise.all([loadChecks(), loadCsv()]);
    saveFile({ name: 'shelf.csv', type: 'text/csv', text: unparse(shelfRows(firm.data), { columns: [...LABEL_CELLS] }) });
  };
  const json = async (): Promise<void> => {
    const { shelfFileOf } = await loadChecks();
    saveFile({ name: 'shelf.json', type: 'application/json', text: JSON.stringify(shelfFileOf(firm.data), null, 2) });
  };
  const bring = async (): Promise<void> => {
    const changes = (preview?.products ?? []).flatMap(({ id, fields, sheetId, sheet }): Change[] => [
      ...(fields ? [change('product', 'add', id, fields)] : []),
      change('sheet', 'add', sheetId, sheet),
    ]);
    for (let i = 0; i < changes.length; i += AT_ONCE) await write(...changes.slice(i, i + AT_ONCE));
    router.navigate(links.shelf());
  };
  return (
    <Screen
      title={say(speaker, 'shelf.file.title')}
      head={
        <View className="gap-1">
          <Answer size="number">{say(speaker, 'shelf.file.title')}</Answer>
          <T as="faint">{say(speaker, 'shelf.file.lead')}</T>
        </View>
      }
      foot={<Button label={say(speaker, 'shelf.back')} onPress={() => router.navigate(links.shelf())} />}
    >
      <View className="flex-row gap-3">
        <Button label={say(speaker, 'shelf.file.csv')} grow onPress={() => void csv()} />
        <Button label={say(speaker, 'shelf.file.json')} grow onPress={() => void json()} />
      </View>
      <PickFile
        label={say(speaker, 'shelf.file.bring')}
        accept=".csv,.json,text/csv,application/json"
        testID="shelf-file"
        onPick={(picked) => void take(picked)}
      />
      {preview ? <Preview preview={preview} onWrite={() => void bring()} /> : null}
    </Screen>
  );
}

function Preview({ preview: { products, faults }, onWrite }: { preview: ShelfPreview; onWrite: () => void }) {
  const speaker = useSpeaker();
  const fresh = products.filter(({ fields }) => fields !== null).length;
  return (
    <View className="gap-2" aria-live="polite">
      <T as="strong">{`${say(speaker, 'shelf.file.would', { count: products.length })}, ${say(speaker, 'shelf.file.fresh', { count: fresh })}`}</T>
      {faults.slice(0, FAULTS_SHOWN).map(({ row, field, code, figures }, i) => {
        const cell = field.startsWith('sheet.') ? cellOf(field) : field;
        const what = sayLabelFault(speaker, code, figures, cell);
        return (
          <T key={i} tone="stop">
            {row === 0 ? say(speaker, 'shelf.file.whole', { what }) : say(speaker, 'shelf.file.row', { row: String(row), field: cell, what })}
          </T>
        );
      })}
      {faults.length > FAULTS_SHOWN ? <T tone="stop">{say(speaker, 'files.moreFaults', { count: faults.length - FAULTS_SHOWN })}</T> : null}
      {faults.length > 0 ? <T as="faint">{say(speaker, 'shelf.file.nothing')}</T> : null}
      {faults.length === 0 && products.length > 0 ? <Button writes="sheet.add" label={say(speaker, 'shelf.file.write')} tone="act" onPress={onWrite} /> : null}
    </View>
  );
}
