import { viewId, type ViewId, type Views } from '../layered/views.ts';
import { sure } from '../sure.ts';
import type { ContentType } from '../elements/content/contenttypes.ts';
import { contentOf } from '../elements/kinds/kind.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { Property } from '../elements/properties/property.ts';
import { textByViewOf, textsByViewOf } from '../elements/propertytable.ts';
import type { TextByView } from '../elements/content/textbyview.ts';
import { fingerprint } from '../fingerprint.ts';
import { same } from '../layered/express.ts';
import { held } from '../layered/resolve.ts';
import type { Node } from '../site/node.ts';
import { ownLayered } from './trace.ts';
import { lookup } from '../lookup.ts';

/** The fingerprint of what an element's content says in a field. */
export const overNow = ({ kind, content }: Pick<Node, 'kind' | 'content'>, field: string): string =>
  fingerprint(JSON.stringify(contentOf(knownKind(kind), { content }, field)));

/** The words, link or entries that an element has in a view, in a field of its content. */
export function textIn<T>(node: Node, views: Views, field: string, view: ViewId): T {
  const property = textByViewOf(node.kind, field);
  const wording = property && held(ownLayered(node, 'self', property), views, view);
  return (
    (wording?.value as TextByView<T> | undefined)?.says ?? contentOf<T>(knownKind(node.kind), node, field)
  );
}

/** The texts by view of an element that some view has of its own. */
export const ownTextsByView = ({
  kind,
  style: { self },
}: Pick<Node, 'kind' | 'style'>): readonly Property[] =>
  self ? textsByViewOf(kind).filter(({ name }) => lookup(self, name)) : [];

/** What an element says, each once, that of the base first; and which of it is said in each view. */
export interface TextVariants<T> {
  all: T[];
  in: ReadonlyMap<ViewId, number>;
}

function variantsBy<T>(views: Views, of: (view: ViewId) => T): TextVariants<T> {
  const all = [of(views.base)];
  const by = views.list.map(({ id }): [ViewId, number] => {
    const value = of(id);
    const known = all.findIndex((each) => same(each, value));
    return [id, known < 0 ? all.push(value) - 1 : known];
  });
  return { all, in: new Map(by) };
}

/** What an element says in a field, of which each view shows one; undefined where all views say the same. */
export function variantsOfField<T>(node: Node, views: Views, field: string): TextVariants<T> | undefined {
  if (!node.style.self?.[`${node.kind}.${field}`]) return undefined;
  const made = variantsBy(views, (view) => textIn<T>(node, views, field, view));
  return made.all.length > 1 ? made : undefined;
}

/** The contents of an element where views show another element in its place; undefined where one is enough. */
export function variantsOfElement(node: Node, views: Views): TextVariants<Node['content']> | undefined {
  const fields = ownTextsByView(node).flatMap(({ wording }) =>
    sure(wording, 'wording').field.varies === 'whole' ? [sure(wording, 'wording').field.name] : [],
  );
  if (fields.length === 0) return undefined;
  const made = variantsBy(views, (view) => fields.map((field) => textIn<unknown>(node, views, field, view)));
  if (made.all.length < 2) return undefined;
  return {
    in: made.in,
    all: made.all.map((values) => ({
      ...node.content,
      ...Object.fromEntries(fields.map((field, index) => [field, values[index]])),
    })),
  };
}

/** How a field's values are made others; undefined for fields that hold nothing of what is meant. */
type Change = (type: ContentType) => ((value: any) => unknown) | undefined;

/**
 * What an element says, in its content and in other words, with what a change makes of it. Fields in which nothing changes stay the
 * same values.
 */
export function withMappedText(
  { kind, content, style }: Pick<Node, 'kind' | 'content' | 'style'>,
  change: Change,
): Pick<Node, 'content' | 'style'> {
  let made = content;
  let own = style.self;
  for (const { name, type } of knownKind(kind).content) {
    const map = change(type);
    if (!map) continue;
    const variantsBy = lookup(content, name);
    const changed = variantsBy === undefined ? variantsBy : map(variantsBy);
    if (changed !== variantsBy) made = { ...made, [name]: changed };
    const wording = `${kind}.${name}`;
    const at = lookup(own, wording)?.at;
    if (!at) continue;
    // What was written beside the content goes along with it.
    const [before, now] = [overNow({ kind, content }, name), overNow({ kind, content: made }, name)];
    const others = Object.entries(at).map(([view, { value, reach }]) => {
      const { says, over } = value as TextByView;
      const next: TextByView = { says: map(says), ...(over && { over: over === before ? now : over }) };
      return [view, { value: same(next, value) ? value : next, reach }];
    });
    own = { ...own, [wording]: { at: Object.fromEntries(others) as typeof at } };
  }
  return { content: made, style: own === style.self ? style : { ...style, self: own } };
}

/** A text by view whose base has changed since it was written: it may have to follow. */
export interface StaleText {
  property: Property;
  view: ViewId;
}

/** The texts by view of an element that may have to follow what its content says now. */
export const staleTexts = (node: Node): StaleText[] =>
  ownTextsByView(node).flatMap((property) => {
    const now = overNow(node, sure(property.wording, 'wording').field.name);
    return Object.entries(sure(lookup(sure(node.style.self, 'self'), property.name)).at ?? {}).flatMap(
      ([view, { value }]) => {
        const { over } = value as TextByView;
        return over === undefined || over === now ? [] : [{ property, view: viewId(view) }];
      },
    );
  });
