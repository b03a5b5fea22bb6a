/** The whole public surface of the core. Code outside imports from here and nowhere deeper. */
export type { Outcome } from './outcome.ts';
export * from './layout/areas.ts';
export {
  fillsArea,
  partsIn,
  rowHeightIn,
  setPlacement,
  placementIn,
  type AreaPlacement,
} from './values/areas.ts';
export * from './layout/snapping.ts';
export { describeArea } from './edits/placement/areas.ts';
export {
  containersIn,
  isSetByHand,
  layoutValues,
  tidyValues,
  toArrange,
  toTidy,
  type LaidOut,
  type ToArrange,
  type ToTidy,
} from './values/arranging.ts';
export { arrangedInLines } from './layout/lines.ts';
export { saidOnce, tidied, type Mend, type Tidied } from './layout/tidy.ts';
export { SCALES, scalings } from './edits/values/scale.ts';
export {
  isMainRegion,
  layoutOf,
  mainRegion,
  regionNamed,
  regionsOf,
  sectionsOnPage,
  withoutPlace,
} from './edits/structure/pagelayout.ts';
export { regionsIn, type PlacedRegion } from './values/regions.ts';
export { canBeSaved } from './edits/structure/savedblocks.ts';
export { canBeOverlay, overlayFault, type MovedPart } from './edits/structure/overlay.ts';
export { acrossFor, downFor, hundredths, type Box, type MeasuredBoxes } from './layout/boxes.ts';
export { ARRANGE_WAYS, arranged, type Arranged, type ArrangeWay } from './layout/arrange.ts';
export { MOST_ROWS } from './elements/properties/area.ts';
export type { Offset } from './elements/valuetypes/offset.ts';
export { nodeId } from './elements/nodeid.ts';
export { viewId } from './layered/views.ts';
export { keysOf, lookup } from './lookup.ts';
export { done, refused } from './outcome.ts';
export * from './layered/views.ts';
export type { Layered } from './layered/layered.ts';
export { childOrder, type NodeId } from './elements/nodeid.ts';
export { PARTS, type Part } from './elements/parts.ts';
export type { Node, Style } from './site/node.ts';
export { canonicalNode, canonicalSite } from './site/canonical.ts';
export { knownIn, lastOf, sure, theOne } from './sure.ts';
export { counted, plural } from './plural.ts';
export * from './site/site.ts';
export {
  treesBeside,
  composed,
  idIn,
  isSavedBlock,
  isLinked,
  isOnAllPages,
  savedBlocks,
  pagesLinking,
  publishedTrees,
  sharedPlaceOf,
  sharedTrees,
  takesLinked,
} from './site/shared.ts';
export { isListedEverywhere, offeringIn, viewsOffering, wayOn } from './site/offering.ts';
export { leadingIn } from './values/links.ts';
export { SAMPLE_TEXT } from './checks/rule.ts';
export { likenessIn, reviewedIn, sectionsIn, type Reviewed } from './values/reviewed.ts';
export { viewsWithoutMenu } from './values/menus.ts';
export { hasAudiences, isClosed, isFor, hiddenAncestorFor, type Visitor } from './site/audience.ts';
export { AUDIENCES, type Audience } from './site/node.ts';
export type { Fault } from './faults.ts';
export { pointer } from './pointer.ts';
export { heldBack } from './site/heldback.ts';
export { faultsOfChange, frameFaults, pageFaults, siteFaults } from './site/validate.ts';
export { FAMILIES, familiesOf, type Family, type FontFile } from './theme/families.ts';
export { isMailAddress, mailAddress } from './elements/content/contenttypes.ts';
export {
  filled,
  SYSTEM_MESSAGES,
  systemMessage,
  wordIn,
  type MessagePlace,
  type SayMessage,
  type SystemMessage,
} from './elements/content/systemmessages.ts';
export { languagesOf, MESSAGES_PATH, systemMessagesOn, type HostMessages } from './site/systemmessages.ts';
export {
  LETTER,
  readMessage,
  sentPlace,
  fieldName,
  type MessageFault,
  type MessageForm,
  type MessageLine,
} from './elements/content/message.ts';
export type { ContentField } from './elements/content/contenttypes.ts';
export { contentOf, type OfferGroup } from './elements/kinds/kind.ts';
export type { Trait } from './elements/traits.ts';
export { hasTrait, isAtEdge, isDeep, KINDS, kindOf, knownKind } from './elements/kinds/table.ts';
export { ASPECT_RATIOS } from './elements/valuetypes/geometry.ts';
export type { Point, Ratio } from './elements/valuetypes/geometry.ts';
export type { Extent } from './elements/valuetypes/extent.ts';
export type { EditorName, ValueContext, ValueType } from './elements/valuetypes/valuetype.ts';
export { aliasOf, aliasTo } from './theme/alias.ts';
export { cssColour } from './theme/csscolour.ts';
export { colourCss } from './elements/valuetypes/colour.ts';
export { adjusted, type Adjustment } from './elements/valuetypes/adjust.ts';
export type { Gradient } from './elements/valuetypes/gradient.ts';
export { PROPERTY_GROUPS, type Property } from './elements/properties/property.ts';
export { isMeant } from './elements/properties/names.ts';
export { knownProperty, PROPERTIES, sidesOf, textByViewOf } from './elements/propertytable.ts';
export { applies, takes } from './site/applies.ts';
export { directionOf } from './markup/direction.ts';
export { languageName } from './markup/language.ts';
export { plainText } from './markup/fragment.ts';
export { cleanLink, linkTo, targetOf } from './markup/link.ts';
export { print, type Markup } from './markup/markup.ts';

export { held, isEmpty } from './layered/resolve.ts';
export { withoutValue, wouldReach, type EditReach } from './layered/change.ts';
export { same } from './layered/express.ts';
export { partStyleOf, resolve, textStyleOf, trace, type Source, type Traced } from './values/trace.ts';
export { changesBetween } from './edits/review/changes.ts';
export type { Change } from './edits/review/changed.ts';
export { differences, type Difference } from './values/differences.ts';
export {
  isOpened,
  opens,
  partsOfRow,
  partsOfRowIn,
  rowOfPart,
  sequenceIn,
  type Sequence,
} from './values/interleaving.ts';
export { alternateIn, childrenIn, givesWay, hiddenBy, inRow, inRowIn, isShown } from './values/visibility.ts';
export { ownLayered } from './values/trace.ts';
export { textIn, variantsOfElement, variantsOfField, staleTexts } from './values/textbyview.ts';
export {
  alternatingRuns,
  firstInRow,
  stacksIn,
  type AlternatingRun,
  type First,
} from './values/alternating.ts';
export { letterOf, shownOf } from './layout/alternates.ts';
export type { TextByView } from './elements/content/textbyview.ts';
export { columnsIn, type RowColumns } from './values/columns.ts';
export { spaceAt } from './theme/spacing.ts';
export { stepType } from './elements/valuetypes/space.ts';
export { isCaptions, isVideo, isImage } from './theme/resources.ts';
export type { Asset, Colour, Font, MediaAsset, SpacingStep } from './theme/resources.ts';
export { assetUses, type AssetUse } from './values/uses.ts';
export {
  notShown,
  type Absence,
  type MeasuredBox,
  type MeasuredPage,
  type Reason,
} from './checks/notshown.ts';
export { differing, type Differing, type Shown } from './checks/differing.ts';
export type { Edges } from './checks/edges.ts';
export { inside } from './checks/edges.ts';
export {
  type Laid,
  type LaidElement,
  type LaidLine,
  type LaidTarget,
  type TextSetting,
} from './checks/measured/textlayout.ts';
export { swept, SWEPT, type Progress, type Samples } from './checks/measured/sweep.ts';
export { changedWidths } from './checks/measured/changed.ts';
export { handmadePairs, type HandmadePair } from './checks/handmade.ts';
export { brokenLinks, goneOf } from './checks/links.ts';
export { leadsTo, linking, pagesWithLinkedPlaces } from './values/links.ts';
export { countOverrides, countsOf, overrideCount } from './values/count.ts';

export { moveTo } from './layout/order.ts';
export { movedRows, placeColumns, type Columns, type Placed } from './layout/spans.ts';
export { fluid, isFluid } from './type/fluid.ts';
export { proportional } from './type/proportional.ts';
export { isProportional, scaledSize, sizeAt, type TextSize } from './type/textsize.ts';

export { contrastIn } from './checks/contrast.ts';
export { TEXT_CONTRAST } from './checks/textcontrast.ts';
export {
  callOf,
  needsAllPages,
  perform,
  performCall,
  type Arguments,
  type Call,
  type CommandName,
  type Step,
} from './edits/perform.ts';
export { isMovedSince, madeIn, stacksOf, appliedOf, type EditBy } from './edits/log/history.ts';
export { followed } from './site/lineage.ts';
export type { Holders } from './edits/values/aim.ts';
export { accepts } from './edits/structure/structure.ts';
export { misplaced } from './edits/structure/move.ts';
export { isGroup } from './edits/structure/group.ts';
export { ordinal } from './elements/valuetypes/order.ts';
export { viewsNamed } from './edits/values/textbyview.ts';
export { carriedOver } from './edits/values/overrides.ts';
export { chosenValues } from './edits/values/paste.ts';
export { idFrom } from './edits/theme/theme.ts';
export { likeInSet } from './edits/views/views.ts';
export { VIEW_LIMITS, widestGap } from './edits/views/viewlimits.ts';
export { ownSections, placeOfSection, SHARED_NAMES } from './edits/structure/shared.ts';
export { towardsBase, valuesInView, type ValueInView } from './edits/views/viewvalues.ts';
export { onPageOf, runBetween, sectionOf, siblingsLike } from './site/tree.ts';
export { applied, isApplied } from './edits/log/apply.ts';
export { nodesIn, overlapping, pagesIn, type Operation } from './edits/log/operation.ts';
export { isKeepable, LIMITS, shortened } from './edits/log/limits.ts';

export { ancestorsOf, sourceOrder, subtree } from './site/sourceorder.ts';
export type { Addresses } from './compile/addresses.ts';
export { sharingImage } from './compile/sharing.ts';
export { elementsMarkup } from './compile/elementmarkup.ts';
export { isItself, isMadeSmaller, imageKey, type ImageForm } from './compile/images.ts';
export { widthsIn } from './values/widths.ts';
export { measureAt } from './type/measure.ts';
export { cutOf, movedBy, regionOf, withEdges, ZOOM, type Crop, type EdgeMoves } from './layout/crop.ts';
export { IMAGE_WIDTHS, widthsFor } from './layout/sizes.ts';
export { AT_WINDOW } from './compile/video.ts';
export { MATTER, nodeClass, variantClass, wordsClass } from './compile/selectors.ts';
export { closedPreview, preview, type Preview } from './compile/preview.ts';
export type { CssRule } from './compile/stack.ts';
export { printDeclarations, printFontFaces, printRules } from './compile/stylesheet.ts';
export { compileSite, MISSING_PATH } from './compile/files.ts';
export type { PublishedAt } from './compile/publishedpage.ts';
export {
  documentTitle,
  messagePath,
  SIGN,
  signedInPath,
  type PublishedFile,
} from './compile/publishedpaths.ts';
export { formsSentToHost, lackedWithoutHost } from './compile/withouthost.ts';

export { upgraded } from './exchange/upgrade.ts';
export { isNestedTooDeep } from './exchange/nesting.ts';
export { AssetSchema, FontSchema } from './theme/resources.ts';
export type { Copy } from './edits/structure/pasteelements.ts';
export { bytesOf } from './exchange/bytes.ts';
export { FORMAT_VERSION } from './site/format.ts';
export { copyElements, ELEMENTS_FORMAT, readElements, type CopiedElements } from './exchange/elements.ts';
export { readSiteFile, writeSiteFile, type ReadSite } from './exchange/sitefile.ts';

export { termsOf, type Terms } from './starts/fitting.ts';
export { READY_PAGES, readyPage, type ReadyPage } from './starts/pages.ts';
export { LOOK_PICTURES } from './starts/pictures.ts';
export { READY_LAYOUTS, readyLayout } from './starts/pagelayouts.ts';
export { READY_SECTIONS, readySection } from './starts/readysections.ts';
export { pageSlugOf, siteIdOf } from './starts/siteid.ts';
export { DEVICES } from './layered/devices.ts';
export { VIEW_SETS } from './layered/viewsets.ts';
export { LOOKS, type Look } from './starts/looks.ts';
export { newSite, type NewSite } from './starts/newsite.ts';
export { curveAt, curvePoints, enlargeable, jumpsIn, notEnlarged, type Curve } from './type/curve.ts';
export { type Stretch } from './type/stretches.ts';
export {
  RATIOS,
  scaleFault,
  scaleSize,
  type Scale,
  type ScaleEnd,
  type ScaleRounding,
} from './type/scale.ts';
export { CURVE_WIDTHS, sizedTexts, styleCurve, styleValueIn, wholePlace } from './values/textcurves.ts';
export {
  placeKey,
  type Finding,
  type Fix,
  type Place,
  viewsAcross,
  withDismissal,
} from './checks/finding.ts';
export { findings, siteFindings, TEXT_RULES, mergedFindings, type PageFindings } from './checks/registry.ts';
export { backgroundImages, type LongWord, type BrowserFacts, type Tone } from './checks/browserfacts.ts';
export { unbreakable, wordsToMeasure, type WordsToMeasure } from './checks/longwords.ts';
export { specimen } from './starts/specimen.ts';
export { GOOD_LINE, runningTexts, type RunningText } from './values/linelength.ts';
export { SMALLEST_READ } from './type/limits.ts';
export { sizeInSheet, suggestedSizes } from './values/suggesting.ts';
