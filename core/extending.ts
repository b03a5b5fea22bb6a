/**
 * What kinds and properties of extensions are written with: `import … from 'dimorphe'`. Nothing here may need the tables of kinds and
 * properties, as those load the extensions.
 */
export { contentOf, type Kind, type MarkupContext, type Seed } from './elements/kinds/kind.ts';
export {
  entries,
  inlineText,
  line,
  link,
  oneOf,
  richText,
  type ContentField,
} from './elements/content/contenttypes.ts';
export type { Property } from './elements/properties/property.ts';
export { choiceType } from './elements/valuetypes/choice.ts';
export { numberType } from './elements/valuetypes/number.ts';
export { element, type Markup } from './markup/markup.ts';
export { px } from './type/fluid.ts';
