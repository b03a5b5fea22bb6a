import type { Property } from './property.ts';
import { lookup } from '../../lookup.ts';

/** Other words by which properties are looked for, by their names: those of the trade, and of CSS where that has others. */
const ALSO: Record<string, string> = {
  family: 'font-family typeface',
  size: 'font-size',
  lineHeight: 'line-height leading',
  weight: 'font-weight bold',
  slant: 'font-style italic',
  letterSpacing: 'letter-spacing tracking',
  textCase: 'text-transform uppercase capitals',
  decoration: 'text-decoration underline',
  align: 'text-align center middle left right justify',
  colour: 'color text colour',
  wrapping: 'text-wrap balance',
  hyphenation: 'hyphens',
  textColumns: 'columns multi-column',
  marker: 'list-style bullet',
  shown: 'display visibility hidden hide show invisible',
  collapse: 'menu popover',
  tiles: 'grid-template-columns images pages columns',
  pageImages: 'hide image thumbnail flex-direction position',
  pageDescriptions: 'hide description excerpt summary teaser',
  pageMeta: 'hide date author tag byline',
  span: 'grid-column width',
  start: 'grid-column-start offset',
  interleave: 'interleave mix columns merge display contents',
  order: 'order sequence z-index in front behind depth',
  alternate: 'variant',
  direction: 'flex-direction grid-auto-flow stack',
  gap: 'gutter spacing margin space between',
  blockAlign: 'justify-self center middle left right margin auto',
  justifyItems: 'justify-items align across center left right',
  alignItems: 'align-items vertical center middle',
  alignContent: 'align-content vertical distribute',
  bleed: 'full width',
  minWidth: 'min-width',
  maxWidth: 'max-width',
  minHeight: 'min-height',
  aspectRatio: 'aspect-ratio',
  sticky: 'position sticky pinned',
  edge: 'position sticky bottom top',
  corner: 'position fixed left right inset',
  fromEdge: 'position fixed bottom inset',
  leaving: 'animation-name motion',
  stays: 'animation-delay seconds time',
  clearTop: 'scroll-margin scroll-padding anchor focus',
  barColour: 'theme-color',
  barColourDark: 'theme-color dark',
  backgroundColour: 'background-color fill',
  backgroundPicture: 'background-image',
  backgroundFilm: 'background video',
  areaColumn: 'grid-column-start left',
  areaRow: 'grid-row-start top',
  areaRows: 'grid-row-end height',
  heldAcross: 'justify-self align',
  heldDown: 'align-self align',
  offsetAcross: 'margin shift',
  offsetDown: 'margin shift',
  rowHeight: 'grid-auto-rows',
  leastRows: 'grid-template-rows height',
  backgroundPosition: 'background-position',
  backgroundSize: 'background-size cover contain',
  backgroundRepeat: 'background-repeat tile',
  tint: 'overlay scrim',
  gradient: 'linear-gradient',
  source: 'src image photo',
  cropRatio: 'aspect-ratio crop',
  fit: 'object-fit',
  zoom: 'crop scale enlarge part',
  focalPoint: 'object-position focus crop pan',
  borderStyle: 'border-style',
  borderColour: 'border-color',
  radius: 'border-radius corners',
  shadow: 'box-shadow elevation',
  opacity: 'transparency alpha',
};

/** Whether a property is meant by what was typed: its label, its group of sides, its words in the trade or in CSS. */
export function isMeant({ name, label, sides, childLabel, deepLabels }: Property, typed: string): boolean {
  const words =
    `${label} ${childLabel ?? ''} ${Object.values(deepLabels ?? {}).join(' ')} ${sides ?? ''} ${lookup(ALSO, name) ?? ''} ${name}`.toLowerCase();
  return typed
    .trim()
    .toLowerCase()
    .split(/\s+/)
    .every((word) => words.includes(word));
}
