import { type Grid, type View, viewId, type Views } from './views.ts';

/** A ready-made set of views. */
export interface ViewSet {
  id: string;
  label: string;
  views: Views;
}

/** Common practice: few wide columns' worth of air in narrow views, more in wide ones. Lengths in px. */
function gridFor(width: number): Grid {
  if (width < 600) return { columns: 4, gutter: 16, margin: 20, maxWidth: 600 };
  if (width < 1000) return { columns: 12, gutter: 24, margin: 40, maxWidth: 940 };
  if (width < 1500) return { columns: 12, gutter: 32, margin: 56, maxWidth: 1120 };
  return { columns: 12, gutter: 40, margin: 80, maxWidth: 1360 };
}

const view = (name: string, from: number, width: number, height: number): View => ({
  id: viewId(name.toLowerCase().replaceAll(' ', '-')),
  name,
  from,
  sheet: { width, height },
  grid: gridFor(width),
});

const set = (label: string, base: string, ...list: View[]): ViewSet => ({
  id: String(list.length),
  label,
  views: { base: viewId(base), list },
});

/** Sets of views with the usual limits, the fewest first. */
export const VIEW_SETS: readonly ViewSet[] = [
  set('Mobile and desktop', 'desktop', view('Mobile', 0, 390, 844), view('Desktop', 768, 1280, 800)),
  set(
    'Mobile, tablet and desktop',
    'desktop',
    view('Mobile', 0, 390, 844),
    view('Tablet', 640, 820, 1180),
    view('Desktop', 1024, 1280, 800),
  ),
  set(
    'Mobile, tablet, desktop and wide',
    'desktop',
    view('Mobile', 0, 390, 844),
    view('Tablet', 640, 820, 1180),
    view('Desktop', 1024, 1280, 800),
    view('Wide', 1440, 1680, 1050),
  ),
  set(
    'Mobile, landscape, tablet, desktop and wide',
    'desktop',
    view('Mobile', 0, 390, 844),
    view('Landscape', 480, 560, 390),
    view('Tablet', 768, 820, 1180),
    view('Desktop', 1024, 1280, 800),
    view('Wide', 1440, 1680, 1050),
  ),
];

/** A set by its id; the four common views where there is none of that id. */
export const viewSet = (id: string): ViewSet => VIEW_SETS.find((each) => each.id === id) ?? VIEW_SETS[2];
