import { knownKind } from '../elements/kinds/table.ts';
import { targetOf } from '../markup/link.ts';
import type { Node } from '../site/node.ts';
import { publishedTrees } from '../site/shared.ts';
import type { Site, SiteFrame } from '../site/site.ts';
import { linksIn } from '../values/links.ts';
import { variantsOfElement } from '../values/textbyview.ts';

/** Whether what a form sends arrives at the host, in some view. */
const isSentToHost = ({ views }: SiteFrame, node: Node): boolean =>
  (variantsOfElement(node, views)?.all ?? [node.content]).some(
    (content) => knownKind(node.kind).sentToHost?.({ content }) ?? false,
  );

/** The forms of a site whose letters arrive at the host, by their names. */
export const formsSentToHost = (site: Site): string[] =>
  publishedTrees(site).flatMap((tree) =>
    Object.values(tree.nodes)
      .filter((node) => isSentToHost(site.frame, node))
      .map(({ name }) => name),
  );

/** What a copy without a host that knows visitors lacks, in words; undefined where it lacks nothing. */
export function lackedWithoutHost(site: Site): string | undefined {
  const names = publishedTrees(site).flatMap((tree) =>
    Object.values(tree.nodes).flatMap(({ audience, name }) => (audience === 'signed-in' ? [name] : [])),
  );
  const links = publishedTrees(site).some((tree) =>
    Object.values(tree.nodes).some((node) => linksIn(node).some((link) => targetOf(link)?.visitor)),
  );
  const forms = formsSentToHost(site);
  const parts = [
    ...(names.length > 0 ? [`Content for signed-in visitors is not included: ${names.join(', ')}.`] : []),
    ...(links ? ['Links to sign in or out do nothing.'] : []),
  ];
  const said = [
    ...(parts.length > 0 ? [`Files in a folder cannot sign visitors in. ${parts.join(' ')}`] : []),
    ...(forms.length > 0
      ? [
          `Files in a folder cannot receive messages, so these forms cannot be sent from there: ${forms.join(', ')}. Give a form an email address, and visitors send it with their own mail program.`,
        ]
      : []),
  ];
  return said.length > 0 ? said.join(' ') : undefined;
}
