import { knownIn, sure } from '../sure.ts';
import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import { element, type Markup } from '../markup/markup.ts';
import { isClosed, type Visitor } from '../site/audience.ts';
import { headOf, type Page, type SiteFrame } from '../site/site.ts';
import { systemMessagesOn } from '../site/systemmessages.ts';
import type { Addresses } from './addresses.ts';
import { atEdges, isFirst, topPlace } from './edges.ts';
import { elementMarkup } from './elementmarkup.ts';
import { videoMarkup, stopMarkup } from './video.ts';
import { pageContext } from './pagecontext.ts';
import { closedNotice, isWithheld, withNotice } from './offering.ts';
import { headSections, landmarkOf, sectionsOf } from './opening.ts';
import { nodeClass } from './selectors.ts';

/**
 * The body of a page. Sections that serve as its head stand before `<main>`, those that serve as its foot behind it; a
 * page without a first-level heading gets its title as one, for assistive technology. Images up to and in the
 * opening section load at once, those below it when they come near. Where it is not for the `visitor`, a notice stands in its place.
 */
export function bodyMarkup(site: SiteFrame, page: Page, addresses: Addresses, visitor?: Visitor): Markup {
  const { making, titled, linked } = pageContext(site, page, addresses);
  const root = page.nodes[page.root];
  const sections = sectionsOf(page);
  const head = headSections(page);
  const foot = sections.findLastIndex((section) => landmarkOf(page, section) !== 'footer') + 1;
  const withheld = isWithheld(site, page);
  const made = sections.map((section, index) =>
    elementMarkup(section, making, { eager: index <= head, absent: withheld && index >= head }),
  );
  const edges = atEdges(page).map((node) => ({
    first: isFirst(site, page, node),
    made: elementMarkup(node, making, { eager: true, absent: false }),
  }));
  const edgesThat = (first: boolean) => edges.flatMap((each) => (each.first === first ? each.made : []));
  // What a link leads to has to be named; nothing else is.
  for (const id of linked) {
    const target = making.made.get(id);
    if (!target) continue;
    const { parent } = page.nodes[id];
    const alternate = parent !== null && hasTrait(page.nodes[parent], 'alternating');
    // With a place for the focus, so that a keyboard goes on from there.
    if (target.length === 1 && !alternate)
      Object.assign(target[0].attributes, { id, tabindex: target[0].tag === 'a' ? undefined : -1 });
    // Where several stand in for one another, by their words or as alternates, the place is before them all: an id is there once, and in every view.
    else {
      const [{ children }] = knownIn(making.made, sure(parent, 'parent'));
      children.splice(children.indexOf(target[0]), 0, element('span', { class: 'place', id, tabindex: -1 }));
    }
  }
  const title = titled ? [] : [element('h1', { class: 'page-title' }, headOf(site, page.id).title)];
  const matter = [...title, ...made.slice(head, Math.max(head, foot)).flat()];
  const main = element(
    'main',
    {},
    ...stopMarkup(site, page),
    ...(isClosed(page, visitor)
      ? [closedNotice(site, page, sure(visitor, 'visitor'), addresses.visitor)]
      : withNotice(site, page, matter, addresses.page)),
  );
  return knownKind('page').markup(root, {
    attributes: { class: `page ${nodeClass(root.id)}` },
    children: [
      ...topPlace(page),
      ...videoMarkup(site, page, addresses),
      ...edgesThat(true),
      ...made.slice(0, head).flat(),
      main,
      ...made.slice(Math.max(head, foot)).flat(),
      ...edgesThat(false),
    ],
    words: () => [],
    entries: () => [],
    language: site.lang,
    formMessage: () => undefined,
    say: systemMessagesOn(site, {}),
    shownWhen: () => undefined,
    address: () => undefined,
    listing: () => undefined,
    listed: () => [],
    current: () => false,
    headed: () => true,
    media: () => undefined,
    part: () => ({}),
    headingLevel: 1,
    lazy: false,
    first: () => false,
    pictured: () => undefined,
  });
}
