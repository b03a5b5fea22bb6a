import { random } from '../../demo/random.ts';
import { HERO, OTHER, circle, land, leaf, mix, rect, stroke, times, type Drawing } from './shapes.ts';

export const orchard: readonly Drawing[] = [
  {
    ...HERO,
    name: 'Orchard rows',
    alt: 'Rows of round trees on green hills',
    draw: ({ w, h }, { paper, soft, band, accent }) => {
      const next = random(12);
      const trees = (y: number, count: number, size: number, fill: string) =>
        times(count, (nth) => {
          const x = (w / count) * (nth + 0.5) + (next() - 0.5) * 30;
          return (
            rect(x - size * 0.07, y - size * 0.2, size * 0.14, size * 0.7, mix(band, '#6b4a2a', 0.5)) +
            circle(x, y - size * 0.4, size * 0.48, fill) +
            times(4, () =>
              circle(
                x + (next() - 0.5) * size * 0.7,
                y - size * 0.4 + (next() - 0.5) * size * 0.6,
                size * 0.05,
                '#c8553d',
              ),
            )
          );
        });
      return (
        rect(0, 0, w, h, mix(paper, '#f3d9a0', 0.35)) +
        circle(w * 0.2, h * 0.24, 80, '#f2c46d') +
        land(1, w, h, h * 0.5, 130, mix(soft, accent, 0.45), 3) +
        trees(h * 0.6, 13, 90, mix(accent, paper, 0.2)) +
        land(2, w, h, h * 0.66, 80, mix(accent, paper, 0.3), 3) +
        trees(h * 0.8, 8, 170, accent) +
        land(4, w, h, h * 0.88, 50, band, 3)
      );
    },
  },
  {
    ...OTHER,
    name: 'Branch with apples',
    alt: 'Red apples on a branch with green leaves',
    draw: ({ w, h }, { soft, band, accent }) =>
      rect(0, 0, w, h, soft) +
      stroke(
        `M${-20} ${h * 0.2} C ${w * 0.3} ${h * 0.22}, ${w * 0.5} ${h * 0.4}, ${w + 20} ${h * 0.3}`,
        mix(band, '#6b4a2a', 0.6),
        22,
      ) +
      times(9, (nth) =>
        leaf(
          w * (0.08 + nth * 0.105),
          h * (0.23 + (nth % 3) * 0.04),
          190,
          60,
          nth % 2 ? 30 + nth * 6 : 150 - nth * 5,
          nth % 3 ? accent : band,
          soft,
        ),
      ) +
      [
        [0.24, 0.5],
        [0.5, 0.62],
        [0.76, 0.52],
      ]
        .map(
          ([x, y]) =>
            stroke(`M${w * x} ${h * (y - 0.2)} L${w * x} ${h * (y - 0.1)}`, band, 8) +
            circle(w * x, h * y, 108, '#c8553d') +
            circle(w * x - 36, h * y - 36, 26, '#e58a6c'),
        )
        .join(''),
  },
  {
    ...OTHER,
    name: 'Crates',
    alt: 'Wooden crates full of fruit',
    draw: ({ w, h }, { paper, accent, band }) => {
      const next = random(8);
      const crate = (x: number, y: number, wide: number) =>
        times(22, () =>
          circle(
            x + 30 + next() * (wide - 60),
            y + 10 - next() * 60,
            38,
            next() < 0.5 ? '#c8553d' : next() < 0.5 ? '#e0a54a' : mix(accent, '#b6c46a', 0.6),
          ),
        ) +
        times(3, (nth) => rect(x, y + nth * 62, wide, 50, mix('#c79a63', '#8a5f38', nth * 0.2))) +
        rect(x, y, 26, 174, '#8a5f38') +
        rect(x + wide - 26, y, 26, 174, '#8a5f38');
      return (
        rect(0, 0, w, h, mix(paper, accent, 0.16)) +
        rect(0, h * 0.82, w, h * 0.18, band) +
        crate(w * 0.08, h * 0.63, w * 0.4) +
        crate(w * 0.52, h * 0.63, w * 0.4) +
        crate(w * 0.28, h * 0.37, w * 0.42)
      );
    },
  },
];
