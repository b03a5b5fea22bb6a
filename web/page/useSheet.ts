import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import { afterPaint } from '../ui/afterpaint.ts';
import { SheetDocument, type Overflow, type SheetContent } from './sheetdocument.ts';

/** The same object as long as it says the same. */
const settled = (before: Overflow | null, now: Overflow | null): Overflow | null =>
  before?.id === now?.id && before?.by === now?.by ? before : now;

/** Elements; the rules of so many are exchanged in less time than a frame has. */
const SMALL = 16;

/** Whether a content differs from the one before in the rules of a few elements only. */
const isSmall = ({ preview: { since } }: SheetContent): boolean =>
  since !== undefined && since.elements.length <= SMALL;

export interface LiveSheet {
  frame: RefObject<HTMLIFrameElement | null>;
  sheet: SheetDocument | null;
  /** px; the height of the page. */
  height: number;
  /** What stands out beyond the page's right edge, and how far in px; null where nothing does. */
  overflow: Overflow | null;
  /** Counts what may have moved things in the sheet: an update, an image that came, another width. */
  moved: number;
  loaded(): void;
}

/**
 * Keeps a frame's document at a content. The active sheet is brought up to date at once, another after the next frame, so
 * that the one a person looks at is never kept waiting.
 */
export function useSheet(content: SheetContent, active: boolean): LiveSheet {
  const frame = useRef<HTMLIFrameElement>(null);
  const [sheet, setSheet] = useState<SheetDocument | null>(null);
  const [height, setHeight] = useState(600);
  const [moved, setMoved] = useState(0);
  const [overflow, setOverflow] = useState<Overflow | null>(null);

  const loaded = useCallback(() => {
    const document = frame.current?.contentDocument;
    if (document) setSheet(new SheetDocument(document));
  }, []);

  useEffect(() => {
    if (!sheet) return;
    const measure = () => {
      setHeight(Math.ceil(sheet.document.body.getBoundingClientRect().height));
      setOverflow((before) => settled(before, sheet.overflow()));
      setMoved((count) => count + 1);
    };
    const observer = new ResizeObserver(measure);
    observer.observe(sheet.document.body);
    sheet.document.addEventListener('load', measure, true);
    return () => {
      observer.disconnect();
      sheet.document.removeEventListener('load', measure, true);
    };
  }, [sheet]);

  useEffect(() => {
    if (!sheet) return;
    const update = () => {
      sheet.update(content);
      setMoved((count) => count + 1);
    };
    // It asks for the layout, which the frame before has made by then.
    const look = () => setOverflow((before) => settled(before, sheet.overflow()));
    if (active || isSmall(content)) {
      update();
      return afterPaint(look);
    }
    // Not in the frame that paints the active sheet, but after it.
    let callOff = afterPaint(() => {
      update();
      callOff = afterPaint(look);
    });
    return () => callOff();
  }, [sheet, content, active]);

  return { frame, sheet, height, overflow, moved, loaded };
}
