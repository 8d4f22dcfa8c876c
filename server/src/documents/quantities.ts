import { sheetOf } from '@tufa/core/plan';
import { printFigure, say } from '@tufa/words';
import type { Content, TableCell } from 'pdfmake/interfaces';
import { dayOf } from './clock';
import { pouredOf, type JobParts } from './JobParts';
import { notPoured } from './notPoured';
import { doneOf, nameOf } from './scope';
import { table } from './table';

/** How long the crew was at its batches, s: each day from its first water to its last end; the night between counts for nobody. */
function workedOf(parts: JobParts): number {
  const days = new Map<string, { from: number; to: number }>();
  for (const { startedAt, ends } of parts.batches) {
    const day = dayOf(parts, startedAt);
    const known = days.get(day) ?? { from: startedAt, to: startedAt };
    days.set(day, { from: Math.min(known.from, startedAt), to: Math.max(known.to, ...ends.map(({ at }) => at)) });
  }
  return [...days.values()].reduce((sum, { from, to }) => sum + (to - from) / 1000, 0);
}

/** What an invoice counts. */
export function quantities(parts: JobParts): Content[] {
  const { speaker, input } = parts;
  const rows: TableCell[][] = doneOf(parts).flatMap(({ findingId, takeOff, chosen }): TableCell[][] => {
    const finding = nameOf(parts, findingId);
    return [
      takeOff.length_m === null
        ? [say(speaker, 'documents.area', { finding }), printFigure(speaker, 'area_m2', takeOff.area_m2)]
        : [say(speaker, 'documents.length', { finding }), printFigure(speaker, 'length_m', takeOff.length_m)],
      [say(speaker, 'documents.volume', { finding }), printFigure(speaker, 'v_m3', takeOff.volume.p50)],
      ...(chosen.debris ? [[say(speaker, 'documents.debris'), printFigure(speaker, 'm_kg', chosen.debris.mass_kg)]] : []),
    ];
  });
  const mixed = new Map<string, number>();
  const poured = pouredOf(parts);
  for (const { planned } of poured) {
    const name = planned?.batch.window ? sheetOf(planned.input, planned.batch.productId ?? undefined)?.name : undefined;
    if (name && planned) mixed.set(name, (mixed.get(name) ?? 0) + planned.batch.amount);
  }
  const worked_s = workedOf(parts);
  const lost = parts.batches.filter(({ ends: each }) => each.some(({ kind }) => kind !== 'finished')).length;
  return [
    ...notPoured(parts),
    table(
      [say(speaker, 'documents.what'), say(speaker, 'documents.quantity')],
      [
        ...rows,
        ...[...mixed].map(([name, kg]): TableCell[] => [say(speaker, 'documents.bagsUsed', { name }), printFigure(speaker, 'm_kg', kg)]),
        ...(parts.batches.length === 0
          ? []
          : [
              [say(speaker, 'documents.batchesDone'), say(speaker, 'documents.ofLost', { count: parts.batches.length, lost: String(lost) })],
              [
                say(speaker, 'documents.hours'),
                `${printFigure(speaker, 't_s', worked_s)}, ${say(speaker, 'documents.handHours', { count: input.crew.hands })}`,
              ],
            ]),
      ],
      ['*', 'auto'],
    ),
  ];
}
