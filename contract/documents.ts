/** Documents that are made of a job. */
export const DOCUMENT_KINDS = ['offer', 'method', 'batches', 'completion', 'quantities'] as const;
export type DocumentKind = (typeof DOCUMENT_KINDS)[number];

/** A document as it travels: where it stands, and what it was made from. */
export interface DocumentMade {
  readonly id: string;
  readonly jobId: string;
  readonly kind: DocumentKind;
  readonly number: string;
  readonly madeAt: string;
  readonly state: 'making' | 'done' | 'stopped' | 'failed' | 'erased';
  /** pictures that are in it so far, and all of them */
  readonly done: number;
  readonly total: number;
  readonly sha256: string | null;
}
