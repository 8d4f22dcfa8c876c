import { createHash } from 'node:crypto';
import { id } from '@tufa/contract/common';
import { LETTER_MOST_BYTES, VOICE } from '@tufa/contract/letter';
import { raw, Router } from 'express';
import Joi from 'joi';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { LetterFile } from '../entities/LetterFile';
import { allowed } from '../http/allowed';
import { checked } from '../http/checked';
import { HttpProblem } from '../http/HttpProblem';
import { signedIn } from '../http/session';

const params = Joi.object({ letter: id.required() });

const PDF = 'application/pdf';

/** What bytes are by what they begin with: a PDF that is whole to its end, or a sound as browsers record it; nothing for the rest. */
function typeOf(bytes: Buffer): string | null {
  if (bytes.subarray(0, 5).toString('latin1') === '%PDF-') return bytes.subarray(-1024).toString('latin1').includes('%%EOF') ? PDF : null;
  if (bytes.length > VOICE.mostBytes) return null;
  if (bytes.subarray(0, 4).toString('hex') === '1a45dfa3') return 'audio/webm';
  if (bytes.subarray(4, 8).toString('latin1') === 'ftyp') return 'audio/mp4';
  return bytes.subarray(0, 4).toString('latin1') === 'OggS' ? 'audio/ogg' : null;
}

/** Bytes of letters and of voice notes, sent apart from what names them; the same again changes nothing. */
export function letterRoutes(context: AppContext): Router {
  const { source } = context;
  const router = Router();
  router.put('/letters/:letter', allowed(context, 'files'), raw({ type: [PDF, 'audio/*'], limit: LETTER_MOST_BYTES }), async (request, response) => {
    const { letter } = checked<{ letter: string }>(params, request.params);
    const bytes = request.body as unknown;
    if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw new HttpProblem({ status: 415, code: 'noLetter' });
    if (typeOf(bytes) === null) throw new HttpProblem({ status: 422, code: 'noLetter' });
    const { firmId } = signedIn(response);
    await withFirm(source, firmId, (tx) =>
      tx.query('insert into letter_file (letter_id, firm_id, bytes) values ($1, $2, $3) on conflict do nothing', [letter, firmId, bytes]),
    );
    response.json({ sha256: createHash('sha256').update(bytes).digest('hex') });
  });

  router.get('/letters/:letter', async (request, response) => {
    const { letter } = checked<{ letter: string }>(params, request.params);
    const file = await withFirm(source, signedIn(response).firmId, (tx) => tx.getRepository(LetterFile).findOneBy({ letterId: letter }));
    if (!file) throw new HttpProblem({ status: 404, code: 'notFound' });
    const type = typeOf(file.bytes) ?? PDF;
    response.set('cache-control', 'private, max-age=2592000, immutable').type(type);
    // A letter is saved, never opened inside Tufa's own pages; a voice is played in them.
    if (type === PDF) response.attachment(`${letter}.pdf`);
    response.send(file.bytes);
  });
  return router;
}
