import { Newspaper } from 'lucide';
import { entries, line, link, oneOf } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { dateInWords } from '../../markup/date.ts';
import { directionOf } from '../../markup/direction.ts';
import type { View } from '../../layered/views.ts';
import { contentOf, type Filled, type Kind, type ListedPage, type MarkupContext } from './kind.ts';
import { pictureMarkup, PICTURE } from './imagemarkup.ts';

/** How the pages of a list are selected. */
export type PageChoice = 'all' | 'address' | 'tag' | 'chosen';
export type PageOrder = 'newest' | 'site' | 'title';

/** The limits that can be chosen for the number of pages in a list. */
const MOST = [1, 2, 3, 4, 5, 6, 8, 9, 10, 12, 24, 60];

/** The content of a page list. */
export interface PageListContent {
  which: PageChoice;
  address: string;
  tag: string;
  pages: { link: string }[];
  order: PageOrder;
  most: number;
}

/** Returns the content of a page list, with the initial value of each field that is not set. */
export const pageListContent = (node: Pick<Filled, 'content'>): PageListContent =>
  Object.fromEntries(
    pageList.content.map(({ name }) => [name, contentOf(pageList, node, name)]),
  ) as unknown as PageListContent;

function meta({ date, author, tags, language }: ListedPage, context: MarkupContext) {
  const parts = [
    // In the language of the entry, as its other text is.
    ...(date === undefined
      ? []
      : [element('time', { datetime: date }, dateInWords(date, language ?? context.language))]),
    ...(author === undefined ? [] : [author]),
    ...(tags.length === 0 ? [] : [tags.join(', ')]),
  ];
  if (parts.length === 0) return [];
  return [
    element(
      'small',
      context.part('meta'),
      ...parts.flatMap((each, at) => (at === 0 ? [each] : [' · ', each])),
    ),
  ];
}

function listed(page: ListedPage, context: MarkupContext) {
  const image = page.image === undefined ? undefined : context.pictured(page.image);
  // The title is the link of the whole entry, so the image is decorative (WCAG 2.2, technique H67).
  const shown = image && pictureMarkup({ class: image.class }, '', { ...image, alt: '' }, context);
  return element(
    'li',
    { class: page.class },
    element(
      'article',
      page.language === undefined ? {} : { lang: page.language, dir: directionOf(page.language) },
      ...(shown ? [shown] : []),
      element(
        'div',
        {},
        element('a', { href: page.href, ...context.part('heading') }, page.title),
        ...meta(page, context),
        ...(page.description ? [element('p', context.part('caption'), page.description)] : []),
      ),
    ),
  );
}

/** A list of pages of the site, each with its image, title, description, date, author and tags. It follows the pages when they change. */
export const pageList: Kind = {
  name: 'pages',
  label: 'Page list',
  icon: Newspaper,
  offered: 'lists',
  traits: ['block', 'words', 'coloured', 'image', 'tiled', 'gapped', 'page list'],
  allInParts: true,
  accepts: [],
  display: 'grid',
  structure: { display: 'grid', margin: '0', padding: '0', 'list-style': 'none', 'align-items': 'start' },
  inner: {
    // Hides pages that are not listed in a view.
    li: { display: 'var(--listed, list-item)' },
    article: {
      display: 'flex',
      'flex-direction': 'var(--entry, column)',
      gap: '0.75rem 1.25rem',
      position: 'relative',
    },
    picture: { display: 'var(--entry-image, block)', flex: '0 0 var(--entry-share, auto)' },
    img: PICTURE,
    div: { flex: '1 1 auto', 'min-width': '0', display: 'grid', gap: '0.375rem' },
    a: { color: 'inherit', 'text-decoration': 'none' },
    'a:hover': { 'text-decoration': 'underline' },
    // Makes the whole entry clickable.
    'a::after': { content: '""', position: 'absolute', inset: '0' },
    small: { display: 'var(--entry-meta, block)', 'font-size': 'inherit' },
    p: { display: 'var(--entry-description, block)', margin: '0' },
  },
  media: 'img',
  defaults: {
    tiles: ({ grid }: View) => Math.max(1, Math.min(3, Math.floor(grid.columns / 4))),
    gap: 24,
    cropRatio: { width: 3, height: 2 },
  },
  parts: {
    heading: { label: 'Titles', selector: 'a', defaults: { weight: 650 } },
    meta: { label: 'Dates, authors and tags', selector: 'small', textStyle: 'meta' },
    caption: { label: 'Descriptions', selector: 'p' },
  },
  textStyle: () => 'body',
  content: [
    {
      name: 'which',
      label: 'Which pages',
      type: oneOf([
        { value: 'all', label: 'all other pages' },
        { value: 'address', label: 'by address' },
        { value: 'tag', label: 'by tag' },
        { value: 'chosen', label: 'selected pages' },
      ]),
      initial: 'all',
    },
    {
      name: 'address',
      label: 'Address begins with',
      type: line,
      initial: '',
      where: { field: 'which', is: 'address' },
    },
    { name: 'tag', label: 'Tag', type: line, initial: '', where: { field: 'which', is: 'tag' } },
    {
      name: 'pages',
      label: 'Pages',
      type: entries('page', [{ name: 'link', label: 'Page', type: link, initial: '' }]),
      initial: [],
      where: { field: 'which', is: 'chosen' },
    },
    {
      name: 'order',
      label: 'Order',
      type: oneOf([
        { value: 'newest', label: 'newest first' },
        { value: 'site', label: 'page order' },
        { value: 'title', label: 'by title' },
      ]),
      initial: 'newest',
    },
    {
      name: 'most',
      label: 'Max. pages',
      type: oneOf(MOST.map((value) => ({ value, label: `${value}` }))),
      initial: 6,
    },
  ],
  markup: (_node, context) =>
    element('ul', context.attributes, ...context.listed().map((page) => listed(page, context))),
};
