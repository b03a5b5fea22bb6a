import { contrastIn, type Page, type SiteFrame } from '../../core/index.ts';
import type { ValueCell } from './cells.ts';
import { isNode, leading, propertyOfRow, type ValueRow } from './rows.ts';

/** The properties on which the contrast of text depends. */
const BEARING = new Set(['colour', 'backgroundColour', 'tint']);

/** What the trace of a colour says of the text's contrast in its view; nothing where that cannot be told. */
export function contrastSaid(
  site: SiteFrame,
  page: Page,
  row: ValueRow,
  cell: ValueCell,
): string | undefined {
  const holder = leading(row.holders);
  if (!isNode(holder) || !BEARING.has(propertyOfRow(row).name)) return undefined;
  const found = contrastIn(site, page, holder, row.part, cell.view.id);
  if (!found) return undefined;
  // Never said to be enough by rounding up.
  const ratio = (Math.floor(found.ratio * 10) / 10).toFixed(1);
  return found.ratio < found.needed
    ? `contrast ${ratio} : 1, text of this size needs ${found.needed} : 1`
    : `contrast ${ratio} : 1`;
}
