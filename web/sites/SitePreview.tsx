import type { PageResponse } from '../../api/responses.ts';
import { baseView } from '../../core/index.ts';
import { PagePreview } from '../page/PagePreview.tsx';
import { usePreviewOf } from '../page/usePreview.ts';

interface SitePreviewProps extends Pick<PageResponse, 'frame' | 'page'> {
  width: number;
  height: number;
}

/** The top of a page as the base view shows it. */
export function SitePreview({ frame, page, ...size }: SitePreviewProps) {
  return (
    <PagePreview
      site={frame}
      content={usePreviewOf(frame, page)}
      across={baseView(frame.views).sheet.width}
      {...size}
    />
  );
}
