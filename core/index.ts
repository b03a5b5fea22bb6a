/** The whole public surface of the core. Code outside imports from here and nowhere deeper. */
export type { Outcome } from './site/outcome.ts';
export { done, refused } from './site/outcome.ts';
export * from './site/views.ts';
export type { Layered, Override } from './site/layered.ts';
export type { NodeId } from './site/nodeid.ts';
export { PARTS, type Part } from './site/parts.ts';
export type { Node, PartStyle, Style } from './site/node.ts';
export * from './site/site.ts';
export type { Fault } from './site/faults.ts';
export { frameFaults, pageFaults, pointer, siteFaults, siteFileFaults } from './site/validate.ts';
export { FAMILIES, familiesOf, type Family, type FontFile } from './site/families.ts';
export type { ContentType, LabelledLink } from './site/contenttypes.ts';
export { contentOf, type ContentField, type Kind } from './site/kinds/kind.ts';
export { KINDS, kindOf, knownKind } from './site/kinds/table.ts';
export type { Point, Ratio } from './site/valuetypes/geometry.ts';
export type { Extent } from './site/valuetypes/extent.ts';
export type { EditorName, Option, ValueContext, ValueType } from './site/valuetypes/valuetype.ts';
export { aliasOf, aliasTo } from './site/valuetypes/alias.ts';
export { colourCss, isCssColour } from './site/valuetypes/colour.ts';
export { adjusted, type Adjustment } from './site/valuetypes/adjust.ts';
export type { Gradient } from './site/valuetypes/gradient.ts';
export type { Space } from './site/valuetypes/space.ts';
export { ordinal } from './site/valuetypes/order.ts';
export {
  PROPERTY_GROUPS,
  type Declarations,
  type Property,
  type PropertyGroup,
} from './site/properties/property.ts';
export { applies, knownProperty, PROPERTIES, propertyOf, sidesOf, takes } from './site/properties/table.ts';
export { cleanFragment, plainText } from './site/fragment.ts';
export { cleanLink, linkedPage } from './site/link.ts';
export { print, type Markup } from './site/markup.ts';

export { held, isEmpty, reached, type Held } from './values/resolve.ts';
export { withoutValue, withReach, withValue, wouldReach, type EditReach } from './values/change.ts';
export { express, same } from './values/express.ts';
export { bands, mediaCondition, widthsOfOverride, type Band } from './values/bands.ts';
export {
  ownLayered,
  partStyleOf,
  resolve,
  textStyleOf,
  trace,
  type Source,
  type Traced,
} from './values/trace.ts';
export { differences, type Difference } from './values/differences.ts';
export { childrenIn, hiddenBy, isShown } from './values/shown.ts';
export { columnsIn, type RowColumns } from './values/columns.ts';
export { spaceAt } from './values/space.ts';
export { countOverrides, countsOf, overrideCount } from './values/count.ts';

export { completeOrder, moveTo } from './layout/order.ts';
export { heldSpan, heldStart, movedRows, placeColumns, type Columns, type Placed } from './layout/spans.ts';
export { fluid, REM, sizeAt, textSizeCss, type Fluid, type TextSize } from './type/fluid.ts';

export { contrastIn, contrastRatio, type Contrast } from './checks/contrast.ts';
export { COMMANDS, perform, type Arguments, type CommandName, type Step } from './edits/perform.ts';
export { after, stacksOf, type EditBy, type Made, type Stacks } from './edits/history.ts';
export { changedSince, followed } from './edits/lineage.ts';
export type { Document } from './edits/command.ts';
export type { Holders } from './edits/aim.ts';
export { accepts } from './edits/structure.ts';
export {
  carriedOver,
  chosenValues,
  siblingsLike,
  subtree,
  valuesOf,
  type ValueChoice,
} from './edits/many.ts';
export { applyOperations, overlapping, type Operation } from './edits/patch.ts';

export { sourceOrder } from './site/sourceorder.ts';
export { bodyMarkup, type Addresses } from './compile/body.ts';
export { elementRules, nodeClass, pageRules, within } from './compile/rules.ts';
export { preview, type Preview } from './compile/preview.ts';
export type { CssRule } from './compile/stack.ts';
export { printDeclarations, printFontFaces, printRules } from './compile/stylesheet.ts';
export { compileSite, documentTitle, pagePath, type PublishedFile } from './compile/files.ts';

export { upgradedFrame, upgradedPage } from './exchange/upgrade.ts';
export { readSiteFile, writeSiteFile, type ReadSite } from './exchange/sitefile.ts';
