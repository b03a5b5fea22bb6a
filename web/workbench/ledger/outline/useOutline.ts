import { inEveryView } from '../../../state/everyview.ts';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import {
  hasTrait,
  ancestorsOf,
  type NodeId,
  type Page,
  type SiteFrame,
  type ViewId,
  lookup,
  runBetween,
} from '../../../../core/index.ts';
import { useHotkeys } from 'react-hotkeys-hook';
import { isElsewhere } from '../../../ui/keytarget.ts';
import { menuOpened, selected as select, selectionSet, selectionToggled } from '../../../state/desk.ts';
import { edit } from '../../../state/edits.ts';
import { duplicate, turnTile } from '../../../state/structure.ts';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import type { RowsHandle } from '../../../ui/VirtualRows.tsx';
import { columnsOf } from '../../../values/columns.ts';
import { isFolded, outlineRows, treeOf, type OutlineRow } from './outline.ts';

/** Where the keyboard is: a row, and a column (-1 for the name). */
interface Cursor {
  id: NodeId;
  column: number;
}

/** How a row is gone to: alone, as the end of a run from the last one, or as one more. */
export interface Going {
  shiftKey: boolean;
  ctrlKey: boolean;
  metaKey: boolean;
}

const ALONE: Going = { shiftKey: false, ctrlKey: false, metaKey: false };

/** Everything the tree of elements decides; the components only draw it. */
export interface OutlineTree {
  rows: OutlineRow[];
  scroller: RefObject<HTMLDivElement | null>;
  virtual: RowsHandle;
  cursor: Cursor;
  selected: NodeId[];
  renaming: NodeId | null;
  go(id: NodeId, column: number, how?: Going): void;
  /** Moves the keyboard and leaves the selection as it is. */
  point(id: NodeId, column: number): void;
  fold(id: NodeId, closed: boolean): void;
  toggleShown(id: NodeId, view: ViewId): void;
  /** Opens the menu of an element, or of all that is selected, at a place in the window. */
  openMenu(id: NodeId, at: { left: number; top: number }): void;
  beginRenaming(id: NodeId): void;
  rename(id: NodeId, name: string | null): void;
  keys(event: KeyboardEvent): void;
}

const PAGEFUL = 10;

export function useOutline(
  site: SiteFrame,
  page: Page,
  shown: ReadonlySet<NodeId> | undefined,
  onAdd: () => void,
): OutlineTree {
  const dispatch = useAppDispatch();
  const selected = useAppSelector((state) => state.desk.selected);
  const lead = selected.at(-1);
  const [folded, setFolded] = useState<ReadonlySet<NodeId>>(new Set());
  const folds = useRef(folded);
  useEffect(() => {
    folds.current = folded;
  });
  const [cursor, setCursor] = useState<Cursor>({ id: page.root, column: -1 });
  const [renaming, setRenaming] = useState<NodeId | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  // Where a run that is being selected with Shift began.
  const anchor = useRef<NodeId | null>(null);
  // Set when the keyboard goes along to what is selected next.
  const followed = useRef(false);
  const columns = columnsOf(site);
  const tree = treeOf(page);
  const rows = useMemo(() => outlineRows(tree, folded, shown), [tree, folded, shown]);
  const indexOf = (id: NodeId) => rows.findIndex((row) => row.id === id);
  const at = Math.max(0, indexOf(cursor.id));
  const virtual: RowsHandle = useRef(null);

  // Which of the places that were to get the keyboard gets it: the last one, and none once a name is changed.
  const focusing = useRef(0);
  const focusCell = (id: NodeId, column: number) => {
    const index = indexOf(id);
    const asked = ++focusing.current;
    if (index >= 0) virtual.current?.scrollToIndex(index, { align: 'auto' });
    const focus = () => {
      if (asked !== focusing.current) return;
      scroller.current
        ?.querySelector<HTMLElement>(`[data-row="${CSS.escape(id)}"] [data-column="${column}"]`)
        ?.focus({ preventScroll: true });
    };
    requestAnimationFrame(() => requestAnimationFrame(focus));
  };
  const beginRenaming = (id: NodeId) => {
    focusing.current += 1;
    const index = indexOf(id);
    if (index >= 0) virtual.current?.scrollToIndex(index, { align: 'auto' });
    setRenaming(id);
  };
  useHotkeys('f2', () => lead && beginRenaming(lead), {
    enabled: lead !== undefined,
    preventDefault: true,
    ignoreEventWhen: ({ target }) =>
      isElsewhere(target) || (target instanceof Element && target.closest('[role=treegrid]') !== null),
  });

  // What is selected in a sheet comes into view here.
  useEffect(() => {
    if (!lead) return;
    const above = ancestorsOf(page, lead);
    setFolded((before) => {
      const closed = above.filter((id) => isFolded(page, before, id));
      if (closed.length === 0) return before;
      const next = new Set(before);
      for (const id of closed) if (!next.delete(id)) next.add(id);
      return next;
    });
    setCursor((before) => (before.id === lead ? before : { id: lead, column: -1 }));
    requestAnimationFrame(() => {
      const index = outlineRows(page, folds.current, shown).findIndex((row) => row.id === lead);
      if (index >= 0) virtual.current?.scrollToIndex(index, { align: 'auto' });
      if (followed.current) focusCell(lead, -1);
      followed.current = false;
    });
    // Only a new selection moves the outline; an edit of the page must not.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [lead]);

  const go = (id: NodeId, column: number, how: Going = ALONE) => {
    setCursor({ id, column });
    if (how.shiftKey && lead) {
      const listed = new Set(rows.map((row) => row.id));
      const from = anchor.current && listed.has(anchor.current) ? anchor.current : lead;
      const run = runBetween(tree, from, id, ({ children }) => children);
      dispatch(selectionSet(run.filter((each) => listed.has(each))));
    } else {
      anchor.current = id;
      dispatch(how.ctrlKey || how.metaKey ? selectionToggled(id) : select(id));
    }
    focusCell(id, column);
  };
  const fold = (id: NodeId, closed: boolean) =>
    setFolded((before) => {
      if (isFolded(page, before, id) === closed) return before;
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const toggleShown = (id: NodeId, view: ViewId) => {
    const several = selected.filter((each) => !hasTrait(page.nodes[each], 'page'));
    const nodes = selected.includes(id) && !hasTrait(page.nodes[id], 'page') ? several : [id];
    dispatch(turnTile(id, nodes, view));
  };
  const rename = (id: NodeId, name: string | null) => {
    setRenaming(null);
    if (name !== null) dispatch(edit('rename', { node: id, name }));
    focusCell(id, -1);
  };

  const keys = (event: KeyboardEvent) => {
    if (renaming || event.altKey || rows.length === 0) return;
    const several = event.ctrlKey || event.metaKey;
    if (several && event.key !== ' ' && event.key.toLowerCase() !== 'd') return;
    const { id, expanded } = rows[at];
    const node = page.nodes[id];
    const { column } = cursor;
    const meant = selected.includes(id) ? selected : [id];
    const move = (index: number) => go(rows[Math.max(0, Math.min(rows.length - 1, index))].id, column, event);
    const right = () => {
      if (column === -1 && expanded === false) fold(node.id, false);
      else if (column < columns.length - 1) go(node.id, column + 1);
    };
    const left = () => {
      if (column > -1) go(node.id, column - 1);
      else if (expanded) fold(node.id, true);
      else if (node.parent) go(node.parent, -1);
    };
    const space = () => {
      if (several) dispatch(selectionToggled(node.id));
      else if (column < 0) go(node.id, column);
      else toggleShown(node.id, columns[column].id);
    };
    if (event.key === 'Delete' && column >= 0) return;
    if (event.key === 'd' && !several) return;
    const actions: Record<string, (() => void) | undefined> = {
      ArrowDown: () => move(at + 1),
      ArrowUp: () => move(at - 1),
      PageDown: () => move(at + PAGEFUL),
      PageUp: () => move(at - PAGEFUL),
      Home: () => move(0),
      End: () => move(rows.length - 1),
      ArrowRight: right,
      ArrowLeft: left,
      Enter: () => go(node.id, column),
      ' ': space,
      F2: () => beginRenaming(node.id),
      Insert: onAdd,
      Delete: () => {
        followed.current = true;
        dispatch(inEveryView('delete', meant));
      },
      d: () => {
        followed.current = true;
        dispatch(duplicate(meant));
      },
    };
    const action = lookup(actions, event.key);
    if (!action) return;
    event.preventDefault();
    action();
  };

  return {
    rows,
    scroller,
    virtual,
    cursor: { id: rows[at]?.id ?? cursor.id, column: cursor.column },
    selected,
    renaming,
    go,
    point: (id, column) => setCursor({ id, column }),
    fold,
    toggleShown,
    openMenu: (id, at) => dispatch(menuOpened({ node: id, at })),
    beginRenaming,
    rename,
    keys,
  };
}
