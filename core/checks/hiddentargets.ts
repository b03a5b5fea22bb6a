import { hasTrait } from '../elements/kinds/table.ts';
import type { ViewId } from '../layered/views.ts';
import { targetOf } from '../markup/link.ts';
import { offeringIn } from '../site/offering.ts';
import type { Node } from '../site/node.ts';
import { composed } from '../site/shared.ts';
import type { Page } from '../site/site.ts';
import { linksShownIn } from '../values/links.ts';
import { hiddenBy } from '../values/visibility.ts';
import { PRACTICE, type CheckInput, type Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';
import { lookup } from '../lookup.ts';

/** What a link leads to in a view where that is not shown: by name. */
function hiddenTarget(input: CheckInput, node: Node, link: string, view: ViewId): string | undefined {
  const { site, page } = input;
  const { page: id = page.id, place } = targetOf(link) ?? {};
  const head = id === page.id ? undefined : site.pages.find((each) => each.id === id);
  // A menu lists no page that is not offered.
  if (head && offeringIn(head, site, view) === 'withheld')
    return hasTrait(node, 'menu') ? undefined : head.title;
  if (place === undefined) return undefined;
  const known = head ? (input.pages[head.id] as Page | undefined) : page;
  const on = known && composed(site, known);
  const target = lookup(on?.nodes, place);
  if (!on || !target || hiddenBy(site, on, target, view) === undefined) return undefined;
  return head ? `${target.name} on ${head.title}` : target.name;
}

/** A link leads to what is shown in the view that it stands in. */
export const hiddenTargets: Rule = {
  name: 'link to hidden content',
  clause: PRACTICE,
  severity: 'advice',
  find: (input) =>
    textProblems(input, (node, view) => {
      const [name] = linksShownIn(node, input.site.views, view).flatMap(
        (link) => hiddenTarget(input, node, link, view) ?? [],
      );
      if (name === undefined) return undefined;
      return {
        sentence: `${node.name} leads to ${name}, which is not shown{views}.`,
        cure: 'Show its target there, change the target, or hide the link there as well.',
      };
    }),
};
