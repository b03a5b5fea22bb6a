import { knownKind } from '../elements/kinds/table.ts';
import { linkedPage } from '../markup/link.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import type { Page } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';

/** An element with links to something, and how many. */
export interface LinkingElement {
  node: NodeId;
  count: number;
}

/**
 * The content of an element with another link in place of each; where none is given, what was linked stays and leads nowhere.
 * Fields in which nothing changes stay the same values.
 */
export function withLinks(
  { kind, content }: Pick<Node, 'kind' | 'content'>,
  map: (link: string) => string | undefined,
): Node['content'] {
  const made = { ...content };
  for (const { name, type } of knownKind(kind).content) {
    const value = content[name];
    if (value !== undefined && type.withLinks) made[name] = type.withLinks(value, map) as unknown;
  }
  return made;
}

/** The elements of a page with links that fit, in source order. */
export function linking(page: Page, fits: (link: string) => boolean): LinkingElement[] {
  return sourceOrder(page).flatMap((node) => {
    let count = 0;
    withLinks(node, (link) => {
      if (fits(link)) count += 1;
      return link;
    });
    return count > 0 ? [{ node: node.id, count }] : [];
  });
}

/** Whether a link leads to a page of the site. */
export const leadsTo =
  (page: NodeId) =>
  (link: string): boolean =>
    linkedPage(link) === page;
