import type { NodeId } from '../../elements/nodeid.ts';
import type { Edges } from '../edges.ts';

/**
 * How text is set while a page is measured: as it is; twice as large, as a reader’s browser does it; with the room between letters, words,
 * lines and paragraphs that a reader may ask for.
 */
export type TextSetting = 'as it is' | 'twice as large' | 'spaced';

export const TEXT_SETTINGS: readonly TextSetting[] = ['as it is', 'twice as large', 'spaced'];

/** A line of words, and how much of it is cut off; px. */
export interface LaidLine extends Edges {
  cutAcross: number;
  cutDown: number;
  /** Between which edges its letters lie, from a capital to a descender of its font, whatever the line says; its own where not known. */
  letters?: { top: number; bottom: number };
}

/** Something that is pressed, or filled in. */
export interface LaidTarget extends Edges {
  /** What it says. */
  name: string;
  /** It stands in a line of other words. */
  inWords: boolean;
  /** It looks as the browser draws it. */
  native: boolean;
}

/** An element of a page as a browser has laid it out: its box in px from the corner of the page, and what is in it itself. */
export interface LaidElement {
  node: NodeId;
  box: Edges;
  /** What of the box is not cut off by what it is in, where that is less. */
  uncut?: Edges;
  lines: LaidLine[];
  /** Words that are broken in two lines at no place at which words are broken. */
  broken?: string[];
  targets: LaidTarget[];
  /** It has a ground that can be seen, or an edge at a side. */
  painted?: { left: boolean; right: boolean };
  /** It stays in the window while the page moves. */
  stays?: boolean;
  /** px; the box that its image is shown in, and how it fills it. */
  picture?: { width: number; height: number; fit: string };
}

/** A page as a browser has laid it out in a window; px. Elements in the order of the source. */
export interface Laid {
  width: number;
  /** How wide the page is: more than the window where something stands out. */
  scrolls: number;
  rightToLeft: boolean;
  /** px at the top that the browser keeps clear of what it brings into the window. */
  keptClear: number;
  /** px at the lower edge of the window, likewise. */
  keptClearBelow: number;
  elements: LaidElement[];
}
