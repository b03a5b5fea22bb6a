import { branch, layered, pageOf, type Branch } from '../core/index.ts';

export const root = (name: string, ...sections: Branch[]): Branch =>
  branch('page', 'page', name, {
    style: { colour: layered('{ink}'), backgroundColour: layered('{paper}') },
    children: sections,
  });

export function opening(id: string, title: string, lead: string, short?: string): Branch {
  return branch('section', id, `Opening: ${title.toLowerCase()}`, {
    style: { backgroundColour: layered('{dusk}'), colour: layered('{moon}'), gap: layered(20) },
    children: [
      branch('heading', `${id}-title`, 'Headline', {
        content: { text: title, level: 1 },
        style: {
          size: layered({ min: 34, max: 64, fromWidth: 360, toWidth: 1280 }),
          ...(short && { 'heading.text': layered(undefined, { mobile: { says: short } }) }),
        },
      }),
      branch('text', `${id}-lead`, 'Lead paragraph', {
        textStyle: 'lead',
        content: { text: lead },
        style: { width: layered({ percent: 70 }, { mobile: { percent: 100 } }), colour: layered('{mist}') },
      }),
    ],
  });
}

function visit(id: string, name: string, words: string): Branch {
  return branch('column', id, name, {
    style: {
      span: layered(4, { tablet: 6, mobile: 4 }),
      backgroundColour: layered('{sand}'),
      gap: layered(12),
      paddingTop: layered(28),
      paddingRight: layered(28, { mobile: 20 }),
      paddingBottom: layered(28),
      paddingLeft: layered(28, { mobile: 20 }),
    },
    children: [
      branch('heading', `${id}-title`, `${name}: title`, {
        content: { text: name, level: 2 },
        textStyle: 'heading-3',
      }),
      branch('text', `${id}-text`, `${name}: text`, { content: { text: words } }),
    ],
  });
}

export const visits = pageOf(
  {
    id: 'visits',
    slug: 'visits',
    title: 'Visits',
    description:
      'Public Fridays, school nights and private evenings at Brindle Hill Observatory, with prices.',
  },
  root(
    'Visits',
    opening(
      'visits-opening',
      'Three ways up the hill',
      '<p>Come with everyone, with your class, or keep the dome to yourselves.</p>',
    ),
    branch('section', 'visits-list', 'Kinds of visit', {
      children: [
        branch('row', 'visits-row', 'Row: three visits', {
          children: [
            visit(
              'friday',
              'Public Friday',
              '<p>Every clear Friday from dusk, two and a half hours.</p><ul><li>Grown-ups: 8 pounds</li><li>Children: 4 pounds</li><li>Under five: free</li></ul>',
            ),
            visit(
              'school',
              'School night',
              '<p>Tuesdays in term, up to thirty pupils, with a worksheet for the week before.</p><ul><li>A class: 90 pounds</li></ul>',
            ),
            visit(
              'private',
              'Private evening',
              '<p>The dome, two volunteers and the big telescope for up to ten people.</p><ul><li>An evening: 160 pounds</li></ul>',
            ),
          ],
        }),
      ],
    }),
  ),
);

export const findUs = pageOf(
  {
    id: 'find-us',
    slug: 'find-us',
    title: 'Find us',
    description: 'How to reach Brindle Hill Observatory by bus, on foot or by car.',
  },
  root(
    'Find us',
    opening(
      'find-opening',
      'Follow the lane until the lights stop',
      '<p>We are twelve minutes on foot above the last street lamp of Brindle-under-Moor.</p>',
      'Follow the lane up',
    ),
    branch('section', 'find-ways', 'Ways to come', {
      children: [
        branch('row', 'find-row', 'Row: ways + image', {
          style: {
            alignItems: layered('center'),
            order: layered(undefined, { mobile: ['find-picture', 'find-words'] }),
          },
          children: [
            branch('text', 'find-words', 'Ways', {
              style: { span: layered(6, { mobile: 4 }) },
              content: {
                text: '<p><strong>By bus:</strong> line 14 to Upper Brindle, last bus back at 23:20.</p><p><strong>On foot:</strong> the lane has white stones on its left side; please keep torches red.</p><p><strong>By car:</strong> park at the quarry gate and switch off your headlights before you turn in.</p>',
              },
            }),
            branch('picture', 'find-picture', 'The hill at dusk', {
              content: { alt: 'The dome on its hill between dark firs.' },
              style: { span: layered(6, { mobile: 4 }), source: layered('dome-close') },
            }),
          ],
        }),
      ],
    }),
  ),
);
