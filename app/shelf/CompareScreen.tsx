import type { RowOf } from '@tufa/contract/entities';
import { say } from '@tufa/words';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useFirm } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { Screen } from '../parts/chrome/Screen';
import { SideBySide } from '../parts/ui/SideBySide';
import { Standing } from '../parts/chrome/Standing';
import { Answer, T } from '../parts/ui/T';
import { linesOf } from './linesOf';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

interface Compared {
  readonly key: string;
  readonly label: string;
  readonly texts: readonly string[];
  readonly differs: boolean;
}

/** The lines of several sheets under one another's keys, in the order they are first said. */
function comparedLines(speaker: Speaker, sheets: readonly RowOf<'sheet'>['sheet'][]): Compared[] {
  const all = sheets.map((sheet) => new Map(linesOf(speaker, sheet).map((line) => [`${line.key} ${line.label}`, line] as const)));
  const keys = [...new Set(all.flatMap((lines) => [...lines.keys()]))];
  return keys.map((key) => {
    const texts = all.map((lines) => lines.get(key)?.text ?? '');
    const label = all.find((lines) => lines.has(key))!.get(key)!.label;
    return { key, label, texts, differs: new Set(texts).size > 1 };
  });
}

/** Up to four sheets side by side; what differs is marked. */
export function CompareScreen() {
  const speaker = useSpeaker();
  const { ids = '' } = useLocalSearchParams<{ ids: string }>();
  const firm = useFirm();
  const router = useRouter();
  const [only, setOnly] = useState(true);
  const rows = ids.split(',').flatMap((id) => (firm.data.sheet[id] ? [firm.data.sheet[id]] : []));
  const lines = comparedLines(
    speaker,
    rows.map(({ sheet }) => sheet),
  );
  const differ = lines.filter(({ differs }) => differs);
  return (
    <Screen
      title={say(speaker, 'shelf.compareTitle')}
      head={
        <View className="gap-1">
          <Answer size="number">{say(speaker, 'shelf.compareTitle')}</Answer>
          <T as="lead">
            {rows.length < 2 ? (firm.ready ? say(speaker, 'shelf.compareFew') : '') : say(speaker, 'shelf.compareLead', { count: differ.length })}
          </T>
        </View>
      }
      foot={
        <View className="flex-row gap-3">
          <Button label={say(speaker, 'shelf.back')} grow onPress={() => router.navigate(links.shelf())} />
          <Button label={say(speaker, only ? 'shelf.everything' : 'shelf.onlyDiffers')} grow onPress={() => setOnly(!only)} />
        </View>
      }
    >
      <Standing firm={firm} />
      {rows.length >= 2 ? (
        <SideBySide
          testID="compare"
          caption={say(speaker, 'shelf.compareTitle')}
          corner={say(speaker, 'shelf.what')}
          columns={rows.map(({ id, sheet }) => ({ key: id, label: sheet.name }))}
          rows={(only ? differ : lines).map(({ key, label, texts, differs }) => ({
            key,
            label,
            marked: differs && !only,
            ...(differs && !only ? { note: say(speaker, 'shelf.differs') } : {}),
            cells: texts.map((text) => ({ text: text === '' ? say(speaker, 'shelf.no') : text })),
          }))}
        />
      ) : null}
    </Screen>
  );
}
