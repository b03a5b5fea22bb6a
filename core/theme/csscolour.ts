import { Lexer } from 'css-tree/lexer';
import { parse, type Color } from 'culori';
import { COLOUR_GRAMMAR } from './colourgrammar.ts';

const lexer = new Lexer({ generic: true, types: COLOUR_GRAMMAR });

/** How many texts are remembered with the colour that they are, or that they are none. */
const MOST = 2000;

/** Characters; no colour that stands alone is longer. */
const LONGEST = 200;

const known = new Map<string, Color | undefined>();

/** A lenient reader, asked only for what the grammar knows; it throws at some of what it does not. */
function read(text: string): Color | undefined {
  if (lexer.matchType('color', text).error) return undefined;
  const lower = text.toLowerCase();
  try {
    const colour = parse(lower);
    // An alpha of none is painted as 0 (CSS Color 4, §4.4); the reader tells it like one that is not there.
    return colour && /\/\s*none\s*\)\s*$/.test(lower) ? { ...colour, alpha: 0 } : colour;
  } catch {
    return undefined;
  }
}

/**
 * The colour that a text is: one that the grammar of CSS Color 4 knows (https://www.w3.org/TR/css-color-4/#color-syntax), whole, and
 * that stands alone. Undefined for all else: what is not closed, not known, or depends on where it stands (`currentcolor`, system
 * colours, `var()`, mixtures).
 */
export function cssColour(text: string): Color | undefined {
  if (text.length > LONGEST) return undefined;
  if (known.has(text)) return known.get(text);
  const colour = read(text);
  if (known.size >= MOST) known.clear();
  known.set(text, colour);
  return colour;
}
