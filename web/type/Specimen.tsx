import { Typography } from '@mui/material';
import { useEffect, useMemo, useRef, useState } from 'react';
import { preview, specimen, viewAt, type SiteFrame, type View } from '../../core/index.ts';
import { sheetAddresses } from '../page/content.ts';
import { PagePicture } from '../page/PagePicture.tsx';

/** px on screen */
const TALLEST = 1600;

/** The text styles as they look at the marked width, as large as they are where there is room for it. */
export function Specimen({ site, width }: { site: SiteFrame; width: number }) {
  const frame = useRef<HTMLElement>(null);
  const [room, setRoom] = useState(0);
  useEffect(() => {
    const seen = new ResizeObserver(([{ contentRect }]) => setRoom(Math.floor(contentRect.width)));
    seen.observe(frame.current!);
    return () => seen.disconnect();
  }, []);
  const made = useMemo(() => specimen(site), [site]);
  const content = useMemo(() => preview(made.frame, made.page, sheetAddresses(made.frame)), [made]);
  const view = viewAt(site.views, width);
  const shown: View = { ...view, sheet: { ...view.sheet, width } };
  const across = Math.min(width, room - 2);
  return (
    <section ref={frame} aria-label="Specimen">
      <Typography sx={{ fontSize: 13, fontWeight: 700, mb: 0.75 }}>
        {view.name}, {width} px
        {across < width && ` at ${Math.round((across / width) * 100)} %`}
      </Typography>
      {across > 0 && (
        <PagePicture
          key={width}
          site={made.frame}
          content={content}
          view={shown}
          width={across}
          height={TALLEST}
          fit
        />
      )}
    </section>
  );
}
