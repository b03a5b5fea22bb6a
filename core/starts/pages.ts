import type { NodeId } from '../elements/nodeid.ts';
import { escapeText } from '../markup/fragment.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { fitted, makingFor, termsOf } from './fitting.ts';
import { headline, room, same, type StartContext } from './startcontext.ts';
import { contact, questions } from './facts.ts';
import { gallery, story } from './samples.ts';
import { call, cards, hours, quote, steps } from './sections.ts';
import { branch, pageOf, type Branch } from './tree.ts';

/** A page to begin with on any site. */
export interface ReadyPage {
  id: string;
  /** What it is, in a few words that go on after "begins as". */
  label: string;
  sections(making: StartContext, title: string): Branch[];
}

function pageOpening(making: StartContext, title: string): Branch {
  return branch('section', 'opening', 'Hero', {
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
    label: 'images: a gallery',
    sections: (making, title) => [pageOpening(making, title), gallery(making)],
  },
];

/** The elements of a ready-made page for a site; `like` is a page of it, whose colours and corners it takes. */
export function readyPage(
  site: SiteFrame,
  { sections }: ReadyPage,
  title: string,
  like: Page,
): Pick<Page, 'root' | 'nodes'> {
  const terms = termsOf(like);
  const making = makingFor(site, terms);
  const tree = branch('page', 'page', title, { children: sections(making, title) });
  const { root, nodes } = pageOf({ id: 'page', slug: '', title, description: '' }, tree);
  const own = fitted(site, nodes, terms) as Record<NodeId, Node>;
  own[root] = { ...own[root], style: like.nodes[like.root].style };
  return { root, nodes: own };
}
