import type { RowOf } from '@tufa/contract/entities';
import { DEFAULT_RATES, ratesOf, type Rates } from '@tufa/core/plan';
import { printFigure, say, unitSystem } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { amountMinor } from '../fix/money';
import { change, write } from '../outbox/useFirm';
import { Field } from '../parts/ui/Field';
import { T } from '../parts/ui/T';

type Money = 'labour_minor_h' | 'trip_minor' | 'tool_minor_day' | 'disposal_minor_kg' | 'concrete_minor_m3';

/** How much of it a price is asked for: a ton and a cubic yard are what a yard's bill says in feet, a tonne and a cubic metre in metres. */
const PER: Readonly<Partial<Record<Money, { readonly us: number; readonly metric: number }>>> = {
  disposal_minor_kg: { us: 907.18474, metric: 1000 },
  concrete_minor_m3: { us: 0.764554857984, metric: 1 },
};
const MONEY: readonly Money[] = ['labour_minor_h', 'trip_minor', 'tool_minor_day', 'disposal_minor_kg', 'concrete_minor_m3'];
const perOf = (name: Money): number => PER[name]?.[unitSystem()] ?? 1;

/** What an hour, a trip, a tool cost the firm: systems are compared at them. What nobody set stands as an ordinary figure. */
export function RatesView({ own }: { own: RowOf<'firm'> }) {
  const rates = ratesOf(own.settings);
  const set = own.settings.rates ?? {};
  const keep = (next: Partial<Rates>): void => void write(change('firm', 'change', own.id, { settings: { ...own.settings, rates: { ...set, ...next } } }));
  return (
    <View className="gap-2" testID="rates">
      <T as="h2">{say('rates.title')}</T>
      <T as="faint">{say('rates.lead')}</T>
      <View className="flex-row flex-wrap gap-2">
        {MONEY.map((name) => (
          <One
            key={name}
            label={say(PER[name] ? `rates.${name}.${unitSystem()}` : `rates.${name}`)}
            shown={printFigure('r_minor', PER[name] ? Math.round((rates[name] * perOf(name)) / 100) * 100 : rates[name])}
            assumed={set[name] === undefined}
            fault={say('systems.priceFault')}
            read={(text) => {
              const minor = amountMinor(text);
              return minor === null ? DEFAULT_RATES[name] : minor === undefined ? undefined : minor / perOf(name);
            }}
            onChange={(value) => keep({ [name]: value })}
          />
        ))}
        <One
          label={say('rates.markup')}
          shown={printFigure('markup_share', rates.markup)}
          assumed={set.markup === undefined}
          fault={say('rates.markupFault')}
          read={(text) => within(parseFloat(text) / 100, 0, 5)}
          onChange={(markup) => keep({ markup })}
        />
        <One
          label={say('rates.workday')}
          shown={printFigure('workday_s', rates.workday_s)}
          assumed={set.workday_s === undefined}
          fault={say('rates.workdayFault')}
          read={(text) => within(parseFloat(text) * 3600, 3600, 57600)}
          onChange={(workday_s) => keep({ workday_s })}
        />
      </View>
    </View>
  );
}

const within = (value: number, least: number, most: number): number | undefined => (value >= least && value <= most ? value : undefined);

function One({
  label,
  shown,
  assumed,
  fault,
  read,
  onChange,
}: {
  label: string;
  shown: string;
  assumed: boolean;
  fault: string;
  /** undefined for what cannot be read */
  read: (text: string) => number | undefined;
  onChange: (value: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const value = typed === null ? null : read(typed);
  const take = (): void => {
    if (typed === null || value === null || value === undefined) return;
    if (typed !== shown) onChange(value);
    setTyped(null);
  };
  return (
    <View className="min-w-[150px] flex-1 flex-row">
      <Field
        label={label}
        value={typed ?? shown}
        onChange={setTyped}
        onBlur={take}
        onSubmit={take}
        hint={assumed && typed === null ? say('rates.assumed') : undefined}
        fault={typed !== null && value === undefined ? fault : undefined}
      />
    </View>
  );
}
