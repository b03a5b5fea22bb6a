import compression from 'compression';
import express, { type Express } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';
import { API, paths } from '../../api/paths.ts';
import { LIMITS } from '../../core/index.ts';
import type { Health } from '../../api/responses.ts';
import type { Publisher } from '../host/publisher.ts';
import { findFont, fontBytes } from '../media/bytes.ts';
import type { Store } from '../store/open.ts';
import { notFound, problems, Refusal } from './problem.ts';
import { backupRoutes } from './backups.ts';
import { editRoutes } from './edits.ts';
import { fontRoutes } from './fonts.ts';
import { publishingRoutes } from './publishing.ts';
import { siteRoutes } from './sites.ts';

/** What serves the application's own pages: the built files, or Vite while developing. */
export type Pages = (application: Express) => void;

/** Refuses changes that another origin's page asks for: the application has no sign-in, so its origin is its guard. */
const sameOrigin: express.RequestHandler = (request, _response, next) => {
  const origin = request.get('Origin');
  if (
    origin &&
    !['GET', 'HEAD'].includes(request.method) &&
    origin.replace(/^https?:\/\//, '') !== request.get('Host')
  ) {
    throw new Refusal(403, 'Changes are taken only from Dimorphe’s own pages. Nothing was changed.');
  }
  next();
};

/** The application's server: the interface for the browser and everything under `/api`. */
export function application(store: Store, publisher: Publisher, log: Logger, pages?: Pages): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          'default-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'font-src': ["'self'", 'data:'],
          'connect-src': ["'self'"],
          'object-src': ["'none'"],
          'base-uri': ["'none'"],
          'form-action': ["'self'"],
          'frame-ancestors': ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(compression());
  app.use(
    API,
    pinoHttp({ logger: log, autoLogging: false }),
    rateLimit({ windowMs: 60_000, limit: 3000, standardHeaders: 'draft-8', legacyHeaders: false }),
    sameOrigin,
    express.json({ limit: LIMITS.request, type: ['application/json', 'application/json-patch+json'] }),
  );
  app.get(`${API}/health`, (_request, response) => {
    response.json({ ready: true } satisfies Health);
  });
  app.use(paths.backups(), backupRoutes(store));
  app.use(
    `${API}/sites`,
    siteRoutes(store, publisher),
    editRoutes(store),
    fontRoutes(store),
    publishingRoutes(publisher),
  );
  app.get(`${API}/fonts/:file`, async (request, response) => {
    const font = findFont(request.params.file);
    if (!font) throw new Refusal(404, 'There is no such font.');
    response
      .set('Cache-Control', 'public, max-age=86400')
      .type('font/woff2')
      .send(await fontBytes(font.family, font.file));
  });
  app.use(API, notFound);
  pages?.(app);
  app.use(problems((error) => log.error(error)));
  return app;
}
