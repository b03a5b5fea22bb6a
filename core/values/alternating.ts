import { lastOf } from '../sure.ts';
import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { ViewId } from '../layered/views.ts';
import { placeColumns } from '../layout/spans.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { columnsIn } from './columns.ts';
import { childrenIn } from './visibility.ts';

/** What a row of an image and words begins with. */
export type First = 'picture' | 'words';

/** Rows one after the other, each of an image and words, that do not all begin with the same. */
export interface AlternatingRun {
  parent: NodeId;
  rows: NodeId[];
}

/** How many rows make a run. */
const FEWEST = 2;

/** What a part of a row is: an image, with a caption perhaps, or words; undefined where it is both or neither. */
export function roleOf(page: Page, node: Node): First | undefined {
  const { traits, accepts } = knownKind(node.kind);
  if (accepts.length === 0) {
    if (traits.includes('image') && !hasTrait(node, 'logo')) return 'picture';
    return traits.includes('words') ? 'words' : undefined;
  }
  const roles = new Set(node.children.map((id) => roleOf(page, page.nodes[id])).filter(Boolean));
  // A column of words may have a small image among them; one of images has no headings.
  if (roles.has('words')) return roles.has('picture') ? undefined : 'words';
  return roles.has('picture') ? 'picture' : undefined;
}

/** The image and the words of a row of just these; undefined for others. */
function partsOf(page: Page, node: Node): Record<First, NodeId> | undefined {
  if (!hasTrait(node, 'row') || node.children.length !== 2) return undefined;
  const [one, other] = node.children.map((id) => ({ id, role: roleOf(page, page.nodes[id]) }));
  if (!one.role || !other.role || one.role === other.role) return undefined;
  return { [one.role]: one.id, [other.role]: other.id } as Record<First, NodeId>;
}

/** What a row of an image and words begins with in a view. */
export function firstInRow(site: SiteFrame, page: Page, node: Node, view: ViewId): First | undefined {
  const parts = partsOf(page, node);
  return parts && (childrenIn(site, node, view)[0] === parts.picture ? 'picture' : 'words');
}

/** Whether the parts of a row stand one below the other in a view. */
export function stacksIn(site: SiteFrame, page: Page, row: Node, view: ViewId): boolean {
  const { columns, children } = columnsIn(site, page, row, view);
  const lines = placeColumns(
    children.map(({ asks }) => asks),
    columns,
  ).map(({ row: line }) => line);
  return new Set(lines).size > 1;
}

/** The runs of rows on a page that alternate image and words in the base view, in source order. */
export function alternatingRuns(site: SiteFrame, page: Page): AlternatingRun[] {
  const { base } = site.views;
  return sourceOrder(page).flatMap((parent): AlternatingRun[] => {
    const runs: NodeId[][] = [[]];
    for (const id of parent.children) {
      if (partsOf(page, page.nodes[id])) lastOf(runs).push(id);
      else runs.push([]);
    }
    return runs
      .filter((rows) => {
        const firsts = new Set(rows.map((id) => firstInRow(site, page, page.nodes[id], base)));
        return rows.length >= FEWEST && firsts.size > 1;
      })
      .map((rows) => ({ parent: parent.id, rows }));
  });
}
