import { knownProperty } from '../elements/propertytable.ts';
import { held } from '../layered/resolve.ts';
import { lookup } from '../lookup.ts';
import { mediaCondition } from '../layered/bands.ts';
import { widthsOf, type ViewId } from '../layered/views.ts';
import { element, type Markup } from '../markup/markup.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { aliasOf } from '../theme/alias.ts';
import { cssColour } from '../theme/csscolour.ts';
import { hiddenBy } from '../values/visibility.ts';
import { headSections, sectionsOf } from './opening.ts';
import { resolve } from '../values/trace.ts';

const NONE = 'transparent';

/** A colour as it is named outside of style sheets, where custom properties mean nothing; undefined where there is none. */
export function namedColour(site: SiteFrame, value: string): string | undefined {
  const alias = aliasOf(value);
  const named = alias === undefined ? value : site.colours.find(({ id }) => id === alias)?.value;
  return named === NONE ? undefined : named;
}

/** The colour behind the header in a view, where it lets nothing through: the browser's bar continues it, unless the page says otherwise. */
function headerColour(site: SiteFrame, page: Page, view: ViewId): string | undefined {
  const header = sectionsOf(page)
    .slice(0, headSections(page))
    .find((section) => hiddenBy(site, page, section, view) === undefined);
  if (!header) return undefined;
  const said = resolve(site, page, header, knownProperty('backgroundColour'), view);
  const colour = typeof said === 'string' ? namedColour(site, said) : undefined;
  return colour !== undefined && (cssColour(colour)?.alpha ?? 1) === 1 ? colour : undefined;
}

/** The colours of a property by view, with the media condition of each; one without where it is the same in all. */
function byView(site: SiteFrame, page: Page, name: 'barColour' | 'barColourDark', dark: boolean): Markup[] {
  const property = knownProperty(name);
  const root = page.nodes[page.root];
  const own = lookup(root.style.self, name);
  const colourIn = (view: ViewId) =>
    dark || held(own, site.views, view)
      ? namedColour(site, resolve(site, page, root, property, view))
      : headerColour(site, page, view);
  const { list } = site.views;
  const scheme = dark ? ['(prefers-color-scheme: dark)'] : [];
  const meta = (content: string | undefined, media: string[]) =>
    element('meta', { name: 'theme-color', content, media: media.join(' and ') || undefined });
  const colours = list.map(({ id }) => colourIn(id));
  if (colours.every((colour) => colour === colours[0]))
    return colours[0] === undefined ? [] : [meta(colours[0], scheme)];
  return list.flatMap(({ id }, index) =>
    colours[index] === undefined
      ? []
      : [meta(colours[index], [...scheme, `(${mediaCondition(widthsOf(site.views, id))})`])],
  );
}

/**
 * The colours of the browser around a page (HTML, §4.2.5.1, “theme-color”): of those whose condition holds, a browser takes the first, so
 * that those for dark surroundings stand before the others.
 */
export const browserBar = (site: SiteFrame, page: Page): Markup[] => [
  ...byView(site, page, 'barColourDark', true),
  ...byView(site, page, 'barColour', false),
];
