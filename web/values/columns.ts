import type { SiteFrame, View } from '../../core/index.ts';

/** px; the width of one view's column in the ledger. */
export const COLUMN = 64;

/** The views in the order of the ledger's columns: wide to narrow. */
export const columnsOf = (site: SiteFrame): View[] => [...site.views.list].reverse();

/** The grid that the header, the outline and the values share: names, then a column a view. */
export const gridColumns = (site: SiteFrame): string =>
  `minmax(0, 1fr) repeat(${site.views.list.length}, ${COLUMN}px)`;

/** px; the least width of the ledger at which a name has room beside the columns. */
export const ledgerWidth = (site: SiteFrame): number => 190 + COLUMN * site.views.list.length;
