import { parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import { cleanLink } from './link.ts';
import { lookup } from '../lookup.ts';

type ParsedNode = DefaultTreeAdapterTypes.ChildNode;
type ParsedElement = DefaultTreeAdapterTypes.Element;

/** `block`: paragraphs, headings, quotes and lists with marks. `inline`: one run of text with marks. */
export type FragmentForm = 'block' | 'inline';

/** Elements whose content is not text for people; they go with everything inside. */
const DROPPED = new Set(
  'script style template iframe object embed applet noscript noembed noframes svg math textarea select option title head xmp plaintext audio video canvas'.split(
    ' ',
  ),
);
const MARKS: Record<string, string> = { strong: 'strong', b: 'strong', em: 'em', i: 'em' };
const LISTS = new Set(['ul', 'ol']);
/** Headings inside a text stand below the page's own: from the second to the fourth level. */
const HEADINGS: Record<string, string> = { h1: 'h2', h2: 'h2', h3: 'h3', h4: 'h4', h5: 'h4', h6: 'h4' };
const BLOCKS = new Set(
  'p div h1 h2 h3 h4 h5 h6 blockquote section article header footer main aside nav figure figcaption pre address table tbody thead tr td th dl dt dd li ul ol'.split(
    ' ',
  ),
);

/** Text as HTML, with `&`, `<` and `>` escaped. */
export function escapeText(text: string): string {
  if (!/[&<>\u00a0]/.test(text)) return text;
  return text
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/\u00a0/g, '&nbsp;');
}

/** Text as the value of an attribute in double quotes. */
export const escapeAttribute = (text: string): string =>
  text.includes('"') ? escapeText(text).replace(/"/g, '&quot;') : escapeText(text);

const isElement = (node: ParsedNode): node is ParsedElement => 'tagName' in node;
const isBlock = (node: ParsedNode): node is ParsedElement => isElement(node) && BLOCKS.has(node.tagName);
const attribute = (element: ParsedElement, name: string) =>
  element.attrs.find((candidate) => candidate.name === name)?.value;

/** Nothing to read: no text, no line break. */
const isBlank = (html: string): boolean => html.replace(/<[^<>]*>/g, '').trim() === '';

function inline(nodes: readonly ParsedNode[], insideLink = false): string {
  return nodes
    .map((node) => {
      if (node.nodeName === '#text') return escapeText((node as DefaultTreeAdapterTypes.TextNode).value);
      if (!isElement(node) || DROPPED.has(node.tagName)) return '';
      if (node.tagName === 'br') return '<br>';
      const link = node.tagName === 'a' ? cleanLink(attribute(node, 'href') ?? '') : undefined;
      const inner = inline(node.childNodes, insideLink || link !== undefined);
      if (inner === '') return '';
      if (link !== undefined && !insideLink) return `<a href="${escapeAttribute(link)}">${inner}</a>`;
      const mark = lookup(MARKS, node.tagName);
      return mark ? `<${mark}>${inner}</${mark}>` : inner;
    })
    .join('');
}

const isList = (node: ParsedNode): node is ParsedElement => isElement(node) && LISTS.has(node.tagName);

/** Nodes as lines of marked words: each block a line of its own, what stands between blocks together. Lists are left out. */
function lines(nodes: readonly ParsedNode[]): string[] {
  const made: string[] = [];
  let run: ParsedNode[] = [];
  const closeRun = () => {
    made.push(inline(run).trim());
    run = [];
  };
  for (const node of nodes) {
    if (isList(node)) continue;
    if (!isBlock(node)) {
      run.push(node);
      continue;
    }
    closeRun();
    made.push(...lines(node.childNodes));
  }
  closeRun();
  return made.filter((line) => !isBlank(line));
}

/** The lists in nodes, also those inside blocks. */
const listsIn = (nodes: readonly ParsedNode[]): ParsedElement[] =>
  nodes.flatMap((node) => (isList(node) ? [node] : isBlock(node) ? listsIn(node.childNodes) : []));

function list(element: ParsedElement): string {
  const items: { words: string; nested: ParsedElement[] }[] = [];
  for (const node of element.childNodes) {
    const last = items.at(-1);
    // A list straight in a list belongs to the item before it, as browsers show it.
    if (isList(node) && last) last.nested.push(node);
    else if (isList(node)) items.push({ words: '', nested: [node] });
    else {
      const within = isElement(node) && node.tagName === 'li' ? node.childNodes : [node];
      items.push({ words: lines(within).join('<br>'), nested: listsIn(within) });
    }
  }
  const inner = items
    .map(({ words, nested }) => words + nested.map(list).join(''))
    .filter((item) => item !== '')
    .map((item) => `<li>${item}</li>`)
    .join('');
  return inner === '' ? '' : `<${element.tagName}>${inner}</${element.tagName}>`;
}

function block(element: ParsedElement): string {
  const { tagName, childNodes } = element;
  if (LISTS.has(tagName)) return list(element);
  const heading = lookup(HEADINGS, tagName);
  if (heading) {
    const words = inline(childNodes).trim();
    return isBlank(words) ? '' : `<${heading}>${words}</${heading}>`;
  }
  const inner = blocks(childNodes);
  return tagName === 'blockquote' && inner !== '' ? `<blockquote>${inner}</blockquote>` : inner;
}

function blocks(nodes: readonly ParsedNode[]): string {
  let html = '';
  let run: ParsedNode[] = [];
  const closeRun = () => {
    const words = inline(run).trim();
    if (!isBlank(words)) html += `<p>${words}</p>`;
    run = [];
  };
  for (const node of nodes) {
    if (!isBlock(node)) {
      run.push(node);
      continue;
    }
    closeRun();
    html += block(node);
  }
  closeRun();
  return html;
}

/** How deep elements may be nested in each other. */
const MOST_DEEP = 60;

/** Whether elements are nested deeper than that; without recursion, as someone may nest them ten thousand deep. */
function isDeeperThan(limit: number, nodes: readonly ParsedNode[]): boolean {
  let level: readonly ParsedNode[] = nodes;
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > limit) return true;
    level = level.filter(isElement).flatMap((element) => element.childNodes);
  }
  return false;
}

/** The words in nodes, blocks apart by a space; without recursion. */
function wordsOf(nodes: readonly ParsedNode[]): string {
  const words: string[] = [];
  const ahead: (ParsedNode | string)[] = [...nodes].reverse();
  for (let next = ahead.pop(); next !== undefined; next = ahead.pop()) {
    if (typeof next === 'string') words.push(next);
    else if (next.nodeName === '#text') words.push((next as DefaultTreeAdapterTypes.TextNode).value);
    else if (isElement(next) && !DROPPED.has(next.tagName)) {
      if (next.tagName === 'br' || isBlock(next)) ahead.push(' ');
      for (let index = next.childNodes.length - 1; index >= 0; index--) ahead.push(next.childNodes[index]);
    }
  }
  return words.join('').replace(/\s+/g, ' ').trim();
}

/**
 * Rich text as we keep it: parsed as a browser would, and written again from a short list of elements — p, h2 to h4,
 * blockquote, ul, ol, li, strong, em, a (with an allowed link), br. Other elements give way to their text; scripts, styles and embedded
 * things go whole; no attribute but `href` survives. Of what is nested more than 60 deep, which nobody writes, the bare words are
 * kept. Cleaning twice gives the same as cleaning once.
 */
export function cleanFragment(html: string, form: FragmentForm): string {
  const { childNodes } = parseFragment(html);
  if (isDeeperThan(MOST_DEEP, childNodes)) {
    const words = escapeText(wordsOf(childNodes));
    return form === 'block' && words !== '' ? `<p>${words}</p>` : words;
  }
  return form === 'block' ? blocks(childNodes) : inline(childNodes).trim();
}

/** The words of a fragment, without marks; blocks apart by a space. */
export const plainText = (html: string): string => wordsOf(parseFragment(html).childNodes);

const LINK = '<a href="';
const END = '</a>';

const unescaped = (text: string): string =>
  text
    .replace(/&quot;/g, '"')
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&nbsp;/g, '\u00a0')
    .replace(/&amp;/g, '&');

/** A fragment, clean as it is kept, with another link in place of each; where none is given, the words stay without one. */
export function mapLinks(html: string, map: (link: string) => string | undefined): string {
  const [before, ...rest] = html.split(LINK);
  return rest.reduce((made, piece) => {
    // A clean fragment has no link in a link.
    const closing = piece.indexOf('">');
    const end = piece.indexOf(END, closing);
    const link = map(unescaped(piece.slice(0, closing)));
    const words = piece.slice(closing + 2, end);
    const after = piece.slice(end + END.length);
    return made + (link === undefined ? words : `${LINK}${escapeAttribute(link)}">${words}${END}`) + after;
  }, before);
}

/** A fragment with each link to something of the site replaced by its address; one to what is gone loses its target. */
export function resolveLinks(html: string, addressOf: (link: string) => string | undefined): string {
  return html.replace(/<a href="((?:page:|shelf:|visitor:|#)[^"]*)">/g, (_match, link: string) => {
    const address = addressOf(link);
    return address === undefined ? '<a>' : `<a href="${escapeAttribute(address)}">`;
  });
}

/** Characters of a text that stand for all of it, at most. */
const MOST_QUOTED = 40;

/** The beginning of a text without markup, in whole words as far as they fit. */
export function beginningOf(text: string): string {
  const line = text.replace(/\s+/g, ' ').trim();
  if (line.length <= MOST_QUOTED) return line;
  const parts = line.slice(0, MOST_QUOTED).split(' ');
  const whole = parts.length > 1 ? parts.slice(0, -1) : parts;
  return `${whole.join(' ')} …`;
}
