import type { NodeId } from '../elements/nodeid.ts';
import { heightOf, widthOf, type Edges } from './edges.ts';

/** An element of a page as a browser shows it. */
export interface Shown {
  node: NodeId;
  /** The element that it stands in, where that is shown. */
  parent?: NodeId;
  box: Edges;
  /** How it looks itself, without what stands in it, as text: the same looks have the same text. */
  look: string;
  /** Others stand in it: that they need more or less room changes its size. */
  holds: boolean;
}

/** A place at which two images of a page differ. */
export interface Differing {
  node: NodeId;
  box: Edges;
  /** `looks`: it is another thing, or there only here; `place`: it stands elsewhere, or is of another size. */
  by: 'looks' | 'place';
}

/** px; browsers round. */
const SAME = 0.6;

const apart = (one: number, other: number): boolean => Math.abs(one - other) > SAME;

const sameSize = (one: Edges, other: Edges): boolean =>
  !apart(widthOf(one), widthOf(other)) && !apart(heightOf(one), heightOf(other));

/** How far one corner lies from another. */
const offset = ({ box }: Shown, from: Shown | undefined): [number, number] => [
  box.left - (from?.box.left ?? 0),
  box.top - (from?.box.top ?? 0),
];

/**
 * The places at which a page differs from what it was, in each of the two: what looks different, and what stands elsewhere. Where all
 * that stands in something moved with it, only that is told.
 */
export function differing(
  before: readonly Shown[],
  after: readonly Shown[],
): { before: Differing[]; after: Differing[] } {
  const [were, are] = [before, after].map((list) => new Map(list.map((each) => [each.node, each])));
  const how = (
    one: Shown,
    other: Shown | undefined,
    own: typeof were,
    others: typeof were,
  ): Differing['by'] | undefined => {
    if (!other || one.look !== other.look) return 'looks';
    if (!sameSize(one.box, other.box)) return one.holds ? 'place' : 'looks';
    const [mine, theirs] = [
      offset(one, one.parent && own.get(one.parent)),
      offset(other, other.parent && others.get(other.parent)),
    ];
    return one.parent !== other.parent || apart(mine[0], theirs[0]) || apart(mine[1], theirs[1])
      ? 'place'
      : undefined;
  };
  const describe = (list: readonly Shown[], own: typeof were, others: typeof were) =>
    list.flatMap((each): Differing[] => {
      const by = how(each, others.get(each.node), own, others);
      return by ? [{ node: each.node, box: each.box, by }] : [];
    });
  return { before: describe(before, were, are), after: describe(after, are, were) };
}
