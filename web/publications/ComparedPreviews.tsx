import { Box, Typography } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import {
  counted,
  differing,
  type Differing,
  type NodeId,
  type Page,
  type Shown,
  type Site,
  type View,
} from '../../core/index.ts';
import { EMPTY_SHEET, type SheetContent } from '../page/sheetdocument.ts';
import { useSheet } from '../page/useSheet.ts';
import { afterPaint } from '../ui/afterpaint.ts';
import { useMeasuredWidth } from '../ui/measuredwidth.ts';
import { contentOf } from './pageof.ts';
import { shownIn } from './shownin.ts';

interface PictureProps {
  title: string;
  content: SheetContent;
  page: Page;
  view: View;
  /** px of the screen for one px of the page. */
  scale: number;
  framed: readonly Differing[];
  onShown(shown: Shown[]): void;
}

/** A page as it was published, or would be, with the places framed at which it differs. */
function Picture({ title, content, page, view, scale, framed, onShown }: PictureProps) {
  const { frame, sheet, height, moved, loaded } = useSheet(content, false);
  useEffect(() => {
    if (!sheet) return;
    return afterPaint(() => onShown(shownIn(sheet, page)));
  }, [sheet, page, moved, view, onShown]);
  const { width } = view.sheet;
  return (
    <figure className="compared-picture">
      <figcaption>{title}</figcaption>
      <div style={{ width: width * scale, height: height * scale }}>
        <iframe
          ref={frame}
          inert
          tabIndex={-1}
          title={title}
          sandbox="allow-same-origin"
          srcDoc={EMPTY_SHEET}
          onLoad={loaded}
          style={{ width, height, transform: `scale(${scale})` }}
        />
        {framed.map(({ node, box, by }) => (
          <span
            key={node}
            className={`differing ${by}`}
            style={{
              left: box.left * scale,
              top: box.top * scale,
              width: (box.right - box.left) * scale,
              height: (box.bottom - box.top) * scale,
            }}
          />
        ))}
      </div>
    </figure>
  );
}

const NOTHING: readonly Differing[] = [];

interface ComparedPreviewsProps {
  before: { site: Site; title: string };
  after: { site: Site; title: string };
  page: NodeId;
  view: View;
}

/** A page before and after, side by side in a view, with the places framed at which they differ. */
export function ComparedPreviews({ before, after, page, view }: ComparedPreviewsProps) {
  const { ref, width } = useMeasuredWidth();
  const was = useMemo(() => contentOf(before.site, page), [before.site, page]);
  const is = useMemo(() => contentOf(after.site, page), [after.site, page]);
  const [shownBefore, setShownBefore] = useState<Shown[]>([]);
  const [shownAfter, setShownAfter] = useState<Shown[]>([]);
  const framed = useMemo(
    () =>
      was && is && shownBefore.length > 0 && shownAfter.length > 0
        ? differing(shownBefore, shownAfter)
        : { before: NOTHING, after: NOTHING },
    [was, is, shownBefore, shownAfter],
  );
  const pictures = [was, is].filter(Boolean).length;
  const scale = Math.min(1, (width - 16 * (pictures - 1) - 2 * pictures) / pictures / view.sheet.width);
  const count =
    framed.after.filter(({ by }) => by === 'looks').length +
    framed.before.filter(({ node, by }) => by === 'looks' && !framed.after.some((each) => each.node === node))
      .length;
  const said =
    !was || !is
      ? `The page is ${was ? 'no longer there' : 'new'}.`
      : count === 0
        ? framed.after.length === 0
          ? `Nothing looks different in ${view.name}.`
          : `Things have moved in ${view.name}, but look the same.`
        : `${counted(count, 'place looks', 'places look')} different in ${view.name}.`;
  return (
    <Box ref={ref}>
      <Typography role="status" aria-label="Images" sx={{ fontSize: 13, mb: 1 }}>
        {said}
      </Typography>
      {width > 0 && (
        <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start' }}>
          {was && (
            <Picture
              {...{ ...was, title: before.title, view, scale }}
              framed={framed.before}
              onShown={setShownBefore}
            />
          )}
          {is && (
            <Picture
              {...{ ...is, title: after.title, view, scale }}
              framed={framed.after}
              onShown={setShownAfter}
            />
          )}
        </Box>
      )}
    </Box>
  );
}
