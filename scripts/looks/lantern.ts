import { random } from '../../demo/random.ts';
import { HERO, OTHER, circle, houses, mix, n, path, rect, stroke, times, type Drawing } from './shapes.ts';

export const lantern: readonly Drawing[] = [
  {
    ...HERO,
    name: 'Roofs at night',
    alt: 'Lit windows of a town below a yellow moon',
    draw: ({ w, h }, { paper, soft, accent }) => {
      const next = random(77);
      return (
        rect(0, 0, w, h, mix(paper, '#26305c', 0.55)) +
        times(90, () =>
          circle(
            next() * w,
            next() * h * 0.6,
            0.8 + next() * 2,
            '#ffffff',
            `opacity="${n(0.3 + next() * 0.6)}"`,
          ),
        ) +
        circle(w * 0.78, h * 0.24, 96, accent) +
        houses(
          3,
          w,
          h * 0.86,
          11,
          330,
          mix(soft, '#3a4470', 0.5),
          mix(accent, paper, 0.25),
          mix(soft, paper, 0.4),
        ) +
        houses(9, w, h, 7, 330, mix(paper, '#000000', 0.25), accent, soft)
      );
    },
  },
  {
    ...OTHER,
    name: 'Paper lanterns',
    alt: 'A string of glowing paper lanterns',
    draw: ({ w, h }, { paper, soft, accent }) =>
      rect(0, 0, w, h, mix(paper, soft, 0.5)) +
      stroke(`M0 ${h * 0.16} Q ${w * 0.5} ${h * 0.4} ${w} ${h * 0.12}`, mix(soft, '#ffffff', 0.3), 6) +
      [
        [0.16, 0.4, 96],
        [0.38, 0.54, 120],
        [0.62, 0.52, 104],
        [0.84, 0.4, 126],
      ]
        .map(
          ([x, y, r], nth) =>
            circle(w * x, h * y, r * 2, accent, 'opacity="0.09"') +
            circle(w * x, h * y, r * 1.5, accent, 'opacity="0.12"') +
            stroke(`M${w * x} ${h * y - r * 1.7} L${w * x} ${h * y - r}`, mix(soft, '#ffffff', 0.3), 5) +
            `<ellipse cx="${w * x}" cy="${h * y}" rx="${r * 0.82}" ry="${r}" fill="${nth % 2 ? accent : mix(accent, '#e8643c', 0.5)}"/>` +
            times(
              3,
              (line) =>
                `<ellipse cx="${w * x}" cy="${h * y}" rx="${n(r * (0.2 + line * 0.24))}" ry="${r}" fill="none" stroke="${mix(accent, paper, 0.3)}" stroke-width="3"/>`,
            ),
        )
        .join(''),
  },
  {
    ...OTHER,
    name: 'Café table',
    alt: 'A round table and a lamp in the evening',
    draw: ({ w, h }, { paper, soft, accent, ink }) =>
      rect(0, 0, w, h, soft) +
      path(`M${w * 0.5} ${h * 0.1} L${w * 0.16} ${h} L${w * 0.84} ${h} Z`, accent, 'opacity="0.16"') +
      rect(w * 0.495, 0, 10, h * 0.12, ink) +
      path(`M${w * 0.4} ${h * 0.22} Q ${w * 0.5} ${h * 0.02} ${w * 0.6} ${h * 0.22} Z`, accent) +
      rect(0, h * 0.86, w, h * 0.14, paper) +
      `<ellipse cx="${w * 0.5}" cy="${h * 0.62}" rx="${w * 0.3}" ry="46" fill="${mix(ink, '#a77', 0.35)}"/>` +
      rect(w * 0.485, h * 0.64, w * 0.03, h * 0.26, mix(ink, paper, 0.55)) +
      path(
        `M${w * 0.42} ${h * 0.5} L${w * 0.54} ${h * 0.5} L${w * 0.52} ${h * 0.61} L${w * 0.44} ${h * 0.61} Z`,
        ink,
      ) +
      stroke(`M${w * 0.54} ${h * 0.52} q 40 20 -8 60`, ink, 9) +
      stroke(
        `M${w * 0.46} ${h * 0.47} q -12 -26 6 -50 M${w * 0.5} ${h * 0.47} q -12 -26 6 -50`,
        mix(ink, soft, 0.5),
        5,
      ),
  },
];
