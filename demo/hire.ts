import { branch, layered, pageOf, type Branch } from '../core/index.ts';

/**
 * A page with the values that are common practice when a desktop page is brought down: a heading of 64 px to 44–56 on
 * tablet and 34 on mobile, body text of 18 to 17 and 16, section padding of 300 to 100 and 50, four items at a quarter
 * of the width to the whole, an image from 80 % to the whole.
 */

const opening = branch('section', 'hire-opening', 'Opening: take a telescope home', {
  style: {
    colour: layered('{moon}'),
    backgroundColour: layered('{night}'),
    backgroundPicture: layered('milky-way', { mobile: 'none' }),
    backgroundPosition: layered({ x: 50, y: 70 }),
    tint: layered('rgb(10 16 36 / 0.55)', { mobile: 'transparent' }),
    gradient: layered('none', { mobile: { angle: 180, from: '{night}', to: '{dusk}' } }),
    gap: layered('{m}'),
    paddingTop: layered(300, { tablet: 100, mobile: 50 }),
    paddingBottom: layered(300, { tablet: 100, mobile: 50 }),
  },
  children: [
    branch('heading', 'hire-title', 'Headline', {
      content: { text: 'Take a telescope home for the week', level: 1 },
      style: {
        size: layered(64, { mobile: 34 }, { tablet: { min: 44, max: 56, fromWidth: 640, toWidth: 1024 } }),
        width: layered({ percent: 70 }, { tablet: { percent: 80 }, mobile: { percent: 100 } }),
      },
    }),
    branch('text', 'hire-lead', 'Lead paragraph', {
      textStyle: 'lead',
      content: {
        text: '<p>Five instruments, a warm blanket and a star disc. Fetch them on Thursday, bring them back with a story.</p>',
      },
      style: {
        width: layered({ percent: 60 }, { tablet: { percent: 80 }, mobile: { percent: 100 } }),
        colour: layered('{mist}'),
      },
    }),
  ],
});

function step(id: string, icon: string, name: string, words: string): Branch {
  return branch('card', id, `Card: ${name.toLowerCase()}`, {
    style: {
      span: layered(3, { mobile: 4 }),
      backgroundColour: layered('{paper}'),
      paddingTop: layered('{m}'),
      paddingRight: layered('{m}', { tablet: 16 }),
      paddingBottom: layered('{m}'),
      paddingLeft: layered('{m}', { tablet: 16 }),
      shadow: layered('none', { mobile: 'low' }),
      borderTop: layered(3),
      borderColour: layered('{lamp}'),
    },
    children: [
      branch('icon', `${id}-icon`, `${name}: icon`, {
        content: { icon },
        style: { iconSize: layered(40, { mobile: 32 }), colour: layered('{dusk}') },
      }),
      branch('heading', `${id}-title`, `${name}: title`, {
        content: { text: name, level: 3 },
        textStyle: 'heading-4',
      }),
      branch('text', `${id}-text`, `${name}: text`, {
        content: { text: `<p>${words}</p>` },
        textStyle: 'small',
      }),
    ],
  });
}

const how = branch('section', 'hire-how', 'How it works', {
  style: { backgroundColour: layered('{sand}'), gap: layered('{l}') },
  children: [
    branch('heading', 'hire-how-title', 'How it works: title', {
      content: { text: 'Four steps to your own sky', level: 2 },
    }),
    branch('row', 'hire-steps', 'Row: four steps', {
      style: { gap: layered(32, { tablet: 16, mobile: 16 }) },
      children: [
        step(
          'hire-choose',
          'telescope',
          'Choose',
          'Tell us what you would love to see; we suggest the glass for it.',
        ),
        step(
          'hire-learn',
          'book',
          'Learn',
          'Half an hour in the chart room and you can set it up in the dark.',
        ),
        step('hire-look', 'moon', 'Look', 'Seven nights. If six are cloudy, the seventh week is on us.'),
        step(
          'hire-return',
          'heart',
          'Return',
          'Bring it back on Thursday, dew and all. We clean the mirrors.',
        ),
      ],
    }),
  ],
});

const prices = branch('section', 'hire-prices', 'Prices and hours', {
  style: { gap: layered('{l}') },
  children: [
    branch('row', 'hire-prices-row', 'Row: prices + hours', {
      style: { gap: layered(64, { tablet: 32, mobile: 32 }) },
      children: [
        branch('column', 'hire-price-words', 'Prices', {
          style: { span: layered(7, { mobile: 4 }), gap: layered('{m}') },
          children: [
            branch('heading', 'hire-price-title', 'Prices: title', {
              content: { text: 'What a week costs', level: 2 },
            }),
            branch('prices', 'hire-price-list', 'Price list', {
              style: { size: layered(18, { tablet: 17, mobile: 16 }), gap: layered('{s}') },
              content: {
                prices: [
                  {
                    name: 'The little refractor',
                    price: '18 pounds',
                    note: 'Moon, planets, the bright doubles. Weighs three kilos.',
                  },
                  {
                    name: 'The rocker',
                    price: '32 pounds',
                    note: 'Two hundred millimetres of mirror on a wooden turntable.',
                  },
                  {
                    name: 'Big binoculars',
                    price: '14 pounds',
                    note: 'For the Milky Way from a deckchair; tripod included.',
                  },
                  {
                    name: 'The sun glass',
                    price: '22 pounds',
                    note: 'Safe by day, with its filter riveted on.',
                  },
                ],
              },
            }),
          ],
        }),
        branch('column', 'hire-hours-words', 'Hours', {
          style: {
            span: layered(5, { mobile: 4 }),
            backgroundColour: layered('{sand}'),
            paddingTop: layered('{m}'),
            paddingRight: layered('{m}'),
            paddingBottom: layered('{m}'),
            paddingLeft: layered('{m}'),
            blockAlign: layered('stretch'),
          },
          children: [
            branch('hours', 'hire-hours', 'Opening hours', {
              content: {
                caption: 'The hire desk is open',
                hours: [
                  { day: 'Thursday', hours: '15:00 to 19:00' },
                  { day: 'Friday', hours: '15:00 to dusk' },
                  { day: 'Saturday', hours: '10:00 to 13:00' },
                  { day: 'Other days', hours: 'by arrangement' },
                ],
              },
            }),
            branch('divider', 'hire-hours-line', 'Line', { style: { colour: layered('{slate}') } }),
            branch('list', 'hire-bring', 'What to bring', {
              content: {
                items: [
                  { text: 'something with your name and address on it,' },
                  { text: 'a car boot or two strong arms,' },
                  { text: 'a torch with <a href="page:visits">red glass</a>.' },
                ],
                sequence: 'any',
              },
              style: { size: layered(16) },
            }),
          ],
        }),
      ],
    }),
    branch('picture', 'hire-picture', 'Telescope image', {
      content: { alt: 'A long white telescope on a wooden tripod, pointed high.' },
      style: {
        source: layered('telescope'),
        width: layered({ percent: 80 }, { mobile: { percent: 100 } }),
        cropRatio: layered({ width: 16, height: 9 }, { mobile: { width: 4, height: 3 } }),
        focalPoint: layered({ x: 50, y: 35 }),
        radius: layered(8, { mobile: 0 }),
        bleed: layered(undefined, { mobile: true }),
        blockAlign: layered('center'),
      },
    }),
  ],
});

const seen = branch('section', 'hire-seen', 'Seen last month', {
  style: { backgroundColour: layered('{night}'), colour: layered('{moon}'), gap: layered('{l}') },
  children: [
    branch('heading', 'hire-seen-title', 'Seen: title', {
      content: { text: 'Seen last month from back gardens', level: 2 },
    }),
    branch('gallery', 'hire-gallery', 'Gallery', {
      style: { tiles: layered(3, { mobile: 1 }), gap: layered('{m}'), radius: layered(6) },
      content: {
        pictures: [
          {
            picture: 'saturn',
            alt: 'Saturn with its rings tilted.',
            caption: 'Saturn, the rocker, Upper Brindle',
          },
          {
            picture: 'crescent',
            alt: 'A thin crescent moon.',
            caption: 'Four-day moon, the little refractor',
          },
          {
            picture: 'cluster',
            alt: 'A star cluster, dense in the middle.',
            caption: 'The Ember cluster, big binoculars',
          },
        ],
      },
    }),
    branch('row', 'hire-seen-row', 'Row: video + quote', {
      style: { alignItems: layered('center') },
      children: [
        branch('video', 'hire-film', 'Video: turning sky', {
          style: { span: layered(7, { tablet: 12, mobile: 4 }), radius: layered(6) },
          content: {
            file: 'turning-sky',
            poster: 'milky-way',
            name: 'The sky turns over the dome',
            caption: 'One hour over the dome, in five seconds',
            playing: 'asked',
          },
        }),
        branch('quote', 'hire-quote', 'Quote: the rings', {
          style: {
            span: layered(5, { tablet: 12, mobile: 4 }),
            borderColour: layered('{lamp}'),
          },
          content: {
            text: 'We passed the eyepiece round the whole street. Nobody went in before <em>two</em>.',
            by: 'A family from Nether Brindle',
          },
        }),
      ],
    }),
  ],
});

const booking = branch('section', 'hire-booking', 'Booking', {
  style: { backgroundColour: layered('{sand}'), gap: layered('{m}') },
  children: [
    branch('heading', 'hire-booking-title', 'Booking: title', {
      content: { text: 'Keep one for you', level: 2 },
    }),
    branch('form', 'hire-form', 'Booking form', {
      style: { width: layered({ percent: 60 }, { tablet: { percent: 80 }, mobile: { percent: 100 } }) },
      parts: {
        field: {
          radius: layered(6),
          paddingTop: layered(10, { mobile: 12 }),
          paddingBottom: layered(10, { mobile: 12 }),
        },
        button: { backgroundColour: layered('{night}'), colour: layered('{moon}') },
      },
      content: {
        name: 'Book a telescope',
        fields: [
          { label: 'Your name', type: 'text', required: true, options: '' },
          { label: 'Email address', type: 'email', required: true, options: '' },
          {
            label: 'Telescope',
            type: 'choice',
            required: false,
            options: 'The little refractor\nThe rocker\nBig binoculars\nThe sun glass',
          },
          { label: 'From which Thursday', type: 'date', required: false, options: '' },
          { label: 'What would you love to see?', type: 'lines', required: false, options: '' },
          { label: 'Please put a blanket in', type: 'tick', required: false, options: '' },
        ],
        send: 'Ask for it',
        thanks: 'Thank you. We answer by daylight, in a day or two.',
      },
    }),
  ],
});

export const hire = pageOf(
  {
    id: 'hire',
    slug: 'telescope-hire',
    title: 'Telescope hire',
    description: 'Hire a telescope from Brindle Hill Observatory for a week: prices, hours and booking.',
  },
  branch('page', 'page', 'Telescope hire', {
    style: { colour: layered('{ink}'), backgroundColour: layered('{paper}') },
    children: [opening, how, prices, seen, booking],
  }),
);
