import type { IncomingMessage, ServerResponse } from 'node:http';
import { ipKeyGenerator } from 'express-rate-limit';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import {
  LETTER,
  letterPath,
  readLetter,
  sentPlace,
  type LetterForm,
  type VisitorWord,
} from '../../core/index.ts';
import type { SenderOf } from '../senders.ts';
import type { LetterStore } from '../store/letters.ts';
import { escaped, noPage, plainPage, readOnly, send } from './answers.ts';
import { filledPage, type NotTaken } from './filledpage.ts';
import type { Said } from './saying.ts';
import { sentBy } from './visitors.ts';

/** Bytes of a letter. */
const LONGEST = 250_000;

/** How many letters one address may send to a site in ten minutes. */
const LETTERS_FROM_ONE = 20;
const SPAN = 600;

const NAME = /^[\w.-]+-[0-9a-f]{10}$/;

const minutesOf = (seconds: number): number => Math.ceil(seconds / 60);

/** Where a letter was sent to. */
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
  said(language?: string): Promise<Said>;
  /** The page from which it was sent, as whoever sends it sees it. */
  html(): Promise<string | undefined>;
}

/** Takes what visitors send with forms. */
export function letterbox(letters: LetterStore, senderOf: SenderOf, fromOne = LETTERS_FROM_ONE) {
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
    const { lang, say } = taken.said;
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

  /** Takes a letter, and leads back to the page, which says that it has arrived; what cannot be taken is given back as it was. */
  return async function take(request: IncomingMessage, response: ServerResponse, to: SentTo): Promise<void> {
    const sent = await sentBy(request, LONGEST);
    const plain = async (status: number, id: VisitorWord, language?: string, wait = 0) => {
      const { lang, say } = await to.said(language);
      const headers: Record<string, string> = wait > 0 ? { 'Retry-After': String(wait) } : {};
      plainPage(response, status, say('not-sent'), say(id, { minutes: minutesOf(wait) }), { headers, lang });
    };
    if (!sent) return plain(413, 'much-too-long');
    const letter = sent.get(LETTER);
    if (letter === null) return readOnly(response);
    if (!NAME.test(letter)) return noPage(response, await to.said());
    const asked = await to.text(letterPath(letter));
    if (asked === undefined) return plain(404, 'form-gone');
    const form = JSON.parse(asked) as LetterForm;
    const tired = await waits(tries, request, to.site);
    if (tired > 0) return plain(429, 'too-often', form.lang, tired);
    const said = await to.said(form.lang);
    const { lines, faults, doubtful } = readLetter(form, sent);
    const back = (sentence: string): NotTaken => ({ letter, form, sent, sentence, faults, said });
    if (faults.length > 0) return giveBack(response, 422, to, back(said.say('still-here')));
    if (to.draft) return giveBack(response, 200, to, back('This page is a draft. Nothing was sent.'));
    const wait = await waits(limiter, request, to.site);
    if (wait > 0)
      return giveBack(response, 429, to, back(said.say('too-many', { minutes: minutesOf(wait) })), {
        'Retry-After': String(wait),
      });
    const kept = await letters.keep(to.site, {
      ...{ form: form.element, formName: form.name, page: to.page, lines, doubtful },
    });
    if (kept !== 'kept') return giveBack(response, 503, to, back(said.say('full')));
    send(response, 303, { Location: `${to.address}#${sentPlace(form.id)}`, 'Cache-Control': 'no-store' });
  };
}
