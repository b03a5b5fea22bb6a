/** The whole public surface of the core. Code outside imports from here and nowhere deeper. */
export type { Outcome } from './site/outcome.ts';
export { done, refused } from './site/outcome.ts';
export * from './site/views.ts';
export type { Layered, Override } from './site/layered.ts';
export type { NodeId } from './site/nodeid.ts';
export type { Node, PartStyle } from './site/node.ts';
export * from './site/site.ts';
export type { Fault } from './site/faults.ts';
export { pageFaults, pointer, siteFaults, siteFileFaults } from './site/validate.ts';
export { FAMILIES, type Family, type FontFile } from './site/families.ts';
export type { ContentType, MenuEntry } from './site/contenttypes.ts';
export { contentOf, type ContentField, type Kind } from './site/kinds/kind.ts';
export { KINDS, kindOf, knownKind } from './site/kinds/table.ts';
export type { Point, Ratio } from './site/valuetypes/geometry.ts';
export type { Extent } from './site/valuetypes/extent.ts';
export type { EditorName, Option, ValueContext, ValueType } from './site/valuetypes/valuetype.ts';
export { aliasedColour, colourAlias, isCssColour } from './site/valuetypes/colour.ts';
export { ordinal } from './site/valuetypes/order.ts';
export {
  PROPERTY_GROUPS,
  type Declarations,
  type Property,
  type PropertyGroup,
} from './site/properties/property.ts';
export { applies, knownProperty, PROPERTIES, propertyOf } from './site/properties/table.ts';
export { colourCss } from './site/properties/text.ts';
export { cleanFragment, plainText } from './site/fragment.ts';
export { cleanLink, linkedPage } from './site/link.ts';
export { print, type Markup } from './site/markup.ts';

export { held, isEmpty, reached, type Held } from './values/resolve.ts';
export { withoutValue, withReach, withValue, wouldReach, type EditReach } from './values/change.ts';
export { express, same } from './values/express.ts';
export { bands, mediaCondition, widthsOfOverride, type Band } from './values/bands.ts';
export { ownLayered, resolve, textStyleOf, trace, type Source, type Traced } from './values/trace.ts';
export { differences, type Difference } from './values/differences.ts';
export { childrenIn, hiddenBy, isShown, overrideCount } from './values/shown.ts';

export { completeOrder, moveTo } from './layout/order.ts';
export { heldSpan, placeSpans, type Placed } from './layout/spans.ts';
export { fluid, REM, sizeAt, textSizeCss, type Fluid, type TextSize } from './type/fluid.ts';

export { COMMANDS, perform, type Arguments, type CommandName, type Step } from './edits/perform.ts';
export { after, stacksOf, type EditBy, type Made, type Stacks } from './edits/history.ts';
export { countOverrides, siblingsLike, subtree } from './edits/many.ts';
export { applyOperations, overlap, type Operation } from './edits/patch.ts';

export { sourceOrder } from './site/sourceorder.ts';
export { bodyMarkup, type Addresses } from './compile/body.ts';
export { elementRules, nodeClass, pageRules, type CssRule } from './compile/rules.ts';
export { familiesIn, printDeclarations, printFontFaces, printRules } from './compile/stylesheet.ts';
export { compileSite, documentTitle, pagePath, type PublishedFile } from './compile/files.ts';

export { readSiteFile, writeSiteFile, type ReadSite } from './exchange/sitefile.ts';
