import { Box } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import type { Preview, SiteFrame } from '../../core/index.ts';
import { line } from '../ui/theme.ts';
import { EMPTY_SHEET, SheetDocument } from './sheetdocument.ts';

interface PagePreviewProps {
  site: SiteFrame;
  content: Preview;
  /** px of the page: the width of the window in which it is shown. */
  across: number;
  /** px on screen. */
  width: number;
  height: number;
  /** As tall as the page where that is less. */
  fit?: boolean;
}

/** The top of a page as it is, small, in a view: to know it by, not to work in. */
export function PagePreview({ site, content, across, width, height: most, fit }: PagePreviewProps) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [sheet, setSheet] = useState<SheetDocument | null>(null);
  const [own, setOwn] = useState(0);
  const scale = width / across;
  useEffect(() => {
    if (!sheet) return;
    sheet.update({ preview: content, ghosts: [] });
    if (!fit) return;
    const { body } = sheet.document;
    const seen = new ResizeObserver(() => setOwn(body.getBoundingClientRect().height));
    seen.observe(body);
    return () => seen.disconnect();
  }, [sheet, content, fit]);
  const height = fit && own > 0 ? Math.min(most, Math.ceil(own * scale)) : most;
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
          height: most / scale,
          border: 0,
          pointerEvents: 'none',
          transform: `scale(${scale})`,
          transformOrigin: '0 0',
        }}
      />
    </Box>
  );
}
