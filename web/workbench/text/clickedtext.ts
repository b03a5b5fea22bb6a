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

/** A text of an element: where it stands in a sheet, what it is of, and what it is. */
export interface TextPlace {
  element: HTMLElement;
  /** The field of the kind's content that it is, or is in. */
  field: ContentField;
  /** The field of what is edited: the same, or one of the entry. */
  of: ContentField;
  /** Which entry it is in. */
  entry?: number;
}

type Entry = Record<string, unknown>;

/** Where something is within an element, which may be that itself. */
const within = (element: Element, selector: string): HTMLElement[] =>
  selector === ':scope' ? [element as HTMLElement] : [...element.querySelectorAll<HTMLElement>(selector)];

/** Where the words of an element stand that are edited in place wherever on it one begins; undefined where it has none. */
function wordsOf(node: Node, whole: HTMLElement): TextPlace | undefined {
  const kind = knownKind(node.kind);
  const field = kind.content.find((candidate) => candidate.name === kind.words);
  const element = kind.wordsIn ? whole.querySelector<HTMLElement>(kind.wordsIn) : whole;
  return field && element ? { element, field, of: field } : undefined;
}

/** The text of an element that was clicked: what stands there, or the words of the element where nothing of its own does. */
export function clickedText(
  node: Node,
  whole: HTMLElement,
  target: globalThis.Node | null,
  site: SiteFrame,
  view: ViewId,
): TextPlace | undefined {
  const holds = (element: Element) => target !== null && element.contains(target);
  for (const field of knownKind(node.kind).content) {
    if (!field.stands) continue;
    const places = within(whole, field.stands);
    const entry = places.findIndex(holds);
    if (entry < 0) continue;
    if (!field.type.fields) return shownOf({ element: places[entry], field, of: field }, node, site, view);
    // Where views have other entries, all of them stand there, one behind another.
    if (field.varies === 'within' && variantsOfField(node, site.views, field.name)) return undefined;
    for (const of of field.type.fields) {
      const element = of.stands === undefined ? undefined : within(places[entry], of.stands).find(holds);
      if (element) return { element, field, of, entry };
    }
  }
  const words = wordsOf(node, whole);
  return words && shownOf(words, node, site, view);
}

/** The text that a view shows, where views show different ones. */
function shownOf(place: TextPlace, node: Node, site: SiteFrame, view: ViewId): TextPlace | undefined {
  const said = place.field.varies === 'within' && variantsOfField(node, site.views, place.field.name);
  if (!said) return place;
  const element = place.element.querySelector<HTMLElement>(
    `.${CSS.escape(wordsClass(node.id, place.field.name, knownIn(said.in, view)))}`,
  );
  return element ? { ...place, element } : undefined;
}

/** What a text is in a view. */
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
 * What the field is, with another text in place of one, on top of what the element says by now. An entry is where it was, or where others have moved
 * it since; undefined where there is none with that text any more.
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
