import { escapeText } from '../markup/fragment.ts';
import { express } from '../layered/express.ts';
import type { Layered } from '../layered/layered.ts';
import type { View, Views } from '../layered/views.ts';
import type { Look } from './looks.ts';
import { branch, type Branch } from './tree.ts';

/** What sections are made with: values by what a view is like, whichever views the site has. */
export interface Making {
  look: Look;
  name: string;
  /** A layered value with the fewest overrides. */
  by<T>(wanted: (view: View) => T): Layered<T>;
  /** One value in views of little width, one in middling ones, one in the others. */
  widths<T>(narrow: T, middling: T, wide: T): Layered<T>;
  /** A share of twelve columns by view, in the columns that the view has; all of them in narrow ones. */
  share(twelfths: number, middling?: number): Layered<number>;
}

/** px; sheets below are narrow, and middling ones up to the next. */
const NARROW = 600;
const MIDDLING = 1000;

const isNarrow = ({ sheet }: View): boolean => sheet.width < NARROW;

export function makingOf(views: Views, look: Look, name: string): Making {
  const by = <T>(wanted: (view: View) => T) => express(views, wanted);
  return {
    look,
    name,
    by,
    widths: (narrow, middling, wide) =>
      by((view) => (isNarrow(view) ? narrow : view.sheet.width < MIDDLING ? middling : wide)),
    share: (twelfths, middling = twelfths) =>
      by(({ grid, sheet }) => {
        if (sheet.width < NARROW) return grid.columns;
        const wanted = sheet.width < MIDDLING ? middling : twelfths;
        return Math.max(1, Math.round((grid.columns * wanted) / 12));
      }),
  };
}

const same = <T>(value: T): Layered<T> => ({ base: value });

/** Room above and below a section. */
function room({ look, widths }: Making, most: number): Record<string, Layered<number>> {
  const px = (times: number) => Math.round((most * look.air * times) / 4) * 4;
  const value = widths(px(0.5), px(0.7), px(1));
  return { paddingTop: value, paddingBottom: value };
}

export function siteHead(making: Making): Branch {
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

const headline = (id: string, text: string, level: number, style: Branch['style'] = {}): Branch =>
  branch('heading', id, `Heading: ${text}`, { content: { text, level }, style });

/** A heading in a card or a column: of its level, but smaller than one across the page. */
const small = (id: string, text: string, level: number, style: Branch['style'] = {}): Branch => ({
  ...headline(id, text, level, style),
  textStyle: 'heading-5',
});

const button = ({ look }: Making, id: string, label: string, style: Branch['style'] = {}): Branch =>
  branch('button', id, label, {
    content: { label, link: '' },
    style: {
      backgroundColour: same('{accent}'),
      colour: same('{on-accent}'),
      radius: same(Math.min(look.radius, 28)),
      ...style,
    },
  });

export function opening(making: Making): Branch {
  const { look, share, widths, name } = making;
  const centred = look.opening === 'centred';
  const align = centred ? same('center') : widths('start', 'start', 'start');
  const words = branch('column', 'opening-words', 'Words', {
    style: { span: centred ? share(12) : share(7), gap: widths(16, 20, 24), align },
    children: [
      headline('headline', `Welcome to ${escapeText(name)}`, 1),
      branch('text', 'lead', 'Lead paragraph', {
        textStyle: 'lead',
        content: {
          text: '<p>Say here in one or two sentences what you do, for whom, and why it is worth their while.</p>',
        },
        style: {
          colour: same('{on-band}'),
          ...(centred ? { maxWidth: same({ px: 640 }), blockAlign: same('center') } : {}),
        },
      }),
      button(making, 'opening-button', 'Say what to do next', {
        blockAlign: same(centred ? 'center' : 'start'),
      }),
    ],
  });
  const facts = branch('card', 'opening-facts', 'Facts', {
    style: {
      span: share(5),
      backgroundColour: same('{accent}'),
      colour: same('{on-accent}'),
      radius: same(look.radius),
      gap: same(12),
    },
    children: [
      small('facts-title', 'At a glance', 2, { colour: same('{on-accent}') }),
      branch('list', 'facts-list', 'List of facts', {
        content: {
          items: [{ text: 'Where to find you' }, { text: 'When you are there' }, { text: 'What it costs' }],
        },
      }),
    ],
  });
  return branch('section', 'opening', 'Opening', {
    style: { backgroundColour: same('{band}'), colour: same('{on-band}'), ...room(making, 120) },
    children: [
      branch('row', 'opening-row', 'Row: words', {
        style: { alignItems: same('center'), gap: widths(28, 32, 48) },
        children: centred ? [words] : [words, facts],
      }),
    ],
  });
}

const CARDS = [
  {
    id: 'one',
    icon: 'star',
    title: 'The first thing',
    text: 'What you offer most often, in two sentences. Say what people get, not how it is made.',
  },
  {
    id: 'two',
    icon: 'heart',
    title: 'The second thing',
    text: 'Something people ask for once they know you. A short text is read; a long one is not.',
  },
  {
    id: 'three',
    icon: 'leaf',
    title: 'The third thing',
    text: 'What sets you apart from others. A number or a name says more than a claim does.',
  },
];

function cards(making: Making): Branch {
  const { look, share, widths } = making;
  return branch('section', 'cards', 'Three cards', {
    style: { gap: widths(20, 28, 32), ...room(making, 96) },
    children: [
      headline('cards-title', 'What you will find here', 2),
      branch('row', 'cards-row', 'Row: three cards', {
        style: { gap: widths(16, 20, 32) },
        children: CARDS.map(({ id, icon, title, text }) =>
          branch('card', `card-${id}`, `Card: ${title.toLowerCase()}`, {
            style: {
              span: share(4),
              backgroundColour: same('{soft}'),
              radius: same(look.radius),
              shadow: same('none'),
              paddingTop: widths(20, 20, 28),
              paddingBottom: widths(20, 20, 28),
              paddingLeft: widths(20, 20, 28),
              paddingRight: widths(20, 20, 28),
            },
            children: [
              branch('icon', `card-${id}-sign`, 'Sign', {
                content: { icon },
                style: { colour: same('{accent}') },
              }),
              small(`card-${id}-title`, title, 3),
              branch('text', `card-${id}-text`, 'Text', { content: { text: `<p>${text}</p>` } }),
            ],
          }),
        ),
      }),
    ],
  });
}

function quote(making: Making): Branch {
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

function hours(making: Making): Branch {
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

function steps(making: Making): Branch {
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

function call(making: Making): Branch {
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

export const SECTIONS: Record<Look['sections'][number], (making: Making) => Branch> = {
  cards,
  quote,
  hours,
  steps,
  call,
};

export function siteFoot(making: Making): Branch {
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
