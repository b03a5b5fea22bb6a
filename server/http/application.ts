import compression from 'compression';
import express, { type Express } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';
import { API } from '../../api/paths.ts';
import description from '../../api/openapi.json' with { type: 'json' };
import { thisComputer } from '../actor.ts';
import { MISDIRECTED, type HostCheck } from '../allowedhosts.ts';
import type { Publisher } from '../host/publisher.ts';
import type { Store } from '../store/open.ts';
import { notFound, problems, Refusal } from './problem.ts';
import type { ImageMaker } from '../media/imagemaker.ts';
import { archiveHandlers } from './archive.ts';
import { assetHandlers } from './assets.ts';
import { demoHandlers } from './demo.ts';
import { backupHandlers } from './backups.ts';
import { editHandlers } from './edits.ts';
import { fontHandlers } from './fonts.ts';
import { messageHandlers } from './messages.ts';
import { publishingHandlers } from './publishing.ts';
import { routes, type ActorOf } from './router.ts';
import { siteHandlers } from './sites.ts';

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

export interface ApplicationParts {
  store: Store;
  publisher: Publisher;
  pictures: ImageMaker;
  log: Logger;
  pages?: Pages;
  isOwnHost: HostCheck;
  /** Says who asks; absent: this computer does. */
  actorOf?: ActorOf;
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
  actorOf = () => Promise.resolve(thisComputer),
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
  app.use(
    API,
    routes(
      {
        health: () => Promise.resolve({ ready: true }),
        description: async ({ response }) => void response.json(description),
        ...backupHandlers(store),
        ...archiveHandlers(store, publisher),
        ...siteHandlers(store, publisher),
        ...editHandlers(store),
        ...fontHandlers(store),
        ...assetHandlers(store, pictures),
        ...demoHandlers(),
        ...publishingHandlers(publisher),
        ...messageHandlers(store),
      },
      actorOf,
    ),
  );
  app.use(API, notFound);
  pages?.(app);
  app.use(problems((error) => log.error(error)));
  return app;
}
