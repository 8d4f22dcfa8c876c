import type { RowOf } from '@tufa/contract/entities';
import { DEFAULT_RATES, ratesOf, type Rates } from '@tufa/core/plan';
import { printFigure, say, sayCoded } from '@tufa/words';
import { View } from 'react-native';
import { amountMinor } from '../fix/money';
import { change, write } from '../outbox/useFirm';
import { TypedFigure } from '../parts/ui/TypedFigure';
import { TypedText } from '../parts/ui/TypedText';
import { T } from '../parts/ui/T';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';

type Money = 'labour_minor_h' | 'trip_minor' | 'tool_minor_day' | 'disposal_minor_kg' | 'concrete_minor_m3';

/** How much of it a price is asked for: a ton and a cubic yard are what a yard's bill says in feet, a tonne and a cubic metre in metres. */
const PER: Readonly<Partial<Record<Money, { readonly us: number; readonly metric: number }>>> = {
  disposal_minor_kg: { us: 907.18474, metric: 1000 },
  concrete_minor_m3: { us: 0.764554857984, metric: 1 },
};
const MONEY: readonly Money[] = ['labour_minor_h', 'trip_minor', 'tool_minor_day', 'disposal_minor_kg', 'concrete_minor_m3'];
const perOf = (speaker: Speaker, name: Money): number => PER[name]?.[speaker.system] ?? 1;

/** What an hour, a trip, a tool cost the firm: systems are compared at them. What nobody set stands as an ordinary figure. */
export function RatesView({ firm }: { firm: RowOf<'firm'> }) {
  const speaker = useSpeaker();
  const rates = ratesOf(firm.settings);
  const set = firm.settings.rates ?? {};
  const { tax } = firm.settings;
  const keepTax = (next: NonNullable<typeof tax>): void => void write(change('firm', 'change', firm.id, { settings: { ...firm.settings, tax: next } }));
  const keep = (next: Partial<Rates>): void => void write(change('firm', 'change', firm.id, { settings: { ...firm.settings, rates: { ...set, ...next } } }));
  return (
    <View className="gap-2" testID="rates">
      <T as="h2">{say(speaker, 'rates.title')}</T>
      <T as="faint">{say(speaker, 'rates.lead')}</T>
      <View className="flex-row flex-wrap gap-2">
        {MONEY.map((name) => (
          <TypedFigure
            key={name}
            label={sayCoded(speaker, PER[name] ? `rates.${name}.${speaker.system}` : `rates.${name}`)}
            shown={printFigure(speaker, 'r_minor', PER[name] ? Math.round((rates[name] * perOf(speaker, name)) / 100) * 100 : rates[name])}
            assumed={set[name] === undefined}
            fault={say(speaker, 'systems.priceFault')}
            read={(text) => {
              const minor = amountMinor(text);
              return minor === null ? DEFAULT_RATES[name] : minor === undefined ? undefined : minor / perOf(speaker, name);
            }}
            onChange={(value) => keep({ [name]: value })}
          />
        ))}
        <TypedFigure
          label={say(speaker, 'rates.markup')}
          shown={printFigure(speaker, 'markup_share', rates.markup)}
          assumed={set.markup === undefined}
          fault={say(speaker, 'rates.markupFault')}
          read={(text) => within(parseFloat(text) / 100, 0, 5)}
          onChange={(markup) => keep({ markup })}
        />
        <TypedFigure
          label={say(speaker, 'rates.tax')}
          shown={tax ? `${Math.round(tax.share * 1000) / 10} %` : ''}
          assumed={false}
          fault={say(speaker, 'rates.taxFault')}
          read={(text) => within(parseFloat(text.replace(',', '.')) / 100, 0, 0.5)}
          onChange={(share) => keepTax({ name: tax?.name ?? say(speaker, 'rates.taxPlain'), share })}
        />
        {tax ? <TypedText label={say(speaker, 'rates.taxName')} value={tax.name} most={20} onChange={(name) => keepTax({ ...tax, name })} /> : null}
        <TypedFigure
          label={say(speaker, 'rates.workday')}
          shown={printFigure(speaker, 'workday_s', rates.workday_s)}
          assumed={set.workday_s === undefined}
          fault={say(speaker, 'rates.workdayFault')}
          read={(text) => within(parseFloat(text) * 3600, 3600, 57600)}
          onChange={(workday_s) => keep({ workday_s })}
        />
      </View>
    </View>
  );
}

const within = (value: number, least: number, most: number): number | undefined => (value >= least && value <= most ? value : undefined);
