/** Reading a published page in Chromium, and comparing what is computed there with what core resolves. */
import { differenceEuclidean, parse as parseColour } from 'culori';
import {
  aliasOf,
  applies,
  childrenIn,
  isAtEdge,
  hiddenBy,
  isOpened,
  isShown,
  knownKind,
  knownProperty,
  plainText,
  PROPERTIES,
  resolve,
  textIn,
  PARTS,
  partsOfRow,
  partsOfRowIn,
  sizeAt,
  spaceAt,
  placementIn,
  takes,
  trace,
  viewAt,
  type Extent,
  type Node,
  type NodeId,
  type Page,
  type Part,
  type Property,
  type Site,
  isFluid,
  type TextSize,
  type View,
  type Views,
} from '../../core/index.ts';
import { sure } from '../../core/sure.ts';
import { heldSpan, heldStart } from '../../core/layout/spans.ts';
import { type Declarations } from '../../core/elements/properties/property.ts';
import { type Distance } from '../../core/elements/valuetypes/space.ts';
import { type Fluid } from '../../core/type/fluid.ts';
import type { SeenAt } from './reader.ts';

/** Kinds whose children stand one below another in every view. */
const STACKING = ['page', 'section'];

/** Declarations with what a property applies through a custom property written out. */
const spelledOut = ({ applied = {} }: Property, declarations: Declarations): Declarations => ({
  ...declarations,
  ...Object.fromEntries(
    Object.entries(applied).map(([name, text]) => [
      name,
      text.replace(/var\((--[\w-]+), [^)]*\)/g, (_var, custom: string) => declarations[custom]),
    ]),
  ),
});

/** px between the columns of a grid: what the columns leave of its width; what was set may have given way. */
function gapIn(style: Record<string, string>, tracks: readonly number[]): number {
  const px = (name: string) => parseFloat(style[name]) || 0;
  const edges = px('paddingLeft') + px('paddingRight') + px('borderLeftWidth') + px('borderRightWidth');
  const left = px('width') - edges - tracks.reduce((sum, track) => sum + track, 0);
  return left / Math.max(1, tracks.length - 1);
}

/**
 * The CSS of all values that are set somewhere, by view and element, and where in the element it belongs. Written on the
 * element itself it must change nothing: the style sheet has said the same already. This covers every property of the
 * table and every part, also those added later.
 */
export function declarationsOf(site: Site, page: Page) {
  const frame = site.frame;
  const properties = PROPERTIES.filter(
    (property) => property.css && !property.onChildren && property.name !== 'shown',
  );
  const ofPart = (node: Node, part: Part, view: View) => {
    const kind = knownKind(node.kind);
    const parent = node.parent === null ? undefined : page.nodes[node.parent];
    const inside = kind.parts?.[part]?.selector ?? '';
    return properties.flatMap((property) => {
      if (!applies(property, node.kind, parent?.kind, part)) return [];
      // A part of a column that is opened keeps to what its column said, which is looked at by itself (`box`).
      if (property.name === 'blockAlign' && parent && isOpened(frame, page, parent, view.id)) return [];
      const { value, source } = trace(frame, page, node, part, property, view.id);
      // A part that says nothing of its own takes what it stands in, which may be another part.
      if (source.from === 'initial' || (part !== 'self' && source.from === 'parent')) return [];
      const beside = (name: string) => resolve(frame, page, node, knownProperty(name), view.id);
      const context = {
        view,
        display: kind.display,
        gap: kind.gap ?? 'gap',
        required: kind.required ?? [],
        beside,
      };
      const media = part === 'self' && property.onMedia ? kind.media : undefined;
      return [{ inside: media ?? inside, declarations: spelledOut(property, property.css!(value, context)) }];
    });
  };
  const ofNode = (node: Node, view: View) => PARTS.flatMap((part) => ofPart(node, part, view));
  return Object.fromEntries(
    site.frame.views.list.map((view) => [
      view.id,
      Object.fromEntries(Object.values(page.nodes).map((node) => [node.id, ofNode(node, view)])),
    ]),
  );
}

/** Widths one pixel on both sides of every breakpoint, a fraction on both sides, and one inside every view. */
export function widthsToRead(views: Views): { width: number; zoom: number; view: string }[] {
  const whole = views.list.slice(1).flatMap(({ from }) => [from - 1, from, from + 1]);
  const inside = views.list.map((view) => view.sheet.width);
  // At a zoom of 1.25 a screen pixel is 0.8 CSS px: the last one below a breakpoint, and the first one above.
  const fractional = views.list
    .slice(1)
    .flatMap(({ from }) => [(Math.ceil(from * 1.25) - 1) / 1.25, (Math.floor(from * 1.25) + 1) / 1.25]);
  const widths = [
    ...[...whole, ...inside].map((width) => ({ width, zoom: 1 })),
    ...fractional.map((width) => ({ width, zoom: 1.25 })),
  ];
  return widths.map((entry) => ({ ...entry, view: viewAt(views, entry.width).id }));
}

/** Kinds that are nothing but the words of a field. */
const WORDS: Record<string, string> = { heading: 'text', text: 'text', button: 'label' };

const sameColour = differenceEuclidean('rgb');

export class Comparison {
  readonly faults: string[] = [];
  constructor(
    readonly site: Site,
    readonly page: Page,
    readonly view: View,
    readonly seen: SeenAt,
  ) {}

  value<T>(node: Node, property: string): T {
    return resolve(this.site.frame, this.page, node, knownProperty(property), this.view.id) as T;
  }

  /** A distance in px. */
  space(node: Node, property: string): number {
    const value = this.value<Distance>(node, property);
    const size = isFluid(value) ? value : spaceAt(this.site.frame, value, this.view.id);
    return isFluid(size) ? this.fluid(size) : size;
  }

  /** A fluid value at the width that is looked at, by its two ends. */
  fluid({ min, max, fromWidth, toWidth }: Fluid): number {
    const at = min + ((max - min) * (this.seen.width - fromWidth)) / (toWidth - fromWidth);
    return Math.min(max, Math.max(min, at));
  }

  same(node: Node, what: string, expected: unknown, found: unknown): void {
    if (expected !== found) this.fault(node, what, expected, found);
  }

  near(node: Node, what: string, expected: number, found: number, tolerance: number): void {
    if (!(Math.abs(expected - found) <= tolerance)) this.fault(node, what, expected, found);
  }

  fault(node: Node, what: string, expected: unknown, found: unknown): void {
    this.faults.push(
      `${node.name} at ${this.seen.width} px (${this.view.name}): ${what} should be ${String(expected)} and is ${String(found)}`,
    );
  }

  colour(node: Node, what: string, expected: string, found: string): void {
    const alias = aliasOf(expected);
    const wanted = parseColour(
      alias ? this.site.frame.colours.find((colour) => colour.id === alias)!.value : expected,
    );
    const got = parseColour(found);
    if (!wanted || !got || sameColour(wanted, got) > 0.012 || (wanted.alpha ?? 1) !== (got.alpha ?? 1))
      this.fault(node, what, expected, found);
  }

  text(node: Node, style: Record<string, string>): void {
    const size = sizeAt(this.value<TextSize>(node, 'size'), this.seen.width);
    const lines = this.value<number | Fluid>(node, 'lineHeight');
    // clamp() is written with five decimals of rem and of vw: 0.0001 px in a rem, 0.00001 of 1600 px in a vw.
    this.near(node, 'font-size', size, parseFloat(style.fontSize), 0.03);
    this.near(
      node,
      'line-height',
      size * (isFluid(lines) ? this.fluid(lines) : lines),
      parseFloat(style.lineHeight),
      0.1,
    );
    this.same(node, 'font-weight', String(this.value(node, 'weight')), style.fontWeight);
    this.same(
      node,
      'font-family',
      this.value<string>(node, 'family'),
      style.fontFamily.split(',')[0].replaceAll('"', '').toLowerCase(),
    );
  }

  /** The area of a part of an overlay, what of it the part keeps to, and how far from that. */
  area(node: Node, style: Record<string, string>): void {
    const at = placementIn(this.site.frame, this.page, node, this.view.id);
    this.same(node, 'first column', String(at.column), style.gridColumnStart);
    this.same(node, 'columns', `span ${at.span}`, style.gridColumnEnd);
    this.same(node, 'first row', String(at.row), style.gridRowStart);
    this.same(node, 'rows', at.rows, Number(style.gridRowEnd.replace('span ', '')));
    // Where nothing is said, a part is as wide as its area (CSS Grid 2, §6.2).
    this.same(node, 'held across', at.heldAcross, style.justifySelf.replace('auto', 'stretch'));
    this.same(node, 'held down', at.heldDown, style.alignSelf);
    if ('percent' in at.offsetAcross) return;
    const margin = (side: 'Left' | 'Right') => parseFloat(style[`margin${side}`]);
    const { px } = at.offsetAcross;
    const sides = { start: [px, 0], center: [px, -px], end: [0, px], stretch: [px, px] }[at.heldAcross];
    this.near(node, 'room at the start', sides[0], margin('Left'), 0.02);
    this.near(node, 'room at the end', sides[1], margin('Right'), 0.02);
  }

  box(node: Node, parent: Node, style: Record<string, string>): void {
    if (parent.kind === 'overlay') {
      this.area(node, style);
      this.width(node, parent, style);
      return;
    }
    // A part of a column that is opened keeps to what its column said, and takes all columns of the row.
    const opened = isOpened(this.site.frame, this.page, parent, this.view.id);
    const own = this.value<string>(node, 'blockAlign');
    const aligned = opened && own === 'auto' ? this.value<string>(parent, 'justifyItems') : own;
    this.same(node, 'justify-self', aligned, style.justifySelf);
    if (opened) {
      this.same(node, 'columns', '1 / -1', `${style.gridColumnStart} / ${style.gridColumnEnd}`);
      this.width(node, this.page.nodes[sure(parent.parent)], style);
      return;
    }
    if (parent.kind === 'row') this.columns(node, style);
    this.width(node, parent, style);
  }

  /** The columns that an element takes of its row, or a region of its layout. */
  columns(node: Node, style: Record<string, string>): void {
    const wanted = heldSpan(this.value<number>(node, 'span'), this.view.grid.columns);
    this.same(node, 'span', wanted, Number(style.gridColumnEnd.replace('span ', '')));
    const start = this.value<number | 'auto'>(node, 'start');
    const first = start === 'auto' ? start : heldStart(start, wanted, this.view.grid.columns);
    this.same(node, 'first column', String(first), style.gridColumnStart);
  }

  width(node: Node, parent: Node, style: Record<string, string>): void {
    const extent = this.value<Extent>(node, 'width');
    if (extent === 'auto') return;
    const above = this.seen.elements[parent.id].style;
    const tracks = above.gridTemplateColumns.split(' ').map(parseFloat);
    const shares = parent.kind === 'row' || parent.kind === 'overlay';
    const span = shares ? heldSpan(this.value<number>(node, 'span'), this.view.grid.columns) : 1;
    const whole = parent.kind === 'section' && this.value<boolean>(node, 'bleed');
    const track = whole
      ? tracks[0] + tracks[1] + tracks[2]
      : parent.kind === 'section'
        ? tracks[1]
        : tracks[0];
    const area = track * span + gapIn(above, tracks) * (span - 1);
    const pixels = (value: Extent, auto: number) =>
      value === 'auto' ? auto : 'px' in value ? value.px : (area * value.percent) / 100;
    const limited = Math.max(
      Math.min(pixels(extent, 0), pixels(this.value<Extent>(node, 'maxWidth'), Infinity)),
      pixels(this.value<Extent>(node, 'minWidth'), 0),
      ...[
        ['paddingLeft', 'paddingRight', 'borderLeftWidth', 'borderRightWidth'].reduce(
          (sum, side) => sum + parseFloat(style[side]),
          0,
        ),
      ],
    );
    // Layout snaps to 1/64 px in Chromium, once a track and gap.
    this.near(node, 'width', limited, parseFloat(style.width), 0.3);
  }

  container(node: Node): void {
    // What stays at the edges of the window has no place among the others.
    const inRows = (id: NodeId) => !isAtEdge(this.page.nodes[id].kind);
    const mixed = this.value<NodeId[] | undefined>(node, 'interleave')?.length && node.kind === 'row';
    const children = mixed
      ? partsOfRowIn(this.site.frame, this.page, node, this.view.id)
      : childrenIn(this.site.frame, node, this.view.id).filter(inRows);
    const depth = node.kind === 'overlay';
    const order = (id: string) => Number(this.seen.elements[id].style[depth ? 'zIndex' : 'order']);
    const source = mixed ? partsOfRow(this.page, node) : node.children.filter(inRows);
    const byBrowser = source.toSorted((a, b) => order(a) - order(b));
    this.same(node, 'order of parts', children.join(' '), byBrowser.join(' '));
    // A part aligned to the middle or the bottom may stick out of its row upwards; that is no matter of order.
    const upwards = ['alignItems', 'alignContent'].some(
      (name) => takes(node.kind, knownProperty(name)) && ['center', 'end'].includes(this.value(node, name)),
    );
    if (!STACKING.includes(node.kind) || upwards) return;
    const tops = children
      .filter((id) => this.seen.elements[id].shown)
      .map((id) => this.seen.elements[id].top);
    if (tops.some((top, index) => index > 0 && top < tops[index - 1] - 0.01))
      this.fault(node, 'parts vertically', children.join(' '), tops.join(' '));
  }

  /** What is read of an element is what it says in the view, and nothing of what it says in others. */
  said(node: Node, found: string): void {
    const field = WORDS[node.kind];
    if (!field) return;
    const words = plainText(textIn<string>(node, this.site.frame.views, field, this.view.id));
    // A browser makes capitals of words and breaks them as their style asks.
    const plain = (text: string) => text.replace(/[\s\u00ad]/g, '').toLowerCase();
    this.same(node, 'words', plain(words), plain(found));
  }

  element(node: Node): void {
    const { style, shown, source, times, words } = this.seen.elements[node.id];
    const hidden = hiddenBy(this.site.frame, this.page, node, this.view.id);
    const opened = isOpened(this.site.frame, this.page, node, this.view.id);
    this.same(node, 'shown', hidden === undefined && !opened, shown);
    if (node.kind !== 'page')
      this.same(
        node,
        'display: none',
        !isShown(this.site.frame, this.page, node, this.view.id),
        style.display === 'none',
      );
    if (hidden) return;
    // It has no box of its own (CSS Display 3, §2.5); its parts are looked at by themselves.
    if (opened) return this.same(node, 'display', 'contents', style.display);
    this.same(node, 'times displayed', 1, times);
    this.said(node, words);
    const kinds = (name: string) => takes(node.kind, knownProperty(name));
    if (kinds('size')) this.text(node, style);
    if (kinds('align')) this.same(node, 'text-align', this.value(node, 'align'), style.textAlign);
    if (kinds('colour')) this.colour(node, 'color', this.value(node, 'colour'), style.color);
    if (kinds('backgroundColour'))
      this.colour(node, 'background-color', this.value(node, 'backgroundColour'), style.backgroundColor);
    if (kinds('alignItems'))
      this.same(
        node,
        'align-items',
        this.value(node, 'alignItems'),
        style.alignItems.replace('normal', 'stretch'),
      );
    if (kinds('gap'))
      this.near(node, 'gap', this.space(node, 'gap'), parseFloat(style.rowGap.replace('normal', '0')), 0.02);
    if (kinds('paddingTop')) {
      for (const side of ['paddingTop', 'paddingRight', 'paddingBottom', 'paddingLeft'])
        this.near(node, side, this.space(node, side), parseFloat(style[side]), 0.02);
    }
    if (node.kind === 'region') this.columns(node, style);
    if (node.parent && kinds('width')) this.box(node, this.page.nodes[node.parent], style);
    if (node.kind === 'picture' && source) {
      const wanted = this.value<string>(node, 'source');
      if (!source.includes(`/${wanted}-`)) this.fault(node, 'picture', wanted, source);
    }
    if (node.children.length > 0) this.container(node);
  }
}
