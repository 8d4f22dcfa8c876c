import { commandsSchema, parts, type Command } from '@tufa/contract/commands';
import { check } from '@tufa/contract/validate';
import { Router } from 'express';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { Person, TABLES } from '../entities';
import { HttpProblem, problemDetails } from '../http/HttpProblem';
import { sendProblem } from '../http/errors';
import { signedIn } from '../http/session';
import { applyCommands } from '../services/applyCommands';
import { wireRow } from '../services/rows';

/** The one write path. */
export function commandRoutes({ source, clock }: AppContext): Router {
  const router = Router();
  router.post('/commands', async (request, response) => {
    const { firmId } = signedIn(response);
    const { value: commands, fault } = check<Command[]>(commandsSchema, request.body);
    if (fault) throw new HttpProblem({ status: 422, code: fault.code, field: fault.field, figures: fault.figures });

    // An outside client's single command may name the version it saw; a stale one is answered with both.
    const seen = request.get('if-match');
    const [single] = commands;
    if (seen && commands.length === 1 && single && typeof single.kind === 'string' && parts(single.kind).name in TABLES) {
      const present = await withFirm(source, firmId, (tx) => tx.getRepository(TABLES[parts(single.kind).name]).findOneBy({ id: String(single.target) }));
      if (present && seen !== `"${present.version}"`)
        return sendProblem(
          response,
          problemDetails({ status: 412, code: 'stale', field: 'target', figures: { yours: single.change, theirs: wireRow(present) } }),
        );
    }
    const personIds = new Set((await withFirm(source, firmId, (tx) => tx.getRepository(Person).find())).map(({ id }) => id));
    response.json({ results: await applyCommands({ source, firmId, personIds, clock }, commands) });
  });
  return router;
}
