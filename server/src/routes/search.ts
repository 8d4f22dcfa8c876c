import { findQuery, type FindAsked } from '@tufa/contract/found';
import { Router } from 'express';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { checked } from '../http/checked';
import { signedIn } from '../http/session';
import { spokenBy } from '../http/spoken';
import { find, trends } from '../search/find';
import { keepFound } from '../search/keepFound';

/** Finding again: words and facets over everything of the firm, and what it has cost. */
export function searchRoutes({ source }: AppContext): Router {
  const router = Router();
  router.get('/search', async (request, response) => {
    const asked = checked<FindAsked>(findQuery, request.query);
    const { firmId } = signedIn(response);
    const waiting = await keepFound(source, firmId);
    response.json({ ...(await withFirm(source, firmId, (tx) => find(tx, spokenBy(request), asked))), waiting });
  });
  router.get('/trends', async (_request, response) => {
    const { firmId } = signedIn(response);
    const waiting = await keepFound(source, firmId);
    response.json({ trends: await withFirm(source, firmId, trends), waiting });
  });
  return router;
}
