import type { Curve } from '../type/curve.ts';
import type { TextSize } from '../type/fluid.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { held } from '../layered/resolve.ts';
import { viewOf, widthsOf, type ViewId } from '../layered/views.ts';
import type { SiteFrame, TextStyle } from '../site/site.ts';

/** px; the narrowest and the widest windows that text is looked at in. */
export const CURVE_WIDTHS = { from: 280, to: 2560 };

/** What a text style says of a property in a view; where it says nothing, what holds without it. */
export const styleValueIn = (site: SiteFrame, { style }: TextStyle, name: string, view: ViewId): unknown =>
  held(style.self?.[name], site.views, view)?.value ?? knownProperty(name).initial(viewOf(site.views, view));

function curveBy(site: SiteFrame, sizeIn: (view: ViewId) => TextSize): Curve {
  const { from, to } = CURVE_WIDTHS;
  return site.views.list
    .map(({ id }) => {
      const range = widthsOf(site.views, id);
      return {
        from: Math.max(from, range.from ?? from),
        below: Math.min(to, range.below ?? to),
        size: sizeIn(id),
      };
    })
    .filter((piece) => piece.from < piece.below);
}

/** The size of a text style over all widths. */
export const styleCurve = (site: SiteFrame, style: TextStyle): Curve =>
  curveBy(site, (view) => styleValueIn(site, style, 'size', view) as TextSize);
