import { useMemo, useState } from 'react';
import type { Page, SiteFrame } from '../../../../core/index.ts';
import { valueCells, type ValueCell } from '../../../values/cells.ts';
import {
  isNarrowing,
  narrowedTo,
  propertyOfRow,
  rowGroups,
  sidesKey,
  type Narrowed,
  type RowGroup,
  type SideChoice,
  type Subject,
  type ValueRow,
} from '../../../values/rows.ts';

/** What stands in a line of the table: the heading of a group, or a row by its index. */
export type Line = { group: RowGroup; open: boolean } | { row: number };

/** The rows of what is selected in their groups: which are unfolded, and which sides stand in one row. */
export function useTableRows(site: SiteFrame, page: Page, subject: Subject, narrowed: Narrowed) {
  const [sides, setSides] = useState<SideChoice>(new Map());
  // The values of the element itself are open, those of its parts folded away until they are asked for.
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const all = useMemo(() => rowGroups(site, page, subject, sides), [site, page, subject, sides]);
  const groups = useMemo(() => narrowedTo(all, narrowed), [all, narrowed]);
  const narrowing = isNarrowing(narrowed);
  const { lines, rows } = useMemo(() => {
    const list: Line[] = [];
    const flat: ValueRow[] = [];
    for (const group of groups) {
      const open = narrowing || turned.has(group.id) !== (group.part === 'self');
      list.push({ group, open });
      if (open) group.rows.forEach((row) => list.push({ row: flat.push(row) - 1 }));
    }
    return { lines: list, rows: flat };
  }, [groups, turned, narrowing]);
  const cells = useMemo(() => {
    const made = new Map<number, ValueCell[]>();
    return (row: number): ValueCell[] => {
      const before = made.get(row);
      if (before) return before;
      const fresh = valueCells(site, page, rows[row]);
      made.set(row, fresh);
      return fresh;
    };
  }, [site, page, rows]);

  const fold = ({ id }: RowGroup) =>
    setTurned((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const join = (row: ValueRow, how: 'together' | 'apart') =>
    setSides((before) => new Map(before).set(sidesKey(row.part, propertyOfRow(row)), how));

  return { groups, lines, rows, cells, fold, join };
}
