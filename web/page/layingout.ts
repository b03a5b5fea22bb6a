import {
  type Edges,
  hasTrait,
  inside,
  type Laid,
  type LaidElement,
  type LaidLine,
  type LaidTarget,
  type NodeId,
  type Page,
  sure,
  type TextSetting,
  viewAt,
  type ViewId,
  type Views,
} from '../../core/index.ts';
import { FONT_SIZE, isBroken, letterAreaOf, textOf, type LaidText, type LetterArea } from './textlayout.ts';
import { nodeAt, type SheetDocument } from './sheetdocument.ts';

const TARGETS = 'a[href], button, input:not([type=hidden]), select, textarea, summary, video[controls]';

/** What a browser draws by itself, as long as nobody says otherwise. */
const NATIVE = 'input[type=checkbox], input[type=radio], video';

/** Text settings as CSS; the spacing is that of https://www.w3.org/TR/WCAG22/#text-spacing. */
const SETTINGS: Record<TextSetting, string> = {
  'as it is': '',
  'twice as large': 'html{font-size:200%!important}',
  spaced:
    '*{line-height:1.5!important;letter-spacing:.12em!important;word-spacing:.16em!important}p:not(:last-child){margin-bottom:2em!important}',
};

/** Sets the text of a sheet. */
export function setText({ document }: SheetDocument, text: TextSetting): void {
  let style = document.querySelector<HTMLStyleElement>('style[data-text]');
  if (!style) {
    style = document.createElement('style');
    style.dataset.text = '';
    document.head.append(style);
  }
  if (style.textContent !== SETTINGS[text]) style.textContent = SETTINGS[text];
}

const edgesOf = ({ left, top, right, bottom }: DOMRect): Edges => ({ left, top, right, bottom });

const both = (one: Edges, other: Edges): Edges => ({
  left: Math.min(one.left, other.left),
  top: Math.min(one.top, other.top),
  right: Math.max(one.right, other.right),
  bottom: Math.max(one.bottom, other.bottom),
});

const EVERYWHERE: Edges = { left: -Infinity, top: -Infinity, right: Infinity, bottom: Infinity };

const wordsIn = ({ textContent }: Element): string => textContent.trim().replace(/\s+/g, ' ');

/** Whether a colour as it is computed lets something of it be seen. */
const isSeen = (colour: string): boolean =>
  colour !== 'transparent' && !/^rgba\(.*, 0\)$|\/ 0\)$/.test(colour);

/** What of the style of an element matters here: it is the same at all widths of a view. */
interface Looks {
  gone: boolean;
  /** It has no box: what is in it stands where it would. */
  boxless: boolean;
  inline: boolean;
  painted: { left: boolean; right: boolean } | undefined;
  stays: boolean;
  cutsAcross: boolean;
  cutsDown: boolean;
  /** What is in it can be scrolled into view. */
  scrolls: boolean;
  fit: string;
  /** The font as CSS writes it, without its size. */
  font: string;
  hyphenates: boolean;
}

function looksOf(element: Element): Looks {
  const style = sure(element.ownerDocument.defaultView, 'defaultView').getComputedStyle(element);
  const { display, overflowX, overflowY, position, fontStyle, fontWeight, fontFamily, hyphens } = style;
  const cuts = (overflow: string) => overflow === 'hidden' || overflow === 'clip';
  const scrolls = (overflow: string) => overflow === 'auto' || overflow === 'scroll';
  const ground = isSeen(style.backgroundColor) || style.backgroundImage !== 'none';
  const left = ground || (style.borderLeftWidth !== '0px' && isSeen(style.borderLeftColor));
  const right = ground || (style.borderRightWidth !== '0px' && isSeen(style.borderRightColor));
  return {
    // What only assistive technology reads has no place.
    gone: display === 'none' || style.visibility !== 'visible' || style.clipPath === 'inset(50%)',
    boxless: display === 'contents',
    inline: display === 'inline',
    painted: left || right ? { left, right } : undefined,
    stays: position === 'sticky' || position === 'fixed',
    cutsAcross: cuts(overflowX),
    cutsDown: cuts(overflowY),
    scrolls: scrolls(overflowX) || scrolls(overflowY),
    fit: style.objectFit,
    font: `${fontStyle} ${fontWeight} ${FONT_SIZE}px ${fontFamily}`,
    hyphenates: hyphens === 'auto',
  };
}

/** An element of a document, with what of it is the same at every width. */
interface SeenElement {
  element: HTMLElement;
  /** The element of the page that begins here. */
  node?: NodeId;
  target?: { name: string; label: Element | null; alone: boolean; native: boolean };
  texts: LaidText[];
  within: SeenElement[];
  looks: Map<ViewId, Looks>;
}

function targetIn(element: HTMLElement): SeenElement['target'] {
  if (!element.matches(TARGETS)) return undefined;
  const words = wordsIn(element);
  const label = element.closest('label');
  return {
    name: (words || element.getAttribute('aria-label') || (label && wordsIn(label)) || '…').slice(0, 60),
    label,
    alone: wordsIn(sure(element.parentElement, 'parentElement')) === words,
    native: element.matches(NATIVE),
  };
}

/** Whether the words of an element are running text, which is looked at without being laid out. */
const isProse = (page: Page, node: NodeId | undefined): boolean =>
  node === undefined || hasTrait(page.nodes[node], 'prose');

function seenIn(element: HTMLElement, page: Page, owner?: NodeId): SeenElement {
  const found = element.classList.length > 0 ? nodeAt(element) : null;
  const node = found !== null && found !== owner && page.nodes[found] ? found : undefined;
  const target = targetIn(element);
  const closed = element.localName === 'details' && !(element as HTMLDetailsElement).open;
  return {
    element,
    ...(node && { node }),
    ...(target && { target }),
    texts: [...element.childNodes]
      .filter((child) => child.nodeType === Node.TEXT_NODE && child.textContent?.trim())
      .map((text) => textOf(text, isProse(page, node ?? owner))),
    within: [...element.children]
      .filter((child) => !closed || child.localName === 'summary')
      .map((child) => seenIn(child as HTMLElement, page, node ?? owner)),
    looks: new Map(),
  };
}

function lineOf(rect: DOMRect, clip: Edges, { from, to }: LetterArea): LaidLine {
  const edges = edgesOf(rect);
  const height = edges.bottom - edges.top;
  return {
    ...edges,
    letters: { top: edges.top + from * height, bottom: edges.top + to * height },
    cutAcross: Math.max(0, clip.left - edges.left, edges.right - clip.right),
    cutDown: Math.max(0, clip.top - edges.top, edges.bottom - clip.bottom),
  };
}

/** What is left to be seen of what stands in a box; what can be scrolled into view is not cut off. */
const cutTo = (box: Edges, { cutsAcross, cutsDown, scrolls }: Looks, clip: Edges): Edges =>
  scrolls
    ? EVERYWHERE
    : {
        left: cutsAcross ? Math.max(clip.left, box.left) : clip.left,
        right: cutsAcross ? Math.min(clip.right, box.right) : clip.right,
        top: cutsDown ? Math.max(clip.top, box.top) : clip.top,
        bottom: cutsDown ? Math.min(clip.bottom, box.bottom) : clip.bottom,
      };

/** What of the box of an element can be seen at all, also after scrolling in what it is in. */
const boundsIn = (box: Edges, { cutsAcross, cutsDown, scrolls }: Looks, bounds: Edges): Edges => {
  const all = inside(box, bounds);
  const { left, right } = cutsAcross || scrolls ? all : bounds;
  const { top, bottom } = cutsDown || scrolls ? all : bounds;
  return { left, right, top, bottom };
};

/** The edges within which the content of an element is seen: without being scrolled into view, and at all. */
interface Clips {
  clip: Edges;
  bounds: Edges;
}

/** A page in a sheet, to be measured at many widths: what is the same at all of them is looked at once. */
export class Layouts {
  private readonly body: SeenElement;
  private readonly letterAreas = new Map<string, LetterArea>();

  constructor(
    private readonly sheet: SheetDocument,
    page: Page,
    private readonly views: Views,
  ) {
    this.body = seenIn(sheet.document.body, page);
  }

  /** The page as it is laid out now, in a frame that is as wide as the window is meant to be. */
  measure(): Laid {
    const { documentElement: root, defaultView: frame } = this.sheet.document;
    const elements: LaidElement[] = [];
    this.look(
      this.body,
      viewAt(this.views, root.clientWidth).id,
      { clip: EVERYWHERE, bounds: EVERYWHERE },
      elements,
    );
    return {
      width: root.clientWidth,
      scrolls: root.scrollWidth,
      rightToLeft: root.dir === 'rtl',
      keptClear:
        Number.parseFloat(
          sure(frame, 'frame').getComputedStyle(this.sheet.document.body).getPropertyValue('--clear-top'),
        ) || 0,
      keptClearBelow: Number.parseFloat(sure(frame, 'frame').getComputedStyle(root).scrollPaddingBottom) || 0,
      elements,
    };
  }

  private look(
    seen: SeenElement,
    view: ViewId,
    { clip, bounds }: Clips,
    made: LaidElement[],
    owner?: LaidElement,
  ): void {
    const { element, node, target, texts, within } = seen;
    const looks = seen.looks.get(view) ?? looksOf(element);
    seen.looks.set(view, looks);
    if (looks.gone) return;
    if (looks.boxless) {
      for (const each of within) this.look(each, view, { clip, bounds }, made, owner);
      return;
    }
    const box = edgesOf(element.getBoundingClientRect());
    let own = owner;
    if (node) {
      const uncut = inside(box, bounds);
      const isCut = uncut.left > box.left || uncut.right < box.right;
      own = {
        ...{ node, box, lines: [], targets: [] },
        ...(isCut && { uncut }),
        ...(looks.painted && { painted: looks.painted }),
        ...(looks.stays && { stays: true }),
      };
      made.push(own);
    }
    const inner = { clip: cutTo(box, looks, clip), bounds: boundsIn(box, looks, bounds) };
    if (own) {
      if (target) own.targets.push(targetOf(box, target, looks));
      if (element.localName === 'img')
        own.picture ??= { width: element.clientWidth, height: element.clientHeight, fit: looks.fit };
      for (const text of texts) this.lookAt(text, looks, inner.clip, own);
    }
    for (const each of within) this.look(each, view, inner, made, own);
  }

  /** Adds the lines of a text to an element, and its words that are broken. */
  private lookAt(
    { range, latin, words }: LaidText,
    { font, hyphenates }: Looks,
    clip: Edges,
    own: LaidElement,
  ): void {
    const letters = latin ? this.letterArea(font) : { from: 0, to: 1 };
    const rects = [...range.getClientRects()].filter(({ width }) => width > 0.5);
    own.lines.push(...rects.map((rect) => lineOf(rect, clip, letters)));
    if (hyphenates || rects.length < 2) return;
    const broken = words.filter((each) => isBroken(each.range)).map(({ word }) => word);
    if (broken.length > 0) own.broken = [...(own.broken ?? []), ...broken];
  }

  private letterArea(font: string): LetterArea {
    const area = this.letterAreas.get(font) ?? letterAreaOf(font, this.sheet.document);
    this.letterAreas.set(font, area);
    return area;
  }
}

function targetOf(
  box: Edges,
  { name, label, alone, native }: NonNullable<SeenElement['target']>,
  { inline }: Looks,
) {
  const made: LaidTarget = {
    ...(label ? both(box, edgesOf(label.getBoundingClientRect())) : box),
    name,
    inWords: inline && !alone,
    native,
  };
  return made;
}
