import type { Kind } from './kind.ts';

/** The kinds of a folder of extensions: none here. Where `EXTENSIONS` names such a folder, its `kinds.ts` is built in this file's place (docs/extending.md). */
export const kinds: readonly Kind[] = [];
