import { shelfOf } from '@tufa/contract/assemble';
import type { Worked } from '@tufa/core/bench';
import { Problem, print, siFactor, typeset } from '@tufa/core/quantity';
import { say, sayCoded, sayProblem, printMeasure } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { links } from '../links';
import { useFirm } from '../outbox/useFirm';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { useSpeaker } from '../parts/phone/speaker';
import { useDraft } from '../parts/phone/useDraft';
import { Button } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { QuantityField } from '../parts/ui/QuantityField';
import { readWithin } from '../parts/ui/quantityText';
import { Answer, T } from '../parts/ui/T';
import { entryFor } from '../keypad/entries';
import { KeepInJob } from './KeepInJob';
import { isSum, SUMS, type Sum, type SumCode, type SumField } from './sums';
import { SheetPick } from './SheetPick';

/** A plain number's unit, SI in one of it. */
const factorOf = (speaker: Speaker, unit: SumField['unit']): number => {
  const metric = speaker.system === 'metric';
  if (unit === 'area') return metric ? 1 : siFactor('area', 'sq ft');
  if (unit === 'percent') return 0.01;
  if (unit === 'wind') return metric ? 1 / 3.6 : 0.44704;
  return 1;
};

const shownOf = (speaker: Speaker, { as, unit, begins }: SumField): string => {
  if (begins === null) return '';
  const value = begins[speaker.system === 'us' ? 0 : 1];
  if (!as) return String(Number((value / factorOf(speaker, unit)).toPrecision(3)));
  const { digits, unit: word } = print({ kind: entryFor(speaker, as).kind, value, system: speaker.system });
  return typeset(`${digits} ${word}`);
};

/** What a field holds, SI; a sentence where it cannot be read; nothing where it may stay empty and does. */
function readField(speaker: Speaker, name: string, field: SumField, text: string): { value?: number; fault?: string } {
  if (text.trim() === '' && field.begins === null) return {};
  try {
    if (field.as) return { value: readWithin(speaker, { field: name, text, as: field.as, least: field.least, most: field.most }) };
    const value = Number(text.replace(',', '.').replace('%', '').trim()) * factorOf(speaker, field.unit);
    if (text.trim() !== '' && value >= field.least && value <= field.most) return { value };
    const plain = (bound: number): string => String(Number((bound / factorOf(speaker, field.unit)).toPrecision(3)));
    return { fault: say(speaker, 'sum.between', { least: plain(field.least), most: plain(field.most) }) };
  } catch (error) {
    if (error instanceof FieldProblem) return { fault: error.sentence };
    throw error;
  }
}

/** A longer answer is set smaller. */
const SHORT = 18;

/** From so much on nobody counts ounces; litres and kilograms stay as fine as they are. */
const LARGE = { us: { m3: 0.008, kg: 10 }, metric: { m3: Infinity, kg: Infinity } } as const;

/** Volumes and weights in what the crew measures with: ounces rather than hundredths of a gallon. */
function inVessels(speaker: Speaker, figures: Worked['answer']['figures']): Record<string, number | string> {
  const large = LARGE[speaker.system];
  const printed = (name: string, value: number): number | string => {
    if (name.endsWith('_m3') && value < large.m3) return printMeasure(speaker, 'volume', value);
    return name.endsWith('_kg') && value < large.kg ? printMeasure(speaker, 'mass', value) : value;
  };
  return Object.fromEntries(Object.entries(figures).map(([name, value]) => [name, printed(name, value)]));
}

/** A sum by its address. */
export function SumScreen() {
  const { sum } = useLocalSearchParams<{ sum?: string }>();
  return isSum(sum) ? <SumOf key={sum} code={sum} /> : null;
}

/** Two or three fields, the figure asked for large over them, opened to its working line by line; what was typed stays for the next time. */
function SumOf({ code }: { code: SumCode }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const firm = useFirm();
  const { needs, work, fields }: Sum = SUMS[code];
  const { draft, keep } = useDraft<Record<string, string>>(`sum ${code}`);
  // A link carries what was typed; without one it is what was typed the last time.
  const { sum: _sum, ...linked } = useLocalSearchParams<Record<string, string>>();
  const [texts, setTexts] = useState<Readonly<Partial<Record<string, string>>>>(Object.keys(linked).length > 0 ? linked : (draft ?? {}));
  const sheets = useMemo(() => shelfOf(firm.data).filter(({ sheet }) => needs?.(sheet) ?? false), [firm.data, needs]);
  const picked = sheets.find(({ id }) => id === texts['sheet']) ?? sheets[0];
  const set = (name: string, text: string): void => {
    const next = { ...texts, [name]: text };
    setTexts(next);
    keep(next);
  };
  const textOf = (name: string): string => texts[name] ?? shownOf(speaker, fields[name]!);
  const read = Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, readField(speaker, name, field, textOf(name))]));
  const faulty = Object.values(read).some(({ fault }) => fault !== undefined);
  const values = Object.fromEntries(Object.entries(read).flatMap(([name, { value }]) => (value === undefined ? [] : [[name, value]])));
  let worked: Worked | null = null;
  let problem: Problem | null = null;
  if (!faulty && (!needs || picked))
    try {
      worked = work(values, picked?.sheet as never);
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      problem = error;
    }
  const told = (line: Worked['answer']): string => sayCoded(speaker, `sum.${line.code}`, inVessels(speaker, line.figures));
  const answer = worked ? told(worked.answer) : sayCoded(speaker, `sum.${code}.lead`);
  return (
    <Screen
      title={sayCoded(speaker, `sum.${code}.title`)}
      head={
        <View className="gap-1">
          <T as="small">{sayCoded(speaker, `sum.${code}.title`)}</T>
          <Answer size={answer.length > SHORT ? 'number' : 'answer'}>{answer}</Answer>
          {worked?.answer.warns ? (
            <T tone="caution" as="strong">
              {say(speaker, 'sum.notSo')}
            </T>
          ) : null}
          {problem ? <T tone="stop">{sayProblem(speaker, problem)}</T> : null}
        </View>
      }
      foot={<Button label={say(speaker, 'sum.all')} onPress={() => router.replace(links.bench())} />}
    >
      <Standing firm={firm} />
      <View className="gap-3">
        {Object.entries(fields).map(([name, field]) => {
          const label = sayCoded(speaker, `sum.field.${name}${field.unit === 'area' || field.unit === 'wind' ? `.${speaker.system}` : ''}`);
          const props = { label, value: textOf(name), onChange: (text: string) => set(name, text), fault: read[name]?.fault };
          return field.as ? <QuantityField key={name} as={field.as} {...props} /> : <Field key={name} {...props} />;
        })}
      </View>
      {needs && picked ? <SheetPick sheets={sheets} picked={picked} onPick={(id) => set('sheet', id)} /> : null}
      {worked ? (
        <View role="list" aria-label={say(speaker, 'sum.working')} className="border-t-2 border-ink">
          {worked.lines.map((line) => (
            <View key={line.code} role="listitem" className="border-b border-line py-3">
              <T as={line.warns ? 'strong' : 'body'} {...(line.warns ? { tone: 'caution' as const } : {})}>
                {told(line)}
              </T>
            </View>
          ))}
        </View>
      ) : null}
      {worked ? (
        <KeepInJob
          firm={firm}
          kept={() => ({
            subject: `${code}?${new URLSearchParams({ ...Object.fromEntries(Object.keys(fields).map((name) => [name, textOf(name)])), ...(picked ? { sheet: picked.id } : {}) }).toString()}`,
            typed: `${sayCoded(speaker, `sum.${code}.title`)}: ${answer}`,
          })}
        />
      ) : null}
      {needs && firm.ready && !picked ? <T as="lead">{say(speaker, 'bench.none')}</T> : null}
    </Screen>
  );
}
