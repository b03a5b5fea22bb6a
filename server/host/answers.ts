import type { ServerResponse } from 'node:http';

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

/** A page of the host's own. `more`: HTML below the words. */
export function plainPage(
  response: ServerResponse,
  status: number,
  title: string,
  words: string,
  { headers = {}, more = '' }: { headers?: Record<string, string>; more?: string } = {},
): void {
  const html = `<!DOCTYPE html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${title}</title></head><body><main><h1>${title}</h1><p>${words}</p>${more}</main></body></html>\n`;
  const always = { 'Cache-Control': 'no-store', 'Content-Type': 'text/html; charset=utf-8' };
  send(response, status, { ...always, ...headers }, Buffer.from(html));
}

/** A text as it stands in HTML. */
export const escaped = (text: string) =>
  text.replace(/[&<>"]/g, (each) => `&#${String(each.charCodeAt(0))};`);

export const noPage = (response: ServerResponse) =>
  plainPage(
    response,
    404,
    'Page not found',
    'There is no page at this address. It may have moved, or was never published.',
  );

/** To whoever would change what can only be read. */
export const readOnly = (response: ServerResponse) =>
  plainPage(response, 405, 'Only reading is possible', 'This address can be read, not changed.', {
    headers: { Allow: 'GET, HEAD' },
  });
