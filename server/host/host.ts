import { lastOf, MESSAGES_PATH, MISSING_PATH, SIGN, signedInPath, sure } from '../../core/index.ts';
import type { IncomingMessage, RequestListener, ServerResponse } from 'node:http';
import type { Logger } from 'pino';
import { MISDIRECTED, type HostCheck } from '../allowedhosts.ts';
import type { SenderOf } from '../proxies.ts';
import type { MessageStore } from '../store/messages.ts';
import type { PublishedEntry } from '../store/schema.ts';
import { troubleOf } from '../store/storefaults.ts';
import { noPage, plainPage, readOnly, send, stream } from './answers.ts';
import { MOST_OF_ONE } from './memory.ts';
import { accepted } from './encodings.ts';
import { letterbox } from './messages.ts';
import { rangeOf } from './ranges.ts';
import { FINGERPRINTED } from '../targets/target.ts';
import type { Publisher } from './publisher.ts';
import { messagesFrom, type Said } from './systemmessages.ts';
import { signPage, type Way } from './signin.ts';
import { sentBy, visitors, wayBack } from './visitors.ts';

/** Drafts, and publications that are kept, are for those who have their addresses (RFC 9309). */
const ROBOTS = 'User-agent: *\nDisallow: /preview/\nDisallow: /publication/\n';

/** What follows `/publication/` in the address of an earlier publication; longer than any address of a page of a site that is called so. */
const STATE = /^[0-9a-f]{64}$/;

/** What is kept of the address that a letter was sent from: characters. */
const LONGEST_ADDRESS = 300;

/** Whether a request brings what a form sends. */
const isForm = ({ headers }: IncomingMessage): boolean =>
  /^application\/x-www-form-urlencoded\b/i.test(headers['content-type'] ?? '');

const SIGNS = new Map<string, Way>([
  [SIGN.in, 'in'],
  [SIGN.out, 'out'],
]);

/** Where a request's path leads in a site: the file, or the folder whose address lacks its closing slash. */
function fileAt(parts: string[], closed: boolean): { path: string; folder: boolean } {
  const path = parts.join('/');
  if (path === '') return { path: 'index.html', folder: !closed };
  if (closed) return { path: `${path}/index.html`, folder: false };
  return /\.\w+$/.test(lastOf(parts))
    ? { path, folder: false }
    : { path: `${path}/index.html`, folder: true };
}

/** A path without its query, as it was meant; undefined where it cannot be read. */
function pathOf(url: string): string | undefined {
  try {
    const path = decodeURIComponent(url.split('?', 1)[0]);
    return path.includes('\0') ? undefined : path;
  } catch {
    return undefined;
  }
}

/** What is sent of a published file: the smallest form that is accepted, with the headers that belong to it. */
function formOf(
  { hash, type, encoded = {}, audience }: PublishedEntry,
  acceptEncoding: string | undefined,
  lasting: boolean,
  byVisitor: boolean,
) {
  const coding = accepted(acceptEncoding).find((each) => encoded[each] !== undefined);
  const form = coding === undefined ? hash : sure(encoded[coding]);
  const etag = `"${form.slice(0, 32)}"`;
  const headers: Record<string, string> = {
    ETag: etag,
    // What is for members only is kept in no cache but theirs.
    'Cache-Control': `${audience ? 'private, ' : lasting ? 'public, ' : ''}${lasting ? 'max-age=31536000, immutable' : 'no-cache'}`,
    'Content-Type': type,
    Vary: byVisitor ? 'Accept-Encoding, Cookie' : 'Accept-Encoding',
    ...(coding !== undefined && { 'Content-Encoding': coding }),
  };
  return { form, etag, headers };
}

const isKnown = (etag: string, ifNoneMatch: string | undefined): boolean =>
  ifNoneMatch !== undefined &&
  ifNoneMatch.split(',').some((each) => each.trim().replace(/^W\//, '') === etag);

export interface HostParts {
  publisher: Publisher;
  letters: MessageStore;
  log: Logger;
  isOwnHost: HostCheck;
  senderOf: SenderOf;
  /** How many letters one address may send to a site in ten minutes. */
  messagesFromOne?: number;
}

/**
 * The stand-in web host: serves live publications under `/{site}/…` and drafts under `/preview/{name}/…`, signs visitors in, and takes
 * the letters that forms send. It does without a framework: pages of a publication are answered from memory.
 */
export function host({
  publisher,
  letters,
  log,
  isOwnHost,
  senderOf,
  messagesFromOne,
}: HostParts): RequestListener {
  const signed = visitors();
  const takeMessage = letterbox(letters, senderOf, messagesFromOne);

  /** Signs a visitor in or out, and leads back to where they were. */
  async function signing(
    way: Way,
    request: IncomingMessage,
    response: ServerResponse,
    root: string,
    messages: Said,
  ): Promise<void> {
    const sent = await sentBy(request);
    if (!sent) return plainPage(response, 413, 'Too much was sent', 'A name is shorter than that.');
    const back = wayBack(sent.get('back'), root);
    const cookie =
      way === 'out' ? signed.signOut(request, root) : signed.signIn(root, root, sent.get('name') ?? '');
    if (cookie === undefined)
      return signPage(response, messages, way, undefined, back, messages.say('no-name'));
    send(response, 303, { Location: back, 'Set-Cookie': cookie, 'Cache-Control': 'no-store' });
  }

  /** The site's own page for addresses where there is none, or a plain one. */
  async function missing(
    response: ServerResponse,
    draft: boolean,
    site: string,
    messages: () => Promise<Said>,
  ): Promise<void> {
    const last = draft ? undefined : await publisher.takenDown(site);
    if (last) {
      const words = last[MESSAGES_PATH] && (await publisher.bytes(last[MESSAGES_PATH].hash)).toString();
      const { lang, say } = messagesFrom(words);
      return plainPage(response, 404, say('taken-down'), say('taken-down-for-now'), { lang });
    }
    const preview = draft ? await publisher.previewFile(site, MISSING_PATH) : undefined;
    const live = draft ? undefined : await publisher.liveFile(site, MISSING_PATH);
    const bytes = preview?.bytes ?? (live && (await publisher.bytes(live.hash)));
    if (!bytes) return noPage(response, await messages());
    send(response, 404, { 'Cache-Control': 'no-store', 'Content-Type': 'text/html; charset=utf-8' }, bytes);
  }

  /** A file of any publication, as it was when it was made: for those who have its address, to look at. */
  async function earlier(
    request: IncomingMessage,
    response: ServerResponse,
    [state, site, ...rest]: string[],
    closed: boolean,
  ): Promise<void> {
    if (site === undefined) return noPage(response, messagesFrom());
    const { path, folder } = fileAt(rest, closed);
    const found = await publisher.earlierFile(site, state, path);
    if (!found || found.audience) return noPage(response, messagesFrom());
    if (folder) return send(response, 301, { Location: `${sure(request.url, 'url').split('?', 1)[0]}/` });
    if (found.movedTo !== undefined)
      return send(response, 301, { Location: `/publication/${state}/${site}/${found.movedTo}` });
    const headers = { 'Cache-Control': 'no-store', 'Content-Type': found.type, 'X-Robots-Tag': 'noindex' };
    send(response, 200, headers, await publisher.bytes(found.hash));
  }

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    if (!isOwnHost(request.headers.host))
      return plainPage(response, 421, 'Not the host of this name', MISDIRECTED);
    const reads = request.method === 'GET' || request.method === 'HEAD';
    const path = pathOf(request.url ?? '/');
    if (path === undefined)
      return plainPage(response, 400, 'Malformed address', 'The address cannot be read.');
    if (path === '/robots.txt' && reads) {
      const headers = { 'Cache-Control': 'no-cache', 'Content-Type': 'text/plain; charset=utf-8' };
      return send(response, 200, headers, Buffer.from(ROBOTS));
    }
    if (path === '/' && reads)
      return plainPage(
        response,
        200,
        'Dimorphe host',
        'Published sites are found under their own names here.',
      );
    const parts = path.split('/').slice(1);
    const closed = parts.at(-1) === '';
    if (closed) parts.pop();
    const draft = parts[0] === 'preview';
    const isEarlier = parts[0] === 'publication' && STATE.test(parts[1] ?? '');
    if (reads && isEarlier) return earlier(request, response, parts.slice(1), closed);
    const [site, ...rest] = draft ? parts.slice(1) : parts;
    const root = draft ? `/preview/${site}/` : `/${site}/`;
    const sign = rest.length === 1 ? SIGNS.get(rest[0]) : undefined;
    const find = async (at: string) => ({
      preview: draft && site !== undefined ? await publisher.previewFile(site, at) : undefined,
      live: draft || site === undefined ? undefined : await publisher.liveFile(site, at),
    });
    const name = signed.of(request, root);
    const isMember = name !== undefined;
    const isThere = async () => {
      const { preview, live } = await find('index.html');
      return (preview ?? live) !== undefined;
    };
    /** The text of a published file, as far as it is for whoever asks. */
    const text = async (at: string) => {
      const { preview, live } = await find(at);
      const file = preview ?? live;
      if (!file || (file.audience && !isMember)) return undefined;
      return (preview?.bytes ?? (await publisher.bytes(sure(live, 'live').hash))).toString();
    };
    const messages = async (language?: string) => messagesFrom(await text(MESSAGES_PATH), language);
    // Nobody signs in at what is not there, and no cookie speaks of it.
    if (request.method === 'POST' && sign)
      return (await isThere())
        ? signing(sign, request, response, root, await messages())
        : noPage(response, await messages());
    if (request.method === 'POST' && site !== undefined && isForm(request)) {
      if (isEarlier)
        return plainPage(response, 403, 'Not sent', 'This page is a preview. Nothing it sends is received.');
      const { path: file } = fileAt(rest, closed);
      return takeMessage(request, response, {
        ...{ site, draft, text, messages },
        address: sure(request.url, 'url').split('?', 1)[0],
        page: path.slice(root.length).slice(0, LONGEST_ADDRESS),
        html: async () =>
          (isMember ? await text(signedInPath(file)) : undefined) ??
          (await text(file)) ??
          (await text(MISSING_PATH)),
      });
    }
    if (!reads) return readOnly(response);
    if (site === undefined) return noPage(response, messagesFrom());
    const { path: file, folder } = fileAt(rest, closed);
    const everyones = await find(file);
    const members = await find(signedInPath(file));
    const { preview, live } = isMember && (members.preview ?? members.live) ? members : everyones;
    // What is for members only is not there for anyone else, whatever its address.
    const kept = !isMember && (preview ?? live)?.audience !== undefined;
    if (kept || (!preview && !live)) {
      if (sign && !kept && (await isThere()))
        return signPage(response, await messages(), sign, name, wayBack(request.headers.referer, root));
      return missing(response, draft, site, messages);
    }
    const varies = (members.preview ?? members.live) ? { Vary: 'Cookie' } : undefined;
    const movedTo = preview?.movedTo ?? live?.movedTo;
    // Asked again each time: the address may come to be that of another page.
    if (movedTo !== undefined)
      return send(response, 301, { Location: root + movedTo, 'Cache-Control': 'no-cache' });
    if (folder) return send(response, 301, { Location: `${sure(request.url, 'url').split('?', 1)[0]}/` });
    if (preview)
      return send(
        response,
        200,
        { 'Cache-Control': 'no-store', 'Content-Type': preview.type, ...varies },
        preview.bytes,
      );
    const { form, etag, headers } = formOf(
      sure(live, 'live'),
      request.headers['accept-encoding'],
      FINGERPRINTED.test(file),
      varies !== undefined,
    );
    if (isKnown(etag, request.headers['if-none-match'])) return send(response, 304, headers);
    // What is compressed, and what is small and wanted whole, comes from memory.
    if (headers['Content-Encoding']) return send(response, 200, headers, await publisher.bytes(form));
    const length = await publisher.size(form);
    const whole = { ...headers, 'Accept-Ranges': 'bytes' };
    const ifRange = request.headers['if-range'];
    const range =
      ifRange === undefined || ifRange === etag ? rangeOf(request.headers.range, length) : undefined;
    if (range === 'unsatisfiable')
      return send(response, 416, { ...whole, 'Content-Range': `bytes */${length}` });
    if (range === undefined && length <= MOST_OF_ONE)
      return send(response, 200, whole, await publisher.bytes(form));
    const { first, last } = range ?? { first: 0, last: length - 1 };
    await stream(
      response,
      range ? 206 : 200,
      {
        ...whole,
        'Content-Length': String(last - first + 1),
        ...(range && { 'Content-Range': `bytes ${first}-${last}/${length}` }),
      },
      request.method === 'HEAD' ? undefined : publisher.part(form, { first, last }),
    );
  }

  return (request, response) => {
    answer(request, response).catch((error: unknown) => {
      log.error(error);
      if (response.headersSent) response.destroy();
      else {
        const words = 'The page could not be served. Try again in a moment.';
        plainPage(response, troubleOf(error)?.status ?? 500, 'Something went wrong', words);
      }
    });
  };
}
