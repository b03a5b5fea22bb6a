import { express } from '../layered/express.ts';
import { held } from '../layered/resolve.ts';
import { interleavingAround } from '../values/interleaving.ts';
import { listedPages } from '../values/listedpages.ts';
import { partStyleOf, textStyleOf } from '../values/trace.ts';
import { settings } from '../layered/layered.ts';
import type { Kind } from '../elements/kinds/kind.ts';
import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import type { Node } from '../site/node.ts';
import type { Part } from '../elements/parts.ts';
import { ofPictureVariables, takenOver } from '../elements/properties/image.ts';
import { pointCss } from '../elements/valuetypes/geometry.ts';
import { withAssets } from '../values/uses.ts';
import { pictureClass } from './selectors.ts';
import { CLEAR_TOP } from '../elements/properties/page.ts';
import { BACKGROUND_LAYERS } from '../elements/properties/background.ts';
import type { Declarations } from '../elements/properties/property.ts';
import type { Page, SiteFrame, TextStyle } from '../site/site.ts';
import { NO_IMAGE } from '../elements/valuetypes/image.ts';
import { colourCss } from '../elements/valuetypes/colour.ts';
import { WINDOW_WIDTH } from '../type/fluid.ts';
import { spaceCss } from '../elements/valuetypes/space.ts';
import type { Views } from '../layered/views.ts';
import { isClosed, type Visitor } from '../site/audience.ts';
import { inSourceOrder, sourceOrder } from '../site/sourceorder.ts';
import { memoised } from '../memo.ts';
import { acrossRules } from './across.ts';
import { Behind } from './backgroundimages.ts';
import { isMadeSmaller, type ImageAddresses } from './images.ts';
import { Stacks, type CssRule } from './stack.ts';
import { stylingOf } from './styling.ts';

import { videoRules } from './video.ts';
import { edgeRules, edgesAtLast } from './edges.ts';
import { stackElement, textStyleRules } from './elementrules.ts';
import { isWithheld, listingRules, noticeRules, noticeStyles } from './offering.ts';
import { kindRules } from './kindrules.ts';

const foundationRule = (selector: string, declarations: Declarations, condition?: string): CssRule => ({
  layer: 'foundation',
  distance: 0,
  condition,
  selector,
  declarations,
});

/** What holds for every page: predictable boxes, a title that only assistive technology reads. */
const FOUNDATION: readonly CssRule[] = [
  ...BACKGROUND_LAYERS.map((name) =>
    foundationRule(`@property ${name}`, { syntax: '"*"', inherits: 'false' }),
  ),
  // How wide the window is, as a length that is one in px wherever it is asked for.
  foundationRule(`@property ${WINDOW_WIDTH}`, {
    syntax: '"<length>"',
    inherits: 'true',
    'initial-value': '0px',
  }),
  foundationRule(':root', { [WINDOW_WIDTH]: '100vw' }),
  foundationRule('*, ::before, ::after', { 'box-sizing': 'border-box', border: '0 solid' }),
  // Who asked for less motion (Media Queries 5, §12.1) sees a still image in place of a video that plays by itself.
  foundationRule(':root', { '--still': 'block', '--moving': 'none' }, '(prefers-reduced-motion: reduce)'),
  // An edge that shows where a person's own colours replace those of backgrounds (CSS Color Adjustment 1, §3).
  foundationRule(':where(.button, .form button):not(:focus-visible)', {
    outline: '1px solid transparent',
    'outline-offset': '-1px',
  }),
  // What is brought into the window, by a link or by the keyboard, keeps clear of what stays at its top (CSS Scroll Snap 1, §5.2).
  foundationRule(':where(a, button, input, select, textarea, summary, [id])', {
    'scroll-margin-top': `var(${CLEAR_TOP}, 0px)`,
  }),
  // A place that links lead to, where what stands there is not one element.
  foundationRule('.place', { position: 'absolute' }),
  foundationRule('.page-title', {
    position: 'absolute',
    width: '1px',
    height: '1px',
    margin: '-1px',
    overflow: 'hidden',
    'clip-path': 'inset(50%)',
    'white-space': 'nowrap',
  }),
];

/** The site's colours and spacing scale as custom properties; a step of the scale may differ by view. */
const themeRules: (colours: SiteFrame['colours'], spacing: SiteFrame['spacing'], views: Views) => CssRule[] =
  memoised((colours: SiteFrame['colours'], spacing: SiteFrame['spacing'], views: Views) => {
    const stack = stylingOf(views).stack();
    stack.base({ '-webkit-text-size-adjust': '100%' });
    for (const { id, value } of colours) stack.base({ [`--colour-${id}`]: colourCss(value) });
    for (const { id, size } of spacing) {
      stack.layered(
        express(views, (view) => ({ [`--space-${id}`]: spaceCss(held(size, views, view.id)?.value ?? 0) })),
      );
    }
    return stack.rules(':root', 'foundation');
  });

/** The images that an element shows in any view. */
function sourcesOf({ style }: Node): string[] {
  const layered = style.self?.source;
  return layered ? settings(layered).filter((id) => id !== NO_IMAGE) : [];
}

/**
 * The rules of a page that do not belong to single elements: the foundation, its kinds and its text styles, and the
 * images behind elements.
 */
export function sharedRules(
  site: SiteFrame,
  page: Page,
  addresses: ImageAddresses,
  visitor?: Visitor,
): CssRule[] {
  const kinds = new Set<Kind>();
  const styles = new Set<TextStyle | undefined>();
  const behind = new Behind();
  const shown = new Set<string>();
  const inContent = new Set<string>();
  for (const node of sourceOrder(page)) {
    kinds.add(knownKind(node.kind));
    styles.add(textStyleOf(node, site));
    behind.add(node);
    sourcesOf(node).forEach((id) => shown.add(id));
    withAssets(node, (id) => (inContent.add(id), id));
    if (hasTrait(node, 'page list'))
      for (const { picture } of listedPages(site, page.id, node)) if (picture) inContent.add(picture);
  }
  for (const kind of kinds) {
    for (const part of Object.keys(kind.parts ?? {})) styles.add(partStyleOf(kind, part as Part, site));
  }
  if (isWithheld(site, page) || isClosed(page, visitor))
    noticeStyles(site).forEach((style) => styles.add(style));
  return [
    ...FOUNDATION,
    ...themeRules(site.colours, site.spacing, site.views),
    ...listingRules(site),
    ...noticeRules(site, page, visitor),
    ...edgeRules(site, page),
    ...videoRules(site, page),
    ...behind.rules(site, addresses),
    ...shelfRules(site, addresses, new Set([...shown, ...inContent]), inContent),
    ...ordered([...kinds].map((kind) => kindRules(kind, site.views))),
    ...ordered([...styles].map((style) => (style ? textStyleRules(style, site.views) : []))),
    ...acrossRules(site, page),
  ];
}

/** What images of the shelf say of themselves, once each; those in contents take it over by their class. */
function shelfRules(
  site: SiteFrame,
  addresses: ImageAddresses,
  used: ReadonlySet<string>,
  inContent: ReadonlySet<string>,
): CssRule[] {
  const saying = site.assets.filter(({ id }) => used.has(id));
  if (saying.length === 0) return [];
  const declarations: Declarations = {};
  for (const asset of saying) {
    const { id, focus, colour, width, height } = asset;
    const names = ofPictureVariables(id);
    declarations[names.ratio] = `${width} / ${height}`;
    if (focus) declarations[names.focus] = pointCss(focus);
    if (colour) declarations[names.tone] = colour;
    if (!addresses.made || !isMadeSmaller(asset)) declarations[names.wholeFile] = '1';
  }
  const taking = saying.filter(({ id }) => inContent.has(id));
  return [
    foundationRule('html', declarations),
    ...taking.map(({ id }) => foundationRule(`.${pictureClass(id)}`, takenOver(id))),
  ];
}

/** Rules by their distance from the base, nearest first; among those of one distance the order stays. */
function ordered(lists: readonly (readonly CssRule[])[]): CssRule[] {
  const byDistance: CssRule[][] = [];
  for (const list of lists) for (const rule of list) (byDistance[rule.distance] ??= []).push(rule);
  return byDistance.flat();
}

/**
 * Every rule a page needs, in the order in which they are written: by layer, then by distance from the base. Elements
 * that declare the same share a rule.
 */
export function pageRules(
  site: SiteFrame,
  page: Page,
  addresses: ImageAddresses,
  visitor?: Visitor,
): CssRule[] {
  const styling = stylingOf(site.views);
  const elements = new Stacks(site.views, 'element');
  const add = elements.add.bind(elements);
  inSourceOrder(page, (node, parent) =>
    stackElement(styling, node, parent, add, parent && interleavingAround(page, parent)),
  );
  return [...sharedRules(site, page, addresses, visitor), ...elements.rules(), ...edgesAtLast(page)];
}
