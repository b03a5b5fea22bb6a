import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import {
  ownLayered,
  wouldReach,
  type EditReach,
  type Node,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { contextOf, valueCells, valueRows, type ValueCell, type ValueRow } from './cells.ts';
import { columnsOf } from './columns.ts';

/** A cell of the table by its row and column. */
export interface Place {
  row: number;
  column: number;
}

/** What is open in the table: typing in a cell, or the card below it. */
export type Opened =
  { at: Place; how: 'typing'; text: string } | { at: Place; how: 'card'; anchor: HTMLElement };

export interface FilledRow {
  row: ValueRow;
  cells: ValueCell[];
}

/** Everything the values table decides; the components only draw it. */
export interface ValueTable {
  rows: FilledRow[];
  grid: RefObject<HTMLDivElement | null>;
  /** The cell that has, or last had, the keyboard. */
  place: Place;
  opened: Opened | null;
  reach: EditReach;
  /** The views in whose cells of the focused row an edit there would be seen. */
  aimed: ReadonlySet<ViewId>;
  focus(at: Place): void;
  open(at: Place, text?: string): void;
  close(): void;
  set(at: Place, value: unknown, reach?: EditReach): boolean;
  clear(at: Place): void;
  /** Keeps typed text; answers a sentence when it was refused. */
  commit(at: Place, text: string, reach: EditReach): string | undefined;
  changeReach(at: Place, reach: 'here' | 'onward'): void;
  reverse(row: ValueRow): void;
  keys(event: KeyboardEvent): void;
}

/** The value last copied. It outlives the table, so that it can be pasted on another element. */
let copied: { property: string; value: unknown; text: string } | null = null;

const typed = (event: KeyboardEvent): boolean =>
  event.key.length === 1 && event.key !== ' ' && !event.ctrlKey && !event.metaKey && !event.altKey;

export function useValueTable(site: SiteFrame, page: Page, node: Node, active: ViewId): ValueTable {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.editor.reach);
  const columns = columnsOf(site);
  const rows = useMemo(
    () => valueRows(page, node).map((row) => ({ row, cells: valueCells(site, page, row) })),
    [site, page, node],
  );
  const [focus, setFocus] = useState<Place>({
    row: 0,
    column: columns.findIndex((view) => view.id === active),
  });
  const [opened, setOpened] = useState<Opened | null>(null);
  const grid = useRef<HTMLDivElement>(null);
  const place: Place = { row: Math.min(focus.row, rows.length - 1), column: focus.column };

  const cellAt = (at: Place) => ({ row: rows[at.row].row, cell: rows[at.row].cells[at.column] });
  const elementAt = (at: Place) =>
    grid.current?.querySelector<HTMLElement>(`[data-value-row="${at.row}"] [data-column="${at.column}"]`) ??
    null;
  const close = useCallback(() => {
    setOpened((before) => {
      if (before) requestAnimationFrame(() => elementAt(before.at)?.focus());
      return null;
    });
  }, []);
  const target = (at: Place) => {
    const { row, cell } = cellAt(at);
    return { nodes: [row.holder.id], property: row.property.name, view: cell.view.id };
  };
  const set = (at: Place, value: unknown, wanted: EditReach = reach) =>
    dispatch(edit('setValue', { ...target(at), value, reach: wanted }));
  const clear = (at: Place) => void dispatch(edit('clearValue', target(at)));
  const commit = (at: Place, text: string, wanted: EditReach): string | undefined => {
    const { row, cell } = cellAt(at);
    const parsed = row.property.type.parse(text, contextOf(site, row, cell.view, wanted));
    if (!parsed.ok) return parsed.sentence;
    set(at, parsed.value, wanted);
    return undefined;
  };
  const open = (at: Place, text?: string) => {
    const { row, cell } = cellAt(at);
    if (text === undefined && row.property.type.editor !== 'number') {
      const anchor = elementAt(at);
      if (anchor) setOpened({ at, how: 'card', anchor });
    } else setOpened({ at, how: 'typing', text: text ?? row.property.type.format(cell.value, { site }) });
  };
  const go = (at: Place) => {
    const next = {
      row: Math.max(0, Math.min(rows.length - 1, at.row)),
      column: Math.max(0, Math.min(columns.length - 1, at.column)),
    };
    setFocus(next);
    elementAt(next)?.focus();
  };
  const changeReach = (at: Place, wanted: 'here' | 'onward') =>
    void dispatch(edit('setReach', { ...target(at), reach: wanted }));
  const reverse = (row: ValueRow) =>
    void dispatch(edit('reverseOrder', { node: row.holder.id, view: active, reach }));

  const copy = () => {
    const { row, cell } = cellAt(place);
    copied = { property: row.property.name, value: cell.value, text: cell.text };
    void navigator.clipboard?.writeText(cell.text).catch(() => undefined);
  };
  /** On a cell of the same property the value itself is put, on another what it reads as. */
  const paste = () => {
    if (!copied) return;
    if (copied.property === cellAt(place).row.property.name) set(place, copied.value);
    else {
      const refusal = commit(place, copied.text, reach);
      if (refusal) open(place, copied.text);
    }
  };

  const keys = (event: KeyboardEvent) => {
    if (opened || !(event.target as HTMLElement).matches('[role=gridcell]')) return;
    const key = event.key.toLowerCase();
    const move = (down: number, across: number) =>
      go({ row: place.row + down, column: place.column + across });
    if (event.ctrlKey || event.metaKey) {
      if (key === 'c') copy();
      else if (key === 'v') paste();
      else return;
    } else if (event.altKey) {
      if (key === 'arrowright') changeReach(place, 'onward');
      else if (key === 'arrowleft') changeReach(place, 'here');
      else return;
    } else if (key === 'arrowdown') move(1, 0);
    else if (key === 'arrowup') move(-1, 0);
    else if (key === 'arrowright') move(0, 1);
    else if (key === 'arrowleft') move(0, -1);
    else if (key === 'home') go({ row: place.row, column: 0 });
    else if (key === 'end') go({ row: place.row, column: columns.length - 1 });
    else if (key === 'enter' || key === 'f2') open(place);
    else if (key === 'delete' || key === 'backspace') clear(place);
    else if (typed(event)) open(place, event.key);
    else return;
    event.preventDefault();
  };

  const aim = useAppSelector((state) => state.editor.aim);
  useEffect(() => {
    if (!aim) return;
    const row = rows.findIndex((entry) => entry.row.property.name === aim.property && !entry.row.child);
    const column = columns.findIndex((view) => view.id === aim.view);
    const element = row >= 0 && column >= 0 ? elementAt({ row, column }) : null;
    element?.scrollIntoView({ block: 'center' });
    element?.focus();
    // Only another wish moves the keyboard; an edit, which makes new rows, must not.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [aim]);

  const aimed = useMemo(() => {
    const at = rows[place.row];
    if (!at || !grid.current?.contains(document.activeElement)) return new Set<ViewId>();
    const layered = ownLayered(at.row.holder, 'self', at.row.property);
    return new Set(wouldReach(layered, site.views, at.cells[place.column].view.id, reach));
  }, [rows, place.row, place.column, reach, site.views]);

  return {
    rows,
    grid,
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
    changeReach,
    reverse,
    keys,
  };
}
