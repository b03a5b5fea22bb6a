import { nodeId, type NodeId } from '../../elements/nodeid.ts';
import { sure } from '../../sure.ts';
import { isDate } from '../../markup/date.ts';
import { languageName } from '../../markup/language.ts';
import { schemaFaults } from '../../faults.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import {
  PageHeadSchema,
  SHARED_PLACES,
  type Page,
  type PageHead,
  type SharedPlace,
  type SiteFrame,
} from '../../site/site.ts';
import type { Node } from '../../site/node.ts';
import { pageFaults } from '../../site/validate.ts';
import { isImage } from '../../theme/resources.ts';
import { SHARED_NAMES } from '../structure/shared.ts';
import type { Command } from '../command.ts';
import { leadsTo, linking } from '../../values/links.ts';
import { intoMenus, orderMenus } from './menus.ts';
import { relink } from '../structure/relink.ts';
import { plain } from '../structure/structure.ts';
import { allTrees } from '../views/viewvalues.ts';
import { counted } from '../../plural.ts';
import { nameOfPage } from '../values/textbyview.ts';
import { lookup } from '../../lookup.ts';

const cleaned = (text: string): string => text.replace(/\s+/g, ' ').trim();

const GONE = refused('The page is no longer on this site.');

/** The names of the fields that an error message can be about. */
const FIELDS: Readonly<Record<string, string>> = {
  title: 'The title',
  slug: 'The address',
  description: 'The description',
  author: 'The author',
  tags: 'The tags',
};

/** Why a page's head cannot be kept beside those of the other pages, or undefined. */
function headFault(
  head: PageHead,
  others: readonly PageHead[],
  pages: Record<NodeId, Page | undefined>,
): string | undefined {
  const twin = others.find(({ slug }) => slug === head.slug);
  if (twin) {
    return head.slug === ''
      ? `${nameOfPage(pages, twin)} is the first page already; give this one an address. Nothing was changed.`
      : `The address “${head.slug}” is ${nameOfPage(pages, twin)}’s already; choose another. Nothing was changed.`;
  }
  const [fault] = schemaFaults(PageHeadSchema, head);
  if (!fault) return undefined;
  const what = lookup(FIELDS, fault.path.split('/')[1]);
  return `${what ?? 'The page'} cannot be saved: ${fault.sentence} Nothing was changed.`;
}

export interface AddPage {
  /** The new page's id; no page of the site has it yet. */
  id: NodeId;
  title: string;
  /** Its folder in the published site. */
  slug: string;
  description?: string;
  /** The page it stands behind; null: it is the first. */
  after: NodeId | null;
  /** Its elements; absent: it is empty. */
  tree?: Pick<Page, 'root' | 'nodes'>;
  /** Puts it into the menus that lead to pages, in the order of the pages. */
  inMenus?: boolean;
}

/** A page without anything on it. */
function emptyTree(name: string): Pick<Page, 'root' | 'nodes'> {
  const root = nodeId('root');
  const node: Node = { id: root, kind: 'page', name, parent: null, children: [], style: {}, content: {} };
  return { root, nodes: { [root]: node } };
}

/** Adds a page, empty or with elements. */
export const addPage: Command<AddPage> = {
  on: () => 'site',
  run(site, _page, { id, title, slug, description = '', after, tree, inMenus = false }, pages) {
    if (site.pages.some((head) => head.id === id))
      return refused('The site has a page of this id already; nothing was added.');
    const head: PageHead = { id, slug, title: cleaned(title), description: cleaned(description) };
    const fault = headFault(head, site.pages, pages);
    if (fault) return refused(fault);
    const page: Page = { id, ...(tree ? structuredClone(tree) : emptyTree(head.title)) };
    const [wrong] = pageFaults(page, site);
    if (wrong) return refused(`The page cannot be added: ${wrong.sentence} Nothing was changed.`);
    pages[id] = page;
    const at = after === null ? -1 : site.pages.findIndex((each) => each.id === after);
    site.pages.splice(after !== null && at < 0 ? site.pages.length : at + 1, 0, head);
    const menus = inMenus ? intoMenus(allTrees(site, pages), head, site.pages) : 0;
    return done(`Page ${head.title} added${menus > 0 ? ` with ${counted(menus, 'link')} in menus` : ''}`);
  },
};

export interface ChangePage {
  page: NodeId;
  title?: string;
  slug?: string;
  description?: string;
  /** Null: the site's. */
  lang?: string | null;
  /** The image that stands for it where it is shared, by its id; null: none. */
  picture?: string | null;
  /** Date of the page, such as `2026-11-30`; null removes it. */
  date?: string | null;
  /** Author of the page; null removes it. */
  author?: string | null;
  /** Topics of the page; an empty list removes them. */
  tags?: string[];
  /** Whether it is shown at addresses where there is no page. */
  missing?: boolean;
  /** What stands in its place where it is not offered; null: as usual. */
  notice?: string | null;
  /** What it leaves out of what all pages share. */
  without?: SharedPlace[];
}

/** How many addresses of its past a page is known by. */
const MOST_EARLIER = 40;

/** Gives a page an address; the one it had goes on leading to it, and one that leads elsewhere does so no more. */
function address(site: SiteFrame, head: PageHead, slug: string): void {
  const before = head.slug;
  if (before === slug) return;
  for (const each of site.pages) {
    const earlier = (each.earlier ?? []).filter((old) => old !== slug && old !== before);
    if (each === head && before !== '') earlier.push(before);
    delete each.earlier;
    if (earlier.length > 0) each.earlier = earlier.slice(-MOST_EARLIER);
  }
  head.slug = slug;
}

const changeOf = (before: PageHead, after: PageHead): string[] => [
  ...(before.title === after.title ? [] : [`title → ${after.title}`]),
  ...(before.slug === after.slug
    ? []
    : [`address ${before.slug || '(first page)'} → ${after.slug || '(first page)'}`]),
  ...(before.description === after.description ? [] : ['description changed']),
  ...(before.notice === after.notice ? [] : ['notice where it does not appear']),
  ...(before.lang === after.lang
    ? []
    : [`language → ${after.lang ? languageName(after.lang) : 'same as the site'}`]),
  ...(before.picture === after.picture
    ? []
    : [after.picture ? 'image for sharing' : 'automatic image for sharing']),
  ...(before.date === after.date ? [] : [after.date ? `date → ${after.date}` : 'date removed']),
  ...(before.author === after.author ? [] : [after.author ? `author → ${after.author}` : 'author removed']),
  ...(before.tags?.join() === after.tags?.join()
    ? []
    : [after.tags ? `tags → ${after.tags.join(', ')}` : 'tags removed']),
  ...(before.missing === after.missing
    ? []
    : [after.missing ? 'shown for missing pages' : 'no longer shown for missing pages']),
  ...SHARED_PLACES.flatMap((place) => {
    const [was, is] = [before, after].map(({ without }) => without?.includes(place) ?? false);
    return was === is ? [] : [`${is ? 'without' : 'with'} the ${SHARED_NAMES[place]} of all pages`];
  }),
];

/** Fields that are absent rather than empty. */
const OPTIONAL = ['lang', 'picture', 'date', 'author', 'tags', 'missing', 'without', 'notice'] as const;

/** Trims tags and removes duplicates, ignoring case. */
function tagsFrom(given: readonly string[]): string[] {
  const tags = new Map<string, string>();
  for (const tag of given.map(cleaned))
    if (tag && !tags.has(tag.toLowerCase())) tags.set(tag.toLowerCase(), tag);
  return [...tags.values()];
}

/** Changes what the site says of a page: its title, its address, its description. */
export const changePage: Command<ChangePage> = {
  on: () => 'frame',
  run(site, _page, { page, ...given }, pages): Outcome<string> {
    const head = site.pages.find(({ id }) => id === page);
    if (!head) return GONE;
    const before = { ...head };
    const next: PageHead = {
      ...before,
      ...(given.title !== undefined && { title: cleaned(given.title) }),
      ...(given.slug !== undefined && { slug: given.slug.trim() }),
      ...(given.notice && { notice: cleaned(given.notice) }),
      ...(given.description !== undefined && { description: cleaned(given.description) }),
    };
    for (const field of ['lang', 'picture', 'date', 'author'] as const) {
      const value = given[field] && cleaned(given[field]);
      if (value === undefined) continue;
      delete next[field];
      if (value) next[field] = value;
    }
    if (given.tags !== undefined) {
      delete next.tags;
      const tags = tagsFrom(given.tags);
      if (tags.length > 0) next.tags = tags;
    }
    if (given.date && !isDate(sure(next.date, 'date')))
      return refused(`“${given.date}” isn’t a valid date. Nothing was changed. Try 2026-11-30.`);
    if (given.notice === null) delete next.notice;
    if (given.missing !== undefined) {
      delete next.missing;
      if (given.missing) next.missing = true;
    }
    if (given.without !== undefined) {
      delete next.without;
      const without = SHARED_PLACES.filter((place) => sure(given.without, 'without').includes(place));
      if (without.length > 0) next.without = without;
    }
    const fault = headFault(next, others(site, page), pages);
    if (fault) return refused(fault);
    if (next.picture && !site.assets.some((asset) => asset.id === next.picture && isImage(asset)))
      return refused('The image is no longer on the shelf. Nothing was changed.');
    if (next.missing && next.slug === '')
      return refused('The home page is shown at its own address; choose another. Nothing was changed.');
    if (next.missing) for (const other of others(site, page)) delete other.missing;
    address(site, head, next.slug);
    const { slug: _slug, earlier: _earlier, ...rest } = next;
    for (const field of OPTIONAL) if (rest[field] === undefined) delete head[field];
    Object.assign(head, rest);
    return done(`Page ${nameOfPage(pages, before)}: ${changeOf(before, next).join(', ') || 'unchanged'}`);
  },
};

const others = (site: SiteFrame, page: NodeId): PageHead[] => site.pages.filter(({ id }) => id !== page);

export interface RemovePage {
  page: NodeId;
  /** Takes the links that lead to it off the other pages, too; all of them have to be there. Otherwise they lead nowhere. */
  unlink?: boolean;
}

/** Takes a page, and all that is on it, off the site. */
export const removePage: Command<RemovePage> = {
  on: () => 'site',
  run(site, _page, { page, unlink = false }, pages) {
    const at = site.pages.findIndex(({ id }) => id === page);
    if (at < 0) return GONE;
    if (site.pages.length === 1) return refused('A site has at least one page; nothing was deleted.');
    if (site.pages[at].slug === '')
      return refused('This is the home page. Make another page the home page first; nothing was deleted.');
    const [head] = site.pages.splice(at, 1);
    const name = nameOfPage(pages, head);
    delete pages[page];
    const links = unlink ? withoutLinksTo(site, page, pages) : 0;
    return done(`Page ${name}: deleted${links > 0 ? ` with ${counted(links, 'link')} to it` : ''}`);
  },
};

/** Takes the links to a page off all others; answers how many there were. */
function withoutLinksTo(site: SiteFrame, gone: NodeId, pages: Record<NodeId, Page>): number {
  let total = 0;
  for (const page of allTrees(site, pages)) {
    for (const { node, count } of linking(page, leadsTo(gone))) {
      total += count;
      const element = page.nodes[node];
      relink(element, (link) => (leadsTo(gone)(link) ? undefined : link));
    }
  }
  return total;
}

export interface CopyPage {
  page: NodeId;
  /** The copy's id; no page of the site has it yet. */
  id: NodeId;
  title: string;
  slug: string;
  /** Puts it into the menus that lead to pages, in the order of the pages. */
  inMenus?: boolean;
}

/** Puts a copy of a page, with all its elements and overrides, right behind it. */
export const copyPage: Command<CopyPage> = {
  on: () => 'site',
  run(site, _page, { page, id, title, slug, inMenus = false }, pages) {
    const at = site.pages.findIndex((head) => head.id === page);
    const original = pages[page];
    if (at < 0 || !original) return GONE;
    if (site.pages.some((head) => head.id === id))
      return refused('The site has a page of this id already; nothing was copied.');
    const { earlier: _earlier, missing: _missing, ...alike } = site.pages[at];
    const head: PageHead = { ...alike, id, slug, title: cleaned(title) };
    const fault = headFault(head, site.pages, pages);
    if (fault) return refused(fault);
    const nodes = Object.fromEntries(
      Object.keys(original.nodes).map((node) => [node, plain(sure(lookup(original.nodes, node)))]),
    ) as Page['nodes'];
    nodes[original.root].name = head.title;
    pages[id] = { id, root: original.root, nodes };
    site.pages.splice(at + 1, 0, head);
    const menus = inMenus ? intoMenus(allTrees(site, pages), head, site.pages) : 0;
    const linked = menus > 0 ? ` with ${counted(menus, 'link')} in menus` : '';
    return done(`Page ${nameOfPage(pages, site.pages[at])}: copied as ${head.title}${linked}`);
  },
};

/** Moves a page in the order of the site's pages, behind another; null: it is the first. Menus follow. */
export const movePage: Command<{ page: NodeId; after: NodeId | null }> = {
  on: () => 'site',
  run(site, _page, { page, after }, pages) {
    const at = site.pages.findIndex(({ id }) => id === page);
    if (at < 0) return GONE;
    if (after === page) return done('Order of pages: unchanged');
    const [head] = site.pages.splice(at, 1);
    const behind = after === null ? -1 : site.pages.findIndex(({ id }) => id === after);
    site.pages.splice(after !== null && behind < 0 ? site.pages.length : behind + 1, 0, head);
    const before = behind < 0 ? undefined : site.pages[behind];
    const menus = orderMenus(allTrees(site, pages), page, site.pages);
    const also = menus > 0 ? `, also in ${counted(menus, 'menu')}` : '';
    return done(
      `Page ${nameOfPage(pages, head)}: ${before ? `behind ${nameOfPage(pages, before)}` : 'first in the order'}${also}`,
    );
  },
};

/** Makes a page the one that visitors meet first. The one before gets the address that is given for it. */
export const makeHome: Command<{ page: NodeId; slugOfBefore: string }> = {
  on: () => 'frame',
  run(site, _page, { page, slugOfBefore }, pages) {
    const head = site.pages.find(({ id }) => id === page);
    if (!head) return GONE;
    if (head.slug === '') return done(`Page ${nameOfPage(pages, head)}: home page already`);
    const before = site.pages.find(({ slug }) => slug === '');
    if (before) {
      const fault = headFault(
        { ...before, slug: slugOfBefore },
        others(site, page).filter(({ id }) => id !== before.id),
        pages,
      );
      if (fault) return refused(fault);
      if (slugOfBefore === '')
        return refused(`${nameOfPage(pages, before)} needs an address then. Nothing was changed.`);
      address(site, before, slugOfBefore);
    }
    delete head.missing;
    address(site, head, '');
    return done(
      `Page ${nameOfPage(pages, head)}: home page${before ? `, ${nameOfPage(pages, before)} at ${slugOfBefore}` : ''}`,
    );
  },
};
