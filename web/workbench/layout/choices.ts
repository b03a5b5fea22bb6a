import {
  copyElements,
  type Copy,
  hasTrait,
  READY_LAYOUTS,
  readyLayout,
  type SavedBlockName,
  savedBlocks,
  type SiteFrame,
} from '../../../core/index.ts';

/** A layout that a page can take. */
export interface LayoutChoice {
  id: string;
  label: string;
  words: string;
  /** The layout as copied elements; null: none, the sections stand one below another. */
  copy: Copy | null;
  /** The site's own, which can be renamed and removed. */
  saved?: SavedBlockName;
}

/** All that a page of a site can take: none, the ready-made ones, and those that the site saved. */
export const layoutChoices = (site: SiteFrame): LayoutChoice[] => [
  { id: 'none', label: 'No layout', words: 'Sections one below another, as wide as the page', copy: null },
  ...READY_LAYOUTS.map((ready) => ({
    id: ready.id,
    label: ready.label,
    words: ready.words,
    copy: readyLayout(site, ready),
  })),
  ...savedBlocks(site)
    .filter((tree) => hasTrait(tree.nodes[tree.root], 'page layout'))
    .map((tree) => {
      const { format: _format, version: _version, ...copy } = copyElements(site, tree, [tree.root]);
      const { name: label } = tree.nodes[tree.root];
      return { id: tree.id, label, words: 'Saved on this site', copy, saved: tree.id };
    }),
];
