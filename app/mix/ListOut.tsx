import type { Batch, Plan, PlanInput } from '@tufa/core/plan';
import { aidOf, sheetOf } from '@tufa/core/plan';
import { labelsScene } from '@tufa/draw';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { links } from '../links';
import { usePerson } from '../outbox/session';
import type { JobView } from '../parts/job/useJob';
import { loadCsv } from '../parts/phone/csv';
import { saveFile } from '../parts/phone/saveFile';
import { saveSvg } from '../parts/phone/saveSvg';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { chalk } from '../pour/log';
import { amountOf, lifeText, productName, servesText, waitText } from './batchText';
import { codeOf } from './codeOf';
import { sayLine } from './sayLine';

/** The batch list and the order as tables, and labels with the code that opens a batch on any phone of the firm. */
export function ListOut({ view, input, plan, planId, list }: { view: JobView; input: PlanInput; plan: Plan; planId: string | null; list: readonly Batch[] }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const [busy, setBusy] = useState(false);
  const table = async (name: string, rows: readonly object[]): Promise<void> => {
    const { unparse } = await loadCsv();
    // A cell that a spreadsheet would run as a formula is quoted as text.
    saveFile({ name: `${view.job.name}.${name}.csv`, type: 'text/csv', text: unparse([...rows], { escapeFormulae: true }) });
  };
  const batches = (): Promise<void> =>
    table(
      'batches',
      list.map((batch) => ({
        batch: batch.number,
        made_as: batch.make,
        product: productName(speaker, input, batch),
        amount: amountOf(speaker, input, batch),
        amount_si: batch.amount,
        serves: servesText(speaker, view.data, batch),
        lasts: lifeText(speaker, batch),
        place_by_s: batch.window?.window.placeBy_s ?? '',
        waits: batch.waits.map((wait) => `${wait.on}: ${waitText(speaker, wait)}`).join('; '),
        lines: batch.lines.map((line) => Object.values(sayLine(speaker, line, { batch, sheet: sheetOf(input, batch.productId) })).join(' ')).join('; '),
      })),
    );
  const order = (): Promise<void> =>
    table('order', [
      ...plan.orders.flatMap(({ sheetId, chosen }) =>
        chosen.packages.map(({ count, mass_kg, price_minor }) => ({
          product: sheetOf(input, sheetId)?.name ?? '',
          count,
          pack: mass_kg,
          unit: 'kg',
          price: (count * price_minor) / 100,
          from_stock_kg: chosen.fromStock_kg,
        })),
      ),
      ...plan.aids.flatMap(({ aidId, packages }) =>
        packages.map(({ count, amount, price_minor }) => ({
          product: aidOf(input, aidId)?.name ?? '',
          count,
          pack: amount,
          unit: aidOf(input, aidId)?.unit ?? '',
          price: (count * price_minor) / 100,
          from_stock_kg: 0,
        })),
      ),
      ...plan.extras.map(({ code, ...amount }) => {
        const [[unit, value]] = Object.entries(amount) as [[string, unknown]];
        return { product: say(speaker, `mix.extra.${code}`), count: 1, pack: value, unit, price: '', from_stock_kg: 0 };
      }),
    ]);
  const labels = async (): Promise<void> => {
    setBusy(true);
    try {
      // A number on a label is chalked: it stays with its batch.
      for (const batch of list)
        if (person && !view.events.some((event) => event.payload.key === batch.key))
          await chalk({ view, input, inUse: planId, person: person.id, batch, written: batch.number });
      const made = list.map(async (batch) => ({
        number: batch.number,
        code: await codeOf(`${window.location.origin}${String(links.ticket(view.job.id, batch.number))}`),
        lines: [
          productName(speaker, input, batch),
          `${view.job.name}: ${servesText(speaker, view.data, batch)}`,
          ...batch.lines.map((line) => {
            const { label, main } = sayLine(speaker, line, { batch, sheet: sheetOf(input, batch.productId) });
            return `${label}: ${main}`;
          }),
        ],
      }));
      saveSvg(speaker, labelsScene(await Promise.all(made)), `${view.job.name}.labels`);
    } finally {
      setBusy(false);
    }
  };
  return (
    <View className="flex-row flex-wrap gap-3">
      <Button label={say(speaker, 'mix.csv')} onPress={() => void batches()} />
      <Button label={say(speaker, 'mix.csvOrder')} onPress={() => void order()} />
      <Button label={say(speaker, 'mix.labels')} disabled={busy} onPress={() => void labels()} />
      <Button label={say(speaker, 'mix.print')} onPress={() => window.print()} />
    </View>
  );
}
