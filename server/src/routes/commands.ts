import { commandsSchema, type Command } from '@tufa/contract/commands';
import { check } from '@tufa/contract/validate';
import { Router } from 'express';
import type { AppContext } from '../AppContext';
import { sendProblem } from '../http/errors';
import { HttpProblem, problemIn } from '../http/HttpProblem';
import { spokenBy } from '../http/spoken';
import { signedIn } from '../http/session';
import { applyCommands } from '../services/applyCommands';

/** The one write path. */
export function commandRoutes({ source, clock }: AppContext): Router {
  const router = Router();
  router.post('/commands', async (request, response) => {
    const { firmId, deviceId, personId, last } = signedIn(response);
    const { value: commands, fault } = check<Command[]>(commandsSchema, request.body);
    if (fault) throw new HttpProblem({ status: 422, code: fault.code, field: fault.field, figures: fault.figures });
    // An outside client's single command may name the version it saw; a stale one is answered with both.
    const seen = commands.length === 1 ? request.get('if-match') : undefined;
    const results = await applyCommands({ source, firmId, deviceId, personId, last, clock, seen }, commands);
    const [first] = results;
    if (seen && first?.result === 'refused' && first.problem.code === 'stale') return sendProblem(response, first.problem);
    const language = spokenBy(request);
    response.json({ results: results.map((result) => ('problem' in result ? { ...result, problem: problemIn(language, result.problem) } : result)) });
  });
  return router;
}
