import { stockOf } from '@tufa/contract/assemble';
import type { FirmData, RowOf } from '@tufa/contract/entities';
import { isMaterial } from '@tufa/contract/upgradeSheet';
import { say } from '@tufa/words';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { now } from '../parts/phone/clock';
import { DayField } from '../parts/ui/DayField';
import { Field } from '../parts/ui/Field';
import { QuantityField } from '../parts/ui/QuantityField';
import { readWithin } from '../parts/ui/quantityText';
import { T } from '../parts/ui/T';
import { UndoBand } from '../parts/ui/UndoBand';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { amountText } from './linesOf';
import { useSpeaker } from '../parts/phone/speaker';
import { loadChecks } from '../parts/phone/checks';

const DAY = 'yyyy-MM-dd';
const today = (): string => format(now(), DAY);
/** Sooner than this it is used before any other. */
const SOON_DAYS = 30;

/** What of one product lies in the yard: lots, part packs, what was opened when and must be used by when. */
export function StockLots({ data, row: { productId, sheet } }: { data: FirmData; row: RowOf<'sheet'> }) {
  const speaker = useSpeaker();
  /** the lot being written: a new one, or one that is corrected */
  const [writing, setWriting] = useState<'new' | RowOf<'stockLot'> | null>(null);
  const [gone, setGone] = useState<RowOf<'stockLot'> | null>(null);
  const lots = stockOf(data, productId);
  const unit = isMaterial(sheet) ? 'kg' : sheet.unit;
  const opened = (lot: RowOf<'stockLot'>): void => {
    const until = format(addDays(parseISO(today()), sheet.opened_days ?? sheet.shelfLife_days), DAY);
    void write(change('stockLot', 'change', lot.id, { openedOn: today(), useBy: lot.useBy && lot.useBy < until ? lot.useBy : until }));
  };
  return (
    <View className="gap-2">
      <T as="h2">{say(speaker, 'shelf.stock')}</T>
      {lots.length === 0 ? (
        <T as="faint">{say(speaker, 'shelf.stockNone')}</T>
      ) : (
        <T as="strong">
          {say(speaker, 'shelf.stockTotal', {
            amount: amountText(
              speaker,
              unit,
              lots.reduce((sum, { amount }) => sum + amount, 0),
            ),
          })}
        </T>
      )}
      {lots.map((lot) => (
        <View key={lot.id} className="border-2 border-edge bg-sheet px-3 py-2">
          <View className="flex-row justify-between gap-3">
            <T as="strong">{amountText(speaker, unit, lot.amount)}</T>
            <T as="faint">{lot.lot ? say(speaker, 'shelf.lotOf', { lot: lot.lot }) : say(speaker, 'shelf.lotNone')}</T>
          </View>
          <T as="faint">
            {[lot.openedOn ? say(speaker, 'shelf.opened', { day: lot.openedOn }) : '', lot.useBy ? say(speaker, 'shelf.useBy', { day: lot.useBy }) : '']
              .filter(Boolean)
              .join(', ')}
          </T>
          {lot.useBy && lot.useBy < today() ? (
            <T tone="stop">{say(speaker, 'shelf.overdue')}</T>
          ) : lot.useBy && lot.useBy < format(addDays(now(), SOON_DAYS), DAY) ? (
            <T tone="caution">{say(speaker, 'shelf.soon')}</T>
          ) : null}
          <View className="flex-row">
            {lot.openedOn ? null : <Word writes="stockLot.change" label={say(speaker, 'shelf.open')} onPress={() => opened(lot)} />}
            <Word writes="stockLot.change" label={say(speaker, 'shelf.correct')} onPress={() => setWriting(lot)} />
            <Word
              writes="stockLot.change"
              label={say(speaker, 'shelf.usedUp')}
              onPress={() => void write(change('stockLot', 'remove', lot.id)).then(() => setGone(lot))}
            />
          </View>
        </View>
      ))}
      {gone ? (
        <UndoBand
          said={say(speaker, 'shelf.lotGone')}
          label={say(speaker, 'shelf.undo')}
          onUndo={() => void write(change('stockLot', 'change', gone.id, { amount: gone.amount })).then(() => setGone(null))}
        />
      ) : null}
      {writing ? (
        <LotForm
          key={writing === 'new' ? 'new' : writing.id}
          productId={productId}
          sheet={sheet}
          existing={writing === 'new' ? null : writing}
          onDone={() => setWriting(null)}
        />
      ) : (
        <Button writes="stockLot.add" label={say(speaker, 'shelf.addLot')} onPress={() => setWriting('new')} />
      )}
    </View>
  );
}

/** A delivery or a part pack, new or corrected: how much, its lot, its day. */
function LotForm({
  productId,
  sheet,
  existing,
  onDone,
}: {
  productId: string;
  sheet: RowOf<'sheet'>['sheet'];
  existing: RowOf<'stockLot'> | null;
  onDone: () => void;
}) {
  const speaker = useSpeaker();
  const unit = isMaterial(sheet) ? 'kg' : sheet.unit;
  const shown = existing ? amountText(speaker, unit, existing.amount) : '';
  const kg = isMaterial(sheet) || sheet.unit === 'kg';
  const [seen] = useState(existing);
  const [amount, setAmount] = useState(shown);
  const [lot, setLot] = useState(existing?.lot ?? '');
  const [useBy, setUseBy] = useState(existing?.useBy ?? '');
  const [fault, setFault] = useState<{ field: string; text: string } | null>(null);
  const save = async (): Promise<void> => {
    const { FIELDS, check } = await loadChecks();
    try {
      const pieces = !isMaterial(sheet) && sheet.unit === 'piece';
      const read = (): number =>
        pieces ? parseFloat(amount) : readWithin(speaker, { field: 'amount', text: amount, as: kg ? 'mass' : 'volume', least: 1e-5, most: 1e5 });
      // What still stands as it was shown is not read again: printing it has rounded it.
      const value = existing && amount === shown ? existing.amount : read();
      if (!(value > 0)) throw new FieldProblem('amount', say(speaker, 'field.required'));
      const fields = { productId, amount: value, lot: lot.trim() || null, openedOn: existing?.openedOn ?? null, useBy: useBy || null };
      const bad = check(FIELDS.stockLot, fields).fault;
      if (bad) throw new FieldProblem(bad.field, say(speaker, 'field.required'));
      void write(existing ? change('stockLot', 'change', existing.id, fields, seen ?? undefined) : change('stockLot', 'add', uuid(), fields)).then(onDone);
    } catch (error) {
      if (!(error instanceof FieldProblem)) throw error;
      setFault({ field: error.field, text: error.sentence });
    }
  };
  const faultOf = (field: string): string | undefined => (fault?.field === field ? fault.text : undefined);
  return (
    <View className="gap-2 border-2 border-edge bg-sheet p-3">
      <View className="flex-row gap-2">
        {kg || (!isMaterial(sheet) && sheet.unit === 'm3') ? (
          <QuantityField
            as={kg ? 'mass' : 'volume'}
            label={say(speaker, 'shelf.amount')}
            value={amount}
            onChange={setAmount}
            fault={faultOf('amount')}
            onSubmit={save}
          />
        ) : (
          <Field label={say(speaker, 'shelf.packsCount')} value={amount} onChange={setAmount} fault={faultOf('amount')} onSubmit={save} />
        )}
        <Field label={say(speaker, 'shelf.lotNumber')} value={lot} onChange={setLot} fault={faultOf('lot')} onSubmit={save} />
      </View>
      <DayField label={say(speaker, 'shelf.useByField')} value={useBy} onChange={setUseBy} fault={faultOf('useBy')} />
      <View className="flex-row gap-2">
        <Button label={say(speaker, 'shelf.edit.cancel')} grow onPress={onDone} />
        <Button label={say(speaker, existing ? 'shelf.correctLot' : 'shelf.addLot')} tone="act" grow onPress={save} />
      </View>
    </View>
  );
}
