import { buttonLook, headline, room, same, type StartContext } from './startcontext.ts';
import { branch, type Branch } from './tree.ts';

/** Address, telephone and opening times beside a map. */
export const contact = (making: StartContext): Branch =>
  branch('section', 'contact', 'Ways to reach us', {
    style: room(making, 64),
    children: [
      branch('row', 'contact-row', 'Row: form + address', {
        style: { gap: making.widths(32, 32, 64) },
        children: [
          branch('column', 'contact-form-column', 'Form', {
            style: { span: making.share(7, 7) },
            children: [
              headline('contact-title', 'Write to us', 2),
              branch('form', 'contact-form', 'Form', {
                content: {
                  name: 'Write to us',
                  fields: [
                    { label: 'Your name', type: 'text', required: true, options: '' },
                    { label: 'Your email address', type: 'email', required: true, options: '' },
                    { label: 'What it is about', type: 'lines', required: true, options: '' },
                  ],
                  send: 'Send',
                },
                parts: {
                  field: { radius: same(Math.min(making.corners.card, 8)) },
                  button: buttonLook(making),
                },
              }),
            ],
          }),
          branch('column', 'contact-address-column', 'Address', {
            style: { span: making.share(5, 5) },
            children: [
              headline('address-title', 'Come by', 2),
              branch('text', 'address', 'Address', {
                content: {
                  text: '<p>Street and number<br>Town</p><p>How to get there, in one sentence.</p>',
                },
              }),
            ],
          }),
        ],
      }),
    ],
  });

/** A list of what things cost. */
export const prices = (making: StartContext): Branch =>
  branch('section', 'prices', 'Prices', {
    style: { gap: making.widths(16, 20, 24), ...room(making, 96) },
    children: [
      headline('prices-title', 'What it costs', 2),
      branch('prices', 'prices-list', 'Price list', {
        style: { maxWidth: same({ px: 720 }) },
        content: {
          prices: [
            { name: 'Adults', price: '14', note: 'Everything included' },
            { name: 'Children', price: '7', note: 'Up to sixteen years' },
            { name: 'Families', price: '35', note: 'Two adults, and as many children as you have' },
            { name: 'Groups', price: '110', note: 'Up to twelve people' },
          ],
        },
      }),
    ],
  });

/** A table of days and hours. */
export const openingTimes = (making: StartContext): Branch =>
  branch('section', 'times', 'Opening hours', {
    style: { gap: making.widths(16, 20, 24), ...room(making, 96) },
    children: [
      headline('times-title', 'When we are open', 2),
      branch('hours', 'times-table', 'Opening hours', {
        style: { maxWidth: same({ px: 640 }) },
        content: {
          caption: 'Opening hours, all the year',
          hours: [
            { day: 'Monday to Thursday', hours: '9:00 – 17:00' },
            { day: 'Friday', hours: '9:00 – 15:00' },
            { day: 'Saturday', hours: '10:00 – 14:00' },
            { day: 'Sunday', hours: 'closed' },
          ],
        },
      }),
    ],
  });

const QUESTIONS = [
  'What people ask first',
  'What it costs',
  'When you are there',
  'What happens when something goes wrong',
];

/** Questions that open to their answers. */
export const questions = (making: StartContext): Branch =>
  branch('section', 'questions', 'Questions and answers', {
    style: { gap: making.widths(16, 20, 24), ...room(making, 72) },
    children: [
      headline('questions-title', 'Questions, answered', 2),
      branch('questions', 'questions-list', 'Questions', {
        style: { maxWidth: same({ px: 760 }) },
        content: {
          questions: QUESTIONS.map((question) => ({
            question,
            answer: 'The answer in two sentences, the way you would say it.',
          })),
        },
      }),
    ],
  });

/** A table of times by day. */
export const timetable = (making: StartContext): Branch =>
  branch('section', 'timetable', 'Timetable', {
    style: { gap: making.widths(16, 20, 24), ...room(making, 96) },
    children: [
      headline('timetable-title', 'How the day goes', 2),
      branch('timetable', 'timetable-items', 'Timetable', {
        style: { maxWidth: same({ px: 760 }) },
        content: {
          caption: 'Timetable',
          items: [
            { time: '9:30', what: 'Doors open', note: 'Coffee and tea at the entrance' },
            { time: '10:00', what: 'The first part', note: 'In the large room' },
            { time: '11:30', what: 'A walk outside', note: 'Where the weather lets us' },
            { time: '13:00', what: 'Lunch', note: '' },
          ],
        },
      }),
    ],
  });

const NUMBERS = [
  { id: 'years', number: '38', means: 'years of practice' },
  { id: 'people', number: '12', means: 'people who do it' },
  { id: 'guests', number: '4,200', means: 'guests last year' },
  { id: 'days', number: '365', means: 'days open' },
];

/** Four across, two across in middling and narrow views: numbers are short. */
export const numbers = (making: StartContext): Branch =>
  branch('section', 'numbers', 'Numbers', {
    style: {
      backgroundColour: same('{band}'),
      colour: same('{on-band}'),
      gap: making.widths(20, 28, 32),
      ...room(making, 72),
    },
    children: [
      headline('numbers-title', 'In numbers', 2, { colour: same('{on-band}') }),
      branch('row', 'numbers-row', 'Row: numbers', {
        style: { gap: making.widths(20, 24, 32) },
        children: NUMBERS.map(({ id, number, means }) =>
          branch('column', `number-${id}`, `Number: ${means}`, {
            style: {
              span: making.by(({ grid, sheet }) =>
                Math.max(1, Math.round(grid.columns / (sheet.width < 1000 ? 2 : 4))),
              ),
              gap: same(0),
            },
            children: [
              branch('text', `number-${id}-number`, 'Number', {
                textStyle: 'heading-2',
                content: { text: `<p>${number}</p>` },
              }),
              branch('text', `number-${id}-means`, 'What it counts', {
                textStyle: 'small',
                content: { text: `<p>${means}</p>` },
              }),
            ],
          }),
        ),
      }),
    ],
  });
