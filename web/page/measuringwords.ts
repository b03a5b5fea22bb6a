import { type Node, type Page, type SiteFrame, sure, type View } from '../../core/index.ts';
import { hiddenSheet } from './measuringviews.ts';

/** How wide the words of an element are on one line in a view, in multiples of their size; 0 where it has none there. */
export async function lineInEms(site: SiteFrame, page: Page, node: Node, view: View): Promise<number> {
  const hidden = await hiddenSheet(site, page);
  try {
    const element = hidden.show(view).elementOf(node.id);
    if (!element?.checkVisibility()) return 0;
    const { document } = hidden.show(view);
    element.style.whiteSpace = 'nowrap';
    const words = document.createRange();
    words.selectNodeContents(element);
    const size = Number.parseFloat(
      sure(document.defaultView, 'defaultView').getComputedStyle(element).fontSize,
    );
    return Math.max(0, ...[...words.getClientRects()].map(({ width }) => width)) / size;
  } finally {
    hidden.close();
  }
}
