import { assemblePlanInput } from '@tufa/contract/assemble';
import { id } from '@tufa/contract/common';
import { DOCUMENT_KINDS, type DocumentKind, type DocumentMade } from '@tufa/contract/documents';
import { computePlan, surveyOf } from '@tufa/core/plan';
import { Problem } from '@tufa/core/quantity';
import { SPOKEN, type Spoken } from '@tufa/contract/languages';
import { PLAIN, type Speaker } from '@tufa/words';
import { Router } from 'express';
import Joi from 'joi';
import { In, LessThan } from 'typeorm';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { renderPdf } from '../documents/renderPdf';
import { surveySheet, type SheetPhoto } from '../documents/surveySheet';
import { withStrokes } from '../documents/withStrokes';
import { DocumentRow, PhotographFile } from '../entities';
import { allowed } from '../http/allowed';
import { checked } from '../http/checked';
import { HttpProblem } from '../http/HttpProblem';
import { spokenBy } from '../http/spoken';
import { signedIn } from '../http/session';
import { beginDocument } from '../services/makeDocument';
import { jobData } from '../services/rows';

const params = Joi.object({ job: id.required() });
const documentParams = Joi.object({ document: id.required() });
/** Where it is not said, in the language of whoever asks. */
const language = Joi.string().valid(...SPOKEN);
const asked = Joi.object({
  kind: Joi.string()
    .valid(...DOCUMENT_KINDS)
    .required(),
  language,
});
const sheetAsked = Joi.object({ language });

const madeOf = ({ id: documentId, jobId, kind, number, madeAt, state, done, total, sha256 }: DocumentRow): DocumentMade => ({
  id: documentId,
  jobId,
  kind: kind as DocumentKind,
  number,
  madeAt: madeAt.toISOString(),
  state,
  done,
  total,
  sha256,
});
/** Nothing is made for longer: two hundred pictures take a minute. */
const LONGEST_MS = 600_000;

/** As many pictures as a sheet shows. */
const MOST_PHOTOS = 60;

/** Documents made here from the same scenes and words as the screens. */
export function documentRoutes(context: AppContext): Router {
  const { source, clock } = context;
  const router = Router();
  router.get('/jobs/:job/survey.pdf', async (request, response) => {
    const { job } = checked<{ job: string }>(params, request.params);
    const { language = spokenBy(request) } = checked<{ language?: Spoken }>(sheetAsked, request.query);
    const { data, files } = await withFirm(source, signedIn(response).firmId, async (tx) => {
      const data = await jobData(tx, job);
      const ids = Object.values(data.photograph).flatMap(({ id: photoId, removed }) => (removed ? [] : [photoId]));
      const found = ids.length === 0 ? [] : await tx.getRepository(PhotographFile).find({ where: { photographId: In(ids), size: 'full' }, take: MOST_PHOTOS });
      return { data, files: found };
    });
    const input = assemblePlanInput(data, job);
    if (!input) throw new HttpProblem({ status: 404, code: 'notFound', field: 'job' });
    const photos = await Promise.all(
      files.map(async ({ photographId, bytes }): Promise<SheetPhoto> => {
        const { elementId, findingId, takenAt, strokes } = data.photograph[photographId]!;
        const drawn = await withStrokes(bytes, strokes);
        return { elementId, findingId, takenAt, image: `data:image/jpeg;base64,${drawn.toString('base64')}` };
      }),
    );
    const plan = planned(input);
    // The firm's units and money, the place's clock.
    const speaker: Speaker = { language, system: input.firm.system, currency: input.firm.currency, zone: data.job[job]?.zone ?? PLAIN.zone };
    const bytes = await renderPdf(surveySheet({ speaker, data, input, survey: surveyOf(input), plan, photos, at: clock() }));
    response.type('application/pdf').set('content-disposition', 'inline; filename="survey.pdf"').send(bytes);
  });
  router.post('/jobs/:job/documents', allowed(context, 'documents'), async (request, response) => {
    const { job } = checked<{ job: string }>(params, request.params);
    const { kind, language = spokenBy(request) } = checked<{ kind: DocumentKind; language?: Spoken }>(asked, request.body);
    const { firmId, personId } = signedIn(response);
    const { row } = await beginDocument({ source, firmId, person: personId, jobId: job, kind, language, at: clock() });
    response.status(202).json(madeOf(row));
  });
  router.get('/jobs/:job/documents', async (request, response) => {
    const { job } = checked<{ job: string }>(params, request.params);
    const rows = await withFirm(source, signedIn(response).firmId, async (tx) => {
      const documents = tx.getRepository(DocumentRow);
      // Its server was stopped in the middle of it: it is asked for again under a number of its own.
      await documents.update({ jobId: job, state: 'making', madeAt: LessThan(new Date(clock().getTime() - LONGEST_MS)) }, { state: 'failed' });
      return documents.find({ where: { jobId: job }, order: { number: 'DESC' } });
    });
    response.json({ documents: rows.map(madeOf) });
  });
  const found = async (request: { params: unknown }, firmId: string, more: { bytes?: boolean } = {}): Promise<DocumentRow> => {
    const { document } = checked<{ document: string }>(documentParams, request.params);
    const row = await withFirm(source, firmId, (tx) => {
      const query = tx.getRepository(DocumentRow).createQueryBuilder('document').where('document.id = :id', { id: document });
      return (more.bytes ? query.addSelect('document.bytes') : query).getOne();
    });
    if (!row) throw new HttpProblem({ status: 404, code: 'notFound', field: 'document' });
    return row;
  };
  router.get('/documents/:document', async (request, response) => response.json(madeOf(await found(request, signedIn(response).firmId))));
  router.get('/documents/:document/file', async (request, response) => {
    const { number, bytes } = await found(request, signedIn(response).firmId, { bytes: true });
    if (!bytes) throw new HttpProblem({ status: 409, code: 'documentNotMade', field: 'document' });
    response.type('application/pdf').set('content-disposition', `inline; filename="${number}.pdf"`).send(bytes);
  });
  router.delete('/documents/:document', allowed(context, 'documents'), async (request, response) => {
    const { firmId } = signedIn(response);
    const row = await found(request, firmId);
    // What is made stays: a number that went out is never empty.
    await withFirm(source, firmId, (tx) => tx.getRepository(DocumentRow).update({ id: row.id, state: 'making' }, { state: 'stopped' }));
    response.json(madeOf(await found(request, firmId)));
  });
  return router;
}

/** A survey is told even where nothing can be planned from it yet. */
function planned(input: Parameters<typeof computePlan>[0]) {
  try {
    return computePlan(input);
  } catch (error) {
    if (error instanceof Problem) return null;
    throw error;
  }
}
