import { nodeId, type NodeId } from '../elements/nodeid.ts';
import { theOne } from '../sure.ts';
import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import { contentOf, type Kind, type ListedPage, type MarkupContext } from '../elements/kinds/kind.ts';
import { conditionOf } from '../layered/bands.ts';
import type { Views } from '../layered/views.ts';
import { resolveLinks } from '../markup/fragment.ts';
import { linkTo, targetOf } from '../markup/link.ts';
import { element, type Markup } from '../markup/markup.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { systemMessagesOn } from '../site/systemmessages.ts';
import { listedPages } from '../values/listedpages.ts';
import { textStyleOf } from '../values/trace.ts';
import { hiddenBy, hiddenSomewhere } from '../values/visibility.ts';
import { variantsOfElement, variantsOfField } from '../values/textbyview.ts';
import type { Addresses } from './addresses.ts';
import { pageContext, type PageContext } from './pagecontext.ts';
import { listingOf } from './offering.ts';
import { nodeClass, textStyleClass, variantClass, wordsClass } from './selectors.ts';

/** What stands where the words of a field do; where views say different ones, each in an element that only those views display. */
function wordsMarkup(kind: Kind, node: Node, views: Views, address: MarkupContext['address']) {
  return (name: string): Markup['children'] => {
    const { type } = theOne(kind.content, (field) => field.name === name);
    const printed = (words: string): Markup['children'] => {
      if (words === '') return [];
      return [type.editor === 'line' ? words : { html: resolveLinks(words, address) }];
    };
    const variants = variantsOfField<string>(node, views, name);
    if (!variants) return printed(contentOf<string>(kind, node, name));
    return variants.all.map((words, number) =>
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
    const variants = variantsOfField<E[]>(node, views, name);
    if (!variants) return contentOf<E[]>(kind, node, name).map((entry) => ({ entry }));
    return variants.all.flatMap((entries, number) =>
      entries.map((entry) => ({ entry, class: wordsClass(node.id, name, number) })),
    );
  };
}

/**
 * What the markup of one element is made from. Each is found out when its kind asks for it, as most ask for little; none is a method, as kinds
 * take apart what they are given.
 */
class ElementContext implements MarkupContext {
  readonly attributes: { class: string };
  readonly children: Markup[];
  readonly lazy: boolean;
  private readonly kind: Kind;
  private readonly absent: boolean;

  constructor(
    private readonly node: Node,
    private readonly making: PageContext,
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
  get formMessage(): MarkupContext['formMessage'] {
    const { addresses, lang } = this.making;
    return (form) => addresses.formMessage?.({ element: this.node.id, ...(lang && { lang }), ...form });
  }
  get say() {
    return systemMessagesOn(this.making.site, { lang: this.making.lang });
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
  get listed(): MarkupContext['listed'] {
    const { site, page, address } = this.making;
    return () =>
      listedPages(site, page.id, this.node).map((head): ListedPage => {
        const { title, description, date, author, tags = [], picture: image } = head;
        const language = head.lang ?? site.lang;
        return {
          ...{ title, description, date, author, tags, image },
          href: address(linkTo({ page: head.id })),
          class: listingOf(site, head.id),
          ...(language !== this.language && { language }),
        };
      });
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
export function elementMarkup(
  node: Node,
  making: PageContext,
  place: { eager: boolean; absent: boolean },
): Markup[] {
  const { site, page } = making;
  const kind = knownKind(node.kind);
  const style = textStyleOf(node, site);
  // What is absent in some view must cost no download there: a lazy image without a box is never fetched.
  const whole = variantsOfElement(node, site.views);
  const absent = place.absent || whole !== undefined || hiddenSomewhere(site, page, node);
  const classes = `${kind.name} ${style ? `${textStyleClass(style.id)} ` : ''}${nodeClass(node.id)}`;
  const children = node.children.flatMap((id) =>
    elementMarkup(page.nodes[id], making, { eager: place.eager, absent }),
  );
  const within = { children, later: !place.eager, absent };
  const made = whole
    ? whole.all.map((content, number) =>
        kind.markup(
          { id: number === 0 ? node.id : nodeId(`${node.id}-${number}`), content },
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
const whenShown = ({ site, page }: PageContext, node: Node): string | undefined =>
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
  return hasTrait(node, 'heading') || node.children.some((id) => isHeaded(page, page.nodes[id]));
}

/** Some elements of a page, as they are published: to be given to other programs. */
export const elementsMarkup = (
  site: SiteFrame,
  page: Page,
  addresses: Addresses,
  ids: readonly NodeId[],
): Markup[] => {
  const { making } = pageContext(site, page, addresses);
  return ids.flatMap((id) => elementMarkup(page.nodes[id], making, { eager: true, absent: false }));
};
