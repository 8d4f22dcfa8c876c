import type { Sheet } from '@tufa/core/shelf';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { T } from '../parts/ui/T';

/** So many are shown at once: who wants another writes a word of it. */
const MOST = 5;

interface Listed {
  readonly id: string;
  readonly sheet: Sheet;
}

const matches = (words: readonly string[], { name }: Sheet): boolean => words.every((word) => name.toLowerCase().includes(word));

/** A product found by any words of its name. */
export function SheetPick({ sheets, picked, onPick }: { sheets: readonly Listed[]; picked: Listed; onPick: (id: string) => void }) {
  const speaker = useSpeaker();
  const [text, setText] = useState('');
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = words.length === 0 ? [] : sheets.filter(({ sheet }) => matches(words, sheet));
  return (
    <View className="gap-2">
      <T as="strong">{picked.sheet.name}</T>
      <Field label={say(speaker, 'sum.find')} value={text} onChange={setText} />
      {words.length > 0 && found.length === 0 ? <T as="faint">{say(speaker, 'sum.noneFound')}</T> : null}
      {found.slice(0, MOST).map(({ id, sheet }) => (
        <Button
          key={id}
          label={sheet.name}
          onPress={() => {
            onPick(id);
            setText('');
          }}
        />
      ))}
      {found.length > MOST ? <T as="faint">{say(speaker, 'sum.more', { count: found.length - MOST })}</T> : null}
    </View>
  );
}
