import { aidsOf, wholeShelfOf } from '@tufa/contract/assemble';
import { isMaterial } from '@tufa/contract/upgradeSheet';
import type { FirmData, SheetFields } from '@tufa/contract/entities';
import { AID_CLASSES, fromAid, type Aid, type AidClass, type AidLabel } from '@tufa/core/shelf';
import { parse, Problem } from '@tufa/core/quantity';
import { printFigure, say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Controller } from 'react-hook-form';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import type { Typed } from '../keypad/entries';
import { amountMinor } from '../fix/money';
import { Choice } from '../parts/ui/Choice';
import { readWithin } from '../parts/ui/quantityText';
import { T } from '../parts/ui/T';
import { useWireForm } from '../parts/ui/useWireForm';
import { FieldProblem, sayQuantityProblem } from '../parts/ui/fieldProblem';
import { inUnits } from '@tufa/words/survey';
import { FormField } from '../parts/ui/FormField';
import { LabelFrame } from './LabelFrame';
import { writeSheet } from './writeSheet';
import { amountText } from './linesOf';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

const CELLS = ['name', 'class', 'pack', 'price', 'rough', 'tight', 'openLeast', 'openMost', 'waits'] as const;
type Cell = (typeof CELLS)[number];
type AidText = Record<Cell, string>;

const PACK: Readonly<Record<Aid['unit'], Typed | null>> = { kg: 'mass', m3: 'volume', piece: null };
const MINUTES = { least: 60, most: 1e7 };

/** What goes with a material, from its label: one of its class on the shelf stands in for the rest, marked assumed. */
export function AidEditor({ data, from, changes }: { data: FirmData; from: string | undefined; changes: boolean }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const row = from ? data.sheet[from] : undefined;
  const copied = row && !isMaterial(row.sheet) ? row.sheet : null;
  const shelf = aidsOf(data);
  const baseOf = (name: string): Aid => (copied?.class === name ? copied : (shelf.find((aid) => aid.class === name) ?? copied ?? shelf[0]))!;
  const productId = changes && row ? row.productId : null;
  const last = wholeShelfOf(data).find((revision) => revision.productId === productId)?.revision ?? row?.revision ?? 0;
  const [ids] = useState(() => ({ id: uuid(), productId: productId ?? uuid(), revision: changes ? last + 1 : 1 }));
  const form = useWireForm<AidText>({
    name: `aid ${productId ?? copied?.id ?? 'new'}`,
    initial: textOf(speaker, changes ? copied : null, copied?.class ?? 'latex'),
    wire: {
      entity: 'sheet',
      toWire: (text) => ({
        productId: ids.productId,
        revision: ids.revision,
        sheet: fromAid({ base: baseOf(text.class), label: labelOf(speaker, text, baseOf(text.class)), changes, ...ids }),
      }),
      fieldOf: (path) => ({ field: fieldOf(path) }),
    },
  });
  // Asked of the form itself at every render: taken out of it, the compiler would remember the first answer.
  const base = baseOf(form.watch('class'));
  const save = (): void =>
    void form.submit(async (wire) => {
      await writeSheet({ fields: wire as SheetFields, id: ids.id, known: productId !== null });
      router.replace(links.sheet(ids.id));
    })();
  const cell = (name: Cell, as?: Typed | null, placeholder?: string) => (
    <FormField key={name} control={form.control} name={name} label={say(speaker, `shelf.aid.${name}`)} as={as} placeholder={placeholder} onSubmit={save} />
  );
  const title = copied ? say(speaker, changes ? 'shelf.edit.titleChange' : 'shelf.edit.titleCopy', { name: copied.name }) : say(speaker, 'shelf.aid.title');
  const perPack = (per_m2: number): string => inUnits(speaker, 'area', per_m2 * base.packs[0]!.amount);
  return (
    <LabelFrame title={title} lead={say(speaker, 'shelf.aid.lead')} onCancel={form.clear} onSave={save}>
      {copied ? null : (
        <Controller
          control={form.control}
          name="class"
          render={({ field }) => (
            <Choice
              label={say(speaker, 'shelf.edit.class')}
              options={AID_CLASSES.filter((name) => shelf.some((aid) => aid.class === name)).map((value) => ({
                value: value as string,
                label: say(speaker, `class.${value}`),
              }))}
              value={field.value}
              onChange={field.onChange}
            />
          )}
        />
      )}
      <View className="flex-row gap-2">{cell('name')}</View>
      <View className="flex-row gap-2">
        {cell('pack', PACK[base.unit], amountText(speaker, base.unit, base.packs[0]!.amount))}
        {cell('price')}
      </View>
      {base.coverage_m2 ? (
        <View className="flex-row gap-2">
          {cell('rough', null, perPack(base.coverage_m2.least_m2))}
          {cell('tight', null, perPack(base.coverage_m2.most_m2))}
        </View>
      ) : null}
      {base.open ? (
        <View className="flex-row gap-2">
          {cell('openLeast', 'minutes', inUnits(speaker, 'duration', base.open.least_s))}
          {cell('openMost', 'minutes', inUnits(speaker, 'duration', base.open.most_s))}
        </View>
      ) : null}
      {base.waits_s > 0 ? <View className="flex-row gap-2">{cell('waits', 'opens', inUnits(speaker, 'duration', base.waits_s))}</View> : null}
      <T as="small">{say(speaker, 'shelf.aid.standsIn', { name: base.name })}</T>
    </LabelFrame>
  );
}

/** A new one starts with nothing read; the next revision with what its sheet says. */
function textOf(speaker: Speaker, aid: Aid | null, name: AidClass): AidText {
  const empty = Object.fromEntries(CELLS.map((cell) => [cell, ''])) as AidText;
  const pack = aid?.packs[0];
  if (!aid || !pack) return { ...empty, class: name };
  const area = (per_m2: number): string => inUnits(speaker, 'area', per_m2 * pack.amount);
  return {
    ...empty,
    class: name,
    name: aid.name,
    pack: amountText(speaker, aid.unit, pack.amount),
    price: printFigure(speaker, 'p_minor', pack.price_minor),
    ...(aid.coverage_m2 ? { rough: area(aid.coverage_m2.least_m2), tight: area(aid.coverage_m2.most_m2) } : {}),
    ...(aid.open ? { openLeast: inUnits(speaker, 'duration', aid.open.least_s), openMost: inUnits(speaker, 'duration', aid.open.most_s) } : {}),
    ...(aid.waits_s > 0 ? { waits: inUnits(speaker, 'duration', aid.waits_s) } : {}),
  };
}

/** What the label says. @throws FieldProblem naming the cell */
function labelOf(speaker: Speaker, text: AidText, base: Aid): AidLabel {
  const as = PACK[base.unit];
  const amount = as ? readWithin(speaker, { field: 'pack', text: text.pack, as, least: 1e-5, most: 1e4 }) : Number(text.pack);
  if (!(amount > 0)) throw new FieldProblem('pack', say(speaker, 'field.required'));
  const price_minor = amountMinor(text.price);
  if (price_minor === undefined || price_minor === null) throw new FieldProblem('price', say(speaker, 'systems.priceFault'));
  const said = (cell: Cell): boolean => text[cell].trim() !== '';
  const both = (a: Cell, b: Cell): boolean => {
    if (said(a) && !said(b)) throw new FieldProblem(b, say(speaker, 'field.required'));
    if (said(b) && !said(a)) throw new FieldProblem(a, say(speaker, 'field.required'));
    return said(a);
  };
  const time = (field: Cell, as_: Typed): number => readWithin(speaker, { field, text: text[field], as: as_, ...MINUTES });
  const [rough, tight] =
    base.coverage_m2 && both('rough', 'tight') ? [areaOf(speaker, 'rough', text.rough), areaOf(speaker, 'tight', text.tight)].sort((x, y) => x - y) : [];
  const [least_s, most_s] = base.open && both('openLeast', 'openMost') ? [time('openLeast', 'minutes'), time('openMost', 'minutes')] : [];
  if (least_s !== undefined && most_s !== undefined && least_s > most_s)
    throw new FieldProblem('openMost', say(speaker, 'field.tooSmall', { least: inUnits(speaker, 'duration', least_s) }));
  return {
    name: text.name.trim(),
    packs: [{ amount, price_minor }],
    ...(rough !== undefined && tight !== undefined ? { coverage_m2: { least_m2: rough / amount, most_m2: tight / amount } } : {}),
    ...(least_s !== undefined && most_s !== undefined ? { open: { least_s, most_s } } : {}),
    ...(base.waits_s > 0 && said('waits') ? { waits_s: time('waits', 'opens') } : {}),
  };
}

/** An area as a label gives it; a bare number means the firm's own unit. @throws FieldProblem */
function areaOf(speaker: Speaker, field: Cell, text: string): number {
  try {
    return parse({ text, kind: 'area', unit: speaker.system === 'us' ? 'ft2' : 'm2' });
  } catch (error) {
    if (error instanceof Problem) throw new FieldProblem(field, sayQuantityProblem(speaker, error, 'area'));
    throw error;
  }
}

const fieldOf = (path: string): Cell => {
  if (path.includes('packs')) return path.includes('price') ? 'price' : 'pack';
  if (path.includes('coverage')) return 'rough';
  if (path.includes('open')) return 'openMost';
  return path.includes('waits') ? 'waits' : 'name';
};
