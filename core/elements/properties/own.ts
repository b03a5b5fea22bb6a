import type { Property } from './property.ts';

/** The properties of a folder of extensions: none here. Where `EXTENSIONS` names such a folder, its `properties.ts` is built in this file's place (docs/extending.md). */
export const properties: readonly Property[] = [];
