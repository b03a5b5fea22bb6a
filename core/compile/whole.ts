import { tokenize, tokenTypes } from 'css-tree/tokenizer';

/** Letters, digits and signs of which no value is made that could go on past its end. */
const HARMLESS = /^[\w\s.,%#*+-]*$/;

const CLOSED_BY = new Map([
  [tokenTypes.Function, tokenTypes.RightParenthesis],
  [tokenTypes.LeftParenthesis, tokenTypes.RightParenthesis],
  [tokenTypes.LeftSquareBracket, tokenTypes.RightSquareBracket],
]);

const CLOSING = new Set([tokenTypes.RightParenthesis, tokenTypes.RightSquareBracket]);

/** How many values are remembered; pages say the same ones often. */
const MOST = 5000;

const known = new Map<string, boolean>();

const NEVER = new Set([
  tokenTypes.BadString,
  tokenTypes.BadUrl,
  tokenTypes.Semicolon,
  tokenTypes.LeftCurlyBracket,
  tokenTypes.RightCurlyBracket,
  tokenTypes.CDO,
  tokenTypes.CDC,
  tokenTypes.Comment,
]);

/**
 * Whether a text is the value of one declaration and ends with it: every bracket, string and address in it is closed, and
 * nothing in it ends the declaration or the rule before (CSS Syntax 3, https://www.w3.org/TR/css-syntax-3/#typedef-declaration-value).
 * What a browser leaves out of such a value is the value alone; anything else could take the rest of the style sheet with it.
 */
export function isWhole(value: string): boolean {
  if (HARMLESS.test(value)) return true;
  let whole = known.get(value);
  if (whole === undefined) {
    if (known.size >= MOST) known.clear();
    known.set(value, (whole = endsWhole(value)));
  }
  return whole;
}

function endsWhole(value: string): boolean {
  // No value of ours needs an escape, and one can hide the end of a string.
  if (value.includes('\\')) return false;
  const open: number[] = [];
  let whole = true;
  tokenize(value, (type, start, end) => {
    const closing = CLOSED_BY.get(type);
    const last = value[end - 1];
    if (closing !== undefined) open.push(closing);
    else if (CLOSING.has(type)) whole &&= open.pop() === type;
    else if (type === tokenTypes.String) whole &&= end - start > 1 && last === value[start];
    else if (type === tokenTypes.Url) whole &&= last === ')';
    else if (NEVER.has(type) || (type === tokenTypes.Delim && value[start] === '!')) whole = false;
  });
  return whole && open.length === 0;
}
