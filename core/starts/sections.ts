import { escapeText } from '../markup/fragment.ts';
import { button, headline, NARROW, READABLE, room, same, small, type StartContext } from './startcontext.ts';
import { branch, type Branch } from './tree.ts';

/** The header that all pages of a new site share. */
export function siteHead(making: StartContext): Branch {
  const { name, widths } = making;
  return branch('section', 'head', 'Header', {
    content: { landmark: 'header' },
    style: { paddingTop: same(20), paddingBottom: same(20) },
    children: [
      branch('row', 'head-row', 'Row: name + menu', {
        style: { alignItems: same('center'), gap: same(24) },
        children: [
          branch('logo', 'logo', 'Logo', {
            style: {
              span: making.by(({ grid, sheet }) => Math.round(grid.columns / (sheet.width < NARROW ? 2 : 3))),
            },
            content: { name, link: 'page:home' },
          }),
          branch('navigation', 'menu', 'Menu', {
            style: {
              span: making.by(
                ({ grid, sheet }) => grid.columns - Math.round(grid.columns / (sheet.width < NARROW ? 2 : 3)),
              ),
              blockAlign: same('end'),
              gap: same(28),
              collapse: widths('button', 'open', 'open'),
            },
            parts: { list: { backgroundColour: same('{band}'), colour: same('{on-band}') } },
            content: { label: 'Menu', links: [{ label: 'Home', link: 'page:home' }] },
          }),
        ],
      }),
    ],
  });
}

const CARDS = [
  {
    id: 'one',
    icon: 'star',
    title: 'The first thing',
    text: 'What you offer most often. Say what people get, not how it is made.',
  },
  {
    id: 'two',
    icon: 'heart',
    title: 'The second thing',
    text: 'What people ask for once they know you. A short text is read.',
  },
  {
    id: 'three',
    icon: 'leaf',
    title: 'The third thing',
    text: 'What sets you apart. A number or a name says more than a claim.',
  },
];

/** Three cards side by side. */
export function cards(making: StartContext): Branch {
  const { share, widths } = making;
  return branch('section', 'cards', 'Three cards', {
    style: { gap: widths(20, 28, 32), ...room(making, 96) },
    children: [
      headline('cards-title', 'What you will find here', 2),
      branch('row', 'cards-row', 'Row: three cards', {
        style: { gap: widths(16, 20, 24) },
        children: CARDS.map(({ id, icon, title, text }) =>
          branch('card', `card-${id}`, `Card: ${title.toLowerCase()}`, {
            style: {
              // Beside each other where there is room for words in each.
              span: share(4, 12),
              backgroundColour: same('{soft}'),
              radius: same(making.corners.card),
              shadow: same('none'),
              paddingTop: widths(20, 24, 24),
              paddingBottom: widths(20, 24, 24),
              paddingLeft: widths(20, 24, 20),
              paddingRight: widths(20, 24, 20),
            },
            children: [
              branch('icon', `card-${id}-sign`, 'Icon', {
                content: { icon },
                style: { colour: same('{accent}') },
              }),
              small(`card-${id}-title`, title, 3),
              branch('text', `card-${id}-text`, 'Text', {
                content: { text: `<p>${text}</p>` },
                style: READABLE,
              }),
            ],
          }),
        ),
      }),
    ],
  });
}

/** What somebody said, with the author. */
export function quote(making: StartContext): Branch {
  return branch('section', 'quote', 'Quote', {
    style: room(making, 96),
    children: [
      branch('quote', 'quote-words', 'Quote', {
        content: {
          text: 'A sentence somebody said about you, in their own words.',
          by: 'Their name, and who they are',
        },
        style: { borderColour: same('{accent}'), maxWidth: same({ px: 760 }) },
      }),
    ],
  });
}

/** Opening hours beside an image. */
export function hours(making: StartContext): Branch {
  const { share, widths } = making;
  const days = ['Monday to Thursday', 'Friday', 'Saturday and Sunday'];
  return branch('section', 'hours', 'Hours and prices', {
    style: room(making, 96),
    children: [
      branch('row', 'hours-row', 'Row: hours + prices', {
        style: { gap: widths(32, 32, 64) },
        children: [
          branch('column', 'hours-column', 'Hours', {
            style: { span: share(6) },
            children: [
              headline('hours-title', 'When we are here', 2),
              branch('hours', 'hours-table', 'Opening hours', {
                content: {
                  caption: 'Opening hours',
                  hours: days.map((day, index) => ({
                    day,
                    hours: ['9:00 – 17:00', '9:00 – 15:00', 'closed'][index],
                  })),
                },
              }),
            ],
          }),
          branch('column', 'prices-column', 'Prices', {
            style: { span: share(6) },
            children: [
              headline('prices-title', 'What it costs', 2),
              branch('prices', 'prices-list', 'Price list', {
                content: {
                  prices: [
                    { name: 'The usual', price: '20', note: 'What is in it' },
                    { name: 'For two', price: '35', note: 'What is in it' },
                    { name: 'For a group', price: '90', note: 'Up to eight people' },
                  ],
                },
              }),
            ],
          }),
        ],
      }),
    ],
  });
}

const STEPS = [
  {
    id: 'write',
    title: 'Write to us',
    text: 'Tell us what you need and by when. An answer comes within a day.',
  },
  { id: 'meet', title: 'We meet', text: 'Half an hour is enough to see whether we suit each other.' },
  {
    id: 'begin',
    title: 'We begin',
    text: 'You know what happens on which day, and what it costs, before it starts.',
  },
];

/** What happens, step by step. */
export function steps(making: StartContext): Branch {
  const { share, widths } = making;
  return branch('section', 'steps', 'Three steps', {
    style: { gap: widths(20, 28, 32), ...room(making, 96) },
    children: [
      headline('steps-title', 'How it goes', 2),
      branch('row', 'steps-row', 'Row: three steps', {
        style: { gap: widths(24, 24, 40) },
        children: STEPS.map(({ id, title, text }, index) =>
          branch('column', `step-${id}`, `Step ${index + 1}`, {
            style: {
              span: share(4),
              gap: same(8),
              borderTop: same(3),
              borderColour: same('{accent}'),
              paddingTop: same(16),
            },
            children: [
              small(`step-${id}-title`, `${index + 1}. ${title}`, 3),
              branch('text', `step-${id}-text`, 'Text', { content: { text: `<p>${text}</p>` } }),
            ],
          }),
        ),
      }),
    ],
  });
}

/** An invitation with a button. */
export function call(making: StartContext): Branch {
  const { widths } = making;
  return branch('section', 'call', 'Invitation', {
    style: {
      backgroundColour: same('{band}'),
      colour: same('{on-band}'),
      gap: widths(14, 16, 20),
      align: widths('start', 'center', 'center'),
      ...room(making, 88),
    },
    children: [
      headline('call-title', 'Come and see for yourself', 2),
      branch('text', 'call-text', 'Text', {
        content: { text: '<p>One sentence that makes it easy to say yes.</p>' },
      }),
      button(making, 'call-button', 'Get in touch', { blockAlign: widths('stretch', 'center', 'center') }),
    ],
  });
}

/** The footer that all pages of a new site share. */
export function siteFoot(making: StartContext): Branch {
  const { share, name, widths } = making;
  return branch('section', 'foot', 'Footer', {
    content: { landmark: 'footer' },
    style: { backgroundColour: same('{soft}'), ...room(making, 56) },
    children: [
      branch('row', 'foot-row', 'Row: address + contact', {
        style: { gap: widths(20, 24, 32) },
        children: [
          branch('text', 'foot-address', 'Address', {
            textStyle: 'small',
            content: { text: `<p><strong>${escapeText(name)}</strong><br>Street and number<br>Town</p>` },
            style: { span: share(6), colour: same('{quiet}') },
          }),
          branch('text', 'foot-contact', 'Contact', {
            textStyle: 'small',
            content: {
              text: '<p><a href="mailto:hello@example.org">hello@example.org</a><br><a href="tel:+440000000000">+44 0000 000000</a></p>',
            },
            style: { span: share(6), colour: same('{quiet}'), align: widths('start', 'end', 'end') },
          }),
        ],
      }),
    ],
  });
}
