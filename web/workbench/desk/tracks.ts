/** A column of a row as a sheet has laid it out; px of the page. */
export interface Track {
  left: number;
  right: number;
}

/** The columns of an element that is a grid, from what the browser computed for it. */
export function tracksOf(grid: Element): Track[] {
  const style = grid.ownerDocument.defaultView!.getComputedStyle(grid);
  const px = (text: string) => Number.parseFloat(text) || 0;
  const box = grid.getBoundingClientRect();
  let left = box.left + px(style.borderLeftWidth) + px(style.paddingLeft);
  const right = box.right - px(style.borderRightWidth) - px(style.paddingRight);
  const widths = style.gridTemplateColumns.split(' ').map(px);
  // What the columns leave is between them; what was set may have given way.
  const gap = (right - left - widths.reduce((sum, width) => sum + width, 0)) / Math.max(1, widths.length - 1);
  return widths.map((width) => {
    const track = { left, right: left + width };
    left = track.right + gap;
    return track;
  });
}

/** The column whose left or right edge is nearest to a point; 0-based. */
export function nearestTrack(tracks: readonly Track[], edge: keyof Track, x: number): number {
  const distance = (track: Track) => Math.abs(track[edge] - x);
  return tracks.reduce((best, track, index) => (distance(track) < distance(tracks[best]) ? index : best), 0);
}
