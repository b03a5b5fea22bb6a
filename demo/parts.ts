import { branch, layered, type Branch } from '../core/index.ts';

/** The head and the foot that all pages of the observatory share. */

/** The pages that the menu leads to, by name. */
const MENU: readonly (readonly [page: string, label: string])[] = [
  ['home', 'Home'],
  ['tonight', 'Tonight'],
  ['visits', 'Visits'],
  ['hire', 'Telescope hire'],
  ['journal', 'Journal'],
  ['find-us', 'Find us'],
];

/** `pages`: those that the site has. */
export function siteHead(pages: readonly string[]): Branch {
  return branch('section', 'head', 'Header', {
    content: { landmark: 'header' },
    style: {
      backgroundColour: layered('{night}'),
      colour: layered('{moon}'),
      paddingTop: layered(20),
      paddingBottom: layered(20, { mobile: 16 }),
    },
    children: [
      branch('row', 'head-row', 'Row: mark + pages', {
        style: { alignItems: layered('center'), gap: layered(24, { mobile: 8 }) },
        children: [
          branch('logo', 'mark', 'Site mark', {
            style: { span: layered(4, { tablet: 3, mobile: 2 }) },
            content: { name: 'Brindle Hill', link: 'page:home' },
          }),
          branch('navigation', 'pages', 'Page links', {
            style: {
              span: layered(8, { tablet: 9, mobile: 2 }),
              blockAlign: layered('end'),
              gap: layered(32, { tablet: 20 }),
              collapse: layered('open', { mobile: 'button' }),
            },
            parts: { list: { backgroundColour: layered('{dusk}'), colour: layered('{moon}') } },
            content: {
              label: 'Menu',
              links: MENU.filter(([page]) => pages.includes(page)).map(([page, label]) => ({
                label,
                link: `page:${page}`,
              })),
            },
          }),
        ],
      }),
    ],
  });
}

export function siteFoot(): Branch {
  return branch('section', 'foot', 'Footer', {
    content: { landmark: 'footer' },
    style: {
      backgroundColour: layered('{night}'),
      colour: layered('{mist}'),
      paddingTop: layered(64, { mobile: 40 }),
      paddingBottom: layered(64, { mobile: 40 }),
    },
    children: [
      branch('row', 'foot-row', 'Row: address + nights + links', {
        children: [
          footColumn(
            'foot-place',
            'Where',
            'The hill',
            '<p>Brindle Hill Observatory<br>Upper Brindle Lane<br>Brindle-under-Moor</p>',
          ),
          footColumn(
            'foot-nights',
            'When',
            'Public nights',
            '<p>Every clear Friday, from dusk<br>Doors open half an hour before</p>',
          ),
          footColumn(
            'foot-write',
            'Write to us',
            'Say hello',
            '<p><a href="mailto:hello@brindlehill.example">hello@brindlehill.example</a></p><p>We answer by daylight.</p>',
          ),
          branch('divider', 'foot-line', 'Line', { style: { colour: layered('{dusk}') } }),
          branch('social', 'foot-social', 'Social links', {
            style: { gap: layered('{m}', { mobile: '{s}' }) },
            content: {
              links: [
                {
                  icon: 'camera',
                  label: 'Pictures of the week',
                  link: 'https://pictures.brindlehill.example',
                },
                { icon: 'film', label: 'Live dome', link: 'https://live.brindlehill.example' },
                { icon: 'feed', label: 'Sky notes', link: 'https://notes.brindlehill.example' },
              ],
            },
          }),
        ],
      }),
    ],
  });
}

function footColumn(id: string, name: string, title: string, words: string): Branch {
  return branch('column', id, name, {
    style: { span: layered(4, { mobile: 4 }), gap: layered(8) },
    children: [
      branch('heading', `${id}-title`, `${name}: title`, {
        content: { text: title, level: 2 },
        textStyle: 'heading-5',
        style: { colour: layered('{moon}') },
      }),
      branch('text', `${id}-words`, `${name}: words`, { content: { text: words }, textStyle: 'small' }),
    ],
  });
}
