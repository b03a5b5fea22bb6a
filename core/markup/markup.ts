import { escapeAttribute, escapeText } from './fragment.ts';
import { lookup } from '../lookup.ts';

/** An HTML element as data: what the compiler builds and what is printed. */
export interface Markup {
  tag: string;
  attributes: Record<string, string | number | undefined>;
  children: (Markup | Html | string)[];
}

/** HTML that has been cleaned already (`cleanFragment`). */
export interface Html {
  html: string;
}

/** An HTML element as text; attributes that are undefined or false are left out. */
export function element(
  tag: string,
  attributes: Markup['attributes'] = {},
  ...children: Markup['children']
): Markup {
  return { tag, attributes, children };
}

const VOID = new Set(['img', 'source', 'track', 'meta', 'link', 'br', 'hr', 'input']);

/** Prints markup as HTML. An attribute whose value is undefined is left out; an empty one is written without a value. */
export function print(markup: Markup | Html | string): string {
  if (typeof markup === 'string') return escapeText(markup);
  if ('html' in markup) return markup.html;
  let html = `<${markup.tag}`;
  for (const name in markup.attributes) {
    const value = lookup(markup.attributes, name);
    if (value === undefined) continue;
    html += value === '' && name !== 'alt' ? ` ${name}` : ` ${name}="${escapeAttribute(String(value))}"`;
  }
  html += '>';
  if (VOID.has(markup.tag)) return html;
  for (const child of markup.children) html += print(child);
  return `${html}</${markup.tag}>`;
}
