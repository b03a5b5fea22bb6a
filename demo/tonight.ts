import { branch, layered, pageOf, type Branch } from '../core/index.ts';
import { root } from './visits.ts';

/** Words over an image: where their box stands, how wide it is and how high the banner is, each view has of its own. */
const banner = (): Branch =>
  branch('section', 'tonight-opening', 'Opening: tonight the sky is clear until two', {
    style: {
      backgroundColour: layered('{dusk}'),
      paddingTop: layered(0),
      paddingBottom: layered(0),
    },
    children: [
      branch('overlay', 'tonight-banner', 'Banner', {
        style: {
          bleed: layered(true),
          minHeight: layered(600, { wide: 680, tablet: 480, mobile: 520 }),
          leastRows: layered(20, { mobile: 16 }),
        },
        children: [
          branch('picture', 'tonight-banner-sky', 'Banner: sky', {
            content: { alt: 'The Milky Way over the moor, seen from the hill.' },
            style: {
              source: layered('milky-way'),
              areaRows: layered(20, { mobile: 16 }),
              heldDown: layered('stretch'),
            },
          }),
          branch('card', 'tonight-banner-words', 'Banner: words', {
            style: {
              areaColumn: layered(2, { mobile: 1 }),
              span: layered(6, { wide: 5, tablet: 8, mobile: 4 }),
              areaRow: layered(5, { tablet: 7, mobile: 3 }),
              areaRows: layered(12, { tablet: 10, mobile: 13 }),
              heldDown: layered('center', { mobile: 'end' }),
              offsetAcross: layered(undefined, { mobile: { px: 16 } }),
              backgroundColour: layered('{night}'),
              colour: layered('{moon}'),
              paddingTop: layered(32, { mobile: 20 }),
              paddingRight: layered(32, { mobile: 20 }),
              paddingBottom: layered(32, { mobile: 20 }),
              paddingLeft: layered(32, { mobile: 20 }),
              radius: layered(4),
              shadow: layered('none'),
            },
            children: [
              branch('heading', 'tonight-opening-title', 'Headline', {
                content: { text: 'Tonight the sky is clear until two', level: 1 },
                style: {
                  size: layered({ min: 34, max: 56, fromWidth: 360, toWidth: 1280 }),
                  'heading.text': layered(undefined, { mobile: { says: 'Clear until two' } }),
                },
              }),
              branch('text', 'tonight-opening-lead', 'Lead paragraph', {
                textStyle: 'lead',
                content: {
                  text: '<p>A half moon sets at eleven; after that it is as dark as it gets here.</p>',
                },
                style: { colour: layered('{mist}') },
              }),
            ],
          }),
        ],
      }),
    ],
  });

/** A list with a star drawn beside each line: both stand in the same rows, whatever the length of the line. */
const stars = (lines: readonly string[]): Branch =>
  branch('overlay', 'tonight-stars', 'Lines with stars', {
    style: { rowHeight: layered(16) },
    children: lines.flatMap((line, index) => [
      branch('icon', `tonight-star-${index + 1}`, `Star ${index + 1}`, {
        content: { icon: 'star' },
        style: {
          colour: layered('{lamp}'),
          iconSize: layered(22),
          areaRow: layered(2 * index + 1),
        },
      }),
      branch('text', `tonight-line-${index + 1}`, `Line ${index + 1}`, {
        content: { text: `<p>${line}</p>` },
        style: {
          areaRow: layered(2 * index + 1),
          heldAcross: layered('start'),
          offsetAcross: layered({ px: 38 }, { mobile: { px: 34 } }),
        },
      }),
    ]),
  });

/** What is up tonight: a chart where there is room for one, and the same as a list where there is none. */
const sky = (): Branch =>
  branch('section', 'tonight-sky', 'What is up', {
    style: { gap: layered(32, { mobile: 20 }) },
    children: [
      branch('heading', 'tonight-sky-title', 'What is up: title', {
        content: { text: 'What you will see, if the clouds stay in the valley', level: 2 },
        style: {
          'heading.text': layered(undefined, { mobile: { says: 'What is up tonight' } }),
        },
      }),
      branch('alternates', 'tonight-chart', 'Chart or list', {
        style: { alternate: layered('tonight-picture', { mobile: 'tonight-list' }) },
        children: [
          branch('picture', 'tonight-picture', 'Star chart, wider views', {
            content: { alt: 'A chart of the sky over the hill at ten, with Saturn low in the south.' },
            style: { source: layered('star-chart'), cropRatio: layered({ width: 16, height: 9 }) },
          }),
          branch('list', 'tonight-list', 'List of objects, Mobile', {
            content: {
              items: [
                { text: '<strong>Saturn</strong>, south, low, until eleven' },
                { text: '<strong>The Pleiades</strong>, east, all night' },
                { text: '<strong>The Milky Way</strong>, overhead, from ten' },
              ],
            },
          }),
        ],
      }),
      branch('text', 'tonight-hint', 'How to read the chart', {
        textStyle: 'small',
        content: {
          text: '<p>Hold the chart over your head, with north at the bottom if you face north.</p>',
        },
        style: { shown: layered(true, { mobile: false }) },
      }),
    ],
  });

const evening = (): Branch =>
  branch('section', 'tonight-times', 'Timetable', {
    style: { backgroundColour: layered('{sand}') },
    children: [
      branch('row', 'tonight-row', 'Row: times + what to bring', {
        style: { order: layered(undefined, { mobile: ['tonight-bring', 'tonight-hours'] }) },
        children: [
          branch('hours', 'tonight-hours', 'Times', {
            style: { span: layered(7, { tablet: 12 }) },
            content: {
              caption: 'Tonight, hour by hour',
              hours: [
                { day: '20:30', hours: 'Gates open, cocoa in the warm room' },
                { day: '21:00', hours: 'Walk to the dome, eyes get used to the dark' },
                { day: '21:30', hours: 'Saturn, then the cluster in the big telescope' },
                { day: '23:00', hours: 'Last look; the lane is lit red for the way down' },
              ],
            },
          }),
          branch('column', 'tonight-bring', 'What to bring', {
            style: { span: layered(5, { tablet: 12 }), gap: layered(12) },
            children: [
              branch('heading', 'tonight-bring-title', 'What to bring: title', {
                content: { text: 'Bring a coat', level: 2 },
                textStyle: 'heading-4',
              }),
              branch('text', 'tonight-bring-words', 'What to bring: words', {
                content: {
                  text: '<p>It is colder on the hill than you think, also in July.</p>',
                },
              }),
              stars([
                'A torch with red glass, or none',
                'Something to sit on, as the grass is wet by nine',
                'Patience: eyes take twenty minutes',
              ]),
              branch('button', 'tonight-book', 'Book for tonight', {
                content: { label: 'Book for tonight', link: 'page:visits' },
                style: {
                  backgroundColour: layered('{night}'),
                  colour: layered('{moon}'),
                  'button.label': layered(undefined, { mobile: { says: 'Book' } }),
                  'button.link': layered(undefined, { mobile: { says: 'tel:+44-1632-960-117' } }),
                  blockAlign: layered('start', { mobile: 'stretch' }),
                },
              }),
            ],
          }),
        ],
      }),
    ],
  });

/** Who reads this page on the way up the hill holds it in one hand. */
const atHand = (): Branch =>
  branch('strip', 'tonight-strip', 'Contact strip', {
    style: {
      shown: layered(false, { tablet: true, mobile: true }),
      backgroundColour: layered('{night}'),
      colour: layered('{moon}'),
      borderColour: layered('{dusk}'),
    },
    content: {
      label: 'On the way up',
      actions: [
        { icon: 'phone', label: 'Call', link: 'tel:+44-1632-960-117' },
        { icon: 'map', label: 'Find us', link: 'page:find-us' },
        { icon: 'calendar', label: 'Book', link: 'page:visits' },
      ],
    },
  });

export const tonight = pageOf(
  {
    id: 'tonight',
    slug: 'tonight',
    title: 'Tonight',
    description: 'What is to be seen from Brindle Hill tonight, hour by hour.',
  },
  root('Tonight', banner(), sky(), evening(), atHand()),
);
