import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import { afterPaint } from '../ui/afterpaint.ts';
import { SheetDocument, type SheetContent } from './sheetdocument.ts';

export interface LiveSheet {
  frame: RefObject<HTMLIFrameElement | null>;
  sheet: SheetDocument | null;
  /** px; the height of the page. */
  height: number;
  /** Counts what may have moved things in the sheet: an update, a picture that came, another width. */
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

  const loaded = useCallback(() => {
    const document = frame.current?.contentDocument;
    if (document) setSheet(new SheetDocument(document));
  }, []);

  useEffect(() => {
    if (!sheet) return;
    const measure = () => {
      setHeight(Math.ceil(sheet.document.body.getBoundingClientRect().height));
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
    if (active) {
      update();
      return;
    }
    // Not in the frame that paints the active sheet, but after it.
    return afterPaint(update);
  }, [sheet, content, active]);

  return { frame, sheet, height, moved, loaded };
}
