import { createHash } from 'node:crypto';
import { id } from '@tufa/contract/common';
import { PHOTO } from '@tufa/contract/photo';
import { raw, Router } from 'express';
import Joi from 'joi';
import sharp from 'sharp';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { PHOTO_SIZES, PhotographFile, type PhotoSize } from '../entities/PhotographFile';
import { allowed } from '../http/allowed';
import { checked } from '../http/checked';
import { HttpProblem } from '../http/HttpProblem';
import { signedIn } from '../http/session';

const params = Joi.object({
  photograph: id.required(),
  size: Joi.string()
    .valid(...PHOTO_SIZES)
    .required(),
});

/** What a picture may be: a JPEG inside its sizes, without a word of where it was taken. */
async function lookAt(bytes: Buffer, size: PhotoSize): Promise<void> {
  const metadata = await sharp(bytes)
    .metadata()
    .catch(() => null);
  if (metadata?.format !== 'jpeg') throw new HttpProblem({ status: 422, code: 'noPicture' });
  const most = size === 'full' ? PHOTO.side : PHOTO.thumbSide;
  if (Math.max(metadata.width, metadata.height) > most) throw new HttpProblem({ status: 422, code: 'pictureTooWide', figures: { most } });
  if (metadata.exif || metadata.iptc || metadata.xmp) throw new HttpProblem({ status: 422, code: 'pictureTells' });
}

/** Bytes of pictures, sent apart from the commands that describe them; the same again changes nothing. */
export function photographRoutes(context: AppContext): Router {
  const { source } = context;
  const router = Router();
  router.put('/photographs/:photograph/:size', allowed(context, 'files'), raw({ type: 'image/jpeg', limit: PHOTO.mostBytes }), async (request, response) => {
    const { photograph, size } = checked<{ photograph: string; size: PhotoSize }>(params, request.params);
    const bytes = request.body as unknown;
    if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw new HttpProblem({ status: 415, code: 'noPicture' });
    await lookAt(bytes, size);
    const { firmId } = signedIn(response);
    await withFirm(source, firmId, (tx) =>
      tx.query('insert into photograph_file (photograph_id, size, firm_id, bytes) values ($1, $2, $3, $4) on conflict do nothing', [
        photograph,
        size,
        firmId,
        bytes,
      ]),
    );
    response.json({ sha256: createHash('sha256').update(bytes).digest('hex') });
  });

  router.get('/photographs/:photograph/:size', async (request, response) => {
    const { photograph, size } = checked<{ photograph: string; size: PhotoSize }>(params, request.params);
    const file = await withFirm(source, signedIn(response).firmId, (tx) => tx.getRepository(PhotographFile).findOneBy({ photographId: photograph, size }));
    if (!file) throw new HttpProblem({ status: 404, code: 'notFound' });
    response.set('cache-control', 'private, max-age=2592000, immutable').type('image/jpeg').send(file.bytes);
  });
  return router;
}
