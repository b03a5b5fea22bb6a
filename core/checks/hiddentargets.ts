import type { NodeId } from '../elements/nodeid.ts';
import type { ViewId } from '../layered/views.ts';
import { targetOf } from '../markup/link.ts';
import { offeringIn } from '../site/offering.ts';
import type { Node } from '../site/node.ts';
import { linksSaidIn } from '../values/links.ts';
import { hiddenBy } from '../values/visibility.ts';
import { PRACTICE, type Looked, type Rule } from './rule.ts';
import { amissIn } from './saying.ts';

/** What a link leads to in a view where that is not shown: by name. */
function hiddenTarget({ site, page }: Looked, node: Node, link: string, view: ViewId): string | undefined {
  const { page: id, place } = targetOf(link) ?? {};
  if (place !== undefined && (id === undefined || id === page.id)) {
    const target = page.nodes[place as NodeId] as Node | undefined;
    return target && hiddenBy(site, page, target, view) !== undefined ? target.name : undefined;
  }
  // A menu lists no page that is not offered.
  if (id === undefined || id === page.id || node.kind === 'navigation') return undefined;
  const head = site.pages.find((each) => each.id === id);
  return head && offeringIn(head, site, view) === 'withheld' ? head.title : undefined;
}

/** A link leads to what is shown in the view that it stands in. */
export const hiddenTargets: Rule = {
  name: 'link to what is not shown',
  clause: PRACTICE,
  severity: 'advice',
  find: (looked) =>
    amissIn(looked, (node, view) => {
      const [name] = linksSaidIn(node, looked.site.views, view).flatMap(
        (link) => hiddenTarget(looked, node, link, view) ?? [],
      );
      if (name === undefined) return undefined;
      return {
        sentence: `${node.name} leads to ${name}, which is not shown{views}.`,
        cure: 'Show that there, let the link lead elsewhere, or hide it there as well.',
      };
    }),
};
