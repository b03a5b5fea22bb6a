import { Box } from '@mui/material';
import {
  type Copy,
  isMainRegion,
  regionsIn,
  type SiteFrame,
  type View,
  viewIndex,
} from '../../../core/index.ts';
import { line, petrol, quiet } from '../../ui/theme.ts';

/** px on screen. */
const SKETCH = { height: 56, edge: 6, gap: 3, bar: 5 };

/** The views that layouts are sketched in: the base, and the narrower ones next to it and at the end. */
export function sketchedViews({ views }: SiteFrame): View[] {
  const narrower = views.list.slice(0, viewIndex(views, views.base) + 1).toReversed();
  return narrower.filter((_view, index) => index < 2 || index === narrower.length - 1);
}

/** How wide a view is drawn; px on screen. */
const across = ({ sheet }: View): number => Math.round(Math.max(24, Math.min(84, sheet.width / 15)));

interface SketchProps {
  site: SiteFrame;
  copy: Copy | null;
  view: View;
}

/** The regions of a layout in one view, between a header and a footer. */
function Sketch({ site, copy, view }: SketchProps) {
  const { height, edge, gap, bar } = SKETCH;
  const width = across(view);
  const inner = width - 2 * edge;
  const regions = copy
    ? regionsIn(site, { id: copy.page, root: copy.roots[0], nodes: copy.nodes }, copy.roots[0], view.id)
    : [];
  const columns = view.grid.columns;
  const rows = Math.max(1, ...regions.map(({ row }) => row + 1));
  const room = height - 2 * (bar + gap);
  const high = (room - gap * (rows - 1)) / rows;
  return (
    <svg width={width} height={height} aria-hidden style={{ flex: 'none', display: 'block' }}>
      <rect width={width} height={bar} fill={line} />
      <rect y={height - bar} width={width} height={bar} fill={line} />
      {!copy &&
        [0, 1, 2].map((nth) => (
          <rect
            key={nth}
            y={bar + gap + (nth * (room + gap)) / 3}
            width={width}
            height={(room + gap) / 3 - gap}
            fill={petrol}
            opacity={0.55}
          />
        ))}
      {regions.map(({ id, row, column, span }) => {
        const start = edge + (inner * column) / columns;
        const end = edge + (inner * (column + span)) / columns - (column + span < columns ? gap : 0);
        return (
          <rect
            key={id}
            x={start}
            y={bar + gap + row * (high + gap)}
            width={Math.max(2, end - start)}
            height={high}
            {...(copy && isMainRegion(copy, id)
              ? { fill: petrol, opacity: 0.55 }
              : { fill: quiet, opacity: 0.35 })}
          />
        );
      })}
    </svg>
  );
}

/** A layout in several views side by side. */
export function LayoutSketches({ site, copy }: Omit<SketchProps, 'view'>) {
  return (
    <Box sx={{ display: 'flex', gap: 0.75 }}>
      {sketchedViews(site).map((view) => (
        <Sketch key={view.id} site={site} copy={copy} view={view} />
      ))}
    </Box>
  );
}
