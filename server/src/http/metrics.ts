import { Router, type Request, type RequestHandler } from 'express';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import type { AppContext } from '../AppContext';
import { HttpProblem } from './HttpProblem';
import { fromThisMachine } from './loopback';

/** Bounds of what a request may take, s. */
const BUCKETS = [0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 20];

/** A path by its pattern: of ids there are too many, and they are nobody's business. */
const routeOf = ({ baseUrl, route }: Request): string => (typeof route?.path === 'string' ? `${baseUrl}${route.path as string}` : 'other');

/** Figures of this process in the open text format, for whoever runs it: to this machine itself, or to whoever has the token. */
export function makeMetrics({ news, pool, metricsToken }: Pick<AppContext, 'news' | 'pool' | 'metricsToken'>): {
  readonly measure: RequestHandler;
  readonly routes: Router;
} {
  const registry = new Registry();
  const requests = new Histogram({
    name: 'tufa_request_seconds',
    help: 'How long requests took, by their path, method and answer',
    labelNames: ['method', 'path', 'status'],
    buckets: BUCKETS,
    registers: [registry],
  });
  new Gauge({
    name: 'tufa_streams',
    help: 'Open streams of news',
    registers: [registry],
    collect() {
      this.set(news.count());
    },
  });
  new Gauge({
    name: 'tufa_session_connections',
    help: 'Connections of the sessions’ pool',
    registers: [registry],
    collect() {
      this.set(pool.totalCount);
    },
  });
  let begun = false;
  const measure: RequestHandler = (request, response, next) => {
    const end = requests.startTimer();
    response.on('finish', () => end({ method: request.method, path: routeOf(request), status: String(response.statusCode) }));
    next();
  };
  const routes = Router();
  routes.get('/metrics', async (request, response) => {
    const asked = request.get('authorization');
    const may = metricsToken === null ? fromThisMachine(request) : asked === `Bearer ${metricsToken}`;
    if (!may) throw new HttpProblem({ status: 404, code: 'notFound' });
    // What the process itself costs is watched from the first time that somebody asks.
    if (!begun) collectDefaultMetrics({ register: registry });
    begun = true;
    response.type(registry.contentType).send(await registry.metrics());
  });
  return { measure, routes };
}
