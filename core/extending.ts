/**
 * What extensions are written with: `import … from 'dimorphe'`. Nothing here reads the tables of kinds, properties and checks while it is
 * loaded, as those load the extensions.
 */
export type { Kind, MarkupContext, Seed } from './elements/kinds/kind.ts';
export { contentOf } from './elements/kinds/kind.ts';
export type { ContentField } from './elements/content/contenttypes.ts';
export { entries, inlineText, line, link, oneOf, richText } from './elements/content/contenttypes.ts';
export type { Property } from './elements/properties/property.ts';
export { choiceType } from './elements/valuetypes/choice.ts';
export { numberType } from './elements/valuetypes/number.ts';
export { element, type Markup } from './markup/markup.ts';
export { px } from './type/fluid.ts';
export { PRACTICE, type CheckInput, type Rule } from './checks/rule.ts';
export { textProblems } from './checks/textproblems.ts';
export { textIn } from './values/textbyview.ts';
