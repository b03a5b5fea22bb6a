import {
  knownIn,
  knownKind,
  lookup,
  textIn,
  variantsOfField,
  wordsClass,
  type ContentField,
  type Node,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';

/** A text in a sheet that can be edited in place. */
export interface TextPlace {
  element: HTMLElement;
  /** The content field of the kind. */
  field: ContentField;
  /** The field that is edited: the same one, or a field of the entry. */
  of: ContentField;
  /** Index of the entry. */
  entry?: number;
}

type Entry = Record<string, unknown>;

/** Selects within an element; `:scope` is the element itself. */
const within = (element: Element, selector: string): HTMLElement[] =>
  selector === ':scope' ? [element as HTMLElement] : [...element.querySelectorAll<HTMLElement>(selector)];

/** Returns the main text of an element, which a double click anywhere on it edits; undefined if it has none. */
function mainTextOf(node: Node, whole: HTMLElement): TextPlace | undefined {
  const kind = knownKind(node.kind);
  const field = kind.content.find((candidate) => candidate.name === kind.words);
  const element = kind.wordsIn ? whole.querySelector<HTMLElement>(kind.wordsIn) : whole;
  return field && element ? { element, field, of: field } : undefined;
}

/** Returns the text that was clicked, or else the main text of the element. */
export function clickedText(
  node: Node,
  whole: HTMLElement,
  target: globalThis.Node | null,
  site: SiteFrame,
  view: ViewId,
): TextPlace | undefined {
  const holds = (element: Element) => target !== null && element.contains(target);
  for (const field of knownKind(node.kind).content) {
    if (!field.selector) continue;
    const places = within(whole, field.selector).filter(isShownIn(field, node, site, view));
    const entry = places.findIndex(holds);
    if (entry < 0) continue;
    if (!field.type.fields) return shownOf({ element: places[entry], field, of: field }, node, site, view);
    for (const of of field.type.fields) {
      const element = of.selector === undefined ? undefined : within(places[entry], of.selector).find(holds);
      if (element) return { element, field, of, entry };
    }
  }
  const main = mainTextOf(node, whole);
  return main && shownOf(main, node, site, view);
}

/** Returns the class of the markup that a view shows of a field; undefined if all views show the same. */
function shownClass(field: ContentField, node: Node, site: SiteFrame, view: ViewId): string | undefined {
  const variants = field.varies === 'within' ? variantsOfField(node, site.views, field.name) : undefined;
  return variants && wordsClass(node.id, field.name, knownIn(variants.in, view));
}

/** Returns a test for entries that a view shows: the markup has the entries of all views. */
function isShownIn(
  field: ContentField,
  node: Node,
  site: SiteFrame,
  view: ViewId,
): (entry: Element) => boolean {
  const name = field.type.fields && shownClass(field, node, site, view);
  return (entry) => name === undefined || entry.classList.contains(name);
}

/** Narrows a text by view to the element that the view shows. */
function shownOf(place: TextPlace, node: Node, site: SiteFrame, view: ViewId): TextPlace | undefined {
  const name = shownClass(place.field, node, site, view);
  if (name === undefined) return place;
  const element = place.element.querySelector<HTMLElement>(`.${CSS.escape(name)}`);
  return element ? { ...place, element } : undefined;
}

/** Returns a text as it is in a view. */
export function textAt(
  { field, of, entry }: Omit<TextPlace, 'element'>,
  node: Node,
  site: SiteFrame,
  view: ViewId,
): string {
  const said = textIn<unknown>(node, site.views, field.name, view);
  return (entry === undefined ? said : (lookup((said as Entry[])[entry], of.name) ?? of.initial)) as string;
}

/**
 * Returns the value of the field with a new text, based on the current element. Finds the entry by its index or, if other edits moved it, by its
 * previous text; returns undefined if no entry has that text any more.
 */
export function withText(
  { field, of, entry }: Omit<TextPlace, 'element'>,
  before: string,
  text: string,
  now: Node,
  site: SiteFrame,
  view: ViewId,
): unknown {
  if (entry === undefined) return text;
  const entries = textIn<Entry[]>(now, site.views, field.name, view);
  const says = (each: Entry | undefined) => each && (lookup(each, of.name) ?? of.initial) === before;
  const at = says(entries[entry]) ? entry : entries.findIndex(says);
  if (at < 0) return undefined;
  return entries.map((each, index) => (index === at ? { ...each, [of.name]: text } : each));
}
