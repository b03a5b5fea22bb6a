import express, { type Express, type Request, type Response } from 'express';
import type { Logger } from 'pino';
import type { PublishedEntry } from '../store/schema.ts';
import { accepted } from './encodings.ts';
import type { Publisher } from './publisher.ts';

/** Published pages carry no script, so none may run, and they load nothing from elsewhere. */
const POLICY =
  "default-src 'none'; img-src 'self'; media-src 'self'; style-src 'self'; font-src 'self'; form-action 'self' mailto:; base-uri 'none'; frame-ancestors 'none'";

/** A name that changes with the content may be kept for good. */
const FINGERPRINTED = /-[0-9a-f]{10}\.\w+$/;

function plainPage(response: Response, status: number, title: string, words: string): void {
  response
    .status(status)
    .set('Cache-Control', 'no-store')
    .type('html')
    .send(
      `<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${title}</title></head><body><main><h1>${title}</h1><p>${words}</p></main></body></html>\n`,
    );
}

/** Where a request's path leads in a site: the file, or the folder whose address lacks its closing slash. */
function fileAt(parts: string[], closed: boolean): { path: string; folder: boolean } {
  const path = parts.join('/');
  if (path === '') return { path: 'index.html', folder: !closed };
  if (closed) return { path: `${path}/index.html`, folder: false };
  return /\.\w+$/.test(parts.at(-1)!)
    ? { path, folder: false }
    : { path: `${path}/index.html`, folder: true };
}

/** The stand-in web host: serves live publications under `/{site}/…` and drafts under `/preview/{name}/…`. */
export function host(publisher: Publisher, log: Logger): Express {
  /** Sends a published file from memory, in the smallest form that is accepted. */
  async function sendPublished(
    request: Request,
    response: Response,
    { hash, type, encoded = {} }: PublishedEntry,
    lasting: boolean,
  ): Promise<void> {
    const coding = accepted(request.headers['accept-encoding']).find((each) => encoded[each] !== undefined);
    const form = coding === undefined ? hash : encoded[coding]!;
    const etag = `"${form.slice(0, 32)}"`;
    const headers: Record<string, string> = {
      ETag: etag,
      'Cache-Control': lasting ? 'public, max-age=31536000, immutable' : 'no-cache',
      'Content-Type': type,
      Vary: 'Accept-Encoding',
      ...(coding !== undefined && { 'Content-Encoding': coding }),
    };
    const known = request.headers['if-none-match'];
    if (known !== undefined && known.split(',').some((each) => each.trim().replace(/^W\//, '') === etag)) {
      response.writeHead(304, headers).end();
      return;
    }
    const bytes = await publisher.bytes(form);
    response.writeHead(200, { ...headers, 'Content-Length': String(bytes.length) });
    response.end(request.method === 'HEAD' ? undefined : bytes);
  }

  const app = express();
  app.disable('x-powered-by');
  app.disable('etag');
  app.use((_request, response, next) => {
    response.set({
      'Content-Security-Policy': POLICY,
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'same-origin',
    });
    next();
  });

  app.get('/', (_request, response) => {
    plainPage(response, 200, 'Dimorphe host', 'Published sites stand under their own names here.');
  });

  app.use(async (request, response) => {
    if (!['GET', 'HEAD'].includes(request.method)) {
      response.set('Allow', 'GET, HEAD');
      return plainPage(response, 405, 'Only reading is possible', 'This address can be read, not changed.');
    }
    const parts = decodeURIComponent(request.path).split('/').slice(1);
    const closed = parts.at(-1) === '';
    if (closed) parts.pop();
    const draft = parts[0] === 'preview';
    const [site, ...rest] = draft ? parts.slice(1) : parts;
    const { path, folder } = fileAt(rest, closed);
    const preview = draft && site !== undefined ? publisher.previewFile(site, path) : undefined;
    const live = !draft && site !== undefined ? await publisher.liveFile(site, path) : undefined;
    if (!preview && !live) {
      return plainPage(
        response,
        404,
        'Page not found',
        'There is no page at this address. It may have moved, or was never published.',
      );
    }
    if (folder) return response.redirect(301, `${request.path}/`);
    if (preview) {
      response.set('Cache-Control', 'no-store').set('Content-Type', preview.type).send(preview.bytes);
      return;
    }
    await sendPublished(request, response, live!, FINGERPRINTED.test(path));
  });

  const failed: express.ErrorRequestHandler = (error, _request, response, next) => {
    if (response.headersSent) return next(error);
    if (error instanceof URIError)
      return plainPage(response, 400, 'Malformed address', 'The address cannot be read.');
    log.error(error);
    return plainPage(
      response,
      500,
      'Something went wrong',
      'The page could not be served. Try again in a moment.',
    );
  };
  app.use(failed);
  return app;
}
