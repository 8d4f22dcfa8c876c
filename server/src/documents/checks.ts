import { checksOf } from '@tufa/core/pour';
import { say, sayCoded } from '@tufa/words';
import type { Content, TableCell } from 'pdfmake/interfaces';
import type { JobParts } from './JobParts';
import { nameOf } from './scope';
import { heading } from './table';

/** Checks before leaving, as they were logged, of every finding. */
export function checks(parts: JobParts): Content[] {
  const { speaker, events } = parts;
  const looked = [...checksOf(events)].flatMap(([findingId, found]) =>
    Object.entries(found).map(([check, passed]): TableCell[] => [
      nameOf(parts, findingId),
      sayCoded(speaker, `checks.of.${check}`),
      { text: say(speaker, passed ? 'documents.passed' : 'documents.rework'), ...(passed ? {} : { style: 'caution' }) },
    ]),
  );
  return [
    heading(say(speaker, 'documents.checks')),
    looked.length > 0
      ? { table: { widths: ['*', '*', 'auto'], body: looked }, layout: 'lightHorizontalLines', margin: [0, 4, 0, 8] }
      : { text: say(speaker, 'documents.unchecked') },
  ];
}
