import type { Edges, Laid, LaidElement, LaidLine, LaidTarget, Page, TextSetting } from '../../core/index.ts';
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

const areaOf = ({ left, top, right, bottom }: DOMRect): Edges => ({ left, top, right, bottom });

const both = (one: Edges, other: Edges): Edges => ({
  left: Math.min(one.left, other.left),
  top: Math.min(one.top, other.top),
  right: Math.max(one.right, other.right),
  bottom: Math.max(one.bottom, other.bottom),
});

const EVERYWHERE: Edges = { left: -Infinity, top: -Infinity, right: Infinity, bottom: Infinity };

/** What is left to be seen of what stands in an element that cuts off what stands out. What can be scrolled into view is not cut off. */
function cutBy(element: Element, { overflowX, overflowY }: CSSStyleDeclaration, clip: Edges): Edges {
  const cuts = (overflow: string) => overflow === 'hidden' || overflow === 'clip';
  if (overflowX === 'visible' && overflowY === 'visible') return clip;
  const { left, top, right, bottom } = element.getBoundingClientRect();
  const [across, down] = [cuts(overflowX), cuts(overflowY)];
  return {
    left: across ? Math.max(clip.left, left) : -Infinity,
    right: across ? Math.min(clip.right, right) : Infinity,
    top: down ? Math.max(clip.top, top) : -Infinity,
    bottom: down ? Math.min(clip.bottom, bottom) : Infinity,
  };
}

function lineOf(rect: DOMRect, clip: Edges): LaidLine {
  const area = areaOf(rect);
  return {
    ...area,
    cutAcross: Math.max(0, clip.left - area.left, area.right - clip.right),
    cutDown: Math.max(0, clip.top - area.top, area.bottom - clip.bottom),
  };
}

function targetOf(element: HTMLElement, display: string): LaidTarget {
  const words = element.textContent.trim().replace(/\s+/g, ' ');
  const label = element.closest('label');
  const area = areaOf(element.getBoundingClientRect());
  const around = element.parentElement!.textContent.trim().replace(/\s+/g, ' ');
  return {
    ...(label ? both(area, areaOf(label.getBoundingClientRect())) : area),
    name: (words || element.getAttribute('aria-label') || label?.textContent.trim() || '…').slice(0, 60),
    inWords: display === 'inline' && around !== words,
    native: element.matches(NATIVE),
  };
}

/** Whether a colour as it is computed lets something of it be seen. */
const isSeen = (colour: string): boolean =>
  colour !== 'transparent' && !/^rgba\(.*, 0\)$|\/ 0\)$/.test(colour);

const isPainted = (style: CSSStyleDeclaration): boolean =>
  isSeen(style.backgroundColor) ||
  style.backgroundImage !== 'none' ||
  (style.borderLeftWidth !== '0px' && isSeen(style.borderLeftColor));

/** Looks through a document, from its body on. */
class Look {
  readonly elements: LaidElement[] = [];
  private readonly range: Range;

  constructor(
    private readonly frame: Window,
    document: Document,
    private readonly page: Page,
  ) {
    this.range = document.createRange();
  }

  at(element: HTMLElement, owner?: LaidElement, clip: Edges = EVERYWHERE): void {
    const style = this.frame.getComputedStyle(element);
    const { display } = style;
    // What only assistive technology reads has no place.
    if (display === 'none' || style.visibility !== 'visible' || style.clipPath === 'inset(50%)') return;
    const box = areaOf(element.getBoundingClientRect());
    const node = element.classList.length > 0 && nodeAt(element);
    let own = owner;
    if (node && node !== owner?.node && this.page.nodes[node]) {
      const stays = style.position === 'sticky' || style.position === 'fixed';
      own = {
        ...{ node, box, lines: [], targets: [] },
        ...(isPainted(style) && { painted: true }),
        ...(stays && { stays: true }),
      };
      this.elements.push(own);
    }
    if (own) this.note(element, style, own);
    const inner = cutBy(element, style, clip);
    const closed = element.localName === 'details' && !(element as HTMLDetailsElement).open;
    for (const child of element.childNodes) {
      if (child.nodeType === Node.TEXT_NODE) {
        if (own) this.words(child, own, inner);
      } else if (child.nodeType === Node.ELEMENT_NODE) {
        if (closed && (child as Element).localName !== 'summary') continue;
        this.at(child as HTMLElement, own, inner);
      }
    }
  }

  /** What an element of the document is for the element of the page that it belongs to. */
  private note(element: HTMLElement, style: CSSStyleDeclaration, own: LaidElement): void {
    if (element.matches(TARGETS)) own.targets.push(targetOf(element, style.display));
    if (element.localName === 'img' && !own.picture)
      own.picture = { width: element.clientWidth, height: element.clientHeight, fit: style.objectFit };
  }

  private words(text: ChildNode, own: LaidElement, clip: Edges): void {
    if (!text.textContent?.trim()) return;
    this.range.selectNodeContents(text);
    for (const rect of this.range.getClientRects()) if (rect.width > 0.5) own.lines.push(lineOf(rect, clip));
  }
}

/** A page as it is laid out in a sheet whose frame is as wide as the window is meant to be. */
export function laidOut({ document }: SheetDocument, page: Page): Laid {
  const { documentElement: root, body, defaultView: frame } = document;
  const look = new Look(frame!, document, page);
  look.at(body);
  return {
    width: root.clientWidth,
    scrolls: root.scrollWidth,
    rightToLeft: root.dir === 'rtl',
    keptClear: Number.parseFloat(frame!.getComputedStyle(root).scrollPaddingTop) || 0,
    elements: look.elements,
  };
}
