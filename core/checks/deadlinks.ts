import { linksSaidIn } from '../values/links.ts';
import { saidIn } from '../values/wordings.ts';
import { goneOf } from './links.ts';
import { PRACTICE, type Rule } from './rule.ts';
import { amissIn } from './saying.ts';

const SAID = { page: 'a page', place: 'a place', file: 'a file' };

/** A link leads to what is there. */
export const deadLinks: Rule = {
  name: 'link without a target',
  clause: PRACTICE,
  severity: 'advice',
  find(looked) {
    const { site, page } = looked;
    const known = { frame: site, pages: { ...looked.pages, [page.id]: page } };
    return amissIn(looked, (node, view) => {
      const [gone] = linksSaidIn(node, site.views, view).flatMap((link) => goneOf(known, page, link) ?? []);
      if (gone)
        return {
          sentence: `${node.name} leads to ${SAID[gone]} that no longer exists{views}.`,
          cure: 'Change its target, or remove the link.',
        };
      if (node.kind !== 'button' || saidIn<string>(node, site.views, 'link', view) !== '') return undefined;
      return { sentence: `${node.name} has no link{views}.`, cure: 'Set its target.' };
    });
  },
};
