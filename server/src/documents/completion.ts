import { say, sayCoded } from '@tufa/words';
import type { Content } from 'pdfmake/interfaces';
import { careOf } from './careOf';
import { checks } from './checks';
import type { JobParts } from './JobParts';
import { notPoured } from './notPoured';
import { openingOf } from './openingOf';
import { cautions, scope } from './scope';
import { heading } from './table';

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
    { ul: careOf(parts).map((code) => sayCoded(speaker, `documents.cared.${code}`)) },
    ...(pairs.length > 0 ? [heading(say(speaker, 'documents.pictures'))] : []),
    ...pairs.map(({ id, before }): Content => ({
      columns: [before!, id].map((photo) => ({ image: pictures.get(photo)!, fit: [250, 220] as [number, number] })),
      columnGap: 8,
      margin: [0, 6, 0, 0],
    })),
    ...cautions(parts, ['record']),
  ];
}
