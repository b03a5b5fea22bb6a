import {
  ancestorsOf,
  knownKind,
  overrideCount,
  type Node,
  type NodeId,
  type Page,
  type ViewId,
} from '../../../../core/index.ts';

/** What the outline is narrowed to. */
export interface OutlineFilter {
  /** Part of a name or of a kind's label. */
  text: string;
  only: 'all' | 'overrides';
}

export const NO_FILTER: OutlineFilter = { text: '', only: 'all' };

export const isFiltering = ({ text, only }: OutlineFilter): boolean => text.trim() !== '' || only !== 'all';

/** The elements that pass a filter in a view, and those above them, so that the tree keeps its shape. */
export function passing(
  page: Page,
  view: ViewId,
  filter: OutlineFilter,
): { found: Set<NodeId>; shown: Set<NodeId> } {
  const wanted = filter.text.trim().toLowerCase();
  const fits = (node: Node): boolean => {
    if (
      wanted &&
      !node.name.toLowerCase().includes(wanted) &&
      !knownKind(node.kind).label.toLowerCase().includes(wanted)
    )
      return false;
    if (filter.only === 'overrides') return overrideCount(node, view) > 0;
    return true;
  };
  const found = new Set(
    Object.values(page.nodes)
      .filter(fits)
      .map((node) => node.id),
  );
  const shown = new Set([...found].flatMap((id) => [id, ...ancestorsOf(page, id)]));
  return { found, shown };
}
