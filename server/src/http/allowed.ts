import { mayAct, ACTS, type Act, type Role } from '@tufa/contract/rights';
import type { RequestHandler } from 'express';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { HttpProblem } from './HttpProblem';
import { signedIn } from './session';

/** Lets those through whose role may do it, as their role is now; only behind `requireSession`. @throws HttpProblem 401, 403 `notAllowed` */
export const allowed =
  ({ source }: AppContext, act: Act): RequestHandler =>
  async (_request, response, next) => {
    const { firmId, personId, last } = signedIn(response);
    // By an owner's word.
    if (last) return next();
    const [person] = await withFirm(source, firmId, (tx) => tx.query<{ role: Role }[]>('select role from person where id = $1 and not removed', [personId]));
    if (!person) throw new HttpProblem({ status: 401, code: 'signInFirst' });
    if (!mayAct(person.role, act)) throw new HttpProblem({ status: 403, code: 'notAllowed', figures: { least: ACTS[act] } });
    next();
  };
