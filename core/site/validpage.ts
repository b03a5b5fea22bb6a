import { nodeId, type NodeId } from '../elements/nodeid.ts';
import { keysOf, lookup } from '../lookup.ts';
import { sure } from '../sure.ts';
import { hasTrait, kindOf, standsOnPage, takesKind } from '../elements/kinds/table.ts';
import equal from 'fast-deep-equal';
import type { Kind } from '../elements/kinds/kind.ts';
import type { Part } from '../elements/parts.ts';
import type { Property } from '../elements/properties/property.ts';
import { propertyOf } from '../elements/propertytable.ts';
import { schemaFaults, type Fault } from '../faults.ts';
import { pointer } from '../pointer.ts';
import { applies } from './applies.ts';
import type { Node, PartStyle } from './node.ts';
import { linkedAt, sharedPlaceOf, takesLinked } from './shared.ts';
import type { Page, SiteFrame, TreeName } from './site.ts';
import { styleFaults } from './validvalues.ts';

/**
 * What a page of the right shape breaks of the rules: all of it, or, where the rest is known to be valid in this frame,
 * `nodes` and how they hang together with the others.
 */
export function pageRules(page: Page, frame: SiteFrame, path: string, nodes?: Iterable<NodeId>): Fault[] {
  const strangers = [...(nodes ?? keysOf(page.nodes))].filter(sharedPlaceOf);
  if (strangers.length > 0)
    return strangers.map((id) => ({
      path: pointer(path, 'nodes', id),
      sentence: 'Its id is one of elements that all pages share; an element of one page needs another.',
    }));
  return treeRules(page, frame, path, nodes, (id) => linkedAt(frame, id));
}

const ROOT = nodeId('page');
const SECTION = nodeId('section');
const ROW = nodeId('row');

/**
 * What a tree that stands beside the pages breaks of the rules: it has to be right on a page that holds nothing else; a saved block
 * that is no section, in a row of a section.
 */
export function sharedRules(tree: Page, frame: SiteFrame, place: TreeName, path: string): Fault[] {
  const strangers = keysOf(tree.nodes).filter((id) => sharedPlaceOf(id) !== place);
  const root = tree.nodes[tree.root] as Node | undefined;
  if (strangers.length > 0 || !root)
    return (strangers.length > 0 ? strangers : [tree.root]).map((id) => ({
      path: pointer(path, 'nodes', id),
      sentence:
        'Ids of elements that all pages share begin in a way of their own, and its root is among them.',
    }));
  if (root.parent !== null || tree.id !== (place as string))
    return [{ path, sentence: 'What all pages share is known by its place, and hangs on no page.' }];
  const page: Node = {
    id: ROOT,
    kind: 'page',
    name: place,
    parent: null,
    children: [root.id],
    style: {},
    content: {},
  };
  const inRow = place.startsWith('kept-') && !standsOnPage(root.kind);
  const holder = (id: NodeId, kind: string, parent: NodeId, child: NodeId): Record<NodeId, Node> => ({
    [id]: { ...page, id, kind, parent, children: [child] },
  });
  const nodes = {
    ...tree.nodes,
    ...(inRow && { ...holder(SECTION, 'section', ROOT, ROW), ...holder(ROW, 'row', SECTION, root.id) }),
    [root.id]: { ...root, parent: inRow ? ROW : ROOT },
    [ROOT]: inRow ? { ...page, children: [SECTION] } : page,
  };
  return treeRules({ id: tree.id, root: ROOT, nodes }, frame, path);
}

/** The saved block of which an element is the outermost, for a tree in which blocks can be linked. */
type Linked = (id: NodeId) => Page | undefined;

function treeRules(
  page: Page,
  frame: SiteFrame,
  path: string,
  nodes?: Iterable<NodeId>,
  linked: Linked = () => undefined,
): Fault[] {
  const root = page.nodes[page.root];
  if (!root || !hasTrait(root, 'page') || root.parent !== null) {
    return [
      {
        path: `${path}/root`,
        sentence: 'The root of a page is an element of the kind “page” without a parent.',
      },
    ];
  }
  const faults = treeFaults(page, path, linked);
  if (faults.length > 0) return faults;
  const meant = nodes ? [...nodes].flatMap((id) => page.nodes[id] ?? []) : Object.values(page.nodes);
  return meant.flatMap((node) => nodeFaults(node, page, frame, pointer(path, 'nodes', node.id)));
}

/** How deep elements of a page may stand in each other. */
export const DEEPEST = 40;

/** Whether the elements of a page make one tree, and none too deep. */
function treeFaults(page: Page, path: string, linked: Linked): Fault[] {
  const faults: Fault[] = [];
  const reached = new Set<string>();
  const walk = (id: NodeId, parent: NodeId | null, from: string, depth = 0): void => {
    const node = page.nodes[id] as Node | undefined;
    if (reached.has(id)) faults.push({ path: from, sentence: `The element “${id}” is in two places.` });
    else if (!node) {
      const block = parent === null ? undefined : linked(id);
      const fault = block
        ? misplacedBlock(page, page.nodes[sure(parent, 'parent')], block)
        : `There is no element “${id}”.`;
      if (fault) faults.push({ path: from, sentence: fault });
      reached.add(id);
    } else if (node.id !== id || node.parent !== parent) {
      faults.push({
        path: pointer(path, 'nodes', id),
        sentence: 'Its id and its parent do not agree with its place.',
      });
    } else if (depth > DEEPEST) {
      if (faults.length === 0)
        faults.push({
          path: from,
          sentence: `Elements are at most ${DEEPEST} levels deep; this one is deeper.`,
        });
    } else {
      reached.add(id);
      node.children.forEach((child, index) =>
        walk(child, id, pointer(path, 'nodes', id, 'children', index), depth + 1),
      );
    }
  };
  walk(page.root, null, `${path}/root`);
  if (faults.length > 0) return faults;
  return Object.keys(page.nodes)
    .filter((id) => !reached.has(id))
    .map((id) => ({
      path: pointer(path, 'nodes', id),
      sentence: 'The element has no parent and would be lost.',
    }));
}

/** Why a block cannot be linked in a parent, or undefined. */
function misplacedBlock(page: Page, parent: Node, { root, nodes }: Page): string | undefined {
  const { kind, name } = nodes[root];
  const fits = takesLinked(parent) && takesKind(parent.kind, kind);
  return fits ? undefined : `The linked block “${name}” cannot be in a ${placeHolder(page, parent).kind}.`;
}

/** What decides which kinds may stand in a parent: of alternates, what the set of them stands in. */
const placeHolder = (page: Page, parent: Node): Node =>
  hasTrait(parent, 'alternating') && parent.parent !== null ? page.nodes[parent.parent] : parent;

function nodeFaults(node: Node, page: Page, frame: SiteFrame, path: string): Fault[] {
  const kind = kindOf(node.kind);
  if (!kind) return [{ path: `${path}/kind`, sentence: `There is no kind of element “${node.kind}”.` }];
  const faults: Fault[] = [];
  const parent = node.parent === null ? undefined : page.nodes[node.parent];
  const holder = parent && placeHolder(page, parent);
  if (parent && ![parent, holder].every((each) => takesKind(sure(each, 'each').kind, node.kind))) {
    faults.push({
      path: `${path}/parent`,
      sentence: `A ${node.kind} cannot be in a ${sure(holder, 'holder').kind}.`,
    });
  }
  if (!parent && !hasTrait(node, 'page')) {
    faults.push({ path: `${path}/parent`, sentence: 'Only the page itself has no parent.' });
  }
  if (node.audience !== undefined && hasTrait(parent, 'alternating'))
    faults.push({
      path: `${path}/audience`,
      sentence: 'Each of a set of alternates is for everyone.',
    });
  if (node.textStyle !== undefined && !frame.textStyles.some((style) => style.id === node.textStyle)) {
    faults.push({ path: `${path}/textStyle`, sentence: `The site has no text style “${node.textStyle}”.` });
  }
  for (const [part, style] of Object.entries(node.style) as [Part, PartStyle][]) {
    const allowed = (property: Property) => applies(property, node.kind, parent?.kind, part);
    faults.push(...styleFaults(style, pointer(path, 'style', part), frame, allowed));
  }
  for (const required of kind.required ?? []) {
    if (lookup(node.style.self, required)?.base === undefined) {
      const label = sure(propertyOf(required)).label;
      faults.push({
        path: pointer(path, 'style', 'self', required),
        sentence: `${label} needs a value in the base view.`,
      });
    }
  }
  return [...faults, ...contentFaults(node, kind, frame, `${path}/content`)];
}

function contentFaults(node: Node, kind: Kind, frame: SiteFrame, path: string): Fault[] {
  return Object.entries(node.content).flatMap(([name, value]) => {
    const field = kind.content.find((candidate) => candidate.name === name);
    const here = pointer(path, name);
    if (!field) return [{ path: here, sentence: `A ${node.kind} has no “${name}”.` }];
    const shape = schemaFaults(field.type.schema, value);
    if (shape.length > 0) return shape.map((fault) => ({ ...fault, path: here + fault.path }));
    const fault = field.type.fault?.(value, frame);
    if (fault) return [{ path: here, sentence: fault }];
    if (!equal(field.type.clean(value), value)) {
      return [
        {
          path: here,
          sentence: 'The text contains markup that is not allowed here; it has to be cleaned first.',
        },
      ];
    }
    return [];
  });
}
