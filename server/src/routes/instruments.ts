import { INSTRUMENTS, type Instrument } from '@tufa/contract/instruments';
import { Router } from 'express';
import Joi from 'joi';
import type { AppContext } from '../AppContext';
import { checked } from '../http/checked';
import { HttpProblem } from '../http/HttpProblem';
import { askInstruments, readInstrument } from '../services/instruments';

const asked = Joi.object({
  id: Joi.string().min(1).max(40).required(),
  kind: Joi.string()
    .valid(...INSTRUMENTS)
    .required(),
});

/** Instruments of the site, behind the address that whoever runs the server has set; none without one. */
export function instrumentRoutes({ instruments }: AppContext): Router {
  const router = Router();
  router.get('/instruments', async (_request, response) => {
    response.json({ instruments: instruments ? await askInstruments(instruments) : [] });
  });
  router.get('/instruments/reading', async (request, response) => {
    const of = checked<Pick<Instrument, 'id' | 'kind'>>(asked, request.query);
    if (!instruments) throw new HttpProblem({ status: 404, code: 'noInstruments' });
    response.json(await readInstrument({ address: instruments, ...of }));
  });
  return router;
}
