import type { IncomingMessage, ServerResponse } from 'node:http';
import compression from 'compression';
import express, { type Express } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';
import { API, paths } from '../../api/paths.ts';
import { isNestedTooDeep, LIMITS } from '../../core/index.ts';
import type { Health } from '../../api/responses.ts';
import { MISDIRECTED, type HostCheck } from '../allowedhosts.ts';
import type { Publisher } from '../host/publisher.ts';
import { findFont, fontBytes } from '../media/bytes.ts';
import type { Store } from '../store/open.ts';
import { notFound, problems, Refusal } from './problem.ts';
import type { ImageMaker } from '../media/imagemaker.ts';
import { assetRoutes } from './assets.ts';
import { backupRoutes } from './backups.ts';
import { editRoutes } from './edits.ts';
import { fontRoutes } from './fonts.ts';
import { archiveRoutes } from './archive.ts';
import { messageRoutes } from './messages.ts';
import { publishingRoutes } from './publishing.ts';
import { siteRoutes } from './sites.ts';

/** What serves the application's own pages: the built files, or Vite while developing. */
export type Pages = (application: Express) => void;

/**
 * Refuses what another origin's page asks for, also where it could not read the answer: the application has no sign-in, so its
 * origin is its guard. Browsers say where a request comes from (Fetch Metadata, https://www.w3.org/TR/fetch-metadata/#sec-fetch-site-header).
 */
const sameOrigin: express.RequestHandler = (request, _response, next) => {
  const origin = request.get('Origin');
  const from = request.get('Sec-Fetch-Site');
  if (
    (origin && origin.replace(/^https?:\/\//, '') !== request.get('Host')) ||
    (from && !['same-origin', 'none'].includes(from))
  ) {
    throw new Refusal(403, 'Requests are taken only from Dimorphe’s own pages. Nothing was changed.');
  }
  next();
};

/** Refuses a body whose parts stand so deep in each other that reading them would run out of stack. */
function notTooDeep(_request: IncomingMessage, _response: ServerResponse, body: Buffer): void {
  if (isNestedTooDeep(body.toString('latin1'))) throw new RangeError('nested too deep');
}

/** A handler that is passed by for some requests. */
const unless =
  (
    isPassedBy: (request: express.Request) => boolean,
    handler: express.RequestHandler,
  ): express.RequestHandler =>
  (request, response, next) => {
    if (isPassedBy(request)) next();
    else handler(request, response, next);
  };

export interface ApplicationParts {
  store: Store;
  publisher: Publisher;
  pictures: ImageMaker;
  log: Logger;
  pages?: Pages;
  isOwnHost: HostCheck;
  /** How many requests of the API one address may make in a minute. */
  requestsAMinute?: number;
}

/** The application's server: the interface for the browser and everything under `/api`. */
export function application({
  store,
  publisher,
  pictures,
  log,
  pages,
  isOwnHost,
  requestsAMinute = 3000,
}: ApplicationParts): Express {
  const app = express();
  app.disable('x-powered-by');
  // Express itself answers in words of its own only while developing, with paths of this machine in them.
  app.set('env', 'production');
  app.use((request, _response, next) => {
    if (!isOwnHost(request.headers.host)) throw new Refusal(421, MISDIRECTED);
    next();
  });
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
    // Before what is counted: a page from elsewhere must not be able to use up what the person may ask for.
    sameOrigin,
    rateLimit({
      windowMs: 60_000,
      limit: requestsAMinute,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: () => {
        throw new Refusal(
          429,
          'More was asked for than in any minute of work. Nothing was changed; it goes on in a moment.',
        );
      },
    }),
  );
  // A site file is larger than any other request, and its route reads it itself.
  app.use(
    API,
    unless(
      ({ method, path }) => method === 'POST' && API + path === paths.sites(),
      express.json({ limit: LIMITS.request, type: 'application/json', verify: notTooDeep }),
    ),
  );
  app.get(`${API}/health`, (_request, response) => {
    response.json({ ready: true } satisfies Health);
  });
  app.use(paths.backups(), backupRoutes(store));
  app.use(
    `${API}/sites`,
    archiveRoutes(store),
    siteRoutes(store, publisher),
    editRoutes(store),
    fontRoutes(store),
    assetRoutes(store, pictures),
    publishingRoutes(publisher),
    messageRoutes(store),
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
