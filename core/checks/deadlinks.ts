import { hasTrait } from '../elements/kinds/table.ts';
import { linksShownIn } from '../values/links.ts';
import { textIn } from '../values/textbyview.ts';
import { goneOf } from './links.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';

const SAID = { page: 'a page', place: 'a place', file: 'a file' };

/** A link leads to what is there. */
export const deadLinks: Rule = {
  name: 'link without a target',
  clause: PRACTICE,
  severity: 'advice',
  find(input) {
    const { site, page } = input;
    const known = { frame: site, pages: { ...input.pages, [page.id]: page } };
    return textProblems(input, (node, view) => {
      const [gone] = linksShownIn(node, site.views, view).flatMap((link) => goneOf(known, page, link) ?? []);
      if (gone)
        return {
          sentence: `${node.name} leads to ${SAID[gone]} that no longer exists{views}.`,
          cure: 'Change its target, or remove the link.',
        };
      if (!hasTrait(node, 'action') || textIn<string>(node, site.views, 'link', view) !== '')
        return undefined;
      return { sentence: `${node.name} has no link{views}.`, cure: 'Set its target.' };
    });
  },
};
