import type { Copy } from '../edits/structure/pasteelements.ts';
import { MAIN } from '../edits/structure/pagelayout.ts';
import { PAGE_LAYOUT } from '../elements/properties/layout.ts';
import { express } from '../layered/express.ts';
import type { View } from '../layered/views.ts';
import type { Columns } from '../layout/spans.ts';
import type { SiteFrame } from '../site/site.ts';
import { MIDDLING, NARROW } from './startcontext.ts';
import { branch, pageOf } from './tree.ts';

/** Twelfths of the columns; in narrow views a region takes all of them. */
interface Share {
  twelfths: number;
  /** From which twelfth it begins; absent: behind the one before. */
  from?: number;
}

interface ReadyRegion {
  name: string;
  /** In wide views, and in middling ones where that is another. */
  wide: Share;
  middling?: Share;
  /** What it is for those who hear the page. */
  landmark?: 'aside' | 'nav';
}

/** A layout that any page can take. */
export interface ReadyLayout {
  id: string;
  label: string;
  /** What it is good for. */
  words: string;
  /** In the order in which they are seen and heard in all views. */
  regions: readonly ReadyRegion[];
}

const ASIDE: Pick<ReadyRegion, 'name' | 'landmark'> = { name: 'Aside', landmark: 'aside' };
const CONTENTS: Pick<ReadyRegion, 'name' | 'landmark'> = { name: 'Contents', landmark: 'nav' };

export const READY_LAYOUTS: readonly ReadyLayout[] = [
  {
    id: 'reading',
    label: 'Narrow column',
    words: 'Long texts, in the middle of the page',
    regions: [{ name: MAIN, wide: { twelfths: 8, from: 3 }, middling: { twelfths: 10, from: 2 } }],
  },
  {
    id: 'aside',
    label: 'Main and aside',
    words: 'Dates, contacts or offers beside the text',
    regions: [
      { name: MAIN, wide: { twelfths: 8 } },
      { ...ASIDE, wide: { twelfths: 4 } },
    ],
  },
  {
    id: 'contents',
    label: 'Contents and main',
    words: 'A list of links beside the text',
    regions: [
      { ...CONTENTS, wide: { twelfths: 3 }, middling: { twelfths: 4 } },
      { name: MAIN, wide: { twelfths: 9 }, middling: { twelfths: 8 } },
    ],
  },
  {
    id: 'three',
    label: 'Three columns',
    words: 'Links, text, and what goes with it',
    regions: [
      { ...CONTENTS, wide: { twelfths: 3 }, middling: { twelfths: 4 } },
      { name: MAIN, wide: { twelfths: 6 }, middling: { twelfths: 8 } },
      { ...ASIDE, wide: { twelfths: 3 }, middling: { twelfths: 8, from: 5 } },
    ],
  },
  {
    id: 'lead',
    label: 'Lead above two columns',
    words: 'One thing across the page, then text and aside',
    regions: [
      { name: 'Lead', wide: { twelfths: 12 } },
      { name: MAIN, wide: { twelfths: 8 } },
      { ...ASIDE, wide: { twelfths: 4 } },
    ],
  },
  {
    id: 'halves',
    label: 'Two halves',
    words: 'Two things of the same weight',
    regions: [
      { name: MAIN, wide: { twelfths: 6 } },
      { name: 'Second', wide: { twelfths: 6 } },
    ],
  },
];

/** What a region takes of the columns of a view: all where there is room for one only. */
function shareIn({ wide, middling = wide }: ReadyRegion, { grid, sheet }: View): Columns {
  if (sheet.width < NARROW) return { span: grid.columns };
  const { twelfths, from } = sheet.width < MIDDLING ? middling : wide;
  const columns = (of: number) => Math.round((grid.columns * of) / 12);
  return {
    span: Math.max(1, columns(twelfths)),
    ...(from !== undefined && { start: columns(from - 1) + 1 }),
  };
}

/** A ready-made layout in the views of a site, as copied elements are, to be taken by a page. */
export function readyLayout(site: SiteFrame, { label, regions }: ReadyLayout): Copy {
  const { id, views, colours, spacing, assets } = site;
  const tree = branch(PAGE_LAYOUT, 'layout', label, {
    children: regions.map((each) => {
      const start = express(views, (view) => shareIn(each, view).start ?? 'auto');
      const placed = start.at !== undefined || start.base !== 'auto';
      return branch('region', each.name.toLowerCase(), each.name, {
        style: {
          span: express(views, (view) => shareIn(each, view).span),
          ...(placed && { start }),
        },
        content: { landmark: each.landmark ?? 'none', label: each.landmark ? each.name : '' },
      });
    }),
  });
  const { root, nodes } = pageOf({ id: 'page', slug: '', title: '', description: '' }, tree);
  return { site: id, page: root, views, colours, spacing, assets, roots: [root], nodes };
}
