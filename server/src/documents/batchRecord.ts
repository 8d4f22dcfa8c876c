import { MIX } from '@tufa/core/mix';
import { usedOf } from '@tufa/core/pour';
import { printFigure, say, sayCoded, printWater } from '@tufa/words';
import type { Content, TableCell } from 'pdfmake/interfaces';
import { checks } from './checks';
import { momentOf } from './clock';
import { pouredOf, type JobParts, type PouredPart } from './JobParts';
import { notPoured } from './notPoured';
import { heading, table } from './table';

/** Every batch, plan against what was logged, then its notes and its checks. */
export function batchRecord(parts: JobParts): Content[] {
  const { speaker, data, events } = parts;
  const used = usedOf(events);
  const since = ({ state }: PouredPart, at: number | null | undefined): string =>
    at == null ? '' : printFigure(speaker, 't_s', (at - state.startedAt) / 1000);
  const rows = pouredOf(parts).map((poured): TableCell[] => {
    const { state, planned } = poured;
    const window = planned?.batch.window;
    const [end] = state.ends;
    const water_m3 = used.get(state.batch)?.water_m3;
    const water_kg = water_m3 === undefined ? (window?.batch.water_kg ?? 0) : water_m3 * MIX.water_kg_m3;
    const lost = end !== undefined && end.kind !== 'finished';
    return [
      state.batch,
      momentOf(parts, state.startedAt),
      since(poured, state.placedAt),
      { text: end ? `${sayCoded(speaker, `record.${end.kind}`)} ${since(poured, end.at)}` : '', ...(lost ? { style: 'stop' } : {}) },
      window ? `${printFigure(speaker, 't_s', window.window.placeBy_s)}, ${printFigure(speaker, 't_s', window.window.finishBy_s)}` : '',
      printWater(speaker, water_kg),
      window ? `${printFigure(speaker, 't_C', state.pail_C ?? window.mix_C)}, ${printFigure(speaker, 't_C', state.slab_C ?? window.question.slab_C)}` : '',
      data.person[state.person]?.name ?? '',
    ];
  });
  const notes = parts.batches.flatMap(({ batch, notes: said }) =>
    said.flatMap(({ text }) => (text === '' ? [] : [`${say(speaker, 'record.batch')} ${batch}: ${text}`])),
  );
  const head = (['batch', 'started', 'placed', 'ended', 'planned', 'water', 'temps', 'by'] as const).map((column) =>
    say(speaker, `documents.column.${column}`),
  );
  return [
    ...notPoured(parts),
    table(head, rows, ['auto', 'auto', '*', '*', '*', '*', '*', 'auto']),
    ...(notes.length > 0 ? [heading(say(speaker, 'documents.notes')), { ul: notes }] : []),
    ...checks(parts),
  ];
}
