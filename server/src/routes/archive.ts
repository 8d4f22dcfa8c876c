import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router } from 'express';
import type { AppContext } from '../AppContext';
import { ArchiveFile } from '../archive/ArchiveFile';
import { bringArchive } from '../archive/bringArchive';
import { writeArchive } from '../archive/writeArchive';
import { allowed } from '../http/allowed';
import { HttpProblem } from '../http/HttpProblem';
import { signedIn } from '../http/session';

/** A season of pictures is some gigabytes; more than this does not come by this way. */
const MOST_BYTES = 8 * 1024 ** 3;

const ZIP = 'application/zip';

/** The whole firm out as one file, and in again where nothing has been done yet. */
export function archiveRoutes(context: AppContext): Router {
  const { source, clock } = context;
  const router = Router();
  router.get('/archive', allowed(context, 'archive'), async (_request, response) => {
    const at = clock();
    const archive = await writeArchive({ source, firmId: signedIn(response).firmId, at });
    response.type(ZIP).attachment(`tufa-${at.toISOString().slice(0, 10)}.zip`);
    await pipeline(archive, response);
  });
  router.put('/archive', allowed(context, 'archive'), async (request, response) => {
    if (!request.is(ZIP)) throw new HttpProblem({ status: 415, code: 'archiveForeign' });
    const { firmId } = signedIn(response);
    const folder = await mkdtemp(join(tmpdir(), 'tufa-archive-'));
    try {
      const path = join(folder, 'archive.zip');
      let bytes = 0;
      const counted = new Transform({
        transform: (chunk: Buffer, _encoding, done) => {
          bytes += chunk.length;
          done(bytes > MOST_BYTES ? new HttpProblem({ status: 413, code: 'tooLarge' }) : null, chunk);
        },
      });
      // Larger than memory: it lies on the disk before it is looked at.
      await pipeline(request, counted, createWriteStream(path, { mode: 0o600 }));
      const archive = await ArchiveFile.open(path);
      try {
        response.json(await bringArchive({ source, firmId, archive }));
      } finally {
        archive.close();
      }
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  });
  return router;
}
