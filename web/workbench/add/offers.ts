import {
  type CopiedElements,
  type Copy,
  copyElements,
  ELEMENTS_FORMAT,
  hasTrait,
  FORMAT_VERSION,
  KINDS,
  knownKind,
  type NodeId,
  type OfferGroup,
  type Page,
  READY_SECTIONS,
  readySection,
  type SavedBlockName,
  savedBlocks,
  type SiteFrame,
  type Style,
  sure,
  type Terms,
} from '../../../core/index.ts';

/** Something that can be added: a kind of element, or elements that are made already. */
export interface Offer {
  id: string;
  label: string;
  /** What one might look for it by, besides its label. */
  terms: string;
  kind: string;
  /** The elements; absent where the kind makes its own. */
  copy?(): Copy;
  /** The saved block that is placed as linked, and not as a copy. */
  linked?: SavedBlockName;
}

/** What is offered together, and what one might look for it by. Within a group kinds stand in the order of their table. */
const GROUPS: Readonly<Record<OfferGroup, { label: string; terms: string }>> = {
  containers: { label: 'Containers', terms: 'container' },
  text: { label: 'Text', terms: 'text words' },
  media: { label: 'Images and videos', terms: 'image picture photo video film media' },
  lists: { label: 'Lists, links and forms', terms: 'table' },
  edges: { label: 'At the edges of the window', terms: 'fixed sticky bottom thumb' },
  dividers: { label: 'Dividers', terms: 'space line' },
};

/** The kinds that can be added, by group. */
export const KIND_OFFERS: readonly { label: string; offers: Offer[] }[] = Object.entries(GROUPS).map(
  ([group, { label, terms }]) => ({
    label,
    offers: KINDS.filter(({ offered }) => offered === group).map((kind) => ({
      ...{ id: kind.name, label: kind.label, kind: kind.name },
      terms: `${label} ${terms}`,
    })),
  }),
);

/** A page with nothing on it but its ground. */
export const groundOf = (id: NodeId, root: NodeId, style: Style): Page => ({
  id,
  root,
  nodes: {
    [root]: { id: root, kind: 'page', name: 'Page', parent: null, children: [], style, content: {} },
  },
});

/** The ready-made sections, on the terms of a site and of a page of it. */
export const sectionOffers = (site: SiteFrame, terms: Terms): Offer[] =>
  READY_SECTIONS.map((ready) => ({
    id: ready.id,
    label: ready.label,
    terms: ready.terms,
    kind: 'section',
    copy: () => readySection(site, ready, terms),
  }));

/** The blocks that the site keeps, to be placed as copies or as linked. */
export const savedBlockOffers = (site: SiteFrame, linked: boolean): Offer[] =>
  savedBlocks(site)
    .filter((tree) => !hasTrait(tree.nodes[tree.root], 'page layout'))
    .map((tree) => {
      const root = tree.nodes[tree.root];
      const { format: _format, version: _version, ...copy } = copyElements(site, tree, [tree.root]);
      return {
        id: tree.id,
        label: root.name,
        terms: `saved block ${knownKind(root.kind).label}`,
        kind: root.kind,
        copy: () => copy,
        ...(linked && { linked: tree.id }),
      };
    });

/** Whether an offer is a block that a page links already: it does so once. */
export const isLinkedAlready = (site: SiteFrame, page: Page, { linked }: Offer): boolean =>
  linked !== undefined && page.nodes[sure(sure(site.shared, 'shared')[linked]).root] !== undefined;

/** A saved block as a file: elements as they are copied, with the bytes of what they show (docs/copied-elements.md). */
export const keptFile = (copied: Copy, files: Record<string, string>): CopiedElements => ({
  format: ELEMENTS_FORMAT,
  version: FORMAT_VERSION,
  ...copied,
  files,
});

/** Whether an offer is meant by what was typed: each word begins one of its own. */
export function isWanted({ label, terms }: Offer, typed: string): boolean {
  const own = `${label} ${terms}`.toLowerCase().split(/[\s,]+/);
  return typed
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .every((word) => own.some((each) => each.startsWith(word)));
}
