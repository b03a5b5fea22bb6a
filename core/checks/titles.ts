import { headOf } from '../site/site.ts';
import type { Rule } from './rule.ts';
import { NARROWEST, WIDEST } from './widths.ts';

/** A page has a title, and one of its own (https://www.w3.org/TR/WCAG22/#page-titled). */
export const titles: Rule = {
  name: 'page without a title of its own',
  clause: 'WCAG 2.2, 2.4.2',
  severity: 'barrier',
  find({ site, page }) {
    const { title } = headOf(site, page.id);
    const said = title.trim().toLowerCase();
    const like = site.pages.find((each) => each.id !== page.id && each.title.trim().toLowerCase() === said);
    if (said !== '' && !like) return [];
    return [
      {
        of: { node: page.root },
        widths: [{ from: NARROWEST, to: WIDEST }],
        sentence: said === '' ? 'The page has no title.' : `Another page is also called “${title}”.`,
        cure: 'Give it a title of its own, on the Pages screen.',
      },
    ];
  },
};
