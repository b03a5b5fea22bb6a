import { nameOfCopy } from '../values/naming.ts';
import { nodeId, type NodeId } from '../../elements/nodeid.ts';
import { sure } from '../../sure.ts';
import { hasTrait, kindOf, knownKind, takesKind } from '../../elements/kinds/table.ts';
import type { ContentField } from '../../elements/content/contenttypes.ts';
import { current, isDraft } from 'immer';
import { express } from '../../layered/express.ts';
import type { Kind, Seed } from '../../elements/kinds/kind.ts';
import type { EditReach } from '../../layered/change.ts';
import type { Layered } from '../../layered/layered.ts';
import type { ViewId } from '../../layered/views.ts';
import type { Node, PartStyle } from '../../site/node.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { canonicalStyle } from '../../site/canonical.ts';
import { isImage } from '../../theme/resources.ts';
import { sharedPlaceOf } from '../../site/shared.ts';
import { isOfOneElement } from '../../elements/valuetypes/valuetype.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { found } from '../values/aim.ts';
import { valuesOf } from '../values/stylevalues.ts';
import { NO_IMAGE } from '../../elements/valuetypes/image.ts';
import { settledInOverlay } from '../placement/areas.ts';
import type { Command } from '../command.ts';
import { putAfter, topmost, withoutEmptySets } from '../../site/tree.ts';
import { subtree } from '../../site/sourceorder.ts';
import { showOnly, viewsFor } from '../placement/placing.ts';
import { counted } from '../../plural.ts';
import { describeHolders, viewsNamed } from '../values/textbyview.ts';

/** How many children a container takes. */
export const MOST_CHILDREN = 500;

/** How many entries a new list of them begins with. */
const FIRST_ENTRIES = 3;

/** What all pages share has ids of its own. */
const OF_OTHERS = refused('The id is not one for an element in this place; nothing was changed.');

/** Whether an element of a kind may stand in a parent. */
export const accepts = (parent: Pick<Node, 'kind'>, kind: string): boolean => takesKind(parent.kind, kind);

/** Whether an element of a kind may stand in a parent on a page: in a set of alternates, what the set's place takes. */
export function takenIn(page: Page, parent: Node, kind: string): boolean {
  const holder =
    hasTrait(parent, 'alternating') && parent.parent !== null ? page.nodes[parent.parent] : parent;
  return accepts(parent, kind) && accepts(holder, kind);
}

/** Whether an element that is there, or is copied, may stand in a parent; of a set of alternates also what stands in it. */
export const takesWhole = (
  page: Page,
  parent: Node,
  { kind, children }: Node,
  among: Page['nodes'] = page.nodes,
): boolean =>
  takenIn(page, parent, kind) &&
  (!hasTrait({ kind }, 'alternating') || children.every((id) => takenIn(page, parent, among[id].kind)));

/** What a field of new content begins with: its initial value, some entries where it is a list, the first file where it is one. */
function beginning(field: ContentField, site: SiteFrame): unknown {
  const { type } = field;
  if (type.editor === 'asset') return type.options?.(site)[0]?.value ?? field.initial;
  if (type.editor !== 'entries') return field.initial;
  const entry = () =>
    Object.fromEntries((type.fields ?? []).map((each) => [each.name, beginning(each, site)]));
  return Array.from({ length: FIRST_ENTRIES }, entry);
}

/** The columns that a share of a row takes: all of them in the narrowest view. */
const spanOf = (share: number, { views }: SiteFrame): Layered<number> =>
  express(views, ({ id, grid }) =>
    id === views.list[0].id ? grid.columns : Math.max(1, Math.round(grid.columns * share)),
  );

/** The values a new element cannot do without: the first image there is, or none yet. */
function neededStyle(kind: Kind, site: SiteFrame): PartStyle {
  const picture = site.assets.find(isImage)?.id ?? NO_IMAGE;
  return Object.fromEntries((kind.required ?? []).map((name) => [name, { base: picture }]));
}

/** Makes a new element with what its kind begins with. Ids of what is in it are made from its own. */
function grow(
  site: SiteFrame,
  page: Page,
  { kind: name, share, style, ...given }: Seed & { kind: string; share?: number },
  id: NodeId,
  parent: NodeId,
): Outcome<NodeId> {
  const kind = knownKind(name);
  const needed = neededStyle(kind, site);
  const own = kind.seed?.(site) ?? {};
  const children = given.children ?? own.children ?? [];
  const fields = kind.content.map((field) => [field.name, beginning(field, site)] as const);
  const node: Node = {
    id,
    kind: name,
    name: kind.label,
    parent,
    children: children.map((_child, index) => nodeId(`${id}-${index + 1}`)),
    style: canonicalStyle({
      self: {
        ...needed,
        ...(share !== undefined && { span: spanOf(share, site) }),
        ...style,
      },
    }),
    content: { ...Object.fromEntries(fields), ...own.content, ...given.content },
  };
  page.nodes[id] = node;
  for (const [index, child] of children.entries()) {
    const grown = grow(site, page, child, node.children[index], id);
    if (!grown.ok) return grown;
  }
  return done(id);
}

/** Lets a new element be shown where it is meant for; answers that, as a sentence goes on. */
export function shownOnly(
  site: SiteFrame,
  page: Page,
  id: NodeId,
  only: { view: ViewId; reach: EditReach } | undefined,
): string {
  const views = only && viewsFor(site, only.view, only.reach);
  const node = page.nodes[id];
  // Which of a set of alternates shows, the set says.
  if (!views || hasTrait(page.nodes[sure(node.parent, 'parent')], 'alternating')) return '';
  showOnly(site, node, views);
  return `, shown only in ${viewsNamed(site, views)}`;
}

export interface AddElement {
  kind: string;
  /** The new element's id; no element of the page has it yet. */
  id: NodeId;
  parent: NodeId;
  /** The child of the parent it stands behind in source order; null: it comes first. Behind all where that child has gone. */
  after: NodeId | null;
  /** The view that is looked at, and how far the edit goes: the element is shown there only. Absent: in every view. */
  only?: { view: ViewId; reach: EditReach };
}

/** Adds an element of a kind, with what its kind begins with. Refused where the parent does not take the kind. */
export const addElement: Command<AddElement> = {
  run(site, draft, { kind: name, id, parent: parentId, after, only }) {
    const parents = found(draft, [parentId]);
    if (!parents.ok) return parents;
    const [parent] = parents.value;
    const kind = kindOf(name);
    if (!kind || kind.ofElements || !takenIn(draft, parent, name))
      return refused(`${parent.name} takes no ${(kind?.label ?? name).toLowerCase()}.`);
    if (parent.children.length >= MOST_CHILDREN)
      return refused(`${parent.name} is full: it holds ${MOST_CHILDREN} elements.`);
    if (draft.nodes[id]) return refused('The page has an element of this id already; nothing was added.');
    if (sharedPlaceOf(id) !== sharedPlaceOf(parentId)) return OF_OTHERS;
    const grown = grow(site, draft, { kind: name }, id, parentId);
    if (!grown.ok) return grown;
    putAfter(parent.children, id, after);
    settledInOverlay(site, draft, draft.nodes[id]);
    return done(`${kind.label} added to ${parent.name}${shownOnly(site, draft, id, only)}`);
  },
};

/** A node as data of its own, no part of a draft. */
export const plain = (node: Node): Node => structuredClone(isDraft(node) ? current(node) : node);

/** A layered value with another in place of each of its values. */
function mapped<T>({ base, at }: Layered<T>, map: (value: T) => T): Layered<T> {
  const overrides = Object.entries(at ?? {}).map(([view, override]) => [
    view,
    { ...override, value: map(override.value) },
  ]);
  return {
    ...(base !== undefined && { base: map(base) }),
    ...(overrides.length > 0 && { at: Object.fromEntries(overrides) as Layered<T>['at'] }),
  };
}

/** A style in which elements of the page stand by other names. */
export function renamed(style: Node['style'], names: ReadonlyMap<NodeId, NodeId>): Node['style'] {
  const speaking = valuesOf(style).filter(({ name }) => isOfOneElement(knownProperty(name).type));
  let made = style;
  for (const { part, name, layered } of speaking) {
    const { type } = knownProperty(name);
    const named = mapped(layered, (value) => sure(type.renamed, 'renamed')(value, names));
    made = { ...made, [part]: { ...made[part], [name]: named } };
  }
  return made;
}

/**
 * Puts a copy of an element, with all its values, on a page under its new name; its children by theirs. Its parent is the
 * one given, or its own by its new name.
 */
export function copied(
  from: Page,
  id: NodeId,
  to: Page,
  names: ReadonlyMap<NodeId, NodeId>,
  parent?: NodeId,
): void {
  const copy = plain(from.nodes[id]);
  const named = (each: NodeId) => names.get(each) ?? each;
  to.nodes[named(id)] = {
    ...copy,
    id: named(id),
    parent: parent ?? named(sure(copy.parent, 'parent')),
    children: copy.children.map(named),
    style: renamed(copy.style, names),
  };
}

export interface DuplicateElement {
  node: NodeId;
  /** The copy's id; those of what is in it are made from it. */
  id: NodeId;
}

/** Puts a copy of an element, with all its values and all that is in it, right behind it in source order. */
export const duplicateElement: Command<DuplicateElement> = {
  run(site, draft, { node: original, id }) {
    const nodes = found(draft, [original]);
    if (!nodes.ok) return nodes;
    const [node] = nodes.value;
    if (node.parent === null) return refused('The page itself cannot be duplicated here.');
    const parent = draft.nodes[node.parent];
    if (parent.children.length >= MOST_CHILDREN)
      return refused(`${parent.name} is full: it holds ${MOST_CHILDREN} elements.`);
    const whole = subtree(draft, original);
    const names = new Map(whole.map((each, index) => [each, nodeId(index === 0 ? id : `${id}-${index}`)]));
    if (sharedPlaceOf(id) !== sharedPlaceOf(node.parent)) return OF_OTHERS;
    if ([...names.values()].some((name) => draft.nodes[name]))
      return refused('The page has an element of this id already; nothing was duplicated.');
    for (const from of names.keys())
      copied(draft, from, draft, names, from === original ? node.parent : undefined);
    draft.nodes[id].name = nameOfCopy(node, new Set(Object.values(draft.nodes).map(({ name }) => name)));
    parent.children.splice(parent.children.indexOf(original) + 1, 0, id);
    settledInOverlay(site, draft, draft.nodes[id]);
    const more = whole.length > 1 ? ` with ${counted(whole.length - 1, 'element')} in it` : '';
    return done(`${node.name}: duplicated${more}`);
  },
};

/** Takes elements, and all that is in them, off the page. */
export const removeElements: Command<{ nodes: NodeId[] }> = {
  run(_site, draft, { nodes: ids }) {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    if (nodes.value.some(({ parent }) => parent === null))
      return refused('The page itself cannot be deleted here. Select what is in it.');
    const tops = topmost(draft, ids);
    const whole = tops.flatMap((id) => subtree(draft, id));
    const named = describeHolders(tops.map((id) => draft.nodes[id]));
    for (const id of tops) {
      const { children } = draft.nodes[sure(draft.nodes[id].parent)];
      children.splice(children.indexOf(id), 1);
    }
    const parents = tops.map((id) => sure(draft.nodes[id].parent));
    whole.forEach((id) => delete draft.nodes[id]);
    withoutEmptySets(draft, parents);
    const more = whole.length - tops.length;
    return done(
      `${named}: deleted in every view${more > 0 ? ` with ${counted(more, 'element')} in it` : ''}`,
    );
  },
};
