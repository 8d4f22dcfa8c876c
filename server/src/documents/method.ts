import { sheetOf } from '@tufa/core/plan';
import { printFigure, say, sayStep, printWater } from '@tufa/words';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { JobParts } from './JobParts';
import { cautions, doneOf, nameOf, scope } from './scope';
import { heading, table } from './table';

/** How each finding is done, step by step, then the batches and the cautions. */
export function method(parts: JobParts): Content[] {
  const { speaker, input, plan } = parts;
  return [
    ...scope(parts),
    ...doneOf(parts).flatMap(({ findingId, chosen }): Content[] => {
      const steps = chosen.overlay ? [...chosen.steps, ...chosen.overlay.chosen.steps] : chosen.steps;
      return [
        heading(say(speaker, 'documents.steps', { finding: nameOf(parts, findingId) })),
        {
          ol: steps.map((step) => {
            const product = step.sheetId ? sheetOf(input, step.sheetId)?.name : undefined;
            return [sayStep(speaker, step), product, step.thickness_m === null ? undefined : printFigure(speaker, 'd_m', step.thickness_m)]
              .filter(Boolean)
              .join(', ');
          }),
        },
      ];
    }),
    heading(say(speaker, 'documents.list')),
    table(
      (['batch', 'serves', 'amount', 'water'] as const).map((column) => say(speaker, `documents.column.${column}`)),
      plan.batches.map(({ number, serves, amount, window, ticket }): TableCell[] => {
        const ready = ticket?.lines.find((line) => line.code === 'ready');
        return [
          number,
          [...new Set(serves.map(({ findingId }) => nameOf(parts, findingId)))].join(', '),
          window ? (ready ? printFigure(speaker, 'v_m3', ready.volume_m3) : printFigure(speaker, 'm_kg', amount)) : '',
          printWater(speaker, window?.batch.water_kg ?? 0),
        ];
      }),
    ),
    ...cautions(parts, ['walk', 'fix', 'mix', 'day', 'pour']),
  ];
}
