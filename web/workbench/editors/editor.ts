import type { EditReach, SiteFrame, ValueContext } from '../../../core/index.ts';
import type { ValueCell } from '../../values/cells.ts';
import type { ValueRow } from '../../values/rows.ts';

/** What every editor in the card below a cell is given. */
export interface EditorProps {
  site: SiteFrame;
  row: ValueRow;
  cell: ValueCell;
  context: ValueContext;
  reach: EditReach;
  /** Sets the value with a reach; answers whether it was taken. */
  onSet(value: unknown, reach?: EditReach): boolean;
  onClose(): void;
}
