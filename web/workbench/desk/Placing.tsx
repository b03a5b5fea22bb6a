import { words, type Drawn, type Laid } from './placing.ts';
import { directionIn, tracksOf } from './tracks.ts';

interface PlacingProps extends Drawn {
  laid: Laid;
  grid: HTMLElement | null;
  own: DOMRect;
  scale: number;
  /** The names of what it would overlap there and does not now. */
  overlaps: readonly string[];
}

/** The columns and rows of the overlay, where the part would stand, and the lines that it snaps to; drawn from the frame of the part. */
export function Placing({ laid, at, box, guides, grid, own, scale, overlaps }: PlacingProps) {
  if (!grid) return null;
  const way = directionIn(grid);
  /** How far to the right of where lines begin something is drawn. */
  const across = (start: number, width: number) => (way === 1 ? start : -start - width) * scale;
  const zero = {
    x: way * tracksOf(grid)[0].start - own.left,
    y: (tracksOf(grid, 'down')[0]?.start ?? 0) - own.top,
  };
  const rows = laid.rows.filter(({ start }) => start <= Math.max(laid.height, box.top + box.height));
  const height = (rows.at(-1)?.end ?? laid.height) * scale;
  return (
    <div className="area-drawn" style={{ left: zero.x * scale, top: zero.y * scale }}>
      {laid.columns.map(({ start, end }) => (
        <div
          key={start}
          className="area-column"
          style={{ left: across(start, end - start), width: (end - start) * scale, height }}
        />
      ))}
      {rows.map(({ end }) => (
        <div
          key={end}
          className="area-row"
          style={{ top: end * scale, left: across(0, laid.width), width: laid.width * scale }}
        />
      ))}
      <div
        className="area-taken"
        style={{
          left: across(box.left, box.width),
          top: box.top * scale,
          width: box.width * scale,
          height: box.height * scale,
        }}
      >
        <div role="status" className="area-words">
          {words(at)}
          {overlaps.length > 0 && ` · overlaps ${overlaps.join(', ')}`}
        </div>
      </div>
      {guides.map(({ axis, at: place, of }) => (
        <div
          key={axis}
          className={`area-guide ${axis}`}
          style={
            axis === 'across'
              ? { left: across(place, 0), height }
              : { top: place * scale, left: across(0, laid.width), width: laid.width * scale }
          }
        >
          <span>{of}</span>
        </div>
      ))}
    </div>
  );
}
