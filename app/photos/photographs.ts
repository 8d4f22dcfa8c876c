import type { PhotographFields, RowOf } from '@tufa/contract/entities';
import { PHOTO } from '@tufa/contract/photo';
import { v7 as uuid } from 'uuid';
import { useEffect, useState } from 'react';
import { withOutbox } from '../outbox/database';
import { isAboutContent, problemOf } from '../outbox/api';
import { alsoSend, change, write } from '../outbox/useFirm';
import { now } from '../parts/phone/clock';
import { askPhoto } from '../workers/photoWorker';
import { spokenNow } from '../parts/phone/language';

/** No phone's picture is larger; what is would take minutes to open. */
const MOST_BYTES = 30e6;

/** Why a file was not taken; the survey goes on. */
export class PhotoFault extends Error {
  constructor(
    readonly code: 'tooLarge' | 'noPicture' | 'noRoom',
    readonly figures: Readonly<Record<string, number | string>> = {},
  ) {
    super(code);
  }
}

/**
 * Makes a picture small off the main thread, keeps it on this phone and says so to the firm; its bytes go when there is
 * signal.
 *
 * @throws PhotoFault
 */
export async function keepPhoto(
  file: Blob,
  about: Pick<PhotographFields, 'jobId' | 'elementId' | 'findingId' | 'before'> & { readonly batch?: string },
): Promise<Pick<PhotographFields, 'sha256' | 'bytes'> & { readonly id: string }> {
  if (file.size > MOST_BYTES) throw new PhotoFault('tooLarge', { mb: String(Math.round(file.size / 1e6)), most: String(MOST_BYTES / 1e6) });
  const shrunk = await askPhoto((worker) => worker.shrink(file, PHOTO)).catch(() => null);
  if (!shrunk) throw new PhotoFault('noPicture');
  const id = uuid();
  try {
    await withOutbox((db) => db.put('photo', { id, full: shrunk.full, thumb: shrunk.thumb, sent: false }));
  } catch {
    throw new PhotoFault('noRoom');
  }
  await write(
    change('photograph', 'add', id, {
      batch: null,
      ...about,
      sha256: shrunk.sha256,
      bytes: shrunk.full.size,
      takenAt: new Date(now()).toISOString(),
      strokes: [],
    }),
  );
  return { id, sha256: shrunk.sha256, bytes: shrunk.full.size };
}

/**
 * Makes a firm's own picture small and keeps it on this phone until the firm has it.
 *
 * @returns its id
 * @throws PhotoFault
 */
export async function keepLogo(file: Blob): Promise<string> {
  if (file.size > MOST_BYTES) throw new PhotoFault('tooLarge', { mb: String(Math.round(file.size / 1e6)), most: String(MOST_BYTES / 1e6) });
  const shrunk = await askPhoto((worker) => worker.shrink(file, PHOTO)).catch(() => null);
  if (!shrunk) throw new PhotoFault('noPicture');
  const id = uuid();
  try {
    await withOutbox((db) => db.put('photo', { id, full: shrunk.full, thumb: shrunk.thumb, sent: false }));
  } catch {
    throw new PhotoFault('noRoom');
  }
  return id;
}

/** A picture at the slowest signal takes so long; what takes longer goes nowhere, and everything else waits behind it. ms */
const PATIENCE_MS = 180_000;

/**
 * Sends bytes to the firm.
 *
 * @returns what it said of bytes that it refuses and would refuse again; null where it took them
 * @throws where they are to be sent again: no answer, or one that is not of these bytes
 */
export async function sendBytes(address: string, body: Blob): Promise<string | null> {
  const answer = await fetch(address, {
    method: 'PUT',
    body,
    headers: { 'content-type': body.type, 'accept-language': spokenNow() },
    signal: AbortSignal.timeout(PATIENCE_MS),
  });
  if (answer.ok) return null;
  const problem = await problemOf(answer);
  if (isAboutContent(problem)) return problem.details.title;
  throw problem;
}

/** Sends the pictures that wait, one after the other. The small ones stay for days without signal; a refused one stays whole. */
async function sendPhotos(): Promise<void> {
  for (const photo of await withOutbox((db) => db.getAll('photo'))) {
    if (photo.sent || !photo.full) continue;
    const at = `/api/v1/photographs/${photo.id}`;
    const taken = ((await sendBytes(`${at}/thumb`, photo.thumb)) ?? (await sendBytes(`${at}/full`, photo.full))) === null;
    await withOutbox((db) => db.put('photo', { ...photo, full: taken ? null : photo.full, sent: true }));
  }
}
alsoSend.add(() => sendPhotos().catch(() => undefined));

/** Where a picture is to be had: on this phone while it waits, else from the firm. Null until that is known. */
export function usePhotoUrl({ id }: Pick<RowOf<'photograph'>, 'id'>, size: 'full' | 'thumb'): string | null {
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    let made = '';
    let gone = false;
    const show = async (): Promise<void> => {
      const kept = await withOutbox((db) => db.get('photo', id)).catch(() => undefined);
      if (gone) return;
      const blob = size === 'full' ? kept?.full : kept?.thumb;
      made = blob ? URL.createObjectURL(blob) : '';
      setUrl(made || `/api/v1/photographs/${id}/${size}`);
    };
    void show();
    return () => {
      gone = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [id, size]);
  return url;
}
