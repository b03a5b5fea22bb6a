import type { PageResponse } from '../../api/responses.ts';
import { baseView } from '../../core/index.ts';
import { PagePicture } from '../page/PagePicture.tsx';
import { usePreviewOf } from '../page/usePreview.ts';

interface SitePictureProps extends Pick<PageResponse, 'frame' | 'page'> {
  width: number;
  height: number;
}

/** The top of a page as the base view shows it. */
export function SitePicture({ frame, page, ...size }: SitePictureProps) {
  return (
    <PagePicture site={frame} content={usePreviewOf(frame, page)} view={baseView(frame.views)} {...size} />
  );
}
