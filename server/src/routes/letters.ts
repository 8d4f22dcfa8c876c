import { createHash } from 'node:crypto';
import { id } from '@tufa/contract/common';
import { LETTER_MOST_BYTES } from '@tufa/contract/letter';
import { raw, Router } from 'express';
import Joi from 'joi';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { LetterFile } from '../entities/LetterFile';
import { checked } from '../http/checked';
import { HttpProblem } from '../http/HttpProblem';
import { signedIn } from '../http/session';

const params = Joi.object({ letter: id.required() });

/** What a letter may be: a PDF, whole from its head to its end. */
const isWhole = (bytes: Buffer): boolean => bytes.subarray(0, 5).toString('latin1') === '%PDF-' && bytes.subarray(-1024).toString('latin1').includes('%%EOF');

/** Bytes of letters, sent apart from the opinion that names them; the same again changes nothing. */
export function letterRoutes({ source }: AppContext): Router {
  const router = Router();
  router.put('/letters/:letter', raw({ type: 'application/pdf', limit: LETTER_MOST_BYTES }), async (request, response) => {
    const { letter } = checked<{ letter: string }>(params, request.params);
    const bytes = request.body as unknown;
    if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw new HttpProblem({ status: 415, code: 'noLetter' });
    if (!isWhole(bytes)) throw new HttpProblem({ status: 422, code: 'noLetter' });
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
    // A letter is saved, never opened inside Tufa's own pages.
    response.set('cache-control', 'private, max-age=31536000, immutable').type('application/pdf').attachment(`${letter}.pdf`).send(file.bytes);
  });
  return router;
}
