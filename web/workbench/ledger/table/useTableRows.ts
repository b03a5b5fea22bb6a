import { useMemo, useState } from 'react';
import type { Page, SiteFrame } from '../../../../core/index.ts';
import { valueCells, type ValueCell } from '../../../values/cells.ts';
import { rememberUnfolded, unfoldedGroups } from '../../../state/preferences.ts';
import {
  frontRows,
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
  // What is set or usual stands first; the rest is folded away until it is asked for, and stays as a person left it.
  const [unfolded, setUnfolded] = useState<ReadonlySet<string>>(() => new Set(unfoldedGroups()));
  const all = useMemo(() => rowGroups(site, page, subject, sides), [site, page, subject, sides]);
  const of = subject.of === 'elements' ? subject.nodes.map(({ id }) => id).join(' ') : subject.style.id;
  // As it was when the element was selected: a row stays where it is while one works in it.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const front = useMemo(() => frontRows(all), [of]);
  const narrowing = isNarrowing(narrowed);
  const whole = narrowing || subject.of === 'text style';
  const first = useMemo(
    () => (whole ? [] : all.flatMap(({ rows: each }) => each.filter(({ key }) => front.has(key)))),
    [all, front, whole],
  );
  const groups = useMemo(() => {
    if (whole) return narrowedTo(all, narrowed);
    const rest = all.map((group) => ({ ...group, rows: group.rows.filter(({ key }) => !front.has(key)) }));
    return rest.filter((group) => group.rows.length > 0);
  }, [all, narrowed, front, whole]);
  const { lines, rows } = useMemo(() => {
    const list: Line[] = [];
    const flat: ValueRow[] = [];
    first.forEach((row) => list.push({ row: flat.push(row) - 1 }));
    for (const group of groups) {
      const open = whole || unfolded.has(group.id);
      list.push({ group, open });
      if (open) group.rows.forEach((row) => list.push({ row: flat.push(row) - 1 }));
    }
    return { lines: list, rows: flat };
  }, [first, groups, unfolded, whole]);
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

  const fold = ({ id }: { id: string }) =>
    setUnfolded((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      rememberUnfolded([...next]);
      return next;
    });
  const join = (row: ValueRow, how: 'together' | 'apart') =>
    setSides((before) => new Map(before).set(sidesKey(row.part, propertyOfRow(row)), how));

  return { groups, lines, rows, cells, unfolded, fold, join };
}
