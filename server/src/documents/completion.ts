import { say, sayCoded } from '@tufa/words';
import type { Content } from 'pdfmake/interfaces';
import { careOf } from './careOf';
import { checks } from './checks';
import type { JobParts } from './JobParts';
import { notPoured } from './notPoured';
import { openingOf } from './openingOf';
import { cautions, nameOf, scope } from './scope';
import { heading } from './table';

/** When somebody comes back to look, as it is planned. */
const visitsOf = (parts: JobParts): string[] =>
  Object.values(parts.data.careVisit)
    .filter(({ jobId, removed, doneOn }) => jobId === parts.job.id && !removed && doneOn === null)
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1))
    .map(({ findingId, kind, dueOn }) => {
      const what = say(parts.speaker, `care.kind.${kind}`);
      const name = findingId && nameOf(parts, findingId);
      return say(parts.speaker, 'documents.visit', {
        what: name ? say(parts.speaker, 'care.what', { finding: name, kind: what }) : say(parts.speaker, 'care.whole', { kind: what }),
        date: dueOn,
      });
    });

/** What was done, when it may be used, its checks, its care, and pictures of before and after. */
export function completion(parts: JobParts): Content[] {
  const { speaker, data, job, pictures } = parts;
  const opening = openingOf(parts);
  const pairs = Object.values(data.photograph).filter(
    ({ jobId, removed, before, id }) => jobId === job.id && !removed && before !== null && pictures.has(id) && pictures.has(before),
  );
  return [
    ...notPoured(parts),
    ...scope(parts),
    ...(opening.length > 0 ? [heading(say(speaker, 'documents.opening')), { ul: opening } as Content] : []),
    ...checks(parts),
    heading(say(speaker, 'documents.care')),
    { ul: [...careOf(parts).map((code) => sayCoded(speaker, `documents.cared.${code}`)), ...visitsOf(parts)] },
    ...(pairs.length > 0 ? [heading(say(speaker, 'documents.pictures'))] : []),
    ...pairs.map(({ id, before }): Content => ({
      columns: [before!, id].map((photo) => ({ image: pictures.get(photo)!, fit: [250, 220] as [number, number] })),
      columnGap: 8,
      margin: [0, 6, 0, 0],
    })),
    ...cautions(parts, ['record']),
  ];
}
