import { curvePiece, MOST_ZOOM, type Curve } from '../type/curve.ts';
import { greatest, kinksOf, least, pixels, plus, WINDOW, type Measure } from '../type/measure.ts';
import { isProportional, type TextSize } from '../type/textsize.ts';
import { knownKind } from '../elements/kinds/table.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { PARTS, type Part } from '../elements/parts.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { PropertyName, PropertyValues } from '../elements/propertyvalues.ts';
import { viewOf, widthsOf, type ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame, TextStyle } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { ofStyle, trace, type Source } from './trace.ts';
import { widthsIn, type Widths } from './widths.ts';

/** px; the narrowest and the widest windows that text is looked at in. */
export const CURVE_WIDTHS = { from: 280, to: 2560 };

/** What a text style says of a property in a view by the property's name. */
export const styleValueIn = <Name extends PropertyName>(
  site: SiteFrame,
  style: TextStyle,
  name: Name,
  view: ViewId,
): PropertyValues[Name] => ofStyle(site, style, knownProperty(name), view);

function curveBy(
  site: SiteFrame,
  sizeIn: (view: ViewId) => TextSize,
  placeIn: (view: ViewId) => Measure,
): Curve {
  return site.views.list.flatMap(({ id }) => {
    const within = zoomedWidths(site, id);
    if (!within) return [];
    const size = sizeIn(id);
    return [curvePiece(within.from, within.below, size, isProportional(size) ? placeIn(id) : undefined)];
  });
}

/** px; the widths of a view among those that text is looked at in, and those that zoom makes of them. */
function zoomedWidths(site: SiteFrame, view: ViewId): { from: number; below: number } | undefined {
  const [least, most] = [CURVE_WIDTHS.from / MOST_ZOOM, CURVE_WIDTHS.to];
  const range = widthsOf(site.views, view);
  const [from, below] = [Math.max(least, range.from ?? least), Math.min(most, range.below ?? most)];
  return from < below ? { from, below } : undefined;
}

/** px; the widths between which what is so wide in each view is straight. */
export const measureTurns = (site: SiteFrame, measureIn: (view: ViewId) => Measure): number[] =>
  site.views.list.flatMap(({ id }) => {
    const within = zoomedWidths(site, id);
    return within ? kinksOf(measureIn(id), within.from, within.below) : [];
  });

/** px; how wide a place is that has all columns of a page: that is what a share is of where nothing else is known. */
export function wholePlace({ views }: SiteFrame, view: ViewId): Measure {
  const { maxWidth, margin } = viewOf(views, view).grid;
  return greatest(pixels(0), least(pixels(maxWidth), plus(WINDOW, -2 * margin)));
}

/** The size of a text style over all widths, in a place that has all columns of a page. */
export const styleCurve = (site: SiteFrame, style: TextStyle): Curve =>
  curveBy(
    site,
    (view) => styleValueIn(site, style, 'size', view),
    (view) => wholePlace(site, view),
  );

/** A text that has a size: an element of a page, or one of its parts. */
export interface SizedText {
  node: NodeId;
  part: Part;
  name: string;
  curve: Curve;
}

/** Where the size of an element, or of a part of it, comes from in a view: what it is a share of is the place of that element. */
function sizeHolder(source: Source, node: NodeId): NodeId {
  if (source.from === 'parent') return sizeHolder(source.source, source.node);
  return source.from === 'element' ? source.node : node;
}

/** The size of an element, or of a part of it, over all widths. */
export function textCurve(
  site: SiteFrame,
  page: Page,
  node: Node,
  part: Part = 'self',
  widths: Widths = widthsIn(site, page),
): Curve {
  const traced = (view: ViewId) => trace(site, page, node, part, knownProperty('size'), view);
  return curveBy(
    site,
    (view) => traced(view).value,
    (view) => widths.placeIn(sizeHolder(traced(view).source, node.id), view),
  );
}

/** The texts of a page, in source order, and those of their parts that have a size of their own. */
export function sizedTexts(site: SiteFrame, page: Page): SizedText[] {
  const widths = widthsIn(site, page);
  return sourceOrder(page).flatMap((node) => {
    const { traits, parts: known = {} } = knownKind(node.kind);
    const own = (part: Part) => node.style[part]?.size !== undefined;
    const parts = PARTS.filter((part) =>
      part === 'self' ? traits.includes('words') : known[part] && own(part),
    );
    return parts.map((part): SizedText => {
      const label = known[part]?.label;
      return {
        node: node.id,
        part,
        name: label ? `${node.name}, ${label.toLowerCase()}` : node.name,
        curve: textCurve(site, page, node, part, widths),
      };
    });
  });
}
