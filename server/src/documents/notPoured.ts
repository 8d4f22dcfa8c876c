import { say } from '@tufa/words';
import type { Content } from 'pdfmake/interfaces';
import type { JobParts } from './JobParts';

/** Said at the head of what tells of a job done while none of it is. */
export const notPoured = ({ speaker, batches }: JobParts): Content[] =>
  batches.length === 0 ? [{ text: say(speaker, 'documents.notPoured'), style: 'caution', margin: [0, 8, 0, 8] }] : [];
