import { branch, layered, pageOf, type Branch, type PageHead } from '../core/index.ts';
import { opening, root } from './visits.ts';

/** An entry as the journal lists it. */
const listed = (id: string, title: string, words: string, picture: string, alt: string, page: string) =>
  branch('card', id, title, {
    style: { span: layered(6, { mobile: 4 }) },
    children: [
      branch('picture', `${id}-picture`, `${title}: image`, {
        content: { alt },
        style: {
          source: layered(picture),
          cropRatio: layered({ width: 16, height: 9 }, { mobile: { width: 2, height: 1 } }),
        },
      }),
      branch('heading', `${id}-title`, `${title}: title`, {
        content: { text: `<a href="page:${page}">${title}</a>`, level: 2 },
        textStyle: 'heading-4',
      }),
      branch('text', `${id}-words`, `${title}: words`, { content: { text: words } }),
    ],
  });

export const journal = pageOf(
  {
    id: 'journal',
    slug: 'journal',
    title: 'Journal',
    description: 'What the volunteers of Brindle Hill saw, and what went wrong.',
    // On the hill, with a telephone, nobody reads the journal.
    offered: layered('listed', {}, { mobile: 'unlisted' }) as PageHead['offered'],
  },
  root(
    'Journal',
    opening(
      'journal-opening',
      'Notes from the warm room',
      '<p>Written after midnight, by whoever was awake.</p>',
    ),
    branch('section', 'journal-list', 'Entries', {
      children: [
        branch('row', 'journal-row', 'Row: two entries', {
          children: [
            listed(
              'entry-shutter',
              'The night the shutter stuck',
              '<p>Ninety pupils, one dome, and a slit that would not close before the rain.</p>',
              'dome-at-dusk',
              'The dome at dusk, its slit open.',
              'shutter',
            ),
            listed(
              'entry-comet',
              'The comet',
              '<p>Four in the morning, eleven of us, and a smudge that grew a tail.</p>',
              'milky-way',
              'The Milky Way over the moor.',
              'comet',
            ),
          ],
        }),
      ],
    }),
  ),
);

export const shutter = pageOf(
  {
    id: 'shutter',
    slug: 'journal-the-shutter',
    title: 'The night the shutter stuck',
    description: 'A school night at Brindle Hill, with a dome that would not close.',
  },
  root(
    'Journal entry: the shutter',
    opening(
      'shutter-opening',
      'The night the shutter stuck',
      '<p>A Tuesday in November, three classes, and a cloud that came early.</p>',
      'The stuck shutter',
    ),
    branch('section', 'shutter-pictures', 'Two images', {
      style: { paddingBottom: layered(0) },
      children: [
        // One over the edge of the other, in every view.
        branch('overlay', 'shutter-over', 'Image over the edge of another', {
          style: { rowHeight: layered(32, { mobile: 24 }) },
          children: [
            branch('picture', 'shutter-dome', 'The dome', {
              content: { alt: 'The dome at dusk, its slit open to the sky.' },
              style: {
                source: layered('dome-at-dusk'),
                span: layered(9, { mobile: 4 }),
                areaRows: layered(14, { tablet: 11, mobile: 10 }),
                heldDown: layered('stretch'),
              },
            }),
            branch('picture', 'shutter-close', 'The slit, close', {
              content: { alt: 'The slit of the dome from near by, stuck half way.' },
              style: {
                source: layered('dome-close'),
                areaColumn: layered(8, { mobile: 3 }),
                span: layered(5, { mobile: 2 }),
                areaRow: layered(8, { tablet: 6, mobile: 8 }),
                areaRows: layered(9, { tablet: 8, mobile: 6 }),
                heldDown: layered('stretch'),
                borderTop: layered(6),
                borderRight: layered(6),
                borderBottom: layered(6),
                borderLeft: layered(6),
                borderStyle: layered('solid'),
                borderColour: layered('{paper}'),
              },
            }),
          ],
        }),
      ],
    }),
    branch('section', 'shutter-story', 'Story', {
      style: { gap: layered(28, { mobile: 20 }) },
      children: [
        branch('text', 'shutter-words', 'Text', {
          style: { width: layered({ percent: 60 }, { tablet: { percent: 80 }, mobile: { percent: 100 } }) },
          content: {
            text: '<p>The motor hummed and nothing moved. Somebody’s grandfather, who had come along for the cocoa, asked for a broom.</p><p>It took the broom, two scarves and a good deal of advice from Year Six. The last drop of dry air and the first of rain met exactly over the slit as it closed.</p>',
          },
        }),
        branch('quote', 'shutter-quote', 'Quote', {
          content: { text: 'You should oil it, my bicycle did the same.', by: 'Iris, ten' },
        }),
      ],
    }),
    branch('up', 'shutter-up', 'Way back up', {
      style: {
        shown: layered(false, { tablet: true, mobile: true }),
        backgroundColour: layered('{lamp}'),
        colour: layered('{night}'),
      },
      content: { label: 'Back to the top', shows: 'sign', icon: 'up' },
    }),
  ),
);

/** Laid out for desktop and left as it is, for people to practise on: nothing differs in any other view. */
const unrepaired = (): Branch[] => [
  branch('section', 'comet-opening', 'Opening', {
    style: {
      backgroundColour: layered('{night}'),
      colour: layered('{moon}'),
      paddingTop: layered(120),
      paddingBottom: layered(120),
    },
    children: [
      branch('row', 'comet-opening-row', 'Row: text + image', {
        style: { alignItems: layered('center'), gap: layered(64) },
        children: [
          branch('column', 'comet-opening-words', 'Text', {
            style: { span: layered(7) },
            children: [
              branch('heading', 'comet-title', 'Headline', {
                content: { text: 'A smudge over the quarry, and then a tail', level: 1 },
                style: { size: layered(72) },
              }),
              branch('text', 'comet-lead', 'Lead paragraph', {
                textStyle: 'lead',
                content: { text: '<p>Four in the morning, eleven of us, and nobody spoke for a while.</p>' },
                style: { colour: layered('{mist}') },
              }),
            ],
          }),
          branch('picture', 'comet-picture', 'Sky over the moor', {
            content: { alt: 'The Milky Way over the moor.' },
            style: { span: layered(5), source: layered('milky-way') },
          }),
        ],
      }),
    ],
  }),
  branch('section', 'comet-story', 'Story', {
    style: { gap: layered(72) },
    children: [
      practiceRow('comet-first', 'First light', 'words', 'telescope', 'The big telescope in its dome.'),
      practiceRow('comet-second', 'The tail', 'picture', 'cluster', 'A cluster of stars.'),
      practiceRow('comet-third', 'And gone', 'words', 'crescent', 'A thin moon.'),
    ],
  }),
];

function practiceRow(
  id: string,
  title: string,
  first: 'words' | 'picture',
  picture: string,
  alt: string,
): Branch {
  const words = branch('column', `${id}-words`, `${title}: words`, {
    style: { span: layered(6), paddingLeft: layered(48), paddingRight: layered(48) },
    children: [
      branch('heading', `${id}-title`, `${title}: title`, {
        content: { text: title, level: 2 },
        style: { size: layered(48) },
      }),
      branch('text', `${id}-text`, `${title}: text`, {
        content: {
          text: '<p>Nell saw it first, because she had gone out for the cat. By the time the others had found their boots it stood a hand above the quarry, and the tail was as long as the moon is wide.</p>',
        },
      }),
    ],
  });
  const image = branch('picture', `${id}-picture`, `${title}: image`, {
    content: { alt },
    style: { span: layered(6), source: layered(picture) },
  });
  return branch('row', id, `Row: ${title.toLowerCase()}`, {
    style: { alignItems: layered('center') },
    children: first === 'words' ? [words, image] : [image, words],
  });
}

export const comet = pageOf(
  {
    id: 'comet',
    slug: 'journal-the-comet',
    title: 'The comet',
    description: 'A comet over the quarry, seen from Brindle Hill at four in the morning.',
  },
  root('Journal entry: the comet', ...unrepaired()),
);
