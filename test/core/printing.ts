/** Prints elements of a kind alone, in a site of which only what is written here is known. */
import { contentOf, KINDS, knownKind, print, SYSTEM_MESSAGES } from '../../core/index.ts';
import { node } from './acting.ts';

export type Context = Parameters<(typeof KINDS)[number]['markup']>[1];

const image = { name: 'Dome', url: '/dome.jpg', type: 'image/jpeg', width: 800, height: 600 };
export const img = { src: '/dome.jpg', width: 800, height: 600 };
export const narrow = { srcset: '/dome.jpg', media: 'not (width >= 640px)', width: 800, height: 600 };
const words = { name: 'English', url: '/sky.vtt', type: 'text/vtt' };
const film = { name: 'Sky', url: '/sky.webm', type: 'video/webm', width: 640, height: 360 };

const CONTEXT: Omit<Context, 'words' | 'entries'> = {
  attributes: { class: 'x' },
  children: [],
  address: (link) => (link === 'page:home' ? '../' : link || undefined),
  language: 'en',
  formMessage: () => undefined,
  say: (id) => SYSTEM_MESSAGES[id].says,
  shownWhen: () => undefined,
  media: (asset) => ({ dome: image, sky: film, words })[asset],
  part: (part) => ({ class: `a-${part}` }),
  current: (link) => link === 'page:home',
  listing: (link) => (link === 'page:visits' ? 'to-visits' : undefined),
  listed: () => [
    {
      href: '../comet/',
      class: 'to-comet',
      language: 'cy',
      title: 'The comet',
      description: 'At four in the morning',
      date: '2026-03-02',
      author: 'Ada',
      tags: ['comets', 'nights'],
      image: 'dome',
    },
    { href: '../visits/', title: 'Visits', description: '', tags: [] },
  ],
  headed: () => true,
  headingLevel: 3,
  lazy: false,
  first: () => false,
  pictured: (asset) => (asset === 'dome' ? { sources: [], img, alt: '', sometimes: false } : undefined),
};

/** What an element of a kind prints. */
export const printed = (kind: string, content: Record<string, unknown>, more: Partial<Context> = {}) =>
  print(
    knownKind(kind).markup(
      { id: node('n1'), content },
      {
        ...CONTEXT,
        words: (field) => wordsOf(kind, content, field),
        entries: <E>(field: string) =>
          contentOf<E[]>(knownKind(kind), { content }, field).map((entry) => ({ entry })),
        ...more,
      },
    ),
  );

/** The words of a field, with the one link that is used in them at its address. */
function wordsOf(
  kind: string,
  content: Record<string, unknown>,
  field: string,
): ReturnType<Context['words']> {
  const words = contentOf<string>(knownKind(kind), { content }, field);
  if (words === '') return [];
  return words.includes('<') ? [{ html: words.replace('page:home', '../') }] : [words];
}
