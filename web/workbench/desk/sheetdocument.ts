import morphdom from 'morphdom';
import {
  familiesIn,
  nodeClass,
  print,
  printDeclarations,
  printFontFaces,
  type CssRule,
  type Markup,
  type NodeId,
  type SiteFrame,
} from '../../../core/index.ts';
import { paths } from '../../../api/paths.ts';

/** What a sheet shows: the compiler's rules and markup, and how hidden things look. */
export interface SheetContent {
  lang: string;
  title: string;
  /** The site, for its own fonts. */
  site: SiteFrame;
  rules: readonly CssRule[];
  body: Markup;
  /** The elements to show as ghosts although they are hidden. */
  ghosts: readonly { id: NodeId; display: string }[];
}

/** The frame's first document. No script can run in it: the frame is sandboxed, and the policy says so again. */
export const EMPTY_SHEET =
  '<!DOCTYPE html><html><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="script-src \'none\'; object-src \'none\'"><title>Sheet</title></head><body></body></html>';

const keyOf = (rule: CssRule): string => `${rule.layer}|${rule.selector}|${rule.condition ?? ''}`;

interface Handle {
  rule: CssRule;
  key: string;
}

/**
 * The live page inside a sheet's frame. It keeps a handle on each rule and edits it in place, and patches the document
 * instead of writing it anew, so that an edit costs what it touches.
 */
export class SheetDocument {
  private readonly fonts: HTMLStyleElement;
  private readonly page: HTMLStyleElement;
  private readonly extras: HTMLStyleElement;
  private handles: Handle[] = [];
  private html = '';
  /** The element whose text is being edited in place; its content is left alone meanwhile. */
  editing: Element | null = null;

  constructor(readonly document: Document) {
    const style = () => document.head.appendChild(document.createElement('style'));
    this.fonts = style();
    this.page = style();
    this.extras = style();
    // The frame is as tall as its page, so nothing scrolls inside it; a scrollbar would only take width away.
    // Text in editing keeps every space that is typed, as its editor asks for.
    style().textContent = 'html{overflow:hidden}.ProseMirror{white-space:break-spaces;outline:0}';
  }

  update(content: SheetContent): void {
    this.document.documentElement.lang = content.lang;
    this.document.title = content.title;
    this.updateFonts(content);
    this.updateRules(content.rules);
    this.updateBody(content.body);
    const ghosts = content.ghosts
      .map(
        ({ id, display }) =>
          `.${nodeClass(id)}{display:${display}!important;opacity:.38;outline:1px dashed #23211c;background-image:repeating-linear-gradient(135deg,rgba(35,33,28,.28) 0 2px,transparent 2px 9px)!important}`,
      )
      .join('');
    if (this.extras.textContent !== ghosts) this.extras.textContent = ghosts;
  }

  private updateFonts({ site, rules }: SheetContent): void {
    const faces = printFontFaces(familiesIn(rules, site), (_family, file) =>
      file.hash ? paths.ownFont(site.id, file.hash) : paths.font(file.file),
    );
    if (this.fonts.textContent !== faces) this.fonts.textContent = faces;
  }

  private updateRules(rules: readonly CssRule[]): void {
    // Rules are remembered by the compiler: the same object says the same. Most edits change a few declarations only.
    const sameRules =
      rules.length === this.handles.length &&
      rules.every(
        (rule, index) => this.handles[index].rule === rule || this.handles[index].key === keyOf(rule),
      );
    if (!sameRules) this.alignRules(rules);
    rules.forEach((rule, index) => {
      const handle = this.handles[index];
      if (handle.rule === rule) return;
      const declarations = printDeclarations(rule.declarations);
      if (declarations !== printDeclarations(handle.rule.declarations)) {
        const outer = this.page.sheet!.cssRules[index];
        const inner = rule.condition ? (outer as CSSMediaRule).cssRules[0] : outer;
        (inner as CSSStyleRule).style.cssText = declarations;
      }
      handle.rule = rule;
    });
  }

  /** Removes the rules that are gone and inserts those that are new, so that each stands at its index. */
  private alignRules(rules: readonly CssRule[]): void {
    const sheet = this.page.sheet!;
    const wanted = new Set(rules.map(keyOf));
    for (let index = this.handles.length - 1; index >= 0; index--) {
      if (wanted.has(this.handles[index].key)) continue;
      sheet.deleteRule(index);
      this.handles.splice(index, 1);
    }
    rules.forEach((rule, index) => {
      const key = keyOf(rule);
      if (this.handles[index]?.key === key) return;
      const text = `${rule.selector}{${printDeclarations(rule.declarations)}}`;
      sheet.insertRule(rule.condition ? `@media ${rule.condition}{${text}}` : text, index);
      this.handles.splice(index, 0, { rule, key });
    });
    // What is left over stood in another place before.
    while (this.handles.length > rules.length) {
      sheet.deleteRule(this.handles.length - 1);
      this.handles.pop();
    }
  }

  private updateBody(body: Markup): void {
    const html = print(body);
    if (html === this.html) return;
    this.html = html;
    const wanted = new DOMParser().parseFromString(`<!DOCTYPE html>${html}`, 'text/html').body;
    morphdom(this.document.body, wanted, { onBeforeElUpdated: (element) => element !== this.editing });
  }

  /** Puts the document right after something else has written into it. */
  restore(): void {
    this.html = '';
  }

  elementOf(id: NodeId): HTMLElement | null {
    return this.document.querySelector<HTMLElement>(`.${CSS.escape(nodeClass(id))}`);
  }

  /** The element of the page that a point in the document belongs to. */
  nodeAt(target: EventTarget | null): NodeId | null {
    // The frame has a realm of its own: `instanceof Element` would not know its elements.
    let element = (target as Node | null)?.nodeType === 1 ? (target as Element) : null;
    while (element) {
      const name = [...element.classList].find((candidate) => candidate.startsWith(nodeClass('')));
      if (name) return name.slice(nodeClass('').length) as NodeId;
      element = element.parentElement;
    }
    return null;
  }
}
