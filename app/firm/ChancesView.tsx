import type { RowOf } from '@tufa/contract/entities';
import { printFigure, say } from '@tufa/words';
import { View } from 'react-native';
import { amountMinor } from '../fix/money';
import { change, write } from '../outbox/useFirm';
import { ReadUnless } from '../parts/phone/rights';
import { useSpeaker } from '../parts/phone/speaker';
import { Several } from '../parts/ui/Choice';
import { QuantityFigure } from '../parts/ui/QuantityFigure';
import { T } from '../parts/ui/T';
import { TypedFigure } from '../parts/ui/TypedFigure';

/** Shares of a bag that somebody may split off by weight. */
const SHARES = [
  ['1', 1],
  ['2/3', 2 / 3],
  ['1/2', 1 / 2],
  ['1/3', 1 / 3],
  ['1/4', 1 / 4],
  ['1/5', 1 / 5],
] as const;

const shareText = (share: number): string => `${Math.round(share * 1000) / 10} %`;
const readShare = (text: string, least: number, most: number): number | undefined => {
  const value = parseFloat(text.replace(',', '.')) / 100;
  return value >= least && value <= most ? value : undefined;
};

/** How sure the firm wants to be, and what it mixes with: each figure stands behind every plan. */
export function ChancesView({ firm }: { firm: RowOf<'firm'> }) {
  const speaker = useSpeaker();
  const { settings } = firm;
  const { acceptedChance, orderQuantile, medianWaste, grid, drill_kg, shortCost_minor } = settings;
  const keep = (next: Partial<typeof settings>): void => void write(change('firm', 'change', firm.id, { settings: { ...settings, ...next } }));
  return (
    <View className="gap-2" testID="chances">
      <T as="h2">{say(speaker, 'firm.chances')}</T>
      <T as="faint">{say(speaker, 'firm.chancesLead')}</T>
      <View className="flex-row flex-wrap gap-2">
        <TypedFigure
          label={say(speaker, 'firm.acceptedChance')}
          shown={shareText(acceptedChance)}
          assumed={false}
          fault={say(speaker, 'firm.acceptedChanceFault')}
          read={(text) => readShare(text, 0.001, 0.5)}
          onChange={(value) => keep({ acceptedChance: value })}
        />
        <TypedFigure
          label={say(speaker, 'firm.orderCertainty')}
          shown={shareText(orderQuantile)}
          assumed={false}
          fault={say(speaker, 'firm.orderCertaintyFault')}
          read={(text) => readShare(text, 0.5, 0.99)}
          onChange={(value) => keep({ orderQuantile: value })}
        />
        <TypedFigure
          label={say(speaker, 'firm.waste')}
          shown={shareText(medianWaste)}
          assumed={false}
          fault={say(speaker, 'firm.wasteFault')}
          read={(text) => readShare(text, 0, 1)}
          onChange={(value) => keep({ medianWaste: value })}
        />
        <ReadUnless may="doors">
          <TypedFigure
            label={say(speaker, 'firm.shortCost')}
            shown={shortCost_minor === undefined ? '' : printFigure(speaker, 'r_minor', shortCost_minor)}
            assumed={shortCost_minor === undefined}
            fault={say(speaker, 'systems.priceFault')}
            read={(text) => amountMinor(text) ?? undefined}
            onChange={(value) => keep({ shortCost_minor: value })}
          />
        </ReadUnless>
        <QuantityFigure
          label={say(speaker, 'firm.drill')}
          as="mass"
          kind="mass"
          value={drill_kg}
          least={1}
          most={1000}
          onChange={(value) => keep({ drill_kg: value })}
        />
      </View>
      <Several
        label={say(speaker, 'firm.shares')}
        options={SHARES.map(([label]) => ({ value: label, label }))}
        values={SHARES.flatMap(([label, share]) => (grid.some((known) => Math.abs(known - share) < 1e-6) ? [label] : []))}
        // A whole bag is always mixed.
        onChange={(labels) => keep({ grid: SHARES.flatMap(([label, share]) => (share === 1 || labels.includes(label) ? [share] : [])) })}
      />
    </View>
  );
}
