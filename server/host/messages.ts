import type { IncomingMessage, ServerResponse } from 'node:http';
import { ipKeyGenerator } from 'express-rate-limit';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import {
  LETTER,
  messagePath,
  readMessage,
  sentPlace,
  type MessageForm,
  type SystemMessage,
} from '../../core/index.ts';
import type { SenderOf } from '../proxies.ts';
import type { MessageStore } from '../store/messages.ts';
import { escaped, noPage, plainPage, readOnly, send } from './answers.ts';
import { filledPage, type NotTaken } from './filledpage.ts';
import type { Said } from './systemmessages.ts';
import { sentBy } from './visitors.ts';

/** Bytes of a message. */
const LONGEST = 250_000;

/** How many messages one address may send to a site in ten minutes. */
const MESSAGES_FROM_ONE = 20;
const SPAN = 600;

const NAME = /^[\w.-]+-[0-9a-f]{10}$/;

const minutesOf = (seconds: number): number => Math.ceil(seconds / 60);

/** Where a message was sent to. */
export interface SentTo {
  site: string;
  /** What it is sent from is not published: nobody reads it. */
  draft: boolean;
  /** The address of the page, without what follows `?`. */
  address: string;
  /** The same, from the root of the site. */
  page: string;
  /** The text of a published file, as far as it is for whoever sends. */
  text(path: string): Promise<string | undefined>;
  /** What visitors are told; in the language of a page, or of the site. */
  messages(language?: string): Promise<Said>;
  /** The page from which it was sent, as whoever sends it sees it. */
  html(): Promise<string | undefined>;
}

/** Takes what visitors send with forms. */
export function letterbox(letters: MessageStore, senderOf: SenderOf, fromOne = MESSAGES_FROM_ONE) {
  const limiter = new RateLimiterMemory({ points: fromOne, duration: SPAN });
  // Also what is not taken costs something.
  const tries = new RateLimiterMemory({ points: 5 * fromOne, duration: SPAN });

  /** Seconds until an address may send again; 0: it may. */
  async function waits(limiter: RateLimiterMemory, request: IncomingMessage, site: string): Promise<number> {
    try {
      await limiter.consume(`${site} ${ipKeyGenerator(senderOf(request))}`);
      return 0;
    } catch (refused) {
      if (!(refused instanceof RateLimiterRes)) throw refused;
      return Math.max(1, Math.ceil(refused.msBeforeNext / 1000));
    }
  }

  /** Answers with the page as it was filled in. */
  async function giveBack(
    response: ServerResponse,
    status: number,
    { html }: SentTo,
    taken: NotTaken,
    headers: Record<string, string> = {},
  ): Promise<void> {
    const page = await html();
    const filled = page === undefined ? undefined : filledPage(page, taken);
    const always = { 'Cache-Control': 'no-store', ...headers };
    if (filled !== undefined)
      return send(
        response,
        status,
        { ...always, 'Content-Type': 'text/html; charset=utf-8' },
        Buffer.from(filled),
      );
    // The page is another by now: what was written is still where the browser came from.
    const { lang, say } = taken.messages;
    const list = taken.faults
      .map(
        ({ field, says, filled }) =>
          `<li>${field === undefined ? '' : `${escaped(taken.form.fields[field].label)}: `}${escaped(say(says, filled))}</li>`,
      )
      .join('');
    plainPage(response, status, say('not-sent'), `${taken.sentence} ${say('go-back')}`, {
      headers: always,
      more: `<ul>${list}</ul>`,
      lang,
    });
  }

  /** Takes a message, and leads back to the page, which says that it has arrived; what cannot be taken is given back as it was. */
  return async function take(request: IncomingMessage, response: ServerResponse, to: SentTo): Promise<void> {
    const sent = await sentBy(request, LONGEST);
    const plain = async (status: number, id: SystemMessage, language?: string, wait = 0) => {
      const { lang, say } = await to.messages(language);
      const headers: Record<string, string> = wait > 0 ? { 'Retry-After': String(wait) } : {};
      plainPage(response, status, say('not-sent'), say(id, { minutes: minutesOf(wait) }), { headers, lang });
    };
    if (!sent) return plain(413, 'much-too-long');
    const message = sent.get(LETTER);
    if (message === null) return readOnly(response);
    if (!NAME.test(message)) return noPage(response, await to.messages());
    const stored = await to.text(messagePath(message));
    if (stored === undefined) return plain(404, 'form-gone');
    const form = JSON.parse(stored) as MessageForm;
    const tired = await waits(tries, request, to.site);
    if (tired > 0) return plain(429, 'too-often', form.lang, tired);
    const messages = await to.messages(form.lang);
    const { lines, faults, doubtful } = readMessage(form, sent);
    const back = (sentence: string): NotTaken => ({ message, form, sent, sentence, faults, messages });
    if (faults.length > 0) return giveBack(response, 422, to, back(messages.say('still-here')));
    if (to.draft) return giveBack(response, 200, to, back('This page is a draft. Nothing was sent.'));
    const wait = await waits(limiter, request, to.site);
    if (wait > 0)
      return giveBack(response, 429, to, back(messages.say('too-many', { minutes: minutesOf(wait) })), {
        'Retry-After': String(wait),
      });
    const kept = await letters.keep(to.site, {
      ...{ form: form.element, formName: form.name, page: to.page, lines, doubtful },
    });
    if (kept !== 'kept') return giveBack(response, 503, to, back(messages.say('full')));
    send(response, 303, { Location: `${to.address}#${sentPlace(form.id)}`, 'Cache-Control': 'no-store' });
  };
}
