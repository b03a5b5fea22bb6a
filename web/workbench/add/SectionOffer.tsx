import {
  type Copy,
  type Page,
  preview,
  type Preview,
  type SiteFrame,
  sure,
  type View,
} from '../../../core/index.ts';
import { Box, ButtonBase, Typography } from '@mui/material';
import { useEffect, useMemo, useRef, useState, type PointerEvent, type ReactNode } from 'react';
import { sheetAddresses } from '../../page/addresses.ts';
import { PagePreview } from '../../page/PagePreview.tsx';
import { line, petrol, quiet, raised, shade } from '../../ui/theme.ts';

/** px; an image of a section in the panel. */
const PICTURE = { width: 274, height: 148 };

/** A page that has nothing on it but these elements, with the ground of another. */
function pageOf({ roots, nodes }: Copy, like: Page): Page {
  const root = { ...like.nodes[like.root], children: roots };
  const held = roots.map((id) => [id, { ...nodes[id], parent: like.root }] as const);
  return { ...like, nodes: { ...nodes, ...Object.fromEntries(held), [like.root]: root } };
}

interface SectionOfferProps {
  site: SiteFrame;
  /** A page with the ground that it is drawn on. */
  ground: Page;
  label: string;
  copy: () => Copy;
  /** The view in which it is drawn. */
  view: View;
  title: string;
  disabled: boolean;
  /** Why it is disabled, where that is not seen. */
  note?: string;
  onPress(press: PointerEvent<HTMLElement>): void;
  onAdd(): void;
  /** What can be done with it besides. */
  tools?: ReactNode;
}

function Drawn({ site, content, view }: { site: SiteFrame; content: Preview; view: View }) {
  return <PagePreview site={site} content={content} across={view.sheet.width} {...PICTURE} fit />;
}

/** A ready-made section or saved block as it would look here: in the site's theme, in the view that is looked at. */
export function SectionOffer({
  site,
  ground,
  label,
  copy,
  view,
  title,
  disabled,
  note,
  onPress,
  onAdd,
  tools,
}: SectionOfferProps) {
  const own = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(false);
  useEffect(() => {
    // Only those that come into sight are drawn.
    const seen = new IntersectionObserver(([entry]) => entry.isIntersecting && setNear(true), {
      rootMargin: '200px',
    });
    seen.observe(sure(own.current, 'current'));
    return () => seen.disconnect();
  }, []);
  const content = useMemo(
    () => (near ? preview(site, pageOf(copy(), ground), sheetAddresses(site)) : undefined),
    [near, site, ground, copy],
  );
  return (
    <Box ref={own} role="listitem">
      <Box sx={{ position: 'relative' }}>
        <ButtonBase
          disabled={disabled}
          title={title}
          onPointerDown={onPress}
          onClick={onAdd}
          sx={{
            display: 'block',
            width: '100%',
            textAlign: 'start',
            fontFamily: 'inherit',
            border: `1px solid ${line}`,
            borderRadius: 0.75,
            overflow: 'hidden',
            bgcolor: raised,
            touchAction: 'none',
            cursor: 'grab',
            '&:hover, &:focus-visible': { borderColor: petrol, color: petrol },
            '&.Mui-disabled': { opacity: 0.45 },
          }}
        >
          {/* As high before it is drawn as after: nothing moves away from under the pointer. */}
          <Box
            sx={{
              height: PICTURE.height,
              display: 'grid',
              alignContent: 'center',
              bgcolor: shade,
              '& > *': { border: '0 !important' },
            }}
          >
            {content && <Drawn site={site} content={content} view={view} />}
          </Box>
          <Typography
            noWrap
            sx={{ fontSize: 13, fontWeight: 600, px: 1, py: 0.5, borderTop: `1px solid ${line}` }}
          >
            {label}
          </Typography>
        </ButtonBase>
        {tools}
      </Box>
      {note && <Typography sx={{ fontSize: 12, color: quiet, mt: 0.5 }}>{note}</Typography>}
    </Box>
  );
}
