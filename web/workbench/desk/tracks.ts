import { type Axis, sure, type Track } from '../../../core/index.ts';

const px = (text: string) => Number.parseFloat(text) || 0;

/** Which way lines run in an element: 1 to the right, −1 to the left. What is measured across is counted that way. */
export const directionIn = (element: Element): 1 | -1 =>
  sure(element.ownerDocument.defaultView, 'defaultView').getComputedStyle(element).direction === 'rtl'
    ? -1
    : 1;

/**
 * The columns or rows of an element that is a grid, from what the browser computed for it; px of the page. Columns are counted the way
 * lines run: where that is to the left, from the right, mirrored at the left edge of the page.
 */
export function tracksOf(grid: Element, axis: Axis = 'across'): Track[] {
  const style = sure(grid.ownerDocument.defaultView, 'defaultView').getComputedStyle(grid);
  const box = grid.getBoundingClientRect();
  const across = axis === 'across';
  const [left, right] = [
    box.left + px(style.borderLeftWidth) + px(style.paddingLeft),
    box.right - px(style.borderRightWidth) - px(style.paddingRight),
  ];
  const [top, bottom] = [
    box.top + px(style.borderTopWidth) + px(style.paddingTop),
    box.bottom - px(style.borderBottomWidth) - px(style.paddingBottom),
  ];
  const [from, end] = !across ? [top, bottom] : directionIn(grid) === 1 ? [left, right] : [-right, -left];
  const sizes = style[across ? 'gridTemplateColumns' : 'gridTemplateRows'].split(' ').map(px);
  // What the columns leave is between them; what was set may have given way.
  const between = (end - from - sizes.reduce((sum, size) => sum + size, 0)) / Math.max(1, sizes.length - 1);
  const gap = across ? between : px(style.rowGap);
  let start = from;
  return sizes.map((size) => {
    const track = { start, end: start + size };
    start = track.end + gap;
    return track;
  });
}
