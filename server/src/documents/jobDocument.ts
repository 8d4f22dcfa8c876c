import type { DocumentKind } from '@tufa/contract/documents';
import { hashesOf, CORE_VERSION } from '@tufa/core/plan';
import { say } from '@tufa/words';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { batchRecord } from './batchRecord';
import { dayOf } from './clock';
import { completion } from './completion';
import type { JobParts } from './JobParts';
import { letterhead } from './letterhead';
import { method } from './method';
import { offer } from './offer';
import { paper } from './paper';
import { quantities } from './quantities';

const BODIES: Readonly<Record<DocumentKind, (parts: JobParts) => Content[]>> = { offer, method, batches: batchRecord, completion, quantities };

/** Release of the core and hashes of the plan that a document came from. */
export const versionsOf = ({ input }: Pick<JobParts, 'input'>) => ({ core: CORE_VERSION, plan: hashesOf(input) });

/** A document of a job: its kind's body under the firm's head, with its number, its day and what it came from. */
export function jobDocument({ kind, number, at, parts }: { kind: DocumentKind; number: string; at: Date; parts: JobParts }): TDocumentDefinitions {
  const { speaker, input, job, data } = parts;
  const [firm] = Object.values(data.firm);
  const title = say(speaker, 'documents.heading', { kind: say(speaker, `documents.kind.${kind}`), name: job.name });
  const date = dayOf(parts, at.getTime());
  const versions = versionsOf(parts);
  return {
    info: { title, subject: number },
    ...paper(input.firm.system),
    footer: (page, pages) => ({
      text: say(speaker, 'documents.foot', { number, name: job.name, page: String(page), pages: String(pages) }),
      style: 'small',
      margin: [42, 12, 42, 0],
    }),
    content: [
      ...letterhead(firm, parts.pictures),
      { text: title, style: 'title' },
      { text: [job.customer, job.address].filter(Boolean).join(', ') },
      { text: say(speaker, 'documents.stamp', { number, date, hash: versions.plan.batches.slice(0, 12), version: versions.core }), style: 'small' },
      ...BODIES[kind](parts),
      { text: say(speaker, 'sheetDoc.defers'), style: 'small', margin: [0, 12, 0, 0] },
    ],
  };
}
