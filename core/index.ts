/** The whole public surface of the core. Code outside imports from here and nowhere deeper. */
export type { Outcome } from './outcome.ts';
export * from './layout/areas.ts';
export { partsIn, rowHeightIn, setStanding, standingIn, STANDING, type Standing } from './values/areas.ts';
export * from './layout/snapping.ts';
export { describeArea } from './edits/areas.ts';
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
export { saidOnce, tidied, type Mend, type Tidyable, type Tidied } from './layout/tidy.ts';
export { SCALES, scalings, type Scaling } from './edits/scale.ts';
export { canBeOverlay } from './edits/overlay.ts';
export { acrossFor, downFor, hundredths, type Box, type MeasuredBoxes } from './layout/boxes.ts';
export {
  ARRANGE_WAYS,
  arranged,
  type Arrangeable,
  type Arranged,
  type ArrangeGrid,
  type ArrangeWay,
} from './layout/arrange.ts';
export { columnEdges } from './layout/boxes.ts';
export { readingOrder, type Readable } from './layout/reading.ts';
export { MOST_ROWS, OVERLAY, type Hold } from './elements/properties/area.ts';
export type { Offset } from './elements/valuetypes/offset.ts';
export { lookup } from './lookup.ts';
export { done, refused } from './outcome.ts';
export * from './layered/views.ts';
export type { Layered, Override } from './layered/layered.ts';
export { childOrder, type NodeId } from './elements/nodeid.ts';
export { PARTS, type Part } from './elements/parts.ts';
export type { Node, PartStyle, Style } from './site/node.ts';
export { canonicalNode, canonicalSite } from './site/canonical.ts';
export * from './site/site.ts';
export {
  treesBeside,
  composed,
  idIn,
  isKept,
  isLinked,
  isOnAllPages,
  keptBlocks,
  linkedAt,
  pagesLinking,
  publishedTrees,
  pageShowing,
  sharedOn,
  sharedPlaceOf,
  sharedTrees,
  takesLinked,
} from './site/shared.ts';
export { isListedEverywhere, offeringIn, viewsOffering, wayOn } from './site/offering.ts';
export { leadingIn } from './values/links.ts';
export { viewsWithoutMenu } from './values/menus.ts';
export { hasAudiences, isClosed, isFor, keptFrom, pageFor, type Visitor } from './site/audience.ts';
export { AUDIENCES, type Audience } from './site/node.ts';
export type { Fault } from './faults.ts';
export { pointer } from './pointer.ts';
export { heldBack } from './site/heldback.ts';
export { faultsOfChange, frameFaults, pageFaults, siteFaults, siteFileFaults } from './site/validate.ts';
export { FAMILIES, familiesOf, type Family, type FontFile } from './theme/families.ts';
export { isMailAddress, mailAddress } from './elements/content/contenttypes.ts';
export {
  filled,
  VISITOR_WORDS,
  visitorWord,
  wordIn,
  type SaidWhere,
  type Saying,
  type VisitorWord,
} from './elements/content/visitorwords.ts';
export { languagesOf, SAID_PATH, sayingOn, type SaidByHost } from './site/visitorwords.ts';
export {
  LETTER,
  readLetter,
  sentPlace,
  fieldName,
  type LetterFault,
  type LetterForm,
  type LetterLine,
  type ReadLetter,
} from './elements/content/letter.ts';
export type { ContentField, ContentType, LabelledLink } from './elements/content/contenttypes.ts';
export { contentOf, type Kind } from './elements/kinds/kind.ts';
export type { Trait } from './elements/traits.ts';
export { isAtEdge, isDeep, KINDS, kindOf, knownKind } from './elements/kinds/table.ts';
export type { Point, Ratio } from './elements/valuetypes/geometry.ts';
export type { Extent } from './elements/valuetypes/extent.ts';
export type { EditorName, Option, ValueContext, ValueType } from './elements/valuetypes/valuetype.ts';
export { aliasOf, aliasTo } from './theme/alias.ts';
export { cssColour } from './theme/csscolour.ts';
export { COLOUR_GRAMMAR } from './theme/colourgrammar.ts';
export { colourCss } from './elements/valuetypes/colour.ts';
export { adjusted, type Adjustment } from './elements/valuetypes/adjust.ts';
export type { Gradient } from './elements/valuetypes/gradient.ts';
export {
  PROPERTY_GROUPS,
  type Declarations,
  type Property,
  type PropertyGroup,
} from './elements/properties/property.ts';
export { isMeant } from './elements/properties/names.ts';
export { knownProperty, PROPERTIES, sidesOf, wordingOf, wordingsOf } from './elements/propertytable.ts';
export { applies, takes } from './site/applies.ts';
export { asideReason } from './site/aside.ts';
export { directionOf } from './markup/direction.ts';
export { cased, languageName } from './markup/language.ts';
export { cleanFragment, plainText } from './markup/fragment.ts';
export { cleanLink, linkTo, targetOf, type LinkTarget } from './markup/link.ts';
export { print, type Markup } from './markup/markup.ts';

export { held, isEmpty, reached, type Held } from './layered/resolve.ts';
export { withoutValue, withReach, withValue, wouldReach, type EditReach } from './layered/change.ts';
export { express, same } from './layered/express.ts';
export { bands, conditionOf, mediaCondition, type Band } from './layered/bands.ts';
export { partStyleOf, resolve, textStyleOf, trace, type Source, type Traced } from './values/trace.ts';
export { changesBetween } from './edits/changes.ts';
export type { Change } from './edits/changed.ts';
export { differences, type Difference } from './values/differences.ts';
export { alternateIn, childrenIn, givesWay, hiddenBy, inRow, inRowIn, isShown } from './values/visibility.ts';
export { ownLayered } from './values/trace.ts';
export { saidIn, saidWhole, saidWithin, staleWordings, type StaleWording } from './values/wordings.ts';
export {
  alternatingRuns,
  firstInRow,
  stacksIn,
  type AlternatingRun,
  type First,
} from './values/alternating.ts';
export { letterOf, shownOf } from './layout/alternates.ts';
export type { Wording } from './elements/content/wording.ts';
export { columnsIn, type RowColumns } from './values/columns.ts';
export { spaceAt, type Space } from './theme/spacing.ts';
export { stepType } from './elements/valuetypes/space.ts';
export type { Distance } from './elements/valuetypes/space.ts';
export { isCaptions, isFilm, isPicture } from './theme/stock.ts';
export type { Asset, MediaAsset, Colour, Font, SpacingStep, StepSize, Stock } from './theme/stock.ts';
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
  TEXT_SETTINGS,
  type Laid,
  type LaidElement,
  type LaidLine,
  type LaidTarget,
  type TextSetting,
} from './checks/measured/laid.ts';
export { MEASURED_RULES } from './checks/measured/registry.ts';
export { LaidPage, type Detected, type MeasuredRule } from './checks/measured/rule.ts';
export {
  swept,
  SWEPT,
  sweptWidths,
  type Progress,
  type Samples,
  type Swept,
} from './checks/measured/sweep.ts';
export { changedWidths } from './checks/measured/changed.ts';
export { handmadePairs, type HandmadePair } from './checks/handmade.ts';
export { brokenLinks, goneOf, type BrokenLink } from './checks/links.ts';
export {
  leadsTo,
  linking,
  linksIn,
  pagesWithLinkedPlaces,
  withLinks,
  type LinkingElement,
} from './values/links.ts';
export { countOverrides, countsOf, overrideCount } from './values/count.ts';

export { completeOrder, moveTo } from './layout/order.ts';
export { heldSpan, heldStart, movedRows, placeColumns, type Columns, type Placed } from './layout/spans.ts';
export { fluid, fluidAt, isFluid, type Fluid } from './type/fluid.ts';
export { proportional, SHARES, type Proportional } from './type/proportional.ts';
export { isProportional, scaledSize, sizeAt, textSizeCss, type TextSize } from './type/textsize.ts';

export { contrastIn, contrasts, type Contrast } from './checks/contrast.ts';
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
export {
  isMovedSince,
  madeIn,
  stacksOf,
  standing,
  type EditBy,
  type Logged,
  type Stacks,
} from './edits/history.ts';
export { changedSince, followed } from './site/lineage.ts';
export type { Holders } from './edits/aim.ts';
export { accepts } from './edits/structure.ts';
export { misplaced } from './edits/move.ts';
export { isGroup } from './edits/group.ts';
export { ordinal } from './elements/valuetypes/order.ts';
export { carriedOver } from './edits/overrides.ts';
export { chosenValues, type ValueChoice } from './edits/paste.ts';
export { idFrom } from './edits/theme.ts';
export { valuesOf } from './edits/stylevalues.ts';
export { likeInSet, VIEW_LIMITS, widestGap } from './edits/views.ts';
export { ownSections, placeOfSection, SHARED_NAMES } from './edits/shared.ts';
export { towardsBase, valuesInView, type ValueInView } from './edits/viewvalues.ts';
export { siblingsLike } from './edits/tree.ts';
export { applied, stands, type Applied } from './edits/apply.ts';
export { nodesIn, overlapping, pagesIn, type Operation } from './edits/operation.ts';
export { isKeepable, LIMITS, shortened } from './edits/limits.ts';

export { ancestorsOf, sourceOrder, subtree } from './site/sourceorder.ts';
export type { Addresses } from './compile/addresses.ts';
export { bodyMarkup } from './compile/body.ts';
export { elementsMarkup } from './compile/elementmarkup.ts';
export { isItself, isMadeSmaller, pictureKey, type PictureForm } from './compile/pictures.ts';
export { widthsIn } from './values/widths.ts';
export {
  greatest,
  heldTo,
  least,
  measureAt,
  measureCss,
  fluidMeasure,
  minus,
  sum,
  pixels,
  plus,
  times,
  WINDOW,
  type Measure,
} from './type/measure.ts';
export { cropFor, PICTURE_WIDTHS, widthsFor, type Crop } from './layout/sizes.ts';
export { elementRules } from './compile/elementrules.ts';
export { pageRules } from './compile/rules.ts';
export { AT_WINDOW } from './compile/film.ts';
export { MATTER, nodeClass, variantClass, within, wordsClass } from './compile/selectors.ts';
export { closedPreview, preview, type Preview } from './compile/preview.ts';
export type { CssRule } from './compile/stack.ts';
export { printDeclarations, printFontFaces, printRules } from './compile/stylesheet.ts';
export { compileSite, MISSING_PATH } from './compile/files.ts';
export type { PublishedAt } from './compile/publishedpage.ts';
export {
  documentTitle,
  letterPath,
  SIGN,
  signedInPath,
  type PublishedFile,
} from './compile/publishedpaths.ts';
export { formsSentToHost, lackedWithoutHost } from './compile/withouthost.ts';

export { upgraded, upgradesBy, UPGRADES } from './exchange/upgrade.ts';
export type { StoredCall, UpgradeStep } from './exchange/upgrade.ts';
export { isNestedTooDeep } from './exchange/nesting.ts';
export { siteFileSchema } from './exchange/schema.ts';
export type { Copy } from './edits/pasteelements.ts';
export { bytesOf } from './exchange/bytes.ts';
export { FORMAT, FORMAT_VERSION } from './site/format.ts';
export { copyElements, ELEMENTS_FORMAT, readElements, type CopiedElements } from './exchange/elements.ts';
export { readSiteFile, writeSiteFile, type ReadSite } from './exchange/sitefile.ts';

export { branch, layered, pageOf, sharedOf, type Branch } from './starts/tree.ts';
export { termsOf, type Terms } from './starts/fitting.ts';
export { READY_PAGES, readyPage, type ReadyPage } from './starts/pages.ts';
export { READY_SECTIONS, readySection, type ReadySection } from './starts/readysections.ts';
export { colourRoles } from './theme/roles.ts';
export { pageSlugOf, siteIdOf } from './starts/siteid.ts';
export { DEVICES, type Device } from './layered/devices.ts';
export { VIEW_SETS, viewSet, type ViewSet } from './layered/viewsets.ts';
export { LOOKS, type Look } from './starts/looks.ts';
export { newSite, type NewSite } from './starts/newsite.ts';
export {
  curveAt,
  curvePiece,
  curvePoints,
  ENLARGED,
  enlargeable,
  jumpsIn,
  mostByZoom,
  notEnlarged,
  turnsOf,
  zoomTurns,
  type Curve,
  type CurvePiece,
  type CurvePoint,
  type Jump,
} from './type/curve.ts';
export { stretchesWhere, type Stretch } from './type/stretches.ts';
export {
  RATIOS,
  SCALE_LIMITS,
  scaleFault,
  scaleSize,
  scaleStep,
  type Scale,
  type ScaleEnd,
  type ScaleRounding,
} from './type/scale.ts';
export {
  CURVE_WIDTHS,
  sizedTexts,
  styleCurve,
  styleValueIn,
  textCurve,
  wholePlace,
  type SizedText,
} from './values/textcurves.ts';
export {
  placeKey,
  type Finding,
  type Fix,
  type Place,
  type Severity,
  viewsAcross,
  withAside,
} from './checks/finding.ts';
export { findings, RULES, siteFindings, TEXT_RULES, toldOnce, type PageFindings } from './checks/registry.ts';
export { picturesBehind, type LongWord, type Seen, type Tone } from './checks/seen.ts';
export { unbreakable, wordsToMeasure, type WordsToMeasure } from './checks/longwords.ts';
export { specimen } from './starts/specimen.ts';
export { CHARACTER, GOOD_LINE, runningTexts, type RunningText } from './values/linelength.ts';
export { shareOf, suggestedSize } from './type/suggest.ts';
export { SMALLEST_BODY, SMALLEST_READ } from './type/limits.ts';
export { BODY, sizeInSheet, suggestedSizes } from './values/suggesting.ts';
