import { sure } from '../sure.ts';
import { hasTrait } from '../elements/kinds/table.ts';
import { heldSpan } from '../layout/spans.ts';
import {
  fluidMeasure,
  greatest,
  least,
  minus,
  pixels,
  plus,
  ROOM,
  sum,
  times,
  WINDOW,
  type Measure,
} from '../type/measure.ts';
import { viewOf, type ViewId } from '../layered/views.ts';
import { applies } from '../site/applies.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { PAGE_IMAGE_SHARE } from '../elements/properties/kindspecific.ts';
import { PAGE_LAYOUT } from '../elements/properties/layout.ts';
import { OVERLAY, type Hold } from '../elements/properties/area.ts';
import type { Offset } from '../elements/valuetypes/offset.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { Ratio } from '../elements/valuetypes/geometry.ts';
import type { Extent } from '../elements/valuetypes/extent.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { spaceAt } from '../theme/spacing.ts';
import { isFluid } from '../type/fluid.ts';
import type { Distance } from '../elements/valuetypes/space.ts';
import { resolve } from './trace.ts';
import { isOpened } from './interleaving.ts';
import { childrenIn, isShown } from './visibility.ts';

const NOTHING = pixels(0);
const notNegative = (measure: Measure): Measure => greatest(measure, NOTHING);

/**
 * How wide boxes are in a window, from the columns, gaps, paddings and limits of each view. The page is laid out by grids whose tracks
 * follow no content (CSS Grid 2, §12), so that a width is known without looking at what stands in it. Only a box that is neither
 * stretched nor given a width follows its words; of it the greatest width is told that it can have.
 */
export function widthsIn(site: SiteFrame, page: Page) {
  const known = new Map<string, Measure>();
  /** The element whose room the widths are told by, in hundredths; null: they are told by the window. */
  let relativeTo: NodeId | null = null;

  const value = <T>(node: Node, name: string, view: ViewId): T | undefined => {
    const property = knownProperty(name);
    const parent = node.parent === null ? undefined : page.nodes[node.parent].kind;
    return applies(property, node.kind, parent)
      ? (resolve(site, page, node, property, view) as T)
      : undefined;
  };
  const space = (node: Node, name: string, view: ViewId): Measure => {
    const distance = value<Distance>(node, name, view) ?? 0;
    const size = isFluid(distance) ? distance : spaceAt(site, distance, view);
    return isFluid(size) ? fluidMeasure(size) : pixels(size);
  };
  const borders = (node: Node, view: ViewId): number =>
    (value<number>(node, 'borderLeft', view) ?? 0) + (value<number>(node, 'borderRight', view) ?? 0);

  /** px; what the borders at the start and the end take of a box, and those above and below it. */
  const bordersOf = (node: Node, view: ViewId): { beside: number; above: number } => ({
    beside: borders(node, view),
    above: (value<number>(node, 'borderTop', view) ?? 0) + (value<number>(node, 'borderBottom', view) ?? 0),
  });

  /** What an extent is where so much room is; undefined where the box follows what it stands in or holds. */
  const extent = (value: Extent | undefined, room: Measure): Measure | undefined => {
    if (value === undefined || value === 'auto') return undefined;
    return 'px' in value ? pixels(value.px) : times(room, value.percent / 100);
  };

  /** The area of the grid that a child of an element stands in. */
  function area(parent: Node, child: Node, view: ViewId): Measure {
    if (isOpened(site, page, parent, view)) return contentWidth(page.nodes[sure(parent.parent)], view);
    const content = contentWidth(parent, view);
    const { grid } = viewOf(site.views, view);
    switch (parent.kind) {
      case 'section': {
        const { parent: around } = parent;
        const inRegion = around !== null && hasTrait(page.nodes[around], 'region');
        return value<boolean>(child, 'bleed', view)
          ? content
          : notNegative(least(pixels(grid.maxWidth), plus(content, inRegion ? 0 : -2 * grid.margin)));
      }
      case 'row':
      case PAGE_LAYOUT:
      case OVERLAY: {
        const { columns, gutter } = grid;
        const gap = hasTrait(parent, 'overlaying') ? pixels(gutter) : space(parent, 'gap', view);
        const span = heldSpan(value<number>(child, 'span', view) ?? columns, columns);
        const gaps = (columns - span) / columns;
        // A gap is a column's share of the row at most.
        return greatest(
          minus(times(content, span / columns), times(gap, gaps)),
          times(content, span / columns - gaps / columns),
        );
      }
      default: {
        if (value<string>(parent, 'direction', view) !== 'beside') return content;
        const count = childrenIn(site, parent, view).filter((id) =>
          isShown(site, page, page.nodes[id], view),
        ).length;
        if (count < 2) return content;
        return notNegative(
          minus(times(content, 1 / count), times(space(parent, 'gap', view), (count - 1) / count)),
        );
      }
    }
  }

  /**
   * The width of what stands on the page and has both a height and a shape: it is not stretched then (CSS Box Alignment 3, §6.1, of
   * `normal`; CSS Sizing 4, §5.1). Undefined for all else.
   */
  function byRatio(node: Node, view: ViewId): Measure | undefined {
    const [height, shape] = [
      value<number | 'auto'>(node, 'height', view),
      value<Ratio | 'auto'>(node, 'aspectRatio', view),
    ];
    if (typeof height !== 'number' || typeof shape !== 'object') return undefined;
    const tall = Math.max(height, value<number>(node, 'minHeight', view) ?? 0);
    return pixels((tall * shape.width) / shape.height);
  }

  /** The room that an element keeps at its start and its end. */
  function besideOf(node: Node, view: ViewId): Measure {
    const offset = value<Offset>(node, 'offsetAcross', view);
    if (!offset) return sum(space(node, 'marginLeft', view), space(node, 'marginRight', view));
    const sides = { start: 1, center: 0, end: 1, stretch: 2 }[sure(value<Hold>(node, 'heldAcross', view))];
    return pixels('px' in offset ? offset.px * sides : 0);
  }

  /** What an element keeps to across, of the place that it has. */
  function alignOf(node: Node, parent: Node, view: ViewId): string {
    const held = value<Hold>(node, 'heldAcross', view);
    const own = held ?? value<string>(node, 'blockAlign', view) ?? 'auto';
    return own === 'auto' ? (value<string>(parent, 'justifyItems', view) ?? 'stretch') : own;
  }

  /** The width of an element from edge to edge; `natural`, px, is what it takes where it is not stretched and has no width of its own. */
  function outerWidth(node: Node, view: ViewId, natural?: number): Measure {
    if (node.parent === null) return WINDOW;
    const parent = page.nodes[node.parent];
    if (parent.parent === null) return byRatio(node, view) ?? WINDOW;
    const room = area(parent, node, view);
    const free = notNegative(minus(room, besideOf(node, view)));
    const align = alignOf(node, parent, view);
    const taken = align === 'stretch' || natural === undefined ? free : least(pixels(natural), free);
    let width = extent(value<Extent>(node, 'width', view), room) ?? taken;
    const most = extent(value<Extent>(node, 'maxWidth', view), room);
    if (most) width = least(width, most);
    const fewest = extent(value<Extent>(node, 'minWidth', view), room);
    return fewest ? greatest(width, fewest) : width;
  }

  /** The room inside an element’s borders and paddings. */
  function contentWidth(node: Node, view: ViewId): Measure {
    if (node.id === relativeTo) return ROOM;
    const key = `${node.id} ${view} ${relativeTo ?? ''}`;
    const before = known.get(key);
    if (before) return before;
    const padding = sum(space(node, 'paddingLeft', view), space(node, 'paddingRight', view));
    const inner = notNegative(minus(plus(outerWidth(node, view), -borders(node, view)), padding));
    // A layout keeps the margins of the page.
    const { grid } = viewOf(site.views, view);
    const made = hasTrait(node, 'page layout')
      ? notNegative(least(pixels(grid.maxWidth), plus(inner, -2 * grid.margin)))
      : inner;
    known.set(key, made);
    return made;
  }

  /** Whether an element is as wide as what is in it, where there is room. */
  function followsContent(node: Node, view: ViewId): boolean {
    if (node.parent === null || node.parent === page.root) return false;
    const parent = page.nodes[node.parent];
    const width = value<Extent>(node, 'width', view) ?? 'auto';
    return width === 'auto' && alignOf(node, parent, view) !== 'stretch';
  }

  /** The nearest element around one whose width follows nothing that is in it; null: the page. */
  function holderOf(node: Node, view: ViewId): NodeId | null {
    let holder = node.parent;
    for (let at = holder; at !== null && at !== page.root; at = page.nodes[at].parent)
      if (followsContent(page.nodes[at], view)) holder = page.nodes[at].parent;
    return holder === page.root ? null : holder;
  }

  /** How wide the place is that an element has, without what it keeps free beside itself. */
  function place(node: Node, view: ViewId): Measure {
    return node.parent === null ? WINDOW : area(page.nodes[node.parent], node, view);
  }

  return {
    /** How wide the place is that an element has in a view. */
    placeIn: (id: NodeId, view: ViewId): Measure => place(page.nodes[id], view),
    /** The same, relative to the room of the nearest element whose width follows nothing that is in it; what follows the window stays so. */
    placeWithin(id: NodeId, view: ViewId): { holder: NodeId | null; across: Measure } {
      const holder = holderOf(page.nodes[id], view);
      relativeTo = holder;
      try {
        return { holder, across: place(page.nodes[id], view) };
      } finally {
        relativeTo = null;
      }
    },
    /** How much room there is for the words of an element in a view. */
    roomIn: (id: NodeId, view: ViewId): Measure => contentWidth(page.nodes[id], view),
    /**
     * How wide an image is shown in an element in a view: the one that it is, or each of those that it has side by side. One that covers
     * its box, which has a shape with its borders (CSS Sizing 4, §5.1), is drawn wider where the box is high; both shapes are width to height.
     */
    pictureWidth(
      id: NodeId,
      view: ViewId,
      natural: number,
      covering?: { box: number; picture: number },
    ): Measure {
      const node = page.nodes[id];
      const { beside, above } = bordersOf(node, view);
      const drawn = (outer: Measure): Measure => {
        const across = notNegative(plus(outer, -beside));
        if (!covering) return across;
        return greatest(across, times(plus(times(outer, 1 / covering.box), -above), covering.picture));
      };
      const tiled = hasTrait(node, 'tiled');
      const outer = outerWidth(node, view, tiled ? undefined : natural + borders(node, view));
      if (!tiled) return drawn(outer);
      const tiles = sure(value<number>(node, 'tiles', view));
      const gaps = times(space(node, 'gap', view), (tiles - 1) / tiles);
      const entry = minus(times(outer, 1 / tiles), gaps);
      const narrow = hasTrait(node, 'page list') && value<string>(node, 'pageImages', view) === 'beside';
      return drawn(narrow ? times(entry, 1 / PAGE_IMAGE_SHARE) : entry);
    },
  };
}

export type Widths = ReturnType<typeof widthsIn>;
