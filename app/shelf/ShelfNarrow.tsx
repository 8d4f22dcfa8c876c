import { AID_CLASSES, SHEET_CLASSES, USES } from '@tufa/core/shelf';
import { printFigure, say } from '@tufa/words';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { QuantityField } from '../parts/ui/QuantityField';
import { readWithin } from '../parts/ui/quantityText';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { NO_FILTER, type ShelfFilter } from './ShelfFilter';
import { useSpeaker } from '../parts/phone/speaker';

const ANY = 'any';

/** By use, by class, by thickness, by what lies in the yard. */
export function ShelfNarrow({ filter, onChange, onDone }: { filter: ShelfFilter; onChange: (filter: ShelfFilter) => void; onDone: () => void }) {
  const speaker = useSpeaker();
  const [thick, setThick] = useState<{ text: string; fault: string | undefined }>({
    text: filter.thickness_m === null ? '' : printFigure(speaker, 'd_m', filter.thickness_m),
    fault: undefined,
  });
  const classes = filter.use === 'helps' ? AID_CLASSES : filter.use === null ? [...SHEET_CLASSES, ...AID_CLASSES] : SHEET_CLASSES;
  const typed = (text: string): void => {
    try {
      onChange({ ...filter, thickness_m: text.trim() === '' ? null : readWithin(speaker, { field: 'thickness', text, as: 'depth', least: 0, most: 2 }) });
      setThick({ text, fault: undefined });
    } catch (error) {
      if (!(error instanceof FieldProblem)) throw error;
      setThick({ text, fault: error.sentence });
    }
  };
  return (
    <ScrollView tabIndex={0} className="max-h-[62%] border-y-2 border-ink bg-sunk" contentContainerClassName="gap-3 px-4 py-3" testID="shelf-narrow">
      <Choice
        label={say(speaker, 'shelf.forUse')}
        options={[
          { value: ANY, label: say(speaker, 'shelf.anyUse') },
          ...USES.map((value) => ({ value: value as string, label: printFigure(speaker, 'use', value) })),
          { value: 'helps', label: say(speaker, 'shelf.helps') },
        ]}
        value={filter.use ?? ANY}
        onChange={(value) => onChange({ ...filter, use: value === ANY ? null : (value as ShelfFilter['use']), class: null })}
      />
      <View className="flex-row items-end gap-2">
        <QuantityField as="depth" label={say(speaker, 'shelf.forThickness')} value={thick.text} onChange={typed} fault={thick.fault} />
        <Button
          label={say(speaker, 'shelf.inStock')}
          tone={filter.inStock ? 'dark' : 'plain'}
          onPress={() => onChange({ ...filter, inStock: !filter.inStock })}
        />
      </View>
      <Choice
        label={say(speaker, 'shelf.forClass')}
        options={[
          { value: ANY, label: say(speaker, 'shelf.anyUse') },
          ...classes.map((value) => ({ value: value as string, label: say(speaker, `class.${value}`) })),
        ]}
        value={filter.class ?? ANY}
        onChange={(value) => onChange({ ...filter, class: value === ANY ? null : (value as ShelfFilter['class']) })}
      />
      <View className="flex-row gap-3">
        <Button label={say(speaker, 'shelf.all')} onPress={() => (onChange(NO_FILTER), setThick({ text: '', fault: undefined }))} />
        <Button label={say(speaker, 'walk.done')} tone="act" grow onPress={onDone} />
      </View>
    </ScrollView>
  );
}
