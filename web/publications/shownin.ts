import { knownIn, type NodeId, type Page, type Shown, sure } from '../../core/index.ts';
import { nodeAt, type SheetDocument } from '../page/sheetdocument.ts';

/** What of a computed style can be seen. */
const SEEN = [
  ...['color', 'opacity', 'visibility', 'background-color', 'background-image', 'background-position'],
  ...['background-size', 'background-repeat', 'border-top', 'border-right', 'border-bottom', 'border-left'],
  ...[
    'border-radius',
    'box-shadow',
    'outline',
    'filter',
    'mix-blend-mode',
    'transform',
    'clip-path',
    'overflow',
  ],
  ...['font-family', 'font-size', 'font-weight', 'font-style', 'font-variation-settings', 'line-height'],
  ...['letter-spacing', 'word-spacing', 'text-align', 'text-decoration', 'text-transform', 'text-shadow'],
  ...[
    'list-style-type',
    'object-fit',
    'object-position',
    'fill',
    'stroke',
    'z-index',
    'column-count',
    'column-rule',
  ],
];

/** Looks through a document, from its body on, for the elements of the page and how each looks itself. */
class Look {
  readonly shown: Shown[] = [];
  private readonly looks = new Map<NodeId, string[]>();

  constructor(
    private readonly frame: Window,
    private readonly page: Page,
  ) {}

  at(element: HTMLElement, owner?: Shown): void {
    const style = this.frame.getComputedStyle(element);
    if (style.display === 'none') return;
    const found = element.classList.length > 0 ? nodeAt(element) : null;
    const { left, top, right, bottom } = element.getBoundingClientRect();
    let own = owner;
    if (found && found !== owner?.node && this.page.nodes[found]) {
      const holds = this.page.nodes[found].children.length > 0;
      own = {
        node: found,
        ...(owner && { parent: owner.node }),
        box: { left, top, right, bottom },
        look: '',
        holds,
      };
      this.shown.push(own);
      this.looks.set(found, []);
    }
    if (own) {
      const words = [...element.childNodes]
        .filter((child) => child.nodeType === Node.TEXT_NODE)
        .map((child) => child.textContent);
      const place =
        own.box.left === left && own.box.top === top ? [] : [left - own.box.left, top - own.box.top];
      knownIn(this.looks, own.node).push(
        [
          element.localName,
          element.getAttribute('src') ?? '',
          ...place.map(Math.round),
          ...words,
          ...SEEN.map((name) => style.getPropertyValue(name)),
        ].join('|'),
      );
    }
    for (const child of element.children) this.at(child as HTMLElement, own);
  }

  ended(): Shown[] {
    return this.shown.map((each) => ({ ...each, look: knownIn(this.looks, each.node).join('\n') }));
  }
}

/** The elements of a page as a sheet shows them. */
export function shownIn({ document }: SheetDocument, page: Page): Shown[] {
  const look = new Look(sure(document.defaultView, 'defaultView'), page);
  look.at(document.body);
  return look.ended();
}
