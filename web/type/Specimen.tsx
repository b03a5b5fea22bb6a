import { Typography } from '@mui/material';
import { useMemo } from 'react';
import { preview, specimen, viewAt, type SiteFrame, type View } from '../../core/index.ts';
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
  const shown: View = { ...view, sheet: { ...view.sheet, width } };
  const across = Math.min(width, Math.floor(frame.width) - 2);
  return (
    <section ref={frame.ref} aria-label="Specimen">
      <Typography sx={{ fontSize: 13, fontWeight: 700, mb: 0.75 }}>
        {view.name}, {width} px
        {across < width && ` at ${Math.round((across / width) * 100)} %`}
      </Typography>
      {across > 0 && (
        <PagePreview
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
