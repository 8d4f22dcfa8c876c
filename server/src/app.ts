import compression from 'compression';
import cookieParser from 'cookie-parser';
import express, { type Express } from 'express';
import session from 'express-session';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { extname, join } from 'node:path';
import { pinoHttp } from 'pino-http';
import type { AppContext } from './AppContext';
import { errorAnswer, notFound, sendProblem } from './http/errors';
import { HttpProblem, problemDetails } from './http/HttpProblem';
import { makeMetrics } from './http/metrics';
import { keepSession, requireSession } from './http/session';
import { sessionStore } from './http/sessionStore';
import { archiveRoutes } from './routes/archive';
import { commandRoutes } from './routes/commands';
import { documentRoutes } from './routes/documents';
import { doorRoutes } from './routes/doors';
import { erasureRoutes } from './routes/erasures';
import { openapiRoutes } from './routes/openapi';
import { linkRoutes, shownRoutes } from './routes/links';
import { letterRoutes } from './routes/letters';
import { photographRoutes } from './routes/photographs';
import { readRoutes } from './routes/reads';
import { searchRoutes } from './routes/search';
import { sessionRoutes } from './routes/sessions';
import { instrumentRoutes } from './routes/instruments';
import { weatherRoutes } from './routes/weather';

/** The hash of the empty style element that react-native-web fills through the CSSOM. */
const EMPTY_STYLE = "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='";

/** A request as its line in the log tells it: the secret of a customer's link is in no log. */
const withoutSecrets = <T extends { url?: string }>(request: T): T => ({ ...request, url: request.url?.replace(/\/shown\/[^/?]+/, '/shown/[secret]') });

/** The name in a Host header, without its port. */
const hostOf = (header = ''): string => header.replace(/:\d+$/, '').toLowerCase();

/** Application and API from one Express process. */
export function makeApp(context: AppContext): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          connectSrc: ["'self'"],
          fontSrc: ["'self'"],
          manifestSrc: ["'self'"],
          workerSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          mediaSrc: ["'self'", 'blob:'],
          styleSrc: ["'self'", EMPTY_STYLE],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  if (context.proxied) app.set('trust proxy', 1);
  // A page of elsewhere that has its name led here must not speak with the firm's server as if it were the firm's own.
  app.use((request, response, next) => {
    if (context.hosts.has(hostOf(request.headers.host))) return next();
    return sendProblem(response, problemDetails({ status: 421, code: 'unknownHost' }));
  });
  // Beside the cookies' own rule: what another site's page sends is not taken, whichever browser it runs in.
  app.use((request, response, next) => {
    const { origin } = request.headers;
    if (!origin || request.method === 'GET' || request.method === 'HEAD' || hostOf(origin.replace(/^https?:\/\//, '')) === hostOf(request.headers.host))
      return next();
    return sendProblem(response, problemDetails({ status: 403, code: 'notHere' }));
  });
  app.use(
    pinoHttp({
      logger: context.log,
      serializers: { req: withoutSecrets },
      customLogLevel: (_q, r, error) => (error || r.statusCode >= 500 ? 'error' : 'debug'),
    }),
  );

  const metrics = makeMetrics(context);
  const api = express.Router();
  api.use(metrics.measure);
  // What the firm knows lies in no cache of a browser or a proxy; what may, says so itself.
  api.use((_request, response, next) => {
    response.set('cache-control', 'no-store');
    next();
  });
  api.use(compression({ filter: (request, response) => request.path !== '/news' && compression.filter(request, response) }));
  api.use(express.json({ limit: '4mb' }));
  // Alive, whatever its database does: who sees it fail starts another.
  api.get('/health', (_request, response) => void response.json({ ok: true }));
  // Ready to be sent work: with its database, and not about to stop.
  api.get('/ready', async (_request, response) => {
    if (!context.ready()) throw new HttpProblem({ status: 503, code: 'stopping' });
    await context.source.query('select 1');
    response.json({ ok: true });
  });
  api.use(metrics.routes);
  api.use(openapiRoutes());
  api.use(shownRoutes(context));
  api.use(
    session({
      name: 'tufa',
      secret: context.secret,
      resave: false,
      saveUninitialized: false,
      store: sessionStore(context.pool, context.log),
      cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: 90 * 86400_000 },
    }),
  );
  api.use(keepSession(context.clock));
  api.use(cookieParser());
  api.use(sessionRoutes(context));
  api.use(
    requireSession,
    commandRoutes(context),
    readRoutes(context),
    photographRoutes(context),
    letterRoutes(context),
    documentRoutes(context),
    erasureRoutes(context),
    searchRoutes(context),
    archiveRoutes(context),
    weatherRoutes(context),
    instrumentRoutes(context),
    doorRoutes(context),
    linkRoutes(context),
  );
  api.use(notFound);
  app.use('/api/v1', api);
  app.use('/api', notFound);

  if (context.web && existsSync(context.web)) {
    const web = context.web;
    app.use(
      expressStaticGzip(web, {
        enableBrotli: true,
        orderPreference: ['br', 'gz'],
        index: false,
        serveStatic: {
          setHeaders: (response, path) =>
            response.setHeader(
              'cache-control',
              path.includes('/_expo/static/') || path.includes('/fonts/') ? 'public, max-age=31536000, immutable' : 'no-cache',
            ),
        },
      }),
    );
    app.get('/{*path}', (request, response, next) => {
      if (extname(request.path) !== '') return next();
      response.set('cache-control', 'no-cache').sendFile(join(web, 'index.html'));
    });
  }
  app.use(notFound);
  app.use(errorAnswer(context.log));
  return app;
}
