import { hasTrait, type NodeId, type Page, sure, type ViewId } from '../../../core/index.ts';
import { useEffect, useRef } from 'react';
import type { SheetDocument } from '../../page/sheetdocument.ts';
import { importFiles } from '../../state/uploading.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';

const holdsFiles = (event: DragEvent): boolean => event.dataTransfer?.types.includes('Files') ?? false;

/** The image that an element shows, or that shows it: of a logo, of an image block; undefined for others. */
const pictured = (page: Page, id: NodeId | null): NodeId | undefined =>
  id !== null && page.nodes[id] && hasTrait(page.nodes[id], 'pictured') ? id : undefined;

/** Files that are let go on an image in a sheet go on the shelf, and the first of them into the image; elsewhere only on the shelf. */
export function useFileDrop(
  sheet: SheetDocument | null,
  page: Page,
  view: ViewId,
  onOver: (id: NodeId | null) => void,
): void {
  const dispatch = useAppDispatch();
  const reach = useAppSelector((state) => state.desk.reach);
  const latest = useRef({ page, view, reach, onOver });
  useEffect(() => {
    latest.current = { page, view, reach, onOver };
  });
  useEffect(() => {
    if (!sheet) return;
    const { document } = sheet;
    const over = (event: DragEvent) => {
      if (!holdsFiles(event)) return;
      event.preventDefault();
      latest.current.onOver(pictured(latest.current.page, sheet.nodeAt(event.target)) ?? null);
    };
    const leave = () => latest.current.onOver(null);
    const drop = (event: DragEvent) => {
      if (!holdsFiles(event)) return;
      event.preventDefault();
      const { page: on, view: at, reach: wanted } = latest.current;
      const node = pictured(on, sheet.nodeAt(event.target));
      leave();
      void dispatch(importFiles([...sure(event.dataTransfer, 'dataTransfer').files])).then(([first]) => {
        if (first && node)
          dispatch(
            edit(
              'setValue',
              { nodes: [node], property: 'source', view: at, value: first, reach: wanted },
              on.id,
            ),
          );
      });
    };
    document.addEventListener('dragover', over);
    document.addEventListener('dragleave', leave);
    document.addEventListener('drop', drop);
    return () => {
      document.removeEventListener('dragover', over);
      document.removeEventListener('dragleave', leave);
      document.removeEventListener('drop', drop);
    };
  }, [sheet, dispatch]);
}
