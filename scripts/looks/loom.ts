import { HERO, OTHER, mix, n, rect, stroke, times, type Drawing } from './shapes.ts';

export const loom: readonly Drawing[] = [
  {
    ...HERO,
    name: 'Woven bands',
    alt: 'Bands of colour woven over and under one another',
    draw: ({ w, h }, { paper, band, soft, accent }) => {
      const tones = [accent, band, '#e2a93b', mix(band, soft, 0.5), mix(accent, paper, 0.45)];
      return (
        rect(0, 0, w, h, soft) +
        times(16 * 10, (nth) => {
          const [x, y] = [nth % 16, Math.floor(nth / 16)];
          const over = (x + y) % 2 === 0;
          const [cx, cy] = [x * 100, y * 100];
          return over
            ? rect(cx, cy + 8, 100, 84, tones[y % 5])
            : rect(cx + 8, cy, 84, 100, tones[(x * 3 + 1) % 5]);
        })
      );
    },
  },
  {
    ...OTHER,
    name: 'Spools',
    alt: 'Spools of coloured thread in a row',
    draw: ({ w, h }, { paper, band, soft, accent, ink }) =>
      rect(0, 0, w, h, mix(paper, soft, 0.8)) +
      rect(0, h * 0.8, w, h * 0.2, mix(band, ink, 0.2)) +
      times(5, (nth) => {
        const x = w * (0.06 + nth * 0.182);
        const colour = [accent, '#e2a93b', band, mix(accent, paper, 0.4), '#3f7f78'][nth];
        const high = h * (0.34 + (nth % 3) * 0.08);
        return (
          rect(x, h * 0.8 - high - 30, w * 0.15, 34, '#b98a5a', 'rx="8"') +
          rect(x + 18, h * 0.8 - high, w * 0.15 - 36, high - 30, colour) +
          times(Math.floor(high / 22), (line) =>
            stroke(
              `M${n(x + 18)} ${n(h * 0.8 - high + line * 22)} l ${n(w * 0.15 - 36)} 12`,
              mix(colour, ink, 0.25),
              3,
            ),
          ) +
          rect(x, h * 0.8 - 34, w * 0.15, 34, '#b98a5a', 'rx="8"')
        );
      }),
  },
  {
    ...OTHER,
    name: 'Folded cloth',
    alt: 'A pile of folded cloths with stripes',
    draw: ({ w, h }, { band, soft, accent, paper }) =>
      rect(0, 0, w, h, mix(soft, band, 0.18)) +
      rect(0, h * 0.84, w, h * 0.16, mix(band, '#000000', 0.1)) +
      times(6, (nth) => {
        const y = h * 0.84 - (nth + 1) * 92;
        const colour = [band, accent, paper, '#e2a93b', mix(accent, paper, 0.5), '#3f7f78'][nth];
        const x = w * (0.18 + ((nth * 37) % 5) * 0.012);
        return (
          rect(x, y, w * 0.62, 84, colour, 'rx="38"') +
          times(3, (line) =>
            rect(x + 50 + line * 190, y, 40, 84, mix(colour, nth % 2 ? band : accent, 0.45)),
          ) +
          stroke(`M${n(x + 30)} ${n(y + 42)} l ${n(w * 0.56)} 0`, mix(colour, band, 0.5), 4)
        );
      }),
  },
];
