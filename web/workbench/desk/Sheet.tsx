import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import {
  ancestorsOf,
  hasTrait,
  closedPreview,
  isClosed,
  hiddenAncestorFor,
  nodeClass,
  viewAt,
  type Node,
  type NodeId,
  type Page,
  type Preview,
  type SiteFrame,
} from '../../../core/index.ts';
import {
  croppingSet,
  menuOpened,
  pageMeasured,
  selected as select,
  selectionToggled,
} from '../../state/desk.ts';
import { copySelected, cutSelected, pasteBeside } from '../../state/clipboard.ts';
import { isPart } from '../../state/areas.ts';
import { writeWords, type Written } from '../../state/edits.ts';
import { selectRun } from '../../state/sequence.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { TextBar } from '../text/TextBar.tsx';
import { useTextEditing } from '../text/useTextEditing.ts';
import { afterPaint } from '../../ui/afterpaint.ts';
import { measurePage } from '../../page/measuring.ts';
import { ghostOf, ghostsIn, ghostsOf, hiddenFromVisitor } from '../../page/ghosts.ts';
import { Crop } from './crop/Crop.tsx';
import { Marks } from './Marks.tsx';
import { useFileDrop } from './useFileDrop.ts';
import { SheetTitle } from './SheetTitle.tsx';
import { boxIn, EMPTY_SHEET, type SheetContent, type SheetDocument } from '../../page/sheetdocument.ts';
import { useSheet } from '../../page/useSheet.ts';

interface SheetProps {
  site: SiteFrame;
  page: Page;
  content: Preview;
  /** px; the width of the page in this sheet. */
  width: number;
  /** Screen px for one px of the page. */
  scale: number;
  /** The one section that is looked at; absent: all of the page. */
  section?: NodeId;
  active: boolean;
}

/**
 * px; frames are as tall as a whole number of these, and cut off below the page. A frame that gets another height makes the
 * browser style all again that follows the window's size, and most edits change a page's height a little.
 */
const FRAME_STEP = 600;

/** px; an empty page is seen to be one. */
const LEAST = 240;

const NONE: NodeId[] = [];
const NO_GHOSTS: SheetContent['ghosts'] = [];

/** Keys that place what is selected, where it is a part of an overlay. */
const places = ({ key, altKey }: KeyboardEvent): boolean => key.startsWith('Arrow') && !altKey;

/** Keys that the workbench hears even when the focus is inside a sheet. */
const forwarded = ({ key, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean => {
  if (ctrlKey || metaKey) return ['z', 'y', 'g', 'd'].includes(key.toLowerCase());
  if (altKey) return ['ArrowUp', 'ArrowDown'].includes(key);
  return ['Escape', 'Delete', 'F2', '/', '+', '=', '-'].includes(key) || key.toLowerCase() === 'h';
};

/** Where the one section that is looked at stands in a sheet, px of the page; undefined: all of the page is looked at, or it does not show. */
function useSection(sheet: SheetDocument | null, section: NodeId | undefined, moved: number) {
  const [cut, setCut] = useState<{ top: number; height: number }>();
  useLayoutEffect(() => {
    const box = section === undefined || !sheet ? null : boxIn(sheet.elementOf(section));
    setCut(box ? { top: box.top, height: box.height } : undefined);
  }, [sheet, section, moved]);
  return cut;
}

/** The real page at one width, in a frame; what is selected is marked over it, never in it. */
export function Sheet({ site, page, content, width, scale, active, section }: SheetProps) {
  const dispatch = useAppDispatch();
  const selected = useAppSelector((state) => state.desk.selected);
  const ghosts = useAppSelector((state) => state.desk.ghosts);
  const screen = useAppSelector((state) => state.desk.screen);
  const visitor = useAppSelector((state) => state.desk.visitor);
  const view = viewAt(site.views, width);
  const [hovered, setHovered] = useState<NodeId | null>(null);
  const lead = selected.at(-1);
  // What is selected is seen, also where it is not shown.
  const selectedGhosts = useMemo(() => {
    const made = lead && content.page.nodes[lead] ? ghostsOf(site, content.page, lead, view.id) : [];
    return made.length > 0 ? made : NO_GHOSTS;
  }, [site, content, lead, view.id]);
  const shown = useMemo<SheetContent>(() => {
    const kept = visitor === null ? [] : hiddenFromVisitor(content.page, visitor);
    const { addresses, page } = content;
    const inPlace = !ghosts && visitor !== null && isClosed(page, visitor);
    // What is selected is seen, also where something else stands in the place of all of the page.
    const over = new Set(lead === undefined ? [] : [lead, ...ancestorsOf(page, lead)]);
    const own = lead !== undefined && lead !== page.root && page.nodes[lead] !== undefined;
    if (inPlace && !(own && hiddenAncestorFor(page, page.nodes[lead], visitor)))
      return { preview: closedPreview(site, page, addresses, visitor), ghosts: NO_GHOSTS };
    // What is not for the visitor is gone, or stands as a ghost like all that is not shown.
    return {
      preview: content,
      ghosts: ghosts ? [...ghostsIn(site, content.page, view.id), ...kept.map(ghostOf)] : selectedGhosts,
      kept: ghosts ? [] : kept.filter(({ id }) => !over.has(id)).map(({ id }) => `.${nodeClass(id)}`),
    };
  }, [content, ghosts, selectedGhosts, site, view.id, visitor, lead]);
  const { frame, sheet, height: own, overflow, moved, loaded } = useSheet(shown, active);
  const height = Math.max(own, LEAST);
  const looking = useAppSelector((state) => state.desk.looking) && active;
  useEffect(() => {
    if (!looking || !sheet) return;
    return afterPaint(() => dispatch(pageMeasured({ view: view.id, page: measurePage(sheet, page) })));
  }, [looking, sheet, page, view.id, moved, dispatch]);
  const reach = useAppSelector((state) => state.desk.reach);
  const write = useCallback(
    (node: Node, written: Written) => dispatch(writeWords(node, { ...written, view: view.id, reach })),
    [dispatch, view.id, reach],
  );
  const text = useTextEditing({ sheet, site, view: view.id, write });
  const { editing, end } = text;
  const written = editing && content.page.nodes[editing.node];
  // What others have deleted is not written in any further.
  useEffect(() => {
    if (editing && !written) end();
  }, [editing, written, end]);

  useFileDrop(sheet, page, view.id, setHovered);

  // The listeners are put on once a sheet; what they need of the latest render is read through this.
  const placed = lead !== undefined && page.nodes[lead] !== undefined && isPart(page, page.nodes[lead]);
  const latest = useRef({ page, text, placed });
  useEffect(() => {
    latest.current = { page, text, placed };
  });
  useEffect(() => {
    if (!sheet) return;
    const { document } = sheet;
    const inEditing = (event: Event) => sheet.editing?.contains(event.target as globalThis.Node) ?? false;
    const click = (event: MouseEvent) => {
      const editing = inEditing(event);
      // Links and buttons do nothing in a sheet, but a question opens, so that its answer can be edited.
      const opens = !editing && (event.target as Element).closest('summary') !== null;
      if (!opens) event.preventDefault();
      if (editing) return;
      const id = sheet.nodeAt(event.target);
      if (id && event.shiftKey) dispatch(selectRun(id, view.id));
      else if (id && (event.ctrlKey || event.metaKey)) dispatch(selectionToggled(id));
      else dispatch(select(id));
    };
    const doubleClick = (event: MouseEvent) => {
      const id = sheet.nodeAt(event.target);
      if (!id || inEditing(event)) return;
      const { page: now, text } = latest.current;
      if (hasTrait(now.nodes[id], 'picture')) dispatch(croppingSet({ node: id, view: view.id }));
      else text.begin(now.nodes[id], event.target);
    };
    const menu = (event: MouseEvent) => {
      const id = sheet.nodeAt(event.target);
      const box = frame.current?.getBoundingClientRect();
      if (!id || !box || inEditing(event)) return;
      event.preventDefault();
      const shrunk = box.width / document.documentElement.clientWidth;
      const at = { left: box.left + event.clientX * shrunk, top: box.top + event.clientY * shrunk };
      dispatch(menuOpened({ node: id, at }));
    };
    const move = (event: MouseEvent) => setHovered(sheet.nodeAt(event.target));
    const leave = () => setHovered(null);
    const key = (event: KeyboardEvent) => {
      const heard = forwarded(event) || (latest.current.placed && places(event));
      if (event.defaultPrevented || !heard || inEditing(event)) return;
      event.preventDefault();
      const { key: name, code, ctrlKey, metaKey, shiftKey, altKey } = event;
      const again = { key: name, code, ctrlKey, metaKey, shiftKey, altKey, bubbles: true };
      window.document.body.dispatchEvent(new KeyboardEvent('keydown', again));
      window.document.body.dispatchEvent(new KeyboardEvent('keyup', again));
    };
    document.addEventListener('click', click);
    document.addEventListener('dblclick', doubleClick);
    const clipboard = (event: ClipboardEvent) => {
      if (inEditing(event)) return;
      const run = { copy: copySelected, cut: cutSelected, paste: pasteBeside }[event.type];
      if (run) void dispatch(run(event));
    };
    for (const name of ['copy', 'cut', 'paste'] as const) document.addEventListener(name, clipboard);
    document.addEventListener('contextmenu', menu);
    document.addEventListener('mousemove', move);
    document.documentElement.addEventListener('mouseleave', leave);
    document.addEventListener('keydown', key);
    return () => {
      document.removeEventListener('click', click);
      document.removeEventListener('dblclick', doubleClick);
      for (const name of ['copy', 'cut', 'paste'] as const) document.removeEventListener(name, clipboard);
      document.removeEventListener('contextmenu', menu);
      document.removeEventListener('mousemove', move);
      document.documentElement.removeEventListener('mouseleave', leave);
      document.removeEventListener('keydown', key);
    };
  }, [sheet, frame, view.id, dispatch]);

  const cut = useSection(sheet, section, moved);
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
        style={{ width: width * scale, height: (cut?.height ?? height) * scale, overflow: cut && 'clip' }}
      >
        {sheet && section !== undefined && !cut && <p className="sheet-none">Not shown in {view.name}</p>}
        <div className="sheet-whole" style={{ height: height * scale, top: cut && -cut.top * scale }}>
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
              selected={editing ? NONE : selected}
              hovered={editing ? null : hovered}
            />
          )}
          {sheet && (
            <Crop
              {...{ site, page, sheet, scale, moved }}
              view={view.id}
              onLeave={() => frame.current?.focus()}
            />
          )}
          {sheet && editing && written && (
            <TextBar site={site} node={written} editing={editing} scale={scale} onDone={end} />
          )}
        </div>
      </div>
    </section>
  );
}
