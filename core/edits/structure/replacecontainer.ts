import type { PropertyName, PropertyValues } from '../../elements/propertyvalues.ts';
import { sure } from '../../sure.ts';
import { express } from '../../layered/express.ts';
import type { View, ViewId } from '../../layered/views.ts';
import type { Box, MeasuredBoxes } from '../../layout/boxes.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { knownProperty, PROPERTIES } from '../../elements/propertytable.ts';
import { refused, type Outcome } from '../../outcome.ts';
import { applies, takes } from '../../site/applies.ts';
import type { Node } from '../../site/node.ts';
import { sharedPlaceOf } from '../../site/shared.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import { kindDefault, resolve } from '../../values/trace.ts';
import { store } from '../values/aim.ts';
import { fitted } from '../placement/placing.ts';
import { plain, renamed } from './structure.ts';
import { lookup } from '../../lookup.ts';

/** A container that is to become one of another kind. */
export interface ToOther {
  node: NodeId;
  /** The id of what stands in its place, or in it. */
  id: NodeId;
  /** The container as it was measured in each view. */
  measured: Record<ViewId, MeasuredBoxes>;
}

/** Why a container cannot be replaced as is asked; undefined where it can. */
export function strangeAsk(
  site: SiteFrame,
  draft: Page,
  { node, id, measured }: ToOther,
): Outcome<never> | undefined {
  if (draft.nodes[id] || sharedPlaceOf(id) !== sharedPlaceOf(node))
    return refused('The id is not one for an element in this place; nothing was changed.');
  if (site.views.list.some((view) => !measured[view.id]))
    return refused(`${draft.nodes[node].name} was not measured in every view. Nothing was changed.`);
  return undefined;
}

/** Keeps a value by view on an element; none where it is what holds there anyway. */
export function keep<Name extends PropertyName>(
  site: SiteFrame,
  node: Node,
  name: Name,
  by: (view: View) => PropertyValues[Name],
): void {
  const property = knownProperty(name);
  const layered = express(site.views, by);
  const plainly = !layered.at && site.views.list.every((view) => property.initial(view) === layered.base);
  store(node, 'self', name, plainly ? {} : layered);
}

/** Keeps a value in the views that one is meant for; in the others what holds there already. None where it is meant for none. */
export function keepWhere<Name extends PropertyName>(
  site: SiteFrame,
  page: Page,
  node: Node,
  name: Name,
  wanted: (view: View) => PropertyValues[Name] | undefined,
): void {
  const property = knownProperty(name);
  if (!takes(node.kind, property) || site.views.list.every((view) => wanted(view) === undefined)) return;
  keep(site, node, name, (view) => wanted(view) ?? resolve(site, page, node, property, view.id));
}

/** Puts a container of another kind in the place of one, with all that it says that means something there, and all that is in it. */
export function replacedBy(site: SiteFrame, draft: Page, from: Node, id: NodeId, kind: string): Node {
  const node: Node = { ...plain(from), id, kind, content: {} };
  delete node.textStyle;
  const parent = draft.nodes[sure(node.parent, 'parent')];
  draft.nodes[id] = node;
  // What its kind was by itself is said now, where the other kind is something else.
  for (const property of PROPERTIES) {
    if (!takes(from.kind, property) || !applies(property, kind, parent.kind)) continue;
    const own = lookup(node.style.self, property.name);
    const by = (of: string, view: View): unknown => kindDefault(of, property, view) ?? property.initial(view);
    if (own?.base !== undefined || site.views.list.every((view) => by(from.kind, view) === by(kind, view)))
      continue;
    const layered = express(site.views, (view) => by(from.kind, view));
    store(node, 'self', property.name, own ? { ...own, base: layered.base } : layered);
  }
  const names = new Map([[from.id, id]]);
  parent.children = parent.children.map((each) => names.get(each) ?? each);
  parent.style = renamed(plain(parent).style, names);
  for (const child of node.children) draft.nodes[child].parent = id;
  delete draft.nodes[from.id];
  fitted(draft, node);
  return node;
}

/** A child of a measured container in a view: its box, where it is shown, and how wide what it stands in is. */
export const boxIn = (
  measured: Record<ViewId, MeasuredBoxes>,
  view: View,
  id: NodeId,
): { box: Box | undefined; within: number } => {
  const { boxes, width } = measured[view.id];
  return { box: boxes[id], within: width };
};
