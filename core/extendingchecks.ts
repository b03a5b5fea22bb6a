/** What checks of extensions are written with: `import … from 'dimorphe/checks'`. */
export { PRACTICE, type CheckInput, type Rule } from './checks/rule.ts';
export { textProblems } from './checks/textproblems.ts';
export { hasTrait } from './elements/kinds/table.ts';
export { resolve } from './values/trace.ts';
export { textIn } from './values/textbyview.ts';
