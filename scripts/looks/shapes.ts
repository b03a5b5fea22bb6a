/** Shapes that the images of new sites are drawn of, as SVG. */
import { random } from '../../demo/random.ts';
import type { Palette } from '../../core/starts/looks.ts';

export interface Drawing {
  name: string;
  alt: string;
  width: number;
  height: number;
  draw(size: { w: number; h: number }, colours: Palette): string;
}

/** px; of the image that a page opens with, and of those that follow. */
export const HERO = { width: 1600, height: 1000 };
export const OTHER = { width: 1200, height: 900 };

export const n = (value: number): string => value.toFixed(1);
export const times = (count: number, make: (nth: number) => string): string =>
  Array.from({ length: count }, (_each, nth) => make(nth)).join('');
export const rect = (x: number, y: number, w: number, h: number, fill: string, more = ''): string =>
  `<rect x="${n(x)}" y="${n(y)}" width="${n(w)}" height="${n(h)}" fill="${fill}" ${more}/>`;
export const circle = (x: number, y: number, r: number, fill: string, more = ''): string =>
  `<circle cx="${n(x)}" cy="${n(y)}" r="${n(r)}" fill="${fill}" ${more}/>`;
export const path = (d: string, fill: string, more = ''): string => `<path d="${d}" fill="${fill}" ${more}/>`;
export const stroke = (d: string, colour: string, width: number, more = ''): string =>
  `<path d="${d}" fill="none" stroke="${colour}" stroke-width="${n(width)}" stroke-linecap="round" ${more}/>`;

/** A colour between two, as `#rrggbb`. */
export function mix(one: string, other: string, share: number): string {
  const part = (colour: string, at: number) => parseInt(colour.slice(at, at + 2), 16);
  const channel = (at: number) => Math.round(part(one, at) * (1 - share) + part(other, at) * share);
  return `#${[1, 3, 5].map((at) => channel(at).toString(16).padStart(2, '0')).join('')}`;
}

/** A line that rises and falls, from one side to the other. */
function ridge(seed: number, w: number, y: number, rise: number, bends = 5): string {
  const next = random(seed);
  const step = w / bends;
  let d = `M0 ${n(y + (next() - 0.5) * rise)}`;
  for (let nth = 1; nth <= bends; nth++) {
    const to = y + (next() - 0.5) * rise;
    d += ` S ${n(step * (nth - 0.5))} ${n(to + (next() - 0.5) * rise)}, ${n(step * nth)} ${n(to)}`;
  }
  return d;
}
export const land = (
  seed: number,
  w: number,
  h: number,
  y: number,
  rise: number,
  fill: string,
  bends?: number,
) => path(`${ridge(seed, w, y, rise, bends)} L ${n(w)} ${n(h)} L 0 ${n(h)} Z`, fill);

/** A pot that stands on a line, from its foot up. */
export function pot(x: number, y: number, w: number, h: number, fill: string, neck = 0.5): string {
  const [half, top] = [w / 2, (w * neck) / 2];
  return path(
    `M${n(x - half * 0.55)} ${n(y)} C ${n(x - half * 1.25)} ${n(y - h * 0.35)}, ${n(x - half * 1.1)} ${n(y - h * 0.75)}, ${n(x - top)} ${n(y - h)} L ${n(x + top)} ${n(y - h)} C ${n(x + half * 1.1)} ${n(y - h * 0.75)}, ${n(x + half * 1.25)} ${n(y - h * 0.35)}, ${n(x + half * 0.55)} ${n(y)} Z`,
    fill,
  );
}

/** Houses side by side, some of their windows lit. */
export function houses(
  seed: number,
  w: number,
  y: number,
  count: number,
  tall: number,
  wall: string,
  lit: string,
  dark: string,
): string {
  const next = random(seed);
  const step = w / count;
  return times(count, (nth) => {
    const [high, wide] = [tall * (0.55 + next() * 0.6), step * (0.92 + next() * 0.16)];
    const x = nth * step;
    const columns = Math.max(2, Math.round(wide / 60));
    const rows = Math.max(2, Math.round(high / 80));
    const windows = times(columns * rows, (each) => {
      const [cx, cy] = [each % columns, Math.floor(each / columns)];
      const glow = next() < 0.45;
      return rect(
        x + ((cx + 0.32) * wide) / columns,
        y - high + ((cy + 0.3) * high) / rows,
        (wide / columns) * 0.36,
        (high / rows) * 0.42,
        glow ? lit : dark,
      );
    });
    const roof =
      next() < 0.5
        ? path(
            `M${n(x)} ${n(y - high)} L${n(x + wide / 2)} ${n(y - high - tall * 0.22)} L${n(x + wide)} ${n(y - high)} Z`,
            wall,
          )
        : '';
    return roof + rect(x, y - high, wide, high + 2, wall) + windows;
  });
}

/** A leaf on a stem, from its foot to its tip. */
export function leaf(
  x: number,
  y: number,
  long: number,
  wide: number,
  turn: number,
  fill: string,
  vein: string,
): string {
  return `<g transform="translate(${n(x)} ${n(y)}) rotate(${n(turn)})">${path(`M0 0 C ${n(wide)} ${n(-long * 0.35)}, ${n(wide * 0.7)} ${n(-long * 0.8)}, 0 ${n(-long)} C ${n(-wide * 0.7)} ${n(-long * 0.8)}, ${n(-wide)} ${n(-long * 0.35)}, 0 0 Z`, fill)}${stroke(`M0 0 L0 ${n(-long * 0.86)}`, vein, 3)}</g>`;
}
