import type { Axis, Track } from '../../../core/index.ts';

const px = (text: string) => Number.parseFloat(text) || 0;

/** The columns or rows of an element that is a grid, from what the browser computed for it; px of the page. */
export function tracksOf(grid: Element, axis: Axis = 'across'): Track[] {
  const style = grid.ownerDocument.defaultView!.getComputedStyle(grid);
  const box = grid.getBoundingClientRect();
  const across = axis === 'across';
  let start = across
    ? box.left + px(style.borderLeftWidth) + px(style.paddingLeft)
    : box.top + px(style.borderTopWidth) + px(style.paddingTop);
  const end = across
    ? box.right - px(style.borderRightWidth) - px(style.paddingRight)
    : box.bottom - px(style.borderBottomWidth) - px(style.paddingBottom);
  const sizes = style[across ? 'gridTemplateColumns' : 'gridTemplateRows'].split(' ').map(px);
  // What the columns leave is between them; what was set may have given way.
  const between = (end - start - sizes.reduce((sum, size) => sum + size, 0)) / Math.max(1, sizes.length - 1);
  const gap = across ? between : px(style.rowGap);
  return sizes.map((size) => {
    const track = { start, end: start + size };
    start = track.end + gap;
    return track;
  });
}
