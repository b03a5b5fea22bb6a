import { directionOf } from '../markup/direction.ts';
import { SYSTEM_MESSAGES, type SystemMessage } from '../elements/content/systemmessages.ts';
import { FORMAT, FORMAT_VERSION } from './format.ts';
import { Type, type Static, type TOptional } from '@sinclair/typebox';
import { DismissalsSchema } from './dismissalschema.ts';
import { NodeSchema, StyleSchema, type Node } from './node.ts';
import { NodeIdSchema, type NodeId } from '../elements/nodeid.ts';
import { layeredSchema } from '../layered/layered.ts';
import { ViewsSchema } from '../layered/views.ts';
import { AssetSchema, ColourSchema, FontSchema, SpacingStepSchema, Token } from '../theme/resources.ts';

const closed = { additionalProperties: false };

/** Where an element tree that all pages share stands on them: above what is their own, below, or at the edges of the window. */
export const SHARED_PLACES = ['head', 'foot', 'strip', 'up'] as const;
export type SharedPlace = (typeof SHARED_PLACES)[number];

/** The name of a saved block among the trees that stand beside the pages. */
export type SavedBlockName = `kept-${string}`;
/** A tree of elements that stands beside the pages: what all of them share in a place, or a saved block to be placed. */
export type TreeName = SharedPlace | SavedBlockName;
export const TREE_NAME = 'head|foot|strip|up|kept-[a-z0-9]{1,12}';

/** How a page is offered to visitors: in menus; only to who follows a link; or not at all, with a notice and a way on in its place. */
export const OFFERINGS = ['listed', 'unlisted', 'withheld'] as const;
export type Offering = (typeof OFFERINGS)[number];

/** A language as a BCP 47 tag. */
const Language = Type.String({ pattern: '^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$' });
/** Characters of what visitors are told. */
export const SystemMessageSchema = Type.String({ minLength: 1, maxLength: 300 });
const Slug = Type.String({ pattern: '^[a-z0-9]+(-[a-z0-9]+)*$', maxLength: 60 });

/** Words that visitors are told in one language, where they are not the usual ones. */
const OwnWordsSchema = Type.Object(
  Object.fromEntries(
    Object.keys(SYSTEM_MESSAGES).map((id) => [id, Type.Optional(SystemMessageSchema)]),
  ) as Record<SystemMessage, TOptional<typeof SystemMessageSchema>>,
  closed,
);

/** A named set of text values, layered like an element's own. */
export const TextStyleSchema = Type.Object(
  {
    id: Token,
    name: Type.String({ minLength: 1, maxLength: 40 }),
    aside: DismissalsSchema,
    style: StyleSchema,
  },
  closed,
);

const head = {
  id: NodeIdSchema,
  /** The page's folder in the published site; empty for the first page. */
  slug: Type.Union([Slug, Type.Literal('')]),
  title: Type.String({ minLength: 1, maxLength: 120 }),
  description: Type.String({ maxLength: 320 }),
  /** BCP 47 tag of the page's language, where it is not the site's. */
  lang: Type.Optional(Language),
  /** The image that stands for the page where it is shared, by the id of its asset. */
  picture: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
  /** Date shown in page lists, which they can be sorted by, such as `2026-11-30` (ISO 8601). */
  date: Type.Optional(Type.String({ pattern: '^[0-9]{4}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])$' })),
  /** Author shown in page lists. */
  author: Type.Optional(Type.String({ minLength: 1, maxLength: 120 })),
  /** Topics of the page; page lists can select pages by them. */
  tags: Type.Optional(
    Type.Array(Type.String({ minLength: 1, maxLength: 40 }), {
      minItems: 1,
      maxItems: 12,
      uniqueItems: true,
    }),
  ),
  /** Addresses that the page had before and that still lead to it, the oldest first. */
  earlier: Type.Optional(Type.Array(Slug, { maxItems: 40 })),
  /** Shown at addresses where there is no page. */
  missing: Type.Optional(Type.Literal(true)),
  /** What all pages share and this one leaves out. */
  without: Type.Optional(
    Type.Array(Type.Union(SHARED_PLACES.map((place) => Type.Literal(place))), {
      minItems: 1,
      uniqueItems: true,
    }),
  ),
  /** How it is offered, by view; absent: in menus everywhere. */
  offered: Type.Optional(layeredSchema(Type.Union(OFFERINGS.map((each) => Type.Literal(each))))),
  /** What stands in its place where it is not offered. */
  notice: Type.Optional(Type.String({ minLength: 1, maxLength: 320 })),
};
const tree = {
  id: NodeIdSchema,
  root: NodeIdSchema,
  nodes: Type.Unsafe<Record<NodeId, Node>>(Type.Record(NodeIdSchema, NodeSchema, closed)),
};

/** What the site knows of a page: its name, its address, and, by its place in the list, its order. */
export const PageHeadSchema = Type.Object(head, closed);

/** The elements of a page. */
export const PageSchema = Type.Object(tree, closed);

const frame = {
  format: Type.Literal(FORMAT),
  version: Type.Literal(FORMAT_VERSION),
  id: Slug,
  name: Type.String({ minLength: 1, maxLength: 80 }),
  /** BCP 47 tag of the language the site is written in. */
  lang: Language,
  views: ViewsSchema,
  colours: Type.Array(ColourSchema, { maxItems: 200 }),
  textStyles: Type.Array(TextStyleSchema, { maxItems: 100 }),
  spacing: Type.Array(SpacingStepSchema, { maxItems: 40 }),
  fonts: Type.Array(FontSchema, { maxItems: 40 }),
  assets: Type.Array(AssetSchema, { maxItems: 5000 }),
  /** The image that stands for the site in browsers and on home screens, by the id of its asset. */
  icon: Type.Optional(Type.String({ minLength: 1, maxLength: 40 })),
  /** What visitors are told by itself, in words of one's own, by the BCP 47 tag of their language. */
  words: Type.Optional(Type.Record(Language, OwnWordsSchema, closed)),
  /** Sections that all pages share, and saved blocks, each like a page of which it is the root. */
  shared: Type.Optional(
    Type.Unsafe<Partial<Record<TreeName, Page>>>(
      Type.Record(Type.String({ pattern: `^(${TREE_NAME})$` }), PageSchema, closed),
    ),
  ),
};

const pageList = { minItems: 1, maxItems: 500 };

/** What every page of a site needs to be resolved and compiled, and the heads of the pages in their order. */
export const SiteFrameSchema = Type.Object({ ...frame, pages: Type.Array(PageHeadSchema, pageList) }, closed);

export type TextStyle = Static<typeof TextStyleSchema>;
export type PageHead = Static<typeof PageHeadSchema>;
export type Page = Static<typeof PageSchema>;
export type SiteFrame = Static<typeof SiteFrameSchema>;

/** A whole site: its frame, and its pages by id; the frame says which there are and in which order. */
export interface Site {
  frame: SiteFrame;
  pages: Record<NodeId, Page>;
}

/** The pages of a site in their order. */
export const pagesOf = ({ frame, pages }: Site): Page[] => frame.pages.map(({ id }) => pages[id]);

/** The page that visitors meet first. */
export const homePageOf = ({ pages }: Pick<SiteFrame, 'pages'>): PageHead =>
  pages.find(({ slug }) => slug === '') ?? pages[0];

/** What a site's frame knows of a page. */
export function headOf(frame: SiteFrame, page: NodeId): PageHead {
  const found = frame.pages.find(({ id }) => id === page);
  if (!found) throw new RangeError(`There is no page ${page}.`);
  return found;
}

/** Whether a page reads from right to left, by its language. */
export const readsFromRight = (frame: SiteFrame, page: NodeId): boolean =>
  directionOf(headOf(frame, page).lang ?? frame.lang) === 'rtl';

/**
 * A site as it is written to a file: each page with its head, and the bytes of the images, videos and fonts, base64, by
 * their id.
 */
export const SiteFileSchema = Type.Object(
  {
    ...frame,
    pages: Type.Array(Type.Object({ ...head, ...tree }, closed), pageList),
    files: Type.Record(Token, Type.String({ pattern: '^[A-Za-z0-9+/]*={0,2}$' })),
  },
  { ...closed, $id: 'dimorphe-site-3', title: 'Dimorphe site file, version 3' },
);
export type SiteFile = Static<typeof SiteFileSchema>;

/** A site as its file has it, without the bytes of its files. */
export type WrittenSite = Omit<SiteFile, 'files'>;

/** A site from the form that its file has. */
export function siteFrom({ pages, ...rest }: WrittenSite): Site {
  return {
    frame: {
      ...rest,
      pages: pages.map(({ root: _root, nodes: _nodes, ...head }) => head),
    },
    pages: Object.fromEntries(pages.map(({ id, root, nodes }) => [id, { id, root, nodes }])),
  };
}

/** A site in the form that its file has. */
export function writtenFrom({ frame: { pages: heads, ...rest }, pages }: Site): WrittenSite {
  return { ...rest, pages: heads.map((each) => ({ ...each, ...pages[each.id] })) };
}
