import { sure, unbreakable } from '../../core/index.ts';

/** px; large enough for metrics that are not rounded. */
export const FONT_SIZE = 200;

/** Which share of a line box of a font lies above its capitals, and which share ends with its descenders. */
export interface LetterArea {
  from: number;
  to: number;
}

/** Measures where the letters of a font lie, with the same letters for every text; browsers give metrics of a font only with text. */
export function letterAreaOf(font: string, document: Document): LetterArea {
  const context = document.createElement('canvas').getContext('2d');
  if (!context) return { from: 0, to: 1 };
  context.font = font;
  const metrics = context.measureText('Hp');
  const ascent = metrics.fontBoundingBoxAscent;
  const height = ascent + metrics.fontBoundingBoxDescent;
  return {
    from: (ascent - metrics.actualBoundingBoxAscent) / height,
    to: (ascent + metrics.actualBoundingBoxDescent) / height,
  };
}

/** Text whose letters lie between the capitals and the descenders of a Latin font. */
const LATIN = /^[\p{Script=Latin}\p{Script=Common}\p{Script=Inherited}]*$/u;

/** A text of an element, and its longest words, where they may be broken in two. */
export interface LaidText {
  range: Range;
  latin: boolean;
  words: { word: string; range: Range }[];
}

function rangeOf(text: ChildNode, from = 0, to = sure(text.textContent, 'textContent').length): Range {
  const range = sure(text.ownerDocument, 'ownerDocument').createRange();
  range.setStart(text, from);
  range.setEnd(text, to);
  return range;
}

/** How many of the longest words of a text are looked at: one that has no room is hardly ever another one. */
const LONGEST = 3;

/** Returns a text to be measured at many widths; the words of running text are looked at without being laid out. */
export function textOf(text: ChildNode, isProse: boolean): LaidText {
  const content = sure(text.textContent, 'textContent');
  const words = isProse
    ? []
    : [...new Set(unbreakable(content))].sort((one, other) => other.length - one.length).slice(0, LONGEST);
  return {
    range: rangeOf(text),
    latin: LATIN.test(content),
    words: words.map((word) => {
      const from = content.indexOf(word);
      return { word: word.trim(), range: rangeOf(text, from, from + word.length) };
    }),
  };
}

/** Whether a word stands on more than one line. */
export function isBroken(word: Range): boolean {
  const lines = [...word.getClientRects()].filter(({ width }) => width > 0.5);
  return lines.some(({ top, bottom }) => top >= lines[0].bottom || bottom <= lines[0].top);
}
