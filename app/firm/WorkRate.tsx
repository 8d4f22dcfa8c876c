import type { Work } from '@tufa/core/day';
import { say, sayCoded } from '@tufa/words';
import { TypedFigure } from '../parts/ui/TypedFigure';
import { useSpeaker } from '../parts/phone/speaker';

const AREA = { us: 0.09290304, metric: 1 } as const;
const LENGTH = { us: 0.3048, metric: 1 } as const;
const PORTION = { us: 1, metric: 1 } as const;
/** What of it is counted: square feet or metres, feet or metres, hand portions. */
const unitOf = (work: Work) => (work === 'handPortions' ? PORTION : work === 'crackResin' || work === 'sealant' ? LENGTH : AREA);

/** Nobody is slower or quicker at any of it, in its own unit a minute. */
const RANGE = { least: 0.001, most: 500 } as const;

/** What one person does of a kind of work in a minute, in the units of whoever reads it. */
export function WorkRate({ work, rate, assumed, onChange }: { work: Work; rate: number; assumed: boolean; onChange: (rate: number) => void }) {
  const speaker = useSpeaker();
  const of = unitOf(work)[speaker.system] / 60;
  const unit = work === 'handPortions' ? 'portions' : unitOf(work) === LENGTH ? `length.${speaker.system}` : `area.${speaker.system}`;
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
