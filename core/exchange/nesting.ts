/** How deep objects and lists of a site or an edit may stand in each other; what is valid needs 12. */
const MOST = 64;

const OPEN = new Set('[{');
const CLOSE = new Set(']}');

/**
 * Whether the objects and lists of a text of JSON stand deeper in each other than any that is valid. Looked at before it is read: what
 * walks through a value afterwards would run out of stack.
 */
export function isNestedTooDeep(json: string): boolean {
  let depth = 0;
  let quoted = false;
  for (let at = 0; at < json.length; at++) {
    const character = json[at];
    if (quoted) {
      if (character === '\\') at += 1;
      else if (character === '"') quoted = false;
    } else if (character === '"') quoted = true;
    else if (OPEN.has(character)) {
      depth += 1;
      if (depth > MOST) return true;
    } else if (CLOSE.has(character)) depth -= 1;
  }
  return false;
}
