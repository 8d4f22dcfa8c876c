import { LETTER_MOST_BYTES, VOICE } from '@tufa/contract/letter';
import type { PhotographFields } from '@tufa/contract/entities';
import type { OpinionFile } from '@tufa/core/survey';
import { useQuery } from '@tanstack/react-query';
import { v7 as uuid } from 'uuid';
import { withOutbox } from '../outbox/database';
import { queryClient, WORKED_OUT } from '../outbox/queryClient';
import { alsoSend } from '../outbox/useFirm';
import { keepPhoto, PhotoFault, sendBytes } from './photographs';

const PDF = 'application/pdf';

const sha256Of = async (bytes: ArrayBuffer): Promise<string> =>
  [...new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))].map((byte) => byte.toString(16).padStart(2, '0')).join('');

/**
 * Keeps a letter on this phone, a PDF as it is or a picture made small; its bytes go when there is signal.
 *
 * @throws PhotoFault
 */
export async function keepLetter(file: File, about: Pick<PhotographFields, 'jobId' | 'elementId'>): Promise<OpinionFile> {
  const name = file.name.slice(0, 120) || 'letter';
  if (file.type !== PDF) return { name, kind: 'picture', ...(await keepPhoto(file, { ...about, findingId: null, before: null })) };
  if (file.size > LETTER_MOST_BYTES) throw new PhotoFault('tooLarge', { mb: (file.size / 1e6).toFixed(1), most: String(LETTER_MOST_BYTES / 1e6) });
  const bytes = await file.arrayBuffer();
  const id = uuid();
  try {
    await withOutbox((db) => db.put('letter', { id, pdf: new Blob([bytes], { type: PDF }) }));
  } catch {
    throw new PhotoFault('noRoom');
  }
  return { id, name, kind: 'pdf', sha256: await sha256Of(bytes), bytes: file.size };
}

/**
 * Keeps a voice note on this phone; its bytes go when there is signal.
 *
 * @returns its id
 * @throws PhotoFault
 */
export async function keepVoice(voice: Blob): Promise<string> {
  if (voice.size > VOICE.mostBytes) throw new PhotoFault('tooLarge', { mb: (voice.size / 1e6).toFixed(1), most: String(VOICE.mostBytes / 1e6) });
  const id = uuid();
  try {
    await withOutbox((db) => db.put('letter', { id, pdf: voice }));
  } catch {
    throw new PhotoFault('noRoom');
  }
  return id;
}

/** Where a voice note is to be had: on this phone while it waits, else from the firm. */
export async function voiceUrl(id: string): Promise<string> {
  const kept = await withOutbox((db) => db.get('letter', id)).catch(() => undefined);
  return kept ? URL.createObjectURL(kept.pdf) : `/api/v1/letters/${id}`;
}

/** A letter as it is saved: from this phone while it waits, else from the firm. @throws PhotoFault when it is in neither place */
export async function letterOf({ id, kind }: OpinionFile): Promise<Blob> {
  const kept = await withOutbox(async (db) => (kind === 'pdf' ? (await db.get('letter', id))?.pdf : (await db.get('photo', id))?.full));
  if (kept) return kept;
  const answer = await fetch(kind === 'pdf' ? `/api/v1/letters/${id}` : `/api/v1/photographs/${id}/full`);
  if (!answer.ok) throw new PhotoFault('noPicture');
  return answer.blob();
}

const refusalKey = (id: string): readonly string[] => [WORKED_OUT, 'letter', id];

/** What the firm said of a letter that it refuses; null where it has it, or has not been asked. */
export function useRefusal({ id }: OpinionFile): string | null {
  const queryFn = async (): Promise<string | null> => (await withOutbox((db) => db.get('letter', id)))?.refused ?? null;
  return useQuery({ queryKey: refusalKey(id), queryFn, networkMode: 'always' }).data ?? null;
}

/** Sends the letters that wait. What the firm has is kept here no longer; what it refuses stays, with what it said. */
async function sendLetters(): Promise<void> {
  for (const letter of await withOutbox((db) => db.getAll('letter'))) {
    if (letter.refused !== undefined) continue;
    const refused = await sendBytes(`/api/v1/letters/${letter.id}`, letter.pdf);
    if (refused === null) await withOutbox((db) => db.delete('letter', letter.id));
    else await withOutbox((db) => db.put('letter', { ...letter, refused }));
    queryClient.setQueryData(refusalKey(letter.id), refused);
  }
}

alsoSend.add(() => sendLetters().catch(() => undefined));
