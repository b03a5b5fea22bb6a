import { keysOf, lookup } from '../../lookup.ts';
import { sure } from '../../sure.ts';
import { TRANSLATED } from './translatedmessages.ts';

/** Where a sentence is said. */
export type MessagePlace = 'letters' | 'signing in' | 'pages';

interface Word {
  where: MessagePlace;
  /** In English; what stands in braces is filled in when it is said. */
  says: string;
}

const word = (where: MessagePlace, says: string): Word => ({ where, says });

/** What the published pages and their host say to visitors by themselves, beside what people have written into the pages. */
export const SYSTEM_MESSAGES = {
  'not-sent': word('letters', 'Not sent'),
  'still-here': word('letters', 'This has not been sent yet. What you wrote is still here.'),
  'nothing-written': word('letters', 'Nothing was filled in.'),
  needed: word('letters', 'This must be filled in.'),
  'to-tick': word('letters', 'This must be ticked.'),
  'too-long': word('letters', 'This is too long: it takes {number} characters.'),
  'no-mail': word('letters', 'This must be an email address.'),
  'no-number': word('letters', 'This must be a number.'),
  'no-date': word('letters', 'This must be a date as year, month and day: 2031-06-21.'),
  'no-choice': word('letters', 'This isn’t one of the choices.'),
  'go-back': word('letters', 'Go back to what you wrote.'),
  'form-gone': word('letters', 'This form no longer exists. Go back if you want to keep what you wrote.'),
  'much-too-long': word('letters', 'The message is too long. Nothing was sent. Go back to what you wrote.'),
  'too-many': word(
    'letters',
    'Nothing was sent: too many messages came from here. What you wrote is still here; send it again in {minutes} min.',
  ),
  'too-often': word(
    'letters',
    'Too much came from here. Go back to what you wrote, and send it again in {minutes} min.',
  ),
  full: word(
    'letters',
    'Nothing was sent: no more messages can be received here right now. What you wrote is still here.',
  ),
  'leave-empty': word('letters', 'Leave this empty'),
  members: word('signing in', 'This page is for visitors who are signed in.'),
  strangers: word('signing in', 'This page is for visitors who are not signed in.'),
  'sign-in': word('signing in', 'Sign in'),
  'sign-out': word('signing in', 'Sign out'),
  'signed-in': word('signing in', 'You have signed in as {name}.'),
  'signed-out': word('signing in', 'You are not signed in.'),
  name: word('signing in', 'Your name'),
  'no-name': word('signing in', 'Say a name; you are not signed in yet.'),
  'stand-in': word(
    'signing in',
    'This host is a stand-in: anyone who enters a name is signed in. A host of your own asks for more.',
  ),
  back: word('signing in', 'Back to the site'),
  'not-offered': word('pages', 'This page is not shown on screens of this width.'),
  'no-page': word('pages', 'Page not found'),
  'no-page-here': word(
    'pages',
    'There is no page at this address. It may have moved, or was never published.',
  ),
  'taken-down': word('pages', 'This site is not available'),
  'taken-down-for-now': word('pages', 'Its owner has taken it down. It may come back.'),
} as const satisfies Record<string, Word>;

export type SystemMessage = keyof typeof SYSTEM_MESSAGES;

/** Whether a name is that of a system message. */
export const isSystemMessage = (id: string): id is SystemMessage => Object.hasOwn(SYSTEM_MESSAGES, id);

/** Words of one's own, by the BCP 47 tag of their language. */
export type OwnWords = Readonly<Record<string, Partial<Record<SystemMessage, string>>>>;

/** What is filled in, by its name in braces. */
export type Filled = Readonly<Record<string, string | number>>;

/** Says a sentence, with what is filled in. */
export type SayMessage = (id: SystemMessage, filled?: Filled) => string;

/** What is filled in where a sentence is said and words for it leave out, in its braces; undefined where they leave nothing out. */
export const leftOut = (id: SystemMessage, says: string): string | undefined =>
  SYSTEM_MESSAGES[id].says.match(/\{[a-z]{1,20}\}/g)?.find((name) => !says.includes(name));

/** A tag and what it is a kind of, the nearest first: `de-AT`, `de` (RFC 4647, §3.4). */
function ranges(language: string): string[] {
  const parts = language.split('-');
  return parts.map((_part, at) => parts.slice(0, parts.length - at).join('-'));
}

/** What is said in a language without going to another; undefined where there is nothing. */
export function wordIn(language: string, id: SystemMessage, own: OwnWords = {}): string | undefined {
  for (const tag of ranges(language)) {
    const text =
      lookup(own, tag)?.[id] ?? (tag === 'en' ? SYSTEM_MESSAGES[id].says : lookup(TRANSLATED, tag)?.[id]);
    if (text !== undefined) return text;
  }
  return undefined;
}

/**
 * What visitors of a page are told. A language that a sentence is not there in goes to the next.
 *
 * @param languages BCP 47 tags: that of the page, then that of its site. English comes last.
 */
export function systemMessage(id: SystemMessage, languages: readonly string[], own: OwnWords = {}): string {
  for (const language of languages) {
    const text = wordIn(language, id, own);
    if (text !== undefined) return text;
  }
  return sure(wordIn('en', id, own));
}

/** A sentence with what is filled in; a name that nothing is filled in for stays as it is. */
export const filled = (says: string, values: Filled = {}): string =>
  says.replace(/\{([a-z]{1,20})\}/g, (whole, name: string) =>
    Object.hasOwn(values, name) ? String(lookup(values, name)) : whole,
  );

/** All that visitors of a page are told, by its name. */
export const systemMessages = (languages: readonly string[], own?: OwnWords): Record<SystemMessage, string> =>
  Object.fromEntries(keysOf(SYSTEM_MESSAGES).map((id) => [id, systemMessage(id, languages, own)])) as Record<
    SystemMessage,
    string
  >;
