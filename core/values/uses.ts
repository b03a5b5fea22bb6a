import { viewId, type ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { knownKind } from '../elements/kinds/table.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { Layered } from '../layered/layered.ts';
import { targetOf } from '../markup/link.ts';
import { linksIn } from './links.ts';
import { withMappedText } from './textbyview.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { pageShowing, sharedPlaceOf, treesOf } from '../site/shared.ts';
import { homePageOf, type Site } from '../site/site.ts';

/** What an element says, with another image or video in place of each. */
export const withAssets = (
  node: Pick<Node, 'kind' | 'content' | 'style'>,
  map: (asset: string) => string,
): Pick<Node, 'content' | 'style'> =>
  withMappedText(node, ({ withAssets: change }) => change && ((value) => change(value, map) as unknown));

/** Where an image or video stands: in an element's content, or as its value in some views. */
export interface AssetUse {
  /** For what pages share: one of them that shows it. */
  page: NodeId;
  /** Absent where it stands for the page itself. */
  node?: NodeId;
  /** What it is there: "image", "image behind", "video". */
  as: string;
  /** The views it is set at; absent for content, which is the same in all. */
  views?: ViewId[];
}

/** Where each image and video of a site stands, by its id, in the order of pages and elements. */
export function assetUses(site: Site): Map<string, AssetUse[]> {
  const uses = new Map<string, AssetUse[]>();
  const add = (asset: string, use: AssetUse) => {
    const before = uses.get(asset);
    if (before) before.push(use);
    else uses.set(asset, [use]);
  };
  const { base } = site.frame.views;
  if (site.frame.icon) add(site.frame.icon, { page: homePageOf(site.frame).id, as: 'site icon' });
  for (const { id, picture } of site.frame.pages)
    if (picture) add(picture, { page: id, as: 'image for sharing' });
  for (const page of treesOf(site)) {
    for (const node of sourceOrder(page)) {
      const place = sharedPlaceOf(node.id);
      const at = { page: place ? pageShowing(site, place) : page.id, node: node.id };
      for (const [name, layered] of Object.entries(node.style.self ?? {})) {
        const { type, label } = knownProperty(name);
        if (!type.mentions) continue;
        const byAsset = new Map<string, ViewId[]>();
        for (const [view, value] of settingsOf(layered, base))
          for (const { of, id } of type.mentions(value))
            if (of === 'assets') byAsset.set(id, [...(byAsset.get(id) ?? []), view]);
        for (const [id, views] of byAsset) add(id, { ...at, as: label.toLowerCase(), views });
      }
      const inContent = new Set<string>();
      withAssets(node, (id) => (inContent.add(id), id));
      for (const link of linksIn(node)) {
        const { file } = targetOf(link) ?? {};
        if (file !== undefined) add(file, { ...at, as: 'link' });
      }
      for (const id of inContent) add(id, { ...at, as: knownKind(node.kind).label.toLowerCase() });
    }
  }
  uses.delete('');
  return uses;
}

const settingsOf = ({ base, at = {} }: Layered<unknown>, view: ViewId): [ViewId, unknown][] => [
  ...(base === undefined ? [] : [[view, base] as [ViewId, unknown]]),
  ...Object.entries(at).map(([id, { value }]): [ViewId, unknown] => [viewId(id), value]),
];
