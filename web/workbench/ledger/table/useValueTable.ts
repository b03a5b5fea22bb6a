import {
  type EditReach,
  nodeId,
  type Page,
  type Part,
  type SiteFrame,
  type ViewId,
  wouldReach,
} from '../../../../core/index.ts';
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import { useStore } from 'react-redux';
import { documents, openPage } from '../../../state/documents.ts';
import { importFiles } from '../../../state/uploading.ts';
import { edit } from '../../../state/edits.ts';
import { useAppDispatch, useAppSelector, type State } from '../../../state/store.ts';
import type { RowsHandle } from '../../../ui/VirtualRows.tsx';
import { adjustmentIn, adjustmentMeans } from '../../../values/adjustment.ts';
import { contextOf, layeredIn, rowOf, targetOf, valueCells, type ValueCell } from '../../../values/cells.ts';
import { rememberCopy, rememberedCopy } from '../../../values/clipboard.ts';
import { columnsOf } from '../../../values/columns.ts';
import { actOn } from './tablekeys.ts';
import { useTableRows, type Line } from './useTableRows.ts';
import {
  isNarrowing,
  isNode,
  leading,
  propertyOfRow,
  type Narrowed,
  type Subject,
  type ValueRow,
} from '../../../values/rows.ts';

/** A cell of the table by its row and column. */
export interface Place {
  row: number;
  column: number;
}

/** What is open in the table: typing in a cell, or the card below it. */
export type Opened =
  { at: Place; how: 'typing'; text: string } | { at: Place; how: 'card'; anchor: HTMLElement };

/** Everything the values table decides; the components only draw it. */
export interface ValueTable {
  lines: Line[];
  rows: ValueRow[];
  cells(row: number): ValueCell[];
  grid: RefObject<HTMLDivElement | null>;
  virtual: RowsHandle;
  /** The cell that has, or last had, the keyboard. */
  place: Place;
  opened: Opened | null;
  reach: EditReach;
  /** The views in whose cells of the focused row an edit there would be seen. */
  aimed: ReadonlySet<ViewId>;
  focus(at: Place): void;
  open(at: Place, text?: string): void;
  /** `left`: the keyboard is elsewhere already, and does not come back to the cell. */
  close(left?: boolean): void;
  set(at: Place, value: unknown, reach?: EditReach): boolean;
  clear(at: Place): void;
  /** Keeps typed text; answers a sentence when it was refused. */
  commit(at: Place, text: string, reach: EditReach): string | undefined;
  /** Keeps a text that was typed where the keyboard has gone elsewhere; that it cannot be kept is said as of every edit. */
  leave(at: Place, text: string): void;
  /** What a text that is typed in a cell means, where that is worth saying. */
  understood(at: Place, text: string): string | undefined;
  /** More or less by steps, each value from what it is. */
  takeFiles(at: Place, files: readonly File[]): void;
  step(at: Place, steps: number): void;
  changeReach(at: Place, reach: 'here' | 'onward'): void;
  reverse(row: ValueRow): void;
  fold(group: { id: string }): void;
  /** The groups that are unfolded, by their names. */
  unfolded: ReadonlySet<string>;
  /** Puts the sides of a row together, or takes them apart. */
  join(row: ValueRow, how: 'together' | 'apart'): void;
  keys(event: KeyboardEvent): void;
}

export function useValueTable(
  site: SiteFrame,
  page: Page,
  subject: Subject,
  active: ViewId,
  { narrowed, onNarrow }: { narrowed: Narrowed; onNarrow(next: Narrowed | null): void },
): ValueTable {
  const dispatch = useAppDispatch();
  const store = useStore<State>();
  const reach = useAppSelector((state) => state.desk.reach);
  const aim = useAppSelector((state) => state.desk.aim);
  const columns = columnsOf(site);
  const { groups, lines, rows, cells, unfolded, fold, join } = useTableRows(site, page, subject, narrowed);

  const [focus, setFocus] = useState<Place>({
    row: 0,
    column: columns.findIndex((view) => view.id === active),
  });
  // What is told follows the view: another one that is chosen is looked at.
  const [followed, setFollowed] = useState(active);
  if (followed !== active) {
    setFollowed(active);
    setFocus({ ...focus, column: columns.findIndex((view) => view.id === active) });
  }
  const [opened, setOpened] = useState<Opened | null>(null);
  const grid = useRef<HTMLDivElement>(null);
  const virtual: RowsHandle = useRef(null);
  const place: Place = { row: Math.max(0, Math.min(focus.row, rows.length - 1)), column: focus.column };

  const elementAt = (at: Place) =>
    grid.current?.querySelector<HTMLElement>(`[data-value-row="${at.row}"] [data-column="${at.column}"]`) ??
    null;
  /** Brings a cell into view, where it is drawn at last, and gives it the keyboard. */
  const reveal = (at: Place, align: 'auto' | 'center' = 'auto') => {
    virtual.current?.scrollToIndex(
      lines.findIndex((each) => 'row' in each && each.row === at.row),
      { align },
    );
    const element = elementAt(at);
    if (element) element.focus({ preventScroll: true });
    else
      requestAnimationFrame(() => requestAnimationFrame(() => elementAt(at)?.focus({ preventScroll: true })));
  };
  const close = useCallback((left = false) => {
    setOpened((before) => {
      if (before && !left) requestAnimationFrame(() => elementAt(before.at)?.focus());
      return null;
    });
  }, []);
  // What is read from a cell is what it says by now: the table is drawn a little after an edit.
  const at = (where: Place) => {
    const now = openPage(store.getState()) ?? { site, page };
    const row = rowOf(now.site, now.page, rows[where.row]);
    return { row, cell: valueCells(now.site, now.page, row)[where.column] };
  };
  const target = (where: Place) => targetOf(rows[where.row], columns[where.column].id);
  const set = (where: Place, value: unknown, wanted: EditReach = reach) =>
    dispatch(edit('setValue', { ...target(where), value, reach: wanted }));
  const commit = (where: Place, text: string, wanted: EditReach): string | undefined => {
    const { row, cell } = at(where);
    const { type } = propertyOfRow(row);
    const adjustment = adjustmentIn(text, type, cell.mixed);
    if (adjustment) {
      dispatch(edit('adjustValue', { ...target(where), adjustment, reach: wanted }));
      return undefined;
    }
    const parsed = type.parse(text, contextOf(site, page, row, cell.view, wanted));
    if (!parsed.ok) return parsed.sentence;
    set(where, parsed.value, wanted);
    return undefined;
  };
  const leave = (where: Place, text: string): void => {
    const refusal = commit(where, text, reach);
    if (refusal) dispatch(documents.actions.refusedEdit(refusal));
  };
  const understood = (where: Place, text: string): string | undefined => {
    const { row, cell } = at(where);
    const { type } = propertyOfRow(row);
    const adjustment = adjustmentIn(text, type, cell.mixed);
    if (adjustment)
      return cell.mixed
        ? 'Each from its own value'
        : adjustmentMeans(type, cell.value, adjustment, contextOf(site, page, row, cell.view, reach));
    const parsed = type.describe && type.parse(text, contextOf(site, page, row, cell.view, reach));
    return parsed?.ok ? type.describe?.(parsed.value) : undefined;
  };
  /** Files go on the shelf, and the first of them into the cell. */
  const takeFiles = (where: Place, files: readonly File[]) =>
    void dispatch(importFiles(files)).then(([first]) => first && set(where, first));
  const step = (where: Place, steps: number) => {
    const { step: size } = propertyOfRow(rows[where.row]).type;
    if (size !== undefined)
      dispatch(edit('adjustValue', { ...target(where), adjustment: { by: steps * size }, reach }));
  };
  const open = (where: Place, text?: string) => {
    const { row, cell } = at(where);
    const { type } = propertyOfRow(row);
    if (text === undefined && type.editor !== 'number') {
      const anchor = elementAt(where);
      if (anchor) setOpened({ at: where, how: 'card', anchor });
    } else {
      const shown = cell.mixed ? '' : (type.written ?? type.format)(cell.value, { site });
      setOpened({ at: where, how: 'typing', text: text ?? shown });
    }
  };
  const go = (where: Place) => {
    const next = {
      row: Math.max(0, Math.min(rows.length - 1, where.row)),
      column: Math.max(0, Math.min(columns.length - 1, where.column)),
    };
    setFocus(next);
    reveal(next);
  };
  const clear = (where: Place) => void dispatch(edit('clearValue', target(where)));
  const changeReach = (where: Place, wanted: 'here' | 'onward') =>
    void dispatch(edit('setReach', { ...target(where), reach: wanted }));
  const reverse = (row: ValueRow) =>
    void dispatch(edit('reverseOrder', { node: nodeId(leading(row.holders).id), view: active, reach }));
  /** Ctrl+C takes the value; with Shift the whole row, with its overrides and reach. */
  const copy = (whole: boolean) => {
    const { row, cell } = at(place);
    const holder = leading(row.holders);
    const property = propertyOfRow(row);
    if (whole && isNode(holder)) {
      const style = { [row.part]: { [property.name]: layeredIn(row, holder, property) ?? {} } };
      rememberCopy({ of: 'row', style, name: `${row.label} of ${holder.name}`, property: property.name });
    } else {
      rememberCopy({ of: 'value', property: property.name, value: cell.value, text: cell.text });
      const written = property.type.written?.(cell.value, { site }) ?? cell.text;
      void navigator.clipboard?.writeText(written).catch(() => undefined);
    }
  };
  /** A whole row is put with all its views; on a cell of the same property the value itself, on another what it reads as. */
  const paste = () => {
    const { row } = at(place);
    const copied = rememberedCopy();
    const nodes = row.holders.filter(isNode).map(({ id }) => id);
    if (copied?.of === 'row') dispatch(edit('pasteValues', { nodes, style: copied.style }));
    else if (copied?.of === 'value' && copied.property === propertyOfRow(row).name) set(place, copied.value);
    else if (copied?.of === 'value' && commit(place, copied.text, reach)) open(place, copied.text);
  };

  const move = (down: number, across: number) => go({ row: place.row + down, column: place.column + across });
  const keys = (event: KeyboardEvent) => {
    if (opened || !(event.target as HTMLElement).matches('[role=gridcell]')) return;
    const acted = actOn(event, {
      copy,
      paste,
      move,
      step: (steps) => step(place, steps),
      changeReach: (wanted) => changeReach(place, wanted),
      toEnd: (end) => go({ row: place.row, column: end === 'first' ? 0 : columns.length - 1 }),
      open: (text) => open(place, text),
      narrow: () => onNarrow(null),
      clear: () => clear(place),
    });
    if (acted) event.preventDefault();
  };

  // A cell that is asked for may lie in a group that is folded away, or on a side of sides that stand together.
  const wanted = useRef<typeof aim>(null);
  useEffect(() => {
    wanted.current = aim;
  }, [aim]);
  useEffect(() => {
    const asked = wanted.current;
    if (!asked) return;
    const fits = (row: ValueRow, part: Part) =>
      row.part === part && !row.child && row.properties.some(({ name }) => name === asked.property);
    const row = rows.findIndex((each) => fits(each, asked.part));
    const column = columns.findIndex((view) => view.id === asked.view);
    if (row < 0) {
      const group = groups.find((each) => each.rows.some((candidate) => fits(candidate, asked.part)));
      if (group) fold(group);
      // What the table is narrowed to hides it.
      else if (isNarrowing(narrowed)) onNarrow({ text: '', onlySet: false });
      return;
    }
    wanted.current = null;
    setFocus({ row, column });
    reveal({ row, column }, 'center');
    // Only another wish moves the keyboard; an edit, which makes new rows, must not.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [aim, rows]);

  const aimed = useMemo(() => {
    const row = rows[place.row];
    if (!row || !grid.current?.contains(document.activeElement)) return new Set<ViewId>();
    const layered = layeredIn(row, leading(row.holders), propertyOfRow(row));
    return new Set(wouldReach(layered, site.views, columns[place.column].id, reach));
  }, [rows, place.row, place.column, reach, site.views, columns]);

  return {
    lines,
    rows,
    cells,
    grid,
    virtual,
    place,
    opened,
    reach,
    aimed,
    focus: setFocus,
    open,
    close,
    set,
    clear,
    commit,
    leave,
    understood,
    takeFiles,
    step,
    changeReach,
    reverse,
    fold,
    unfolded,
    join,
    keys,
  };
}
