import { Typography } from '@mui/material';
import { useMemo } from 'react';
import { preview, specimen, viewAt, type SiteFrame } from '../../core/index.ts';
import { sheetAddresses } from '../page/addresses.ts';
import { PagePreview } from '../page/PagePreview.tsx';
import { useMeasuredWidth } from '../ui/measuredwidth.ts';

/** px on screen */
const TALLEST = 1600;

/** The text styles as they look at the marked width, as large as they are where there is room for it. */
export function Specimen({ site, width }: { site: SiteFrame; width: number }) {
  const frame = useMeasuredWidth();
  const made = useMemo(() => specimen(site), [site]);
  const content = useMemo(() => preview(made.frame, made.page, sheetAddresses(made.frame)), [made]);
  const view = viewAt(site.views, width);
  const drawn = Math.min(width, Math.floor(frame.width) - 2);
  return (
    <section ref={frame.ref} aria-label="Specimen">
      <Typography sx={{ fontSize: 13, fontWeight: 700, mb: 0.75 }}>
        {view.name}, {width} px
        {drawn < width && ` at ${Math.round((drawn / width) * 100)} %`}
      </Typography>
      {drawn > 0 && (
        <PagePreview
          key={width}
          site={made.frame}
          content={content}
          across={width}
          width={drawn}
          height={TALLEST}
          fit
        />
      )}
    </section>
  );
}
