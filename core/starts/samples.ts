import { nodeId } from '../elements/nodeid.ts';
import { headline, isNarrow, READABLE, room, same, small, type StartContext } from './startcontext.ts';
import { branch, type Branch } from './tree.ts';

/** An image of the site's shelf, the nth that is free, or a place for one. */
const picture = (
  making: StartContext,
  id: string,
  name: string,
  nth: number,
  style: Branch['style'] = {},
): Branch =>
  branch('picture', id, name, {
    style: { source: same(making.picture(nth)), radius: same(making.corners.card), ...style },
  });

const paragraph = (id: string, text: string, style: Branch['style'] = {}): Branch =>
  branch('text', id, 'Text', { content: { text: `<p>${text}</p>` }, style });

/** A longer text with its heading. */
export const story = (making: StartContext): Branch =>
  branch('section', 'story', 'Text', {
    style: room(making, 64),
    children: [
      branch('row', 'story-row', 'Row: text + facts', {
        style: { gap: making.widths(24, 32, 64) },
        children: [
          branch('text', 'story-text', 'Text', {
            style: { span: making.share(7, 12), ...READABLE },
            content: {
              text: '<p>How it began, and with whom. Names, years and places make a story that is remembered.</p><p>What you do today, and what you are proud of.</p>',
            },
          }),
          branch('card', 'story-facts', 'Facts', {
            style: {
              span: making.share(5, 12),
              gap: same(12),
              backgroundColour: same('{soft}'),
              shadow: same('none'),
            },
            children: [
              small('facts-title', 'At a glance', 2),
              branch('list', 'facts-list', 'List of facts', {
                content: {
                  items: [{ text: 'Since when' }, { text: 'How many you are' }, { text: 'Where you are' }],
                },
              }),
            ],
          }),
        ],
      }),
    ],
  });

/** Text beside an image. */
export const wordsAndPicture = (making: StartContext): Branch =>
  branch('section', 'words-picture', 'Text and image', {
    style: room(making, 96),
    children: [
      branch('row', 'words-picture-row', 'Row: text + image', {
        style: { alignItems: same('center'), gap: making.widths(20, 32, 56) },
        children: [
          branch('column', 'words-picture-words', 'Text', {
            style: { span: making.share(6), gap: making.widths(12, 14, 16) },
            children: [
              headline('words-picture-title', 'One thing, told well', 2),
              paragraph(
                'words-picture-text',
                'What is seen in the image, and why it matters to those who read. Three sentences are plenty.',
                READABLE,
              ),
            ],
          }),
          picture(making, 'words-picture-picture', 'Image', 0, {
            span: making.share(6),
            cropRatio: same({ width: 4, height: 3 }),
          }),
        ],
      }),
    ],
  });

const PLACES = [
  { id: 'first', title: 'First comes this', text: 'What happens, and what people take home from it.' },
  {
    id: 'second',
    title: 'Then there is that',
    text: 'A second side of the same thing, in as many words as the first.',
  },
  { id: 'third', title: 'And this besides', text: 'The third is what they tell their friends about.' },
];

/** Rows that alternate image and words where they stand side by side, and have the image first where they stack. */
export const alternatingRows = (making: StartContext): Branch =>
  branch('section', 'alternating', 'Alternating rows', {
    style: { gap: making.widths(36, 48, 72), ...room(making, 96) },
    children: PLACES.map(({ id, title, text }, index) => {
      const [shown, words] = [nodeId(`${id}-picture`), nodeId(`${id}-words`)];
      const turned = index % 2 === 1;
      return branch('row', `${id}-row`, `Row: ${title.toLowerCase()}`, {
        style: {
          alignItems: same('center'),
          gap: making.widths(16, 32, 56),
          ...(turned && { order: making.by((view) => (isNarrow(view) ? [shown, words] : [words, shown])) }),
        },
        children: [
          picture(making, shown, `Image: ${title.toLowerCase()}`, index, {
            span: making.share(6),
            cropRatio: same({ width: 3, height: 2 }),
          }),
          branch('column', words, `Text: ${title.toLowerCase()}`, {
            style: { span: making.share(6), gap: same(10) },
            children: [headline(`${id}-title`, title, 2), paragraph(`${id}-text`, text)],
          }),
        ],
      });
    }),
  });

const PEOPLE = [
  { id: 'ada', name: 'First and last name', does: 'What she does, in one line' },
  { id: 'ben', name: 'Another name', does: 'What he does, in one line' },
  { id: 'cleo', name: 'A third name', does: 'What they do, in one line' },
];

/** People, each with an image, a name and what they do. */
export const team = (making: StartContext): Branch =>
  branch('section', 'team', 'Team', {
    style: { gap: making.widths(20, 28, 32), ...room(making, 96) },
    children: [
      headline('team-title', 'Who you will meet', 2),
      branch('row', 'team-row', 'Row: people', {
        style: { gap: making.widths(24, 20, 32) },
        children: PEOPLE.map(({ id, name, does }, index) =>
          branch('column', `team-${id}`, name, {
            style: { span: making.share(4), gap: same(6) },
            children: [
              picture(making, `team-${id}-picture`, `Image of ${name.toLowerCase()}`, index, {
                cropRatio: making.widths(
                  { width: 3, height: 2 },
                  { width: 1, height: 1 },
                  { width: 1, height: 1 },
                ),
              }),
              small(`team-${id}-name`, name, 3, { marginTop: same(8) }),
              branch('text', `team-${id}-does`, 'What they do', {
                textStyle: 'small',
                content: { text: `<p>${does}</p>` },
                style: { colour: same('{quiet}') },
              }),
            ],
          }),
        ),
      }),
    ],
  });

/** A map as an image, with a link to directions. */
export const mapPicture = (making: StartContext): Branch =>
  branch('section', 'map', 'Map and directions', {
    style: room(making, 96),
    children: [
      branch('row', 'map-row', 'Row: map + directions', {
        style: { alignItems: same('center'), gap: making.widths(20, 32, 48) },
        children: [
          picture(making, 'map-picture', 'Image of the map', 0, {
            span: making.share(7),
            cropRatio: making.widths(
              { width: 4, height: 3 },
              { width: 4, height: 3 },
              { width: 16, height: 10 },
            ),
          }),
          branch('column', 'map-words', 'Directions', {
            style: { span: making.share(5), gap: same(10) },
            children: [
              headline('map-title', 'How to get here', 2),
              branch('text', 'map-address', 'Address', {
                content: { text: '<p><strong>Street and number</strong><br>Town</p>' },
              }),
              branch('list', 'map-ways', 'Ways to come', {
                content: {
                  items: [
                    { text: 'By train: the station, and the minutes from there on foot' },
                    { text: 'By bus: the line, and the stop' },
                    { text: 'By car: where to leave it' },
                  ],
                },
              }),
            ],
          }),
        ],
      }),
    ],
  });

/** Images in rows. */
export const gallery = (making: StartContext): Branch =>
  branch('section', 'pictures', 'Images', {
    style: { gap: making.widths(16, 20, 24), ...room(making, 72) },
    children: [
      headline('pictures-title', 'To look at', 2),
      branch('gallery', 'gallery', 'Gallery', {
        // Three stand beside one another, with no room left for a fourth.
        ...(making.pictures.length === 3 && { style: { tiles: making.widths(1, 3, 3) } }),
        content: {
          pictures: making.pictures.slice(0, 6).map((id) => ({ picture: id, alt: '', caption: '' })),
        },
      }),
    ],
  });
