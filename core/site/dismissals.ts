import type { NodeId } from '../elements/nodeid.ts';
import type { Part } from '../elements/parts.ts';
import { fingerprintOf } from '../fingerprint.ts';
import type { Node } from './node.ts';
import type { Page, PageHead, SiteFrame, TextStyle } from './site.ts';
import { lookup } from '../lookup.ts';

/** What findings may be about: a text style of the site, or an element of the page, or a part of it. */
export type Place = { textStyle: string } | { node: NodeId; part?: Part };

/** The key under which a finding is dismissed: its rule, and the part that it is about. */
export const dismissalKey = (rule: string, of: Place): string =>
  [rule, ...('node' in of && of.part !== undefined ? [of.part] : [])]
    .map((words) => words.replace(/[^a-z0-9]+/gi, '-'))
    .join('_');

/** What tells an element, or a text style, from what it was before a change; of a page, with what is said of it as a whole. */
export function likenessOf(
  holder: Pick<TextStyle, 'style'> & Partial<Pick<Node, 'kind' | 'textStyle' | 'audience' | 'content'>>,
  head?: Pick<PageHead, 'title' | 'description' | 'slug'>,
): string {
  const { style, kind, textStyle, audience, content } = holder;
  return fingerprintOf({
    style,
    kind,
    textStyle,
    audience,
    content,
    said: head && { title: head.title, description: head.description, slug: head.slug },
  });
}

/** Why a finding is dismissed; undefined where it is not, or its element has changed since. */
export function dismissalReason(site: SiteFrame, page: Page, rule: string, of: Place): string | undefined {
  const holder =
    'textStyle' in of
      ? site.textStyles.find(({ id }) => id === of.textStyle)
      : (page.nodes[of.node] as Node | undefined);
  const aside = lookup(holder?.aside, dismissalKey(rule, of));
  if (!holder || !aside) return undefined;
  const head = holder.id === page.root ? site.pages.find(({ id }) => id === page.id) : undefined;
  return aside.of === likenessOf(holder, head) ? aside.reason : undefined;
}
