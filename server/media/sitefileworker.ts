import { readSiteFile } from '../../core/index.ts';

/** Reads the text of a site file, apart: a large one takes seconds, and the server goes on meanwhile. */
export const work = (text: string) => readSiteFile(text);
