import { parse, printIn, Problem, type Kind } from '@tufa/core/quantity';
import { say, sayCoded } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { links } from '../links';
import { Screen } from '../parts/chrome/Screen';
import { useSpeaker } from '../parts/phone/speaker';
import { useDraft } from '../parts/phone/useDraft';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { Field } from '../parts/ui/Field';
import { sayQuantityProblem } from '../parts/ui/fieldProblem';
import { Lines } from '../parts/ui/Lines';
import { Answer, T } from '../parts/ui/T';

/** What is converted, each with the units of the trade and the one a bare number means. */
const KINDS = {
  length: ['in', 'ft', 'mm', 'm'],
  area: ['sq ft', 'm2'],
  volume: ['oz', 'qt', 'gal', 'cup', 'tsp', 'mL', 'L'],
  mass: ['oz', 'lb', 'g', 'kg'],
  temperature: ['F', 'C'],
  pressure: ['psi', 'MPa'],
} as const satisfies Partial<Record<Kind, readonly string[]>>;
type Converted = keyof typeof KINDS;

/** One figure with its unit in every other unit of the trade: `8' 4"`, `100 1/2 in` and `2.55 m` are read alike. */
export function ConvertScreen() {
  const speaker = useSpeaker();
  const router = useRouter();
  const { draft, keep } = useDraft<{ kind: Converted; text: string }>('sum convert');
  const [{ kind, text }, setAsked] = useState<{ kind: Converted; text: string }>({ kind: draft?.kind ?? 'length', text: draft?.text ?? '' });
  const ask = (next: { kind: Converted; text: string }): void => {
    setAsked(next);
    keep(next);
  };
  let value: number | null = null;
  let fault: string | undefined;
  if (text.trim() !== '')
    try {
      value = parse({ text, kind, unit: KINDS[kind][0] });
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      fault = sayQuantityProblem(speaker, error, kind);
    }
  const all = value === null ? [] : KINDS[kind].map((unit) => [unit, printIn({ kind, value: value!, unit })] as const);
  return (
    <Screen
      title={say(speaker, 'sum.convert.title')}
      head={
        <Answer size="number">
          {all.length > 0
            ? all
                .map(([, shown]) => shown)
                .slice(0, 2)
                .join(' = ')
            : say(speaker, 'sum.convert.lead')}
        </Answer>
      }
      foot={<Button label={say(speaker, 'sum.all')} onPress={() => router.replace(links.bench())} />}
    >
      {all.length > 0 ? (
        <Lines label={say(speaker, 'sum.working')} lines={all.map(([unit, shown]) => [sayCoded(speaker, `keypad.unit.${unit}`), shown])} />
      ) : null}
      <Field label={say(speaker, 'sum.convert.figure')} value={text} onChange={(next) => ask({ kind, text: next })} fault={fault} />
      <Choice
        label={say(speaker, 'sum.convert.kind')}
        value={kind}
        options={(Object.keys(KINDS) as Converted[]).map((each) => ({ value: each, label: sayCoded(speaker, `sum.convert.${each}`) }))}
        onChange={(each) => ask({ kind: each, text: '' })}
      />
      <T as="faint">{say(speaker, 'sum.convert.hint')}</T>
    </Screen>
  );
}
