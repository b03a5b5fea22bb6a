import { targetOf } from '../markup/link.ts';
import { linksSaidIn } from '../values/links.ts';
import { saidIn } from '../values/wordings.ts';
import { PRACTICE, type Looked, type Rule } from './rule.ts';
import { amissIn } from './saying.ts';

/** What of a link's target is gone, as far as a page tells; undefined where nothing is. */
function goneIn({ site, page }: Looked, link: string): string | undefined {
  const { page: to, place, file } = targetOf(link) ?? {};
  if (file !== undefined) return site.assets.some(({ id }) => id === file) ? undefined : 'a file';
  if (to !== undefined && !site.pages.some(({ id }) => id === to)) return 'a page';
  const here = to === undefined || to === page.id;
  return here && place !== undefined && !(place in page.nodes) ? 'a place on this page' : undefined;
}

/** A link leads to what is there. */
export const deadLinks: Rule = {
  name: 'link leads nowhere',
  clause: PRACTICE,
  severity: 'advice',
  find: (looked) =>
    amissIn(looked, (node, view) => {
      const [gone] = linksSaidIn(node, looked.site.views, view).flatMap((link) => goneIn(looked, link) ?? []);
      if (gone)
        return {
          sentence: `${node.name} leads to ${gone} that is not there any more{views}.`,
          cure: 'Let it lead elsewhere, or take the link away.',
        };
      if (node.kind !== 'button' || saidIn<string>(node, looked.site.views, 'link', view) !== '')
        return undefined;
      return { sentence: `${node.name} leads nowhere{views}.`, cure: 'Say where it leads.' };
    }),
};
