import type { Instrument } from '@tufa/contract/instruments';
import { parse, siFactor, fahrenheitFromCelsius, type Kind } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Entry } from '../../keypad/edit';
import type { Typed } from '../../keypad/entries';
import { api, ApiProblem } from '../../outbox/api';
import { useOnline } from '../chrome/SyncLine';
import { useSpeaker } from '../phone/speaker';
import { keepTaken, READS } from './taken';

/** As fine as an instrument reads, in the field's own unit: finer than anybody types, so that it is known again. */
const DIGITS: Readonly<Record<string, number>> = { in: 3, ft: 3, m: 4, mm: 1, cm: 2, F: 1, C: 1, lb: 2, kg: 3, '%': 1 };

/** A figure of an instrument as the field would have it typed, in its own unit. */
function textOfReading(value: number, { kind, unit }: { readonly kind: Kind | 'share'; readonly unit: string }): string {
  const told = kind === 'share' ? value * 100 : kind === 'temperature' ? (unit === 'F' ? fahrenheitFromCelsius(value) : value) : value / siFactor(kind, unit);
  return `${told.toFixed(DIGITS[unit] ?? 2)} ${unit}`;
}

const MOISTURE = { kind: 'share', unit: '%' } as const;

/** The instrument that reads a field, where one is in reach; reading fills the field, or says what to do. */
export function useInstrument(as: Typed | 'moisture', entry: Pick<Entry, 'kind' | 'unit'> | null) {
  const speaker = useSpeaker();
  const online = useOnline();
  const [state, setState] = useState<{ reading: boolean; fault: string | null }>({ reading: false, fault: null });
  const { data } = useQuery({
    queryKey: ['instruments'],
    queryFn: api.instruments,
    enabled: online && READS[as] !== undefined,
    staleTime: 600_000,
    retry: false,
  });
  const instrument: Instrument | null = (online && data?.find(({ kind }) => kind === READS[as])) || null;
  const read = async (onText: (text: string) => void): Promise<void> => {
    if (!instrument) return;
    setState({ reading: true, fault: null });
    try {
      const { value, at, invented } = await api.readInstrument(instrument);
      const of = entry ?? MOISTURE;
      const text = textOfReading(value, of);
      const typed = of.kind === 'share' ? Number(text.replace('%', '')) / 100 : parse({ text, kind: of.kind, unit: of.unit });
      keepTaken({ kind: instrument.kind, value: typed, at, by: invented ? say(speaker, 'instrument.invented', { name: instrument.name }) : instrument.name });
      onText(text);
      setState({ reading: false, fault: null });
    } catch (error) {
      setState({ reading: false, fault: error instanceof ApiProblem && error.ours ? error.details.title : say(speaker, 'instrument.lost') });
    }
  };
  return { instrument, ...state, read };
}
