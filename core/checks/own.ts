import type { Rule } from './rule.ts';

/** The checks of a folder of extensions: none here. Where `EXTENSIONS` names such a folder, its `checks.ts` is built in this file's place (docs/extending.md). */
export const checks: readonly Rule[] = [];
