import { stockOf } from '@tufa/contract/assemble';
import { fromStock } from '@tufa/core/mix';
import { sheetOf, type Batch } from '@tufa/core/plan';
import { OF_JOB, takenOf, usedOf } from '@tufa/core/pour';
import { say, printMeasure } from '@tufa/words';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { usePerson } from '../outbox/session';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { batchOfPlan } from './clocks';
import { jobEvent } from './log';

/** Less than this of a product is nothing, kg. */
const NOTHING_KG = 0.01;

interface Product {
  readonly name: string;
  /** of what was started, lost batches too: it left its bag */
  readonly used_kg: number;
  /** of the batches still to come */
  readonly left_kg: number;
}

/** What a pour took of each product so far, by what went in where somebody measured it, and what is still to be mixed. */
function productsOf(view: JobView, left: readonly Batch[]): ReadonlyMap<string, Product> {
  const products = new Map<string, Product>();
  const measured = usedOf(view.events);
  const add = (found: { name: string; productId: string } | undefined, more: Partial<Product>): void => {
    if (!found) return;
    const { name, productId } = found;
    const before = products.get(productId) ?? { name, used_kg: 0, left_kg: 0 };
    products.set(productId, { name, used_kg: before.used_kg + (more.used_kg ?? 0), left_kg: before.left_kg + (more.left_kg ?? 0) });
  };
  for (const state of view.batches) {
    const found = batchOfPlan(view.data, state);
    if (!found) continue;
    const { batch, input } = found;
    add(sheetOf(input, batch.productId), { used_kg: measured.get(state.batch)?.powder_kg ?? batch.amount / (batch.shots?.count ?? 1) });
  }
  for (const batch of left) add(sheetOf(view.input, batch.productId), { left_kg: batch.amount });
  return products;
}

/** What the pour took so far beside what lies in the yard, taken off with one tap; and what is still to be mixed. */
export function StockUsed({ view, left, planId }: { view: JobView; left: readonly Batch[]; planId: string | null }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const plan = planId ?? view.batches.at(-1)?.planId;
  const findingId = view.finding?.findingId ?? view.batches[0]?.findingId;
  if (view.batches.length === 0 || !person || !plan || !findingId) return null;
  const taken = takenOf(view.events);
  const kg = (mass_kg: number): string => printMeasure(speaker, 'mass', mass_kg);
  return (
    <View className="gap-2" testID="stock-used">
      <T as="h2">{say(speaker, 'pour.stock.title')}</T>
      {[...productsOf(view, left)].map(([productId, { name, used_kg, left_kg }]) => {
        const lots = stockOf(view.data, productId);
        const yard_kg = lots.reduce((sum, { amount }) => sum + amount, 0);
        const due_kg = used_kg - (taken.get(productId) ?? 0);
        const take = (): void => {
          const from = fromStock({ need_kg: due_kg, lots: lots.map(({ amount, useBy }) => ({ mass_kg: amount, ...(useBy ? { useBy } : {}) })) });
          void write(
            ...from.taken.map(({ lot, mass_kg }) => change('stockLot', 'change', lots[lot]!.id, { amount: Math.max(0, lots[lot]!.amount - mass_kg) })),
            jobEvent({ view, person: person.id, kind: 'stocked', batch: OF_JOB, findingId, planId: plan, payload: { taken: { productId, mass_kg: due_kg } } }),
          );
        };
        return (
          <View key={productId} className="gap-1 border-b border-line pb-2">
            <T as="strong">{name}</T>
            <T>
              {say(speaker, 'pour.stock.used', { used: kg(used_kg) })}
              {left_kg > NOTHING_KG ? `, ${say(speaker, 'pour.stock.left', { left: kg(left_kg) })}` : ''}
              {lots.length > 0 ? `, ${say(speaker, 'pour.stock.yard', { yard: kg(yard_kg) })}` : ''}.
            </T>
            {lots.length > 0 && due_kg > yard_kg + NOTHING_KG ? (
              <T tone="caution" as="strong">
                {say(speaker, 'pour.stock.under')}
              </T>
            ) : null}
            {lots.length > 0 && left_kg > yard_kg - Math.min(due_kg, yard_kg) + NOTHING_KG ? (
              <T as="faint">{say(speaker, 'pour.stock.buy', { short: kg(left_kg - Math.max(0, yard_kg - due_kg)) })}</T>
            ) : null}
            {lots.length > 0 && due_kg > NOTHING_KG ? (
              <Button writes="stockLot.change" label={say(speaker, 'pour.stock.take', { due: kg(due_kg) })} onPress={take} />
            ) : null}
          </View>
        );
      })}
    </View>
  );
}
