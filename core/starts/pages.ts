import type { NodeId } from '../elements/nodeid.ts';
import { knownProperty } from '../elements/properties/table.ts';
import { settings, type Layered } from '../layered/layered.ts';
import { escapeText } from '../markup/fragment.ts';
import { canonicalNode } from '../site/canonical.ts';
import type { Node, PartStyle, Style } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { LOOKS } from './looks.ts';
import { headline, makingOf, room, same, small, type Making } from './making.ts';
import { call, cards, hours, quote, steps } from './sections.ts';
import { branch, pageOf, type Branch } from './tree.ts';

/** A page to begin with on any site. */
export interface ReadyPage {
  id: string;
  /** What it is, in a few words that go on after "begins as". */
  label: string;
  sections(making: Making, title: string): Branch[];
}

function pageOpening(making: Making, title: string): Branch {
  return branch('section', 'opening', 'Opening', {
    style: { gap: making.widths(12, 16, 20), ...room(making, 72) },
    children: [
      headline('headline', escapeText(title), 1),
      branch('text', 'lead', 'Lead paragraph', {
        textStyle: 'lead',
        content: { text: '<p>Say here in one or two sentences what this page is for.</p>' },
        style: { maxWidth: same({ px: 720 }) },
      }),
    ],
  });
}

const story = (making: Making): Branch =>
  branch('section', 'story', 'Words', {
    style: room(making, 64),
    children: [
      branch('row', 'story-row', 'Row: words + facts', {
        style: { gap: making.widths(24, 32, 64) },
        children: [
          branch('text', 'story-text', 'Text', {
            style: { span: making.share(7, 12) },
            content: {
              text: '<p>How it began, and with whom. Names, years and places make a story that is remembered.</p><p>What you do today, and what you are proud of.</p>',
            },
          }),
          branch('card', 'story-facts', 'Facts', {
            style: { span: making.share(5, 12), gap: same(12) },
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

const contact = (making: Making): Branch =>
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
                    { label: 'Your mail address', type: 'email', required: true, options: '' },
                    { label: 'What it is about', type: 'lines', required: true, options: '' },
                  ],
                  send: 'Send',
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

const pictures = (making: Making): Branch =>
  branch('section', 'pictures', 'Pictures', {
    style: room(making, 48),
    children: [branch('gallery', 'gallery', 'Gallery', { content: { pictures: [] } })],
  });

const QUESTIONS = [
  'What people ask first',
  'What it costs',
  'When you are there',
  'What happens when something goes wrong',
];

const questions = (making: Making): Branch =>
  branch('section', 'questions', 'Questions and answers', {
    style: { gap: making.widths(20, 24, 28), ...room(making, 64) },
    children: QUESTIONS.map((question, index) =>
      branch('column', `question-${index + 1}`, `Question ${index + 1}`, {
        style: { gap: same(8), maxWidth: same({ px: 760 }) },
        children: [
          small(`question-${index + 1}-title`, question, 2),
          branch('text', `question-${index + 1}-text`, 'Answer', {
            content: { text: '<p>The answer in two sentences, the way you would say it.</p>' },
          }),
        ],
      }),
    ),
  });

/** Pages that are often needed, of sections that stand right in every view. */
export const READY_PAGES: readonly ReadyPage[] = [
  {
    id: 'offer',
    label: 'what you offer: cards, hours and prices',
    sections: (making, title) => [pageOpening(making, title), cards(making), hours(making), call(making)],
  },
  {
    id: 'about',
    label: 'who you are: words, facts and a quote',
    sections: (making, title) => [pageOpening(making, title), story(making), quote(making)],
  },
  {
    id: 'way',
    label: 'how it goes: three steps and an invitation',
    sections: (making, title) => [pageOpening(making, title), steps(making), call(making)],
  },
  {
    id: 'contact',
    label: 'how to reach you: a form and an address',
    sections: (making, title) => [pageOpening(making, title), contact(making)],
  },
  {
    id: 'questions',
    label: 'questions and answers',
    sections: (making, title) => [pageOpening(making, title), questions(making)],
  },
  {
    id: 'pictures',
    label: 'pictures: a gallery',
    sections: (making, title) => [pageOpening(making, title), pictures(making)],
  },
];

/** Whether a site has all that a layered value speaks of. */
function knows(site: SiteFrame, name: string, layered: Layered<unknown>): boolean {
  const { mentions } = knownProperty(name).type;
  return settings(layered)
    .flatMap((value) => mentions?.(value) ?? [])
    .every(({ of, id }) => of === 'nodes' || site[of].some((each) => each.id === id));
}

/** A node without values that speak of what a site does not have: those fall back to what its kind and the page say. */
function fitted(site: SiteFrame, node: Node): Node {
  const style = Object.fromEntries(
    Object.entries(node.style).map(([part, values]) => [
      part,
      Object.fromEntries(
        Object.entries(values as PartStyle).filter(([name, layered]) => knows(site, name, layered)),
      ),
    ]),
  ) as Style;
  const known = node.textStyle === undefined || site.textStyles.some(({ id }) => id === node.textStyle);
  const { textStyle, ...rest } = node;
  return canonicalNode({ ...rest, ...(known && textStyle !== undefined && { textStyle }), style });
}

/** The elements of a ready-made page for a site; `like` is a page of it, whose colours it takes. */
export function readyPage(
  site: SiteFrame,
  { sections }: ReadyPage,
  title: string,
  like: Page,
): Pick<Page, 'root' | 'nodes'> {
  const making = makingOf(site.views, LOOKS[0], site.name);
  const tree = branch('page', 'page', title, { children: sections(making, title) });
  const { root, nodes } = pageOf({ id: 'page', slug: '', title, description: '' }, tree);
  const own = Object.fromEntries(
    Object.entries(nodes).map(([id, node]) => [id, fitted(site, node)]),
  ) as Record<NodeId, Node>;
  own[root] = { ...own[root], style: like.nodes[like.root].style };
  return { root, nodes: own };
}
