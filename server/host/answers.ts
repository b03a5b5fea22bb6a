import type { ServerResponse } from 'node:http';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { directionOf } from '../../core/index.ts';
import type { Said } from './systemmessages.ts';

/** Published pages carry no script, so none may run, and they load nothing from elsewhere. */
const ALWAYS = {
  'Content-Security-Policy':
    "default-src 'none'; img-src 'self'; media-src 'self'; style-src 'self'; font-src 'self'; connect-src 'self'; manifest-src 'self'; form-action 'self' mailto:; base-uri 'none'; frame-ancestors 'none'",
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'same-origin',
};

/** Answers with a body, or without one. */
export function send(
  response: ServerResponse,
  status: number,
  headers: Record<string, string>,
  body?: Buffer,
) {
  const length = body && { 'Content-Length': String(body.length) };
  response.writeHead(status, { ...ALWAYS, ...headers, ...length });
  // Of an answer to HEAD, Node sends no body.
  response.end(body);
}

/** Answers with a body as it is read. Whoever goes away meanwhile ends the reading. */
export async function stream(
  response: ServerResponse,
  status: number,
  headers: Record<string, string>,
  body: Readable | undefined,
): Promise<void> {
  response.writeHead(status, { ...ALWAYS, ...headers });
  if (body === undefined) response.end();
  else
    await pipeline(body, response).catch((error: NodeJS.ErrnoException) => {
      if (error.code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
    });
}

/** A page of the host's own. `more`: HTML below the words; `lang`: BCP 47 tag of the language of all of them. */
export function plainPage(
  response: ServerResponse,
  status: number,
  title: string,
  words: string,
  {
    headers = {},
    more = '',
    lang = 'en',
  }: { headers?: Record<string, string>; more?: string; lang?: string } = {},
): void {
  const html = `<!DOCTYPE html><html lang="${lang}" dir="${directionOf(lang)}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escaped(title)}</title></head><body><main><h1>${escaped(title)}</h1><p>${escaped(words)}</p>${more}</main></body></html>\n`;
  const always = { 'Cache-Control': 'no-store', 'Content-Type': 'text/html; charset=utf-8' };
  send(response, status, { ...always, ...headers }, Buffer.from(html));
}

/** A text as it stands in HTML. */
export const escaped = (text: string) =>
  text.replace(/[&<>"]/g, (each) => `&#${String(each.charCodeAt(0))};`);

export const noPage = (response: ServerResponse, { lang, say }: Said) =>
  plainPage(response, 404, say('no-page'), say('no-page-here'), { lang });

/** To whoever would change what can only be read. */
export const readOnly = (response: ServerResponse) =>
  plainPage(response, 405, 'Only reading is possible', 'This address can be read, not changed.', {
    headers: { Allow: 'GET, HEAD' },
  });
