import { viewsNamed } from '../edits/values/textbyview.ts';
import { viewsWithoutMenu } from '../values/menus.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { viewWidths } from './widths.ts';

/** A page that has a menu shows one in every view: else visitors have no way on. */
export const noMenu: Rule = {
  name: 'no menu in a view',
  clause: PRACTICE,
  severity: 'advice',
  find({ site, page }) {
    const views = viewsWithoutMenu(site, page);
    if (views.length === 0) return [];
    return [
      {
        of: { node: page.root },
        widths: views.map((view) => viewWidths(site, view)),
        sentence: `There is no menu in ${viewsNamed(site, views)}.`,
        cure: 'Show one there, or list a page in it.',
      },
    ];
  },
};
