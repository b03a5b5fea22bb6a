import type { PublishTarget } from './target.ts';

/** The targets of a folder of extensions: none here. Where `EXTENSIONS` names such a folder, its `targets.ts` is built in this file's place (docs/extending.md). */
export const targets: readonly PublishTarget[] = [];
