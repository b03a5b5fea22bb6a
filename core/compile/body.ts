import { partStyleOf, textStyleOf } from '../values/trace.ts';
import { hiddenBy, hiddenSomewhere } from '../values/visibility.ts';
import { sayingOn } from '../site/visitorwords.ts';
import type { LetterForm } from '../elements/content/letter.ts';
import type { Kind, MarkupContext, MediaReference } from '../elements/kinds/kind.ts';
import { contentOf } from '../elements/kinds/kind.ts';
import { knownKind } from '../elements/kinds/table.ts';
import { resolveLinks } from '../markup/fragment.ts';
import { linkTo, targetOf } from '../markup/link.ts';
import { element, type Markup } from '../markup/markup.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { headOf, type Page, type SiteFrame } from '../site/site.ts';
import { isClosed, type Visitor } from '../site/audience.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { widthsIn } from '../values/widths.ts';
import { saidWhole, saidWithin } from '../values/wordings.ts';
import { conditionOf } from '../layered/bands.ts';
import type { Views } from '../layered/views.ts';
import { closedNotice, isWithheld, listingOf, withNotice } from './offering.ts';
import { atEdges, isFirst, topPlace } from './edges.ts';
import { filmMarkup, stopMarkup } from './film.ts';
import { headSections, landmarkOf, sectionsOf } from './opening.ts';
import { isMadeSmaller, picturesOf, type PictureAddresses } from './pictures.ts';
import { nodeClass, textStyleClass, variantClass, wordsClass } from './selectors.ts';

/** Where things are that a page refers to, as seen from the page. */
export interface Addresses extends PictureAddresses {
  /** A page, or a place on it where that is there. */
  page(id: string, place?: string): string | undefined;
  /** Where visitors sign in, or out. */
  visitor?(way: 'in' | 'out'): string | undefined;
  /** The name by which a host knows what a form asks; absent where none takes letters. */
  letter?(form: LetterForm): string;
  /** A file of the shelf. */
  file?(id: string): string | undefined;
  /** The elements of a page that others link to. */
  places?(page: string): ReadonlySet<string> | undefined;
}

/** What the markup of a page needs besides the page. */
interface Making {
  site: SiteFrame;
  page: Page;
  addresses: Addresses;
  /** The language of the page, where it is not the site's. */
  lang: string | undefined;
  levels: Map<NodeId, number>;
  /** What was made of each element. */
  made: Map<NodeId, Markup[]>;
  address: MarkupContext['address'];
  media: MarkupContext['media'];
  pictures: ReturnType<typeof picturesOf>;
  /** Whether a picture that is fetched at once has been printed. */
  opened: boolean;
  partsOf(kind: Kind): MarkupContext['part'];
}

/** Heading levels as printed: the first heading of level 1 is the page's; any further one becomes level 2. */
function headingLevels(page: Page): { levels: Map<NodeId, number>; titled: boolean } {
  const levels = new Map<NodeId, number>();
  let titled = false;
  for (const node of sourceOrder(page)) {
    if (node.kind !== 'heading') continue;
    const level = contentOf<number>(knownKind('heading'), node, 'level');
    levels.set(node.id, level === 1 && titled ? 2 : level);
    titled ||= level === 1;
  }
  return { levels, titled };
}

/** What a page refers to by an asset's id. */
const mediaOf =
  (site: SiteFrame, addresses: Addresses) =>
  (id: string): MediaReference | undefined => {
    const asset = site.assets.find((candidate) => candidate.id === id);
    if (!asset) return undefined;
    // Where one address is all there can be, a picture is as wide as most films are shown.
    const made = isMadeSmaller(asset)
      ? addresses.made?.(asset, { type: 'image/webp', width: Math.min(asset.width, WIDEST_POSTER) })
      : undefined;
    return {
      url: made ?? addresses.picture(id),
      type: made ? 'image/webp' : asset.type,
      name: asset.name,
      width: asset.width,
      height: asset.height,
    };
  };

/** px */
const WIDEST_POSTER = 1280;

/** The attributes of the parts of each kind. */
function partsIn(site: SiteFrame): Making['partsOf'] {
  const made = new Map<Kind, MarkupContext['part']>();
  return (kind) => {
    const known = made.get(kind);
    if (known) return known;
    const part: MarkupContext['part'] = (name) => {
      const taken = partStyleOf(kind, name, site);
      return taken ? { class: textStyleClass(taken.id) } : {};
    };
    made.set(kind, part);
    return part;
  };
}

/** What stands where the words of a field do; where views say different ones, each in an element that only those views display. */
function wordsMarkup(kind: Kind, node: Node, views: Views, address: MarkupContext['address']) {
  return (name: string): Markup['children'] => {
    const { type } = kind.content.find((field) => field.name === name)!;
    const printed = (words: string): Markup['children'] => {
      if (words === '') return [];
      return [type.editor === 'line' ? words : { html: resolveLinks(words, address) }];
    };
    const said = saidWithin<string>(node, views, name);
    if (!said) return printed(contentOf<string>(kind, node, name));
    return said.all.map((words, number) =>
      element(
        type.editor === 'rich' ? 'div' : 'span',
        { class: wordsClass(node.id, name, number) },
        ...printed(words),
      ),
    );
  };
}

/** The entries of a field; where views have different ones, each with the class of those that it is for. */
function entriesMarkup(kind: Kind, node: Node, views: Views): MarkupContext['entries'] {
  return <E>(name: string) => {
    const said = saidWithin<E[]>(node, views, name);
    if (!said) return contentOf<E[]>(kind, node, name).map((entry) => ({ entry }));
    return said.all.flatMap((entries, number) =>
      entries.map((entry) => ({ entry, class: wordsClass(node.id, name, number) })),
    );
  };
}

/** What the markup of one element is made from. Each is found out when its kind asks for it: most ask for little of it. */
class ElementContext implements MarkupContext {
  readonly attributes: { class: string };
  readonly children: Markup[];
  readonly lazy: boolean;
  private readonly kind: Kind;
  private readonly absent: boolean;

  constructor(
    private readonly node: Node,
    private readonly making: Making,
    {
      classes,
      children,
      later,
      absent,
    }: { classes: string; children: Markup[]; later: boolean; absent: boolean },
  ) {
    this.attributes = { class: classes };
    this.children = children;
    this.kind = knownKind(node.kind);
    this.lazy = absent || later;
    this.absent = absent;
  }

  get words() {
    return wordsMarkup(this.kind, this.node, this.making.site.views, this.making.address);
  }
  get entries() {
    return entriesMarkup(this.kind, this.node, this.making.site.views);
  }
  get language() {
    return this.making.lang ?? this.making.site.lang;
  }
  get letter(): MarkupContext['letter'] {
    const { addresses, lang } = this.making;
    return (form) => addresses.letter?.({ element: this.node.id, ...(lang && { lang }), ...form });
  }
  get said() {
    return sayingOn(this.making.site, { lang: this.making.lang });
  }
  get shownWhen() {
    return () =>
      this.making.addresses.anyWidth || !this.absent ? undefined : whenShown(this.making, this.node);
  }
  get address() {
    return this.making.address;
  }
  get listing(): MarkupContext['listing'] {
    return (link) => listingOf(this.making.site, targetOf(link)?.page);
  }
  get current(): MarkupContext['current'] {
    return (link) => isPageItself(link, this.making.page.id);
  }
  get headed() {
    return () => isHeaded(this.making.page, this.node);
  }
  get media() {
    return this.making.media;
  }
  get part() {
    return this.making.partsOf(this.kind);
  }
  get headingLevel() {
    return this.making.levels.get(this.node.id) ?? 2;
  }
  get first() {
    return () => !this.making.opened && (this.making.opened = true);
  }
  get picture() {
    return this.kind.traits.includes('pictured') ? this.making.pictures.ofElement(this.node) : undefined;
  }
  get pictured(): MarkupContext['pictured'] {
    return (asset) => this.making.pictures.inElement(this.node, asset);
  }
}

/** An element, or those that stand in for one another in its place. */
function elementMarkup(node: Node, making: Making, place: { eager: boolean; absent: boolean }): Markup[] {
  const { site, page } = making;
  const kind = knownKind(node.kind);
  const style = textStyleOf(node, site);
  // What is absent in some view must cost no download there: a lazy picture without a box is never fetched.
  const whole = saidWhole(node, site.views);
  const absent = place.absent || whole !== undefined || hiddenSomewhere(site, page, node);
  const classes = `${kind.name} ${style ? `${textStyleClass(style.id)} ` : ''}${nodeClass(node.id)}`;
  const children = node.children.flatMap((id) =>
    elementMarkup(page.nodes[id], making, { eager: place.eager, absent }),
  );
  const within = { children, later: !place.eager, absent };
  const made = whole
    ? whole.all.map((content, number) =>
        kind.markup(
          { id: number === 0 ? node.id : (`${node.id}-${number}` as NodeId), content },
          new ElementContext(node, making, {
            ...within,
            classes: `${classes} ${variantClass(node.id, number)}`,
          }),
        ),
      )
    : [kind.markup(node, new ElementContext(node, making, { ...within, classes }))];
  making.made.set(node.id, made);
  return made;
}

/** The media condition of the views that show an element. */
const whenShown = ({ site, page }: Making, node: Node): string | undefined =>
  conditionOf(
    site.views,
    site.views.list.map(({ id }) => id).filter((view) => hiddenBy(site, page, node, view) === undefined),
  );

/** Whether a link leads to a page as such, and to no place on it. */
function isPageItself(link: string, id: NodeId): boolean {
  const target = targetOf(link);
  return target?.page === id && target.place === undefined;
}

/** Whether there is a heading in an element, or it is one. */
function isHeaded(page: Page, node: Node): boolean {
  return node.kind === 'heading' || node.children.some((id) => isHeaded(page, page.nodes[id]));
}

/** What the markup of a page's elements needs, and the elements that are linked to. */
function makingOf(site: SiteFrame, page: Page, addresses: Addresses) {
  const { levels, titled } = headingLevels(page);
  const linked = new Set<NodeId>(addresses.places?.(page.id) as ReadonlySet<NodeId> | undefined);
  const address = (link: string) => {
    const target = targetOf(link);
    if (!target) return link || undefined;
    if (target.visitor !== undefined) return addresses.visitor?.(target.visitor);
    if (target.file !== undefined) return addresses.file?.(target.file);
    if (target.place === undefined || (target.page ?? page.id) !== page.id)
      return addresses.page(target.page!, target.place);
    if (!page.nodes[target.place as NodeId]) return target.page && addresses.page(target.page);
    linked.add(target.place as NodeId);
    return linkTo({ place: target.place });
  };
  const making: Making = {
    site,
    page,
    addresses,
    lang: headOf(site, page.id).lang,
    levels,
    made: new Map(),
    address,
    media: mediaOf(site, addresses),
    pictures: picturesOf({ site, page, widths: widthsIn(site, page), addresses }),
    opened: false,
    partsOf: partsIn(site),
  };
  return { making, titled, linked };
}

/** Some elements of a page, as they are published: to be given to other programs. */
export const elementsMarkup = (
  site: SiteFrame,
  page: Page,
  addresses: Addresses,
  ids: readonly NodeId[],
): Markup[] => {
  const { making } = makingOf(site, page, addresses);
  return ids.flatMap((id) => elementMarkup(page.nodes[id], making, { eager: true, absent: false }));
};

/**
 * The body of a page. Sections that serve as its head stand before `<main>`, those that serve as its foot behind it; a
 * page without a first-level heading gets its title as one, for assistive technology. Pictures up to and in the
 * opening section load at once, those below it when they come near. Where it is not for the `visitor`, a notice stands in its place.
 */
export function bodyMarkup(site: SiteFrame, page: Page, addresses: Addresses, visitor?: Visitor): Markup {
  const { making, titled, linked } = makingOf(site, page, addresses);
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
    const alternate = parent !== null && page.nodes[parent].kind === 'alternates';
    // With a place for the focus, so that a keyboard goes on from there.
    if (target.length === 1 && !alternate)
      Object.assign(target[0].attributes, { id, tabindex: target[0].tag === 'a' ? undefined : -1 });
    // Where several stand in for one another, by their words or as alternates, the place is before them all: an id is there once, and in every view.
    else {
      const [{ children }] = making.made.get(parent!)!;
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
      ? [closedNotice(site, page, visitor!, addresses.visitor)]
      : withNotice(site, page, matter, addresses.page)),
  );
  return knownKind('page').markup(root, {
    attributes: { class: `page ${nodeClass(root.id)}` },
    children: [
      ...topPlace(page),
      ...filmMarkup(site, page, addresses),
      ...edgesThat(true),
      ...made.slice(0, head).flat(),
      main,
      ...made.slice(Math.max(head, foot)).flat(),
      ...edgesThat(false),
    ],
    words: () => [],
    entries: () => [],
    language: site.lang,
    letter: () => undefined,
    said: sayingOn(site, {}),
    shownWhen: () => undefined,
    address: () => undefined,
    listing: () => undefined,
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
