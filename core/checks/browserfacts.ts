import { hasTrait } from '../elements/kinds/table.ts';
import { NO_IMAGE } from '../elements/valuetypes/image.ts';
import { settings, type Layered } from '../layered/layered.ts';
import { lookup } from '../lookup.ts';
import type { Page } from '../site/site.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { ViewId } from '../layered/views.ts';

/** A colour of an image as it is painted: red, green, blue, from 0 to 1. */
export type Tone = readonly [red: number, green: number, blue: number];

/** The longest word of a text that no line breaks, as a browser draws it in a view. */
export interface LongWord {
  node: NodeId;
  view: ViewId;
  word: string;
  /** How wide it is, in multiples of the size of its text. */
  ems: number;
}

/** What only a browser can tell of a site. */
export interface BrowserFacts {
  /** The tones in the parts of each image, by its id. */
  tones?: ReadonlyMap<string, readonly Tone[]>;
  words?: readonly LongWord[];
}

export const NO_BROWSER_FACTS: BrowserFacts = {};

/**
 * The images that elements of a page may lie on in any view, by their ids: those behind elements, and those that are parts of an overlay.
 * It is their tones that matter.
 */
export function backgroundImages(page: Page): string[] {
  const ids = Object.values(page.nodes).flatMap(({ style, parent }) => {
    const isPart = parent !== null && hasTrait(page.nodes[parent], 'overlaying');
    const names = ['backgroundPicture', ...(isPart ? ['source'] : [])];
    return names.flatMap((name) => {
      const picture = lookup(style.self, name) as Layered<string> | undefined;
      return picture ? settings(picture) : [];
    });
  });
  return [...new Set(ids)].filter((id) => id !== NO_IMAGE);
}
