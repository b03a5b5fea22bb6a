/** A box in the page's px. */
export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Where a dragged block would go among its siblings. */
export interface Insertion {
  /** Its place among the siblings without itself, 0-based. */
  place: number;
  /** The line to show there. */
  line: Box;
}

const right = (box: Box) => box.left + box.width;
const bottom = (box: Box) => box.top + box.height;
const beside = (one: Box, other: Box) => one.top < bottom(other) && other.top < bottom(one);

/** px; the thickness of the line, and how far it keeps from a block at the end. */
const LINE = 4;

/**
 * The place that a pointer means among siblings that stand in reading order: side by side it lies between those whose
 * middles are left and right of it; stacked, between those above and below.
 */
export function insertionAt(
  siblings: readonly Box[],
  pointer: { x: number; y: number },
): Insertion | undefined {
  if (siblings.length === 0) return undefined;
  const hasNeighbour = (box: Box) => siblings.some((other) => other !== box && beside(box, other));
  const passed = siblings.map((box) => {
    if (!hasNeighbour(box)) return pointer.y > box.top + box.height / 2;
    if (pointer.y > bottom(box)) return true;
    return pointer.y > box.top && pointer.x > box.left + box.width / 2;
  });
  const place = passed.lastIndexOf(true) + 1;
  const next = siblings[place];
  const before = siblings[place - 1];
  const at = next ?? before;
  if (hasNeighbour(at)) {
    return {
      place,
      line: { left: next ? next.left - LINE : right(before), top: at.top, width: LINE, height: at.height },
    };
  }
  return {
    place,
    line: { left: at.left, top: next ? next.top - LINE : bottom(before), width: at.width, height: LINE },
  };
}
