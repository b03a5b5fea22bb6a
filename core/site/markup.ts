import { escapeAttribute, escapeText } from './fragment.ts';

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

export function element(
  tag: string,
  attributes: Markup['attributes'] = {},
  ...children: Markup['children']
): Markup {
  return { tag, attributes, children };
}

const VOID = new Set(['img', 'source', 'meta', 'link', 'br', 'hr', 'input']);

/** What has been printed: markup is never changed once it is made. */
const printed = new WeakMap<Markup, string>();

/** Prints markup as HTML. An attribute whose value is undefined is left out; an empty one is written without a value. */
export function print(markup: Markup | Html | string): string {
  if (typeof markup === 'string') return escapeText(markup);
  if ('html' in markup) return markup.html;
  const before = printed.get(markup);
  if (before !== undefined) return before;
  const html = printElement(markup);
  printed.set(markup, html);
  return html;
}

function printElement(markup: Markup): string {
  const attributes = Object.entries(markup.attributes)
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) =>
      value === '' && name !== 'alt' ? ` ${name}` : ` ${name}="${escapeAttribute(String(value))}"`,
    )
    .join('');
  if (VOID.has(markup.tag)) return `<${markup.tag}${attributes}>`;
  return `<${markup.tag}${attributes}>${markup.children.map(print).join('')}</${markup.tag}>`;
}
