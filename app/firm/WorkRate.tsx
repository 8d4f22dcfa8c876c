import type { Work } from '@tufa/core/day';
import { siFactor } from '@tufa/core/quantity';
import { say, sayCoded } from '@tufa/words';
import { TypedFigure } from '../parts/ui/TypedFigure';
import { useSpeaker } from '../parts/phone/speaker';

/** What of it is counted: square feet or metres, feet or metres, hand portions. */
const countedIn = (work: Work) => (work === 'handPortions' ? 'portions' : work === 'crackResin' || work === 'sealant' ? 'length' : 'area');
const UNITS = { area: { us: 'sq ft', metric: 'm2' }, length: { us: 'ft', metric: 'm' } } as const;

/** Nobody is slower or quicker at any of it, in its own unit a minute. */
const RANGE = { least: 0.001, most: 500 } as const;

/** What one person does of a kind of work in a minute, in the units of whoever reads it. */
export function WorkRate({ work, rate, assumed, onChange }: { work: Work; rate: number; assumed: boolean; onChange: (rate: number) => void }) {
  const speaker = useSpeaker();
  const counted = countedIn(work);
  const of = (counted === 'portions' ? 1 : siFactor(counted, UNITS[counted][speaker.system])) / 60;
  const unit = counted === 'portions' ? counted : `${counted}.${speaker.system}`;
  return (
    <TypedFigure
      label={say(speaker, 'works.label', { work: sayCoded(speaker, `works.${work}`), unit: sayCoded(speaker, `works.unit.${unit}`) })}
      shown={String(Number((rate / of).toPrecision(3)))}
      assumed={assumed}
      fault={say(speaker, 'works.fault')}
      read={(text) => {
        const value = Number(text.replace(',', '.').trim());
        return value >= RANGE.least && value <= RANGE.most ? value * of : undefined;
      }}
      onChange={onChange}
    />
  );
}
