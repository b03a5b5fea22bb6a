import { HERO, OTHER, circle, mix, path, rect, times, type Drawing } from './shapes.ts';

export const broadsheet: readonly Drawing[] = [
  {
    ...HERO,
    name: 'Printed sun',
    alt: 'A large red circle of printed dots over black lines',
    draw: ({ w, h }, { soft, ink, accent }) => {
      const dots = times(40 * 25, (nth) => {
        const [x, y] = [(nth % 40) * 40 + 20, Math.floor(nth / 40) * 40 + 20];
        const far = Math.hypot(x - w * 0.62, y - h * 0.46) / (h * 0.42);
        return far < 1 ? circle(x, y, 19 * (1 - far * 0.62), accent) : '';
      });
      return (
        rect(0, 0, w, h, soft) +
        dots +
        times(7, (nth) =>
          rect(w * 0.08, h * (0.62 + nth * 0.05), w * (0.5 - (nth % 3) * 0.06), h * 0.014, ink),
        ) +
        rect(w * 0.08, h * 0.16, w * 0.2, h * 0.1, ink)
      );
    },
  },
  {
    ...OTHER,
    name: 'Press roller',
    alt: 'Paper running over the rollers of a press',
    draw: ({ w, h }, { paper, soft, ink, accent }) =>
      rect(0, 0, w, h, mix(soft, ink, 0.12)) +
      path(
        `M0 ${h * 0.3} L${w * 0.32} ${h * 0.3} C ${w * 0.6} ${h * 0.3}, ${w * 0.36} ${h * 0.72}, ${w * 0.66} ${h * 0.72} L${w} ${h * 0.72} L${w} ${h * 0.8} L${w * 0.64} ${h * 0.8} C ${w * 0.28} ${h * 0.8}, ${w * 0.5} ${h * 0.38}, ${w * 0.3} ${h * 0.38} L0 ${h * 0.38} Z`,
        paper,
      ) +
      [
        [0.34, 0.56, 150],
        [0.64, 0.5, 160],
      ]
        .map(
          ([x, y, r]) =>
            circle(w * x, h * y, r, ink) +
            circle(w * x, h * y, r * 0.62, mix(ink, soft, 0.25)) +
            circle(w * x, h * y, r * 0.16, accent),
        )
        .join(''),
  },
  {
    ...OTHER,
    name: 'Columns of type',
    alt: 'Columns of printed lines with one red initial',
    draw: ({ w, h }, { paper, ink, accent, quiet }) =>
      rect(0, 0, w, h, paper) +
      rect(w * 0.07, h * 0.08, w * 0.86, h * 0.05, ink) +
      rect(w * 0.07, h * 0.16, w * 0.86, 4, ink) +
      times(3, (column) =>
        times(17, (line) =>
          rect(
            w * (0.07 + column * 0.3) + (column === 0 && line < 4 ? 120 : 0),
            h * 0.22 + line * 38,
            w * (line % 6 === 5 ? 0.16 : 0.26) - (column === 0 && line < 4 ? 120 : 0),
            13,
            mix(quiet, paper, 0.35),
          ),
        ),
      ) +
      rect(w * 0.07, h * 0.22, 98, 128, accent),
  },
];
