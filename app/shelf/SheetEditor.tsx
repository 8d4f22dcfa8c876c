import type { SheetFields } from '@tufa/contract/entities';
import type { LabelCell as LabelCellName } from '@tufa/contract/sheetLabel';
import { wholeShelfOf } from '@tufa/contract/assemble';
import { isMaterial } from '@tufa/contract/upgradeSheet';
import { SHEET_CLASSES, type Sheet } from '@tufa/core/shelf';
import { parse, Problem } from '@tufa/core/quantity';
import { say, sayCoded } from '@tufa/words';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { Controller } from 'react-hook-form';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import type { Typed } from '../keypad/entries';
import { useFirm } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { Field } from '../parts/ui/Field';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { Answer, T } from '../parts/ui/T';
import { useWireForm } from '../parts/ui/useWireForm';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { AidEditor } from './AidEditor';
import { FormField } from '../parts/ui/FormField';
import { LabelFrame } from './LabelFrame';
import { ImpliedView } from './ImpliedView';
import { writeSheet } from './writeSheet';
import { cellOf, originOf, sheetOfText, standsIn, textOfOrigin, type LabelText, type Origin } from './labelText';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

/** Cells that take a figure with its unit, by how it is typed. */
const AS: Partial<Record<LabelCellName, Typed>> = {
  pack: 'mass',
  pack2: 'mass',
  thinnest: 'depth',
  thickest: 'depth',
  lift: 'depth',
  grain: 'depth',
  reference: 'temperature',
  airLeast: 'temperature',
  airMost: 'temperature',
  initial: 'minutes',
  final: 'minutes',
};

/** The bag in hand: from nothing, like a sheet on the shelf, or the next sheet of it. */
export function SheetEditor() {
  const speaker = useSpeaker();
  const { from, as, goes } = useLocalSearchParams<{ from?: string; as?: string; goes?: string }>();
  const firm = useFirm();
  if (!firm.ready)
    return (
      <Screen title={say(speaker, 'shelf.edit.titleNew')} head={<Answer size="number">{say(speaker, 'shelf.edit.titleNew')}</Answer>}>
        <Standing firm={firm} />
      </Screen>
    );
  const row = from ? firm.data.sheet[from] : undefined;
  if (goes || (row && !isMaterial(row.sheet))) return <AidEditor key={`${from} ${as}`} data={firm.data} from={from} changes={as === 'change'} />;
  const origin = originOf(row?.sheet, as);
  const last = wholeShelfOf(firm.data).find((revision) => revision.productId === row?.productId)?.revision ?? row?.revision ?? 0;
  return <LabelForm key={`${from} ${as}`} origin={origin} productId={origin.changes && row ? row.productId : null} revision={origin.changes ? last + 1 : 1} />;
}

function LabelForm({ origin, productId, revision }: { origin: Origin; productId: string | null; revision: number }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const [more, setMore] = useState(origin.changes);
  const [picking, setPicking] = useState(origin.base === null);
  const [ids] = useState(() => ({ id: uuid(), productId: productId ?? uuid(), revision }));
  const form = useWireForm<LabelText>({
    name: `sheet ${productId ?? origin.base?.id ?? 'new'}`,
    initial: textOfOrigin(speaker, origin),
    wire: {
      entity: 'sheet',
      toWire: (values) => sheetOfText(speaker, values, origin, ids),
      fieldOf: (path) => ({ field: cellOf(path), label: say(speaker, `shelf.edit.${cellOf(path)}`) }),
    },
  });
  const { control } = form;
  // Asked of the form itself at every render: taken out of it, the compiler would remember the first answer.
  const values = form.watch();
  const named = values.class;
  const typical = useMemo(() => standsIn(speaker, origin, named), [speaker, origin, named]);
  const resin = typical.parts !== undefined;
  const submit = form.submit(async (wire) => {
    await writeSheet({ fields: wire as SheetFields, id: ids.id, known: productId !== null });
    router.replace(links.sheet(ids.id));
  });
  const save = (): void => void submit();
  const cell = (name: LabelCellName, hint?: string) => (
    <FormField
      key={name}
      control={control}
      name={name}
      label={say(speaker, `shelf.edit.${name}`)}
      as={AS[name]}
      hint={hint}
      placeholder={['name', 'pack', 'price'].includes(name) ? undefined : typical[name]}
      onSubmit={save}
    />
  );
  const { base, changes } = origin;
  const title = base ? say(speaker, changes ? 'shelf.edit.titleChange' : 'shelf.edit.titleCopy', { name: base.name }) : say(speaker, 'shelf.edit.titleNew');
  return (
    <LabelFrame title={title} lead={say(speaker, 'shelf.edit.lead')} onCancel={form.clear} onSave={save}>
      {base ? null : <Button label={say(speaker, 'shelf.aid.enter')} onPress={() => router.replace(links.newSheet({ goes: true }))} />}
      {base ? null : !picking ? (
        <Button label={say(speaker, 'shelf.edit.classIs', { name: sayCoded(speaker, `class.${named}`) })} onPress={() => setPicking(true)} />
      ) : (
        <Controller
          control={control}
          name="class"
          render={({ field }) => (
            <Choice
              label={say(speaker, 'shelf.edit.class')}
              options={SHEET_CLASSES.map((value) => ({ value: value as string, label: say(speaker, `class.${value}`) }))}
              value={field.value}
              onChange={(value) => (field.onChange(value), setPicking(false))}
            />
          )}
        />
      )}
      <View className="flex-row gap-2">{cell('name')}</View>
      <View className="flex-row gap-2">
        {cell('pack')}
        {cell('price')}
      </View>
      {resin ? (
        <View className="flex-row gap-2">
          {cell('parts')}
          {cell('partsByWeight')}
        </View>
      ) : (
        <View className="gap-1">
          <View className="flex-row gap-2">
            {cell('waterLeast')}
            {cell('waterMost')}
          </View>
          <T as="small">{say(speaker, 'shelf.edit.waterHint')}</T>
        </View>
      )}
      <View className="flex-row gap-2">
        {cell('works', say(speaker, 'shelf.edit.worksHint'))}
        {cell('reference')}
      </View>
      <View className="flex-row gap-2">
        {cell('thinnest')}
        {cell('thickest')}
      </View>
      {more ? (
        <>
          <View className="flex-row gap-2">
            {cell('tools')}
            {cell('initial')}
            {cell('final')}
          </View>
          <View className="flex-row gap-2">
            {cell('lift')}
            {cell('feathers')}
            {cell('grain')}
          </View>
          {resin ? <View className="flex-row gap-2">{cell('densities')}</View> : null}
          <View className="flex-row gap-2">
            {cell('airLeast')}
            {cell('airMost')}
            {cell('keeps')}
          </View>
          <View className="flex-row gap-2">
            {cell('pack2')}
            {cell('price2')}
          </View>
        </>
      ) : (
        <Button label={say(speaker, 'shelf.edit.more')} onPress={() => setMore(true)} />
      )}
      <View className="flex-row gap-2">
        <Controller
          control={control}
          name="claim"
          render={({ field }) => (
            <Field label={say(speaker, 'shelf.edit.claim')} value={field.value} onChange={field.onChange} hint={say(speaker, 'shelf.edit.claimHint')} />
          )}
        />
      </View>
      <Implies values={values} origin={origin} ids={ids} />
    </LabelFrame>
  );
}

/** What is typed so far comes to; silent while it cannot be read. */
function Implies({ values, origin, ids }: { values: LabelText; origin: Origin; ids: { id: string; productId: string; revision: number } }) {
  const speaker = useSpeaker();
  const followed = useDeferredValue(values);
  const told = useMemo(() => {
    try {
      // Its lives need no name, pack or price; what a bag gives is shown once its pack is read.
      const { sheet } = sheetOfText(
        speaker,
        { ...followed, name: followed.name || '-', pack: followed.pack || '20 kg', price: followed.price || '0' },
        origin,
        ids,
      );
      return sheet as Sheet;
    } catch (error) {
      if (error instanceof FieldProblem) return null;
      throw error;
    }
  }, [speaker, followed, origin, ids]);
  const claim_m2 = useMemo(() => areaOf(followed.claim), [followed.claim]);
  return told ? <ImpliedView sheet={told} claim_m2={claim_m2} bag={followed.pack.trim() !== ''} /> : null;
}

function areaOf(text: string): number | null {
  try {
    return text.trim() === '' ? null : parse({ text, kind: 'area' });
  } catch (error) {
    if (error instanceof Problem) return null;
    throw error;
  }
}
