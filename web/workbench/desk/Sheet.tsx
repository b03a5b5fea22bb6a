import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { viewAt, type NodeId, type Page, type Preview, type SiteFrame } from '../../../core/index.ts';
import { selected as select, selectionToggled } from '../../state/desk.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { TextBar } from '../text/TextBar.tsx';
import { useTextEditing } from '../text/useTextEditing.ts';
import { ghostsIn } from '../../page/content.ts';
import { Marks } from './Marks.tsx';
import { useFileDrop } from './useFileDrop.ts';
import { SheetTitle } from './SheetTitle.tsx';
import { EMPTY_SHEET, type SheetContent } from '../../page/sheetdocument.ts';
import { useSheet } from '../../page/useSheet.ts';

interface SheetProps {
  site: SiteFrame;
  page: Page;
  content: Preview;
  /** px; the width of the page in this sheet. */
  width: number;
  /** Screen px for one px of the page. */
  scale: number;
  active: boolean;
}

/**
 * px; frames are as tall as a whole number of these, and cut off below the page. A frame that gets another height makes the
 * browser style all anew that follows the window's size, and most edits change a page's height a little.
 */
const FRAME_STEP = 600;

/** px; an empty page is seen to be one. */
const LEAST = 240;

const NONE: NodeId[] = [];
const NO_GHOSTS: SheetContent['ghosts'] = [];

/** Keys that the workbench hears even when the focus is inside a sheet. */
const forwarded = (event: KeyboardEvent): boolean =>
  event.key === 'Escape' ||
  ((event.ctrlKey || event.metaKey) && ['z', 'y'].includes(event.key.toLowerCase()));

/** The real page at one width, in a frame; what is selected is marked over it, never in it. */
export function Sheet({ site, page, content, width, scale, active }: SheetProps) {
  const dispatch = useAppDispatch();
  const selected = useAppSelector((state) => state.desk.selected);
  const ghosts = useAppSelector((state) => state.desk.ghosts);
  const screen = useAppSelector((state) => state.desk.screen);
  const view = viewAt(site.views, width);
  const [hovered, setHovered] = useState<NodeId | null>(null);
  const shown = useMemo<SheetContent>(
    () => ({ preview: content, ghosts: ghosts ? ghostsIn(site, content.page, view.id) : NO_GHOSTS }),
    [content, ghosts, site, view.id],
  );
  const { frame, sheet, height: own, overflow, moved, loaded } = useSheet(shown, active);
  const height = Math.max(own, LEAST);
  const write = useCallback(
    (node: NodeId, field: string, value: string) => void dispatch(edit('setContent', { node, field, value })),
    [dispatch],
  );
  const text = useTextEditing(sheet, write);

  useFileDrop(sheet, page, view.id, setHovered);

  // The listeners are put on once a sheet; what they need of the latest render is read through this.
  const latest = useRef({ page, text });
  useEffect(() => {
    latest.current = { page, text };
  });
  useEffect(() => {
    if (!sheet) return;
    const { document } = sheet;
    const inEditing = (event: Event) => sheet.editing?.contains(event.target as globalThis.Node) ?? false;
    const click = (event: MouseEvent) => {
      event.preventDefault();
      if (inEditing(event)) return;
      const id = sheet.nodeAt(event.target);
      const more = event.ctrlKey || event.metaKey || event.shiftKey;
      dispatch(more && id ? selectionToggled(id) : select(id));
    };
    const doubleClick = (event: MouseEvent) => {
      const id = sheet.nodeAt(event.target);
      if (id && !inEditing(event)) latest.current.text.begin(latest.current.page.nodes[id]);
    };
    const move = (event: MouseEvent) => setHovered(sheet.nodeAt(event.target));
    const leave = () => setHovered(null);
    const key = (event: KeyboardEvent) => {
      if (event.defaultPrevented || !forwarded(event) || inEditing(event)) return;
      event.preventDefault();
      const { key: name, code, ctrlKey, metaKey, shiftKey } = event;
      const again = { key: name, code, ctrlKey, metaKey, shiftKey, bubbles: true };
      window.document.body.dispatchEvent(new KeyboardEvent('keydown', again));
      window.document.body.dispatchEvent(new KeyboardEvent('keyup', again));
    };
    document.addEventListener('click', click);
    document.addEventListener('dblclick', doubleClick);
    document.addEventListener('mousemove', move);
    document.documentElement.addEventListener('mouseleave', leave);
    document.addEventListener('keydown', key);
    return () => {
      document.removeEventListener('click', click);
      document.removeEventListener('dblclick', doubleClick);
      document.removeEventListener('mousemove', move);
      document.documentElement.removeEventListener('mouseleave', leave);
      document.removeEventListener('keydown', key);
    };
  }, [sheet, dispatch]);

  const label = `${view.name}, ${width} px`;
  return (
    <section aria-label={`Sheet: ${label}`} className="sheet">
      <SheetTitle name={view.name} width={width} scale={scale} active={active} />
      {overflow && page.nodes[overflow.id] && (
        <button type="button" className="sheet-overflow" onClick={() => dispatch(select(overflow.id))}>
          {overflow.by} px wider than the page: {page.nodes[overflow.id].name}
        </button>
      )}
      <div
        className={overflow ? 'sheet-page overflowing' : 'sheet-page'}
        style={{ width: width * scale, height: height * scale }}
      >
        <div className="sheet-cut">
          <iframe
            ref={frame}
            title={`Page in ${label}`}
            sandbox="allow-same-origin"
            srcDoc={EMPTY_SHEET}
            onLoad={loaded}
            style={{
              width,
              height: Math.ceil(height / FRAME_STEP) * FRAME_STEP,
              transform: `scale(${scale})`,
            }}
          />
        </div>
        {active && screen && screen.height < height && (
          <div className="sheet-fold" style={{ top: screen.height * scale }}>
            <span>end of the first screen, {screen.height} px</span>
          </div>
        )}
        {sheet && (
          <Marks
            site={site}
            follow={active}
            sheet={sheet}
            page={page}
            view={view.id}
            scale={scale}
            across={width * scale}
            moved={moved}
            selected={text.editing ? NONE : selected}
            hovered={text.editing ? null : hovered}
          />
        )}
        {sheet && text.editing && (
          <TextBar sheet={sheet} editing={text.editing} scale={scale} onDone={text.end} />
        )}
      </div>
    </section>
  );
}
