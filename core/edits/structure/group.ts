import { knownIn } from '../../sure.ts';
import { hasTrait, knownKind } from '../../elements/kinds/table.ts';
import { express } from '../../layered/express.ts';
import type { ViewId } from '../../layered/views.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import type { Layered } from '../../layered/layered.ts';
import { united } from '../../layout/areas.ts';
import { PLACEMENT_PROPERTIES, placementIn } from '../../values/areas.ts';
import { settledInOverlay } from '../placement/areas.ts';
import { placeColumns } from '../../layout/spans.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Node } from '../../site/node.ts';
import { sharedPlaceOf } from '../../site/shared.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { columnsIn } from '../../values/columns.ts';
import { childrenIn } from '../../values/visibility.ts';
import { resolve } from '../../values/trace.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { found, store } from '../values/aim.ts';
import type { Command } from '../command.ts';
import { fitted, forAudience, replaceAmong, saysShown, storeOrder } from '../placement/placing.ts';
import { accepts } from './structure.ts';
import { counted } from '../../plural.ts';
import { kindInWords } from '../values/textbyview.ts';

export interface GroupElements {
  /** Siblings that stand one after the other in source order. */
  nodes: NodeId[];
  /** The id of the group. */
  id: NodeId;
}

/** Where a run of siblings stands in a row in a view: how many columns it takes, and whether on one line. */
function columnsTaken(site: SiteFrame, page: Page, row: Node, ids: readonly NodeId[], view: ViewId) {
  const { columns, children } = columnsIn(site, page, row, view);
  const placed = placeColumns(
    children.map(({ asks }) => asks),
    columns,
  );
  const own = placed.filter((_place, index) => ids.includes(children[index].id));
  const beside = own.length > 1 && new Set(own.map(({ row: line }) => line)).size === 1;
  const spans = own.map(({ span }) => span);
  const span = beside ? spans.reduce((sum, each) => sum + each, 0) : Math.max(1, ...spans);
  return { span: Math.min(span, columns), beside };
}

/** The area that holds those of all of some parts of an overlay, by view, with the properties that say it. */
function areaOfAll(site: SiteFrame, page: Page, members: readonly Node[]): [string, Layered<unknown>][] {
  const all = new Map(
    site.views.list.map((view) => [
      view.id,
      united(members.map((node) => placementIn(site, page, node, view.id))),
    ]),
  );
  const names = ['column', 'span', 'row', 'rows'] as const;
  return names.map((name) => [
    PLACEMENT_PROPERTIES[name],
    express(site.views, (view) => knownIn(all, view.id)[name]),
  ]);
}

/** Whether elements of a kind are nothing but a container, which can be taken apart. */
export const isGroup = (kind: string): boolean => ['group', 'column', 'card', 'row'].includes(kind);

const ALTERNATES =
  'Only one of a set of alternates shows; grouped or taken apart, several of them would show. Nothing was changed.';

/** Puts a run of siblings into a group of their own, in every view. In a row it takes the columns that they took. */
export const groupElements: Command<GroupElements> = {
  run(site, draft, { nodes: ids, id }): Outcome<string> {
    const nodes = found(draft, ids);
    if (!nodes.ok) return nodes;
    const parentId = nodes.value[0].parent;
    if (parentId === null || nodes.value.some(({ parent }) => parent !== parentId))
      return refused('Only elements in the same container can be grouped. Nothing was changed.');
    const parent = draft.nodes[parentId];
    if (hasTrait(parent, 'alternating')) return refused(ALTERNATES);
    const members = parent.children.filter((each) => ids.includes(each)).map((each) => draft.nodes[each]);
    const first = parent.children.indexOf(members[0].id);
    if (members.some((node, index) => parent.children[first + index] !== node.id))
      return refused('Only elements next to each other can be grouped. Nothing was changed.');
    const odd = members.find(({ kind }) => !accepts({ kind: 'group' }, kind));
    if (!accepts(parent, 'group') || odd)
      return refused(
        `${odd ? `A group takes no ${kindInWords(odd.kind)}` : `${parent.name} takes no group`}. Nothing was changed.`,
      );
    if (draft.nodes[id]) return refused('The page has an element of this id already; nothing was changed.');
    if (sharedPlaceOf(id) !== sharedPlaceOf(parentId))
      return refused('The id is not one for an element in this place; nothing was changed.');
    const gap = express(site.views, (view) => resolve(site, draft, parent, knownProperty('gap'), view.id));
    const taken = new Map(
      site.views.list.map((view) => [
        view.id,
        hasTrait(parent, 'row') ? columnsTaken(site, draft, parent, ids, view.id) : undefined,
      ]),
    );
    const orders = new Map(
      site.views.list.map((view) => [
        view.id,
        childrenIn(site, parent, view.id).filter((each) => ids.includes(each)),
      ]),
    );
    const areas = hasTrait(parent, 'overlaying') ? areaOfAll(site, draft, members) : [];
    const group: Node = {
      id,
      kind: 'group',
      name: knownKind('group').label,
      parent: parentId,
      children: [],
      style: {},
      content: {},
    };
    draft.nodes[id] = group;
    const ordered = parent.style.self?.order !== undefined;
    replaceAmong(
      site,
      parent,
      members.map((node) => node.id),
      [id],
      (view) => knownIn(orders, view)[0],
    );
    group.children = members.map((node) => node.id);
    if (ordered) storeOrder(site, group, (view) => knownIn(orders, view));
    store(group, 'self', 'gap', gap);
    if (hasTrait(parent, 'row')) {
      store(
        group,
        'self',
        'span',
        express(site.views, (view) => knownIn(taken, view.id).span),
      );
      const direction = express(site.views, (view) =>
        knownIn(taken, view.id).beside ? 'beside' : 'stacked',
      );
      if (direction.base !== 'stacked' || direction.at) store(group, 'self', 'direction', direction);
    }
    for (const [name, layered] of areas) store(group, 'self', name, layered);
    for (const node of members) {
      node.parent = id;
      fitted(draft, node);
    }
    return done(`${counted(members.length, 'element')} of ${parent.name}: grouped`);
  },
};

/** Takes a container away and leaves what is in it in its place, in every view. */
export const ungroupElement: Command<{ node: NodeId }> = {
  run(site, draft, { node: id }): Outcome<string> {
    const nodes = found(draft, [id]);
    if (!nodes.ok) return nodes;
    const [group] = nodes.value;
    const parent = group.parent === null ? undefined : draft.nodes[group.parent];
    if (hasTrait(parent, 'alternating')) return refused(ALTERNATES);
    const odd = parent && group.children.find((each) => !accepts(parent, draft.nodes[each].kind));
    if (!parent || !isGroup(group.kind) || odd)
      return refused(`${group.name} is no group that could be taken apart. Nothing was changed.`);
    const apart = group.audience && group.children.find((each) => draft.nodes[each].audience);
    if (apart && draft.nodes[apart].audience !== group.audience)
      return refused(
        `${group.name} and ${draft.nodes[apart].name} in it are for different visitors, so nobody would see it; set one of them to everyone first. Nothing was changed.`,
      );
    const span = group.style.self?.span;
    const orders = new Map(site.views.list.map((view) => [view.id, childrenIn(site, group, view.id)]));
    const outer = new Map(site.views.list.map((view) => [view.id, childrenIn(site, parent, view.id)]));
    const ordered = !!group.style.self?.order || !!parent.style.self?.order;
    parent.children.splice(parent.children.indexOf(id), 1, ...group.children);
    if (ordered)
      storeOrder(site, parent, (view) =>
        knownIn(outer, view).flatMap((each) => (each === id ? knownIn(orders, view) : [each])),
      );
    for (const each of group.children) {
      const node = draft.nodes[each];
      node.parent = parent.id;
      if (group.audience) forAudience(node, group.audience);
      // Where the group was not shown, what was in it stays hidden.
      if (group.style.self?.shown)
        store(
          node,
          'self',
          'shown',
          express(site.views, ({ id: view }) => saysShown(site, group, view) && saysShown(site, node, view)),
        );
      fitted(draft, node);
      if (span && hasTrait(parent, 'row') && !node.style.self?.span) store(node, 'self', 'span', span);
      if (!hasTrait(parent, 'overlaying')) continue;
      for (const name of Object.values(PLACEMENT_PROPERTIES)) {
        const layered = group.style.self?.[name];
        if (layered) store(node, 'self', name, layered);
      }
      settledInOverlay(site, draft, node);
    }
    const count = group.children.length;
    delete draft.nodes[id];
    return done(`${group.name}: taken apart in every view, ${counted(count, 'element')} left in its place`);
  },
};
