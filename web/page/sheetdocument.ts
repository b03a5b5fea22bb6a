import {
  AT_WINDOW,
  type CssRule,
  directionOf,
  documentTitle,
  familiesOf,
  headOf,
  KINDS,
  type Markup,
  nodeClass,
  nodeId,
  type NodeId,
  type Preview,
  print,
  printFontFaces,
  printRules,
  type SiteFrame,
  type Trait,
} from '../../core/index.ts';
import morphdom from 'morphdom';
import { paths } from '../../api/paths.ts';
import { ElementRules } from './sheetrules.ts';

/** An element that is shown as a ghost although it is hidden, with the display it would have. */
export interface Ghost {
  selector: string;
  display: string;
}

/** What a sheet shows: the page as the compiler makes it, and how hidden things look. */
export interface SheetContent {
  preview: Preview;
  ghosts: readonly Ghost[];
  /** What is not for the visitor who looks: it is not there. */
  kept?: readonly string[];
}

/** An element that stands out beyond the right edge of the page, and how far, in px. */
export interface Overflow {
  id: NodeId;
  by: number;
}

/** The frame's first document. No script can run in it: the frame is sandboxed, and the policy says so again. */
export const EMPTY_SHEET =
  '<!DOCTYPE html><html><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="script-src \'none\'; object-src \'none\'"><title>Sheet</title></head><body></body></html>';

/** The box of an element in a page, px; of one without a box of its own (CSS Display 3, §2.5) that around what is in it; null: it is not shown. */
export function boxIn(element: Element | null): DOMRect | null {
  if (!element) return null;
  if (element.getClientRects().length > 0) return element.getBoundingClientRect();
  if (element.ownerDocument.defaultView?.getComputedStyle(element).display !== 'contents') return null;
  const boxes = [...element.children].map(boxIn).filter((box) => box !== null);
  if (boxes.length === 0) return null;
  const [left, top] = [Math.min(...boxes.map((box) => box.left)), Math.min(...boxes.map((box) => box.top))];
  const right = Math.max(...boxes.map((box) => box.right));
  return new DOMRect(left, top, right - left, Math.max(...boxes.map((box) => box.bottom)) - top);
}

const printedBodies = new WeakMap<Markup, string>();

/** A body's HTML; several sheets show the same. */
function printed(body: Markup): string {
  const html = printedBodies.get(body) ?? print(body);
  printedBodies.set(body, html);
  return html;
}

/** Every family that a site can use, as rules of CSS. */
export const fontFacesOf = (site: SiteFrame): string =>
  printFontFaces(familiesOf(site), (_family, file) =>
    file.hash ? paths.ownFont(site.id, file.hash) : paths.font(file.file),
  );

/** How many elements a page has from which on its sections are contained. */
const LONG = 600;

/**
 * Contained sections spare a browser from looking at all of a long page when something in one of them changes. They are
 * laid out the same; but each begins at a whole pixel, which on a page of common length shows what is published less exactly.
 */
const CONTAINED = '.section{contain:layout style}';

/** The element of the page that what is in a sheet's document belongs to. */
export function nodeAt(target: EventTarget | null): NodeId | null {
  // The frame has a realm of its own: `instanceof Element` would not know its elements.
  let element = (target as Node | null)?.nodeType === 1 ? (target as Element) : null;
  while (element) {
    const name = [...element.classList].find((candidate) => candidate.startsWith(nodeClass('')));
    if (name) return nodeId(name.slice(nodeClass('').length));
    element = element.parentElement;
  }
  return null;
}

/** The element of a node in a document: of several that stand in for one another, the one that is displayed. */
export function elementIn(document: Document, id: NodeId): HTMLElement | null {
  const all = document.getElementsByClassName(nodeClass(id)) as HTMLCollectionOf<HTMLElement>;
  return all.length < 2 ? (all[0] ?? null) : ([...all].find((each) => each.checkVisibility()) ?? all[0]);
}

const withTrait = (trait: Trait): string =>
  KINDS.filter(({ traits }) => traits.includes(trait))
    .map(({ name }) => `.${name}`)
    .join();

/** The elements that stay at a place of the window, and those that cover it for a while. */
const [FLOATING, COVERING] = [withTrait('floating'), withTrait('screen')];

/**
 * The live page inside a sheet's frame. Rules are edited in place and the document is patched instead of written again, so
 * that an edit costs what it touches.
 */
export class SheetDocument {
  private readonly fonts: HTMLStyleElement;
  private readonly shared: HTMLStyleElement;
  private readonly elements: ElementRules;
  private readonly extras: HTMLStyleElement;
  private readonly containment: HTMLStyleElement;
  private sharedRules: readonly CssRule[] = [];
  private body: Markup | undefined;
  private families = '';
  /** The element whose text is being edited in place; its content is left alone meanwhile. */
  editing: Element | null = null;

  constructor(readonly document: Document) {
    const style = () => document.head.appendChild(document.createElement('style'));
    this.fonts = style();
    this.shared = style();
    this.extras = style();
    this.elements = new ElementRules(this.extras);
    // The frame is as tall as its page, so nothing scrolls inside it; a scrollbar would only take width away.
    // Text in editing keeps every space that is typed, as its editor asks for.
    style().textContent =
      'html{overflow:hidden}.ProseMirror{white-space:break-spaces;outline:0}' +
      // What lies over what is read in a window has its place at the end of the whole page.
      `body{position:relative}:is(${FLOATING},${AT_WINDOW}){position:absolute!important}` +
      // What covers the window for a while stands below the page, to be seen and changed.
      `:is(${COVERING}){position:relative!important;order:10000;min-height:640px}` +
      // An image that is not chosen yet has a place where one can be let go.
      'span.picture{aspect-ratio:3/2;background:repeating-linear-gradient(135deg,rgba(120,112,98,.16) 0 2px,transparent 2px 9px);outline:1px dashed #8d8577;outline-offset:-1px}';
    this.containment = style();
  }

  update({ preview, ghosts, kept = [] }: SheetContent): void {
    const title = documentTitle(preview.site.name, headOf(preview.site, preview.page.id));
    const { documentElement } = this.document;
    // A language that is set makes the browser style the whole page again, also when it is the same.
    const lang = headOf(preview.site, preview.page.id).lang ?? preview.site.lang;
    if (documentElement.lang !== lang) documentElement.lang = lang;
    const direction = directionOf(lang);
    if (documentElement.dir !== direction) documentElement.dir = direction;
    if (this.document.title !== title) this.document.title = title;
    this.updateFonts(preview);
    if (preview.shared !== this.sharedRules) {
      this.sharedRules = preview.shared;
      this.shared.textContent = printRules(preview.shared);
    }
    this.contain(preview);
    this.elements.update(preview);
    this.updateBody(preview.body);
    const shown = ghosts
      .map(
        ({ selector, display }) =>
          `${selector}{display:${display}!important;opacity:.38;outline:1px dashed #23211c;background-image:repeating-linear-gradient(135deg,rgba(35,33,28,.28) 0 2px,transparent 2px 9px)!important}`,
      )
      .join('')
      .concat(kept.length > 0 ? `${kept.join(',')}{display:none!important}` : '');
    if (this.extras.textContent !== shown) this.extras.textContent = shown;
  }

  private contain({ page, since }: Preview): void {
    // An edit of values adds no elements: what held before holds on.
    if (since && this.body) return;
    const containment = Object.keys(page.nodes).length > LONG ? CONTAINED : '';
    if (this.containment.textContent !== containment) this.containment.textContent = containment;
  }

  /** Every family the site can use is declared; a browser fetches a file only when it meets a character of it. */
  private updateFonts({ site }: Preview): void {
    const faces = fontFacesOf(site);
    if (this.families === faces) return;
    this.families = faces;
    this.fonts.textContent = faces;
  }

  private updateBody(body: Markup): void {
    if (body === this.body) return;
    this.body = body;
    const wanted = new DOMParser().parseFromString(`<!DOCTYPE html>${printed(body)}`, 'text/html').body;
    morphdom(this.document.body, wanted, {
      onBeforeElUpdated: (element, next) => {
        // Questions that were opened in the sheet stay open.
        if (element.localName === 'details' && element.hasAttribute('open')) next.setAttribute('open', '');
        return element !== this.editing;
      },
    });
    // Chromium keeps a document for good while a source in it has a condition to watch: what was parsed would pile up, edit by edit.
    for (const source of wanted.querySelectorAll('source[media]')) source.removeAttribute('media');
  }

  /** Puts the document right after something else has written into it, or others have changed what stands around that. */
  restore(): void {
    const { body } = this;
    this.body = undefined;
    if (body) this.updateBody(body);
  }

  /** The element of a node: of several that stand in for one another, the one that is displayed. */
  elementOf(id: NodeId): HTMLElement | null {
    return elementIn(this.document, id);
  }

  /** What makes the page wider than its window: of the elements that stand out furthest, the innermost. */
  overflow(): Overflow | null {
    const { documentElement: root, body } = this.document;
    const by = root.scrollWidth - root.clientWidth;
    if (by <= 0) return null;
    let id: NodeId | null = null;
    let furthest = root.clientWidth + 0.5;
    // Later in the document is further in; what its parents cut off does not count, as it does not widen the page.
    for (const element of body.querySelectorAll('*')) {
      const { right } = element.getBoundingClientRect();
      if (right < furthest || right > root.scrollWidth + 1) continue;
      furthest = right;
      id = this.nodeAt(element);
    }
    return id && { id, by };
  }

  /** The element of the page that a point in the document belongs to. */
  nodeAt(target: EventTarget | null): NodeId | null {
    return nodeAt(target);
  }
}
