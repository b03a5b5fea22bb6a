import {
  held,
  textStyleOf,
  type Page,
  type SiteFrame,
  type TextStyle,
  type View,
  lookup,
} from '../../core/index.ts';

/** How many elements of a page take a text style, and in how many of them a value of their own wins over it, by view. */
export function followersOf(site: SiteFrame, page: Page, style: TextStyle) {
  const followers = Object.values(page.nodes).filter((node) => textStyleOf(node, site)?.id === style.id);
  const says = Object.keys(style.style.self ?? {});
  const wins = (view: View) =>
    followers.filter((node) => says.some((name) => held(lookup(node.style.self, name), site.views, view.id)))
      .length;
  const apart = [...site.views.list].reverse().map((view) => ({ view, count: wins(view) }));
  return { followers: followers.length, apart };
}
