import { coordinates } from '@tufa/contract/settingsSchemas';
import type { Place } from '@tufa/core/plan';
import { Router } from 'express';
import Joi from 'joi';
import type { AppContext } from '../AppContext';
import { checked } from '../http/checked';
import { HttpProblem } from '../http/HttpProblem';
import { askWeather } from '../services/weather';

const query = Joi.object(coordinates);

/** The weather of a place, three days back and eight ahead, from the service that whoever runs the server has set. */
export function weatherRoutes({ weather, clock }: AppContext): Router {
  const router = Router();
  router.get('/weather', async (request, response) => {
    const place = checked<Place>(query, request.query);
    if (!weather) throw new HttpProblem({ status: 404, code: 'noForecast' });
    response.json(await askWeather({ address: weather, place, now_ms: clock().getTime() }));
  });
  return router;
}
