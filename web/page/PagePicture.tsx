import { Box } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { baseView, preview, type Page, type SiteFrame } from '../../core/index.ts';
import { line } from '../ui/theme.ts';
import { sheetAddresses } from './content.ts';
import { EMPTY_SHEET, SheetDocument } from './sheetdocument.ts';

interface PagePictureProps {
  site: SiteFrame;
  page: Page;
  /** px on screen. */
  width: number;
  height: number;
}

/** The top of a page as it is, small, in the base view: to know it by, not to work in. */
export function PagePicture({ site, page, width, height }: PagePictureProps) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [sheet, setSheet] = useState<SheetDocument | null>(null);
  useEffect(() => {
    sheet?.update({ preview: preview(site, page, sheetAddresses(site.id, site.pages)), ghosts: [] });
  }, [sheet, site, page]);
  const across = baseView(site.views).sheet.width;
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
