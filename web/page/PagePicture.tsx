import { Box } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import type { Preview, SiteFrame, View } from '../../core/index.ts';
import { line } from '../ui/theme.ts';
import { EMPTY_SHEET, SheetDocument } from './sheetdocument.ts';

interface PagePictureProps {
  site: SiteFrame;
  content: Preview;
  /** The view in which it is shown, at its sheet’s width. */
  view: View;
  /** px on screen. */
  width: number;
  height: number;
}

/** The top of a page as it is, small, in a view: to know it by, not to work in. */
export function PagePicture({ site, content, view, width, height }: PagePictureProps) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [sheet, setSheet] = useState<SheetDocument | null>(null);
  useEffect(() => {
    sheet?.update({ preview: content, ghosts: [] });
  }, [sheet, content]);
  const across = view.sheet.width;
  const scale = width / across;
  return (
    <Box
      aria-hidden
      sx={{ width, height, overflow: 'hidden', flex: 'none', border: `1px solid ${line}`, bgcolor: 'white' }}
    >
      <iframe
        ref={frame}
        inert
        tabIndex={-1}
        title={`The top of ${site.name}`}
        sandbox="allow-same-origin"
        srcDoc={EMPTY_SHEET}
        onLoad={() => {
          const document = frame.current?.contentDocument;
          if (document) setSheet(new SheetDocument(document));
        }}
        style={{
          width: across,
          height: height / scale,
          border: 0,
          pointerEvents: 'none',
          transform: `scale(${scale})`,
          transformOrigin: '0 0',
        }}
      />
    </Box>
  );
}
