import { defaultRangeExtractor, useVirtualizer, type Range, type Virtualizer } from '@tanstack/react-virtual';
import {
  Fragment,
  useEffect,
  useRef,
  useState,
  type FocusEvent,
  type HTMLAttributes,
  type ReactNode,
  type RefObject,
} from 'react';

export type RowsHandle = RefObject<Virtualizer<HTMLElement, Element> | null>;

interface VirtualRowsProps extends HTMLAttributes<HTMLDivElement> {
  count: number;
  /** px; the height of a row. */
  sizeOf(index: number): number;
  keyOf(index: number): string;
  /** Rows drawn beyond those in sight, on each side. */
  overscan: number;
  /** What brings a row into sight. */
  handle: RowsHandle;
  /** Draws a row, one element, `start` px from the top. The same function is asked for a row once only. */
  draw(index: number, start: number): ReactNode;
}

type Drawn = Map<string, { start: number; row: ReactNode }>;

const drawnBy = new WeakMap<VirtualRowsProps['draw'], Drawn>();

/**
 * Rows of a long list, of which only those in sight are drawn; it stands in an element marked `data-scroller`. While it
 * is scrolled only the rows that come into sight are drawn: the others stay the same elements until `draw` is another.
 * The row that has the keyboard is drawn wherever it is, with what is being typed in it.
 */
export function VirtualRows(props: VirtualRowsProps) {
  // What is in sight is read from the virtualizer, which changes without becoming another object.
  'use no memo';
  const { count, sizeOf, keyOf, overscan, handle, draw, ...attributes } = props;
  const own = useRef<HTMLDivElement>(null);
  const [focused, setFocused] = useState<{ index: number; key: string } | null>(null);
  const kept =
    focused && focused.index < count && keyOf(focused.index) === focused.key ? focused.index : null;
  const virtual = useVirtualizer<HTMLElement, Element>({
    count,
    getScrollElement: () => own.current?.closest<HTMLElement>('[data-scroller]') ?? null,
    estimateSize: sizeOf,
    getItemKey: keyOf,
    overscan,
    rangeExtractor: (range: Range) => {
      const shown = defaultRangeExtractor(range);
      return kept === null ? shown : [...new Set([...shown, kept])].sort((a, b) => a - b);
    },
  });
  useEffect(() => {
    handle.current = virtual;
  }, [handle, virtual]);
  const drawn: Drawn = drawnBy.get(draw) ?? new Map<string, { start: number; row: ReactNode }>();
  drawnBy.set(draw, drawn);
  const rowOf = (index: number, key: string, start: number): ReactNode => {
    const before = drawn.get(key);
    if (before?.start === start) return before.row;
    const row = <Fragment key={key}>{draw(index, start)}</Fragment>;
    drawn.set(key, { start, row });
    return row;
  };
  const items = virtual.getVirtualItems();
  const keepFocused = (event: FocusEvent<HTMLElement>) => {
    const at = [...event.currentTarget.children].findIndex((row) => row.contains(event.target));
    if (at >= 0) setFocused({ index: items[at].index, key: String(items[at].key) });
  };
  return (
    <div
      {...attributes}
      ref={own}
      style={{ position: 'relative', height: virtual.getTotalSize() }}
      onFocus={keepFocused}
    >
      {items.map(({ index, key, start }) => rowOf(index, String(key), start))}
    </div>
  );
}
