import { random } from '../../demo/random.ts';
import { HERO, OTHER, circle, mix, path, pot, rect, stroke, times, type Drawing } from './shapes.ts';

export const kiln: readonly Drawing[] = [
  {
    ...HERO,
    name: 'Pots on a shelf',
    alt: 'Clay pots of different shapes on two shelves',
    draw: ({ w, h }, { soft, band, accent, ink }) => {
      const next = random(44);
      const shelf = (y: number, count: number, size: number) =>
        times(count, (nth) =>
          pot(
            (w / count) * (nth + 0.5),
            y,
            size * (0.7 + next() * 0.5),
            size * (0.8 + next() * 0.9),
            [accent, band, '#d99a62', '#e9c9a0', mix(accent, ink, 0.4)][Math.floor(next() * 5)],
            0.25 + next() * 0.6,
          ),
        ) + rect(0, y, w, 22, mix(ink, band, 0.3));
      return (
        rect(0, 0, w, h, mix(soft, '#e9b98c', 0.35)) +
        shelf(h * 0.46, 9, 150) +
        shelf(h * 0.9, 6, 230) +
        rect(0, h * 0.92, w, h * 0.08, mix(soft, accent, 0.3))
      );
    },
  },
  {
    ...OTHER,
    name: 'Bowl on the wheel',
    alt: 'A bowl on a turning potter’s wheel',
    draw: ({ w, h }, { paper, soft, band, accent }) =>
      rect(0, 0, w, h, soft) +
      circle(w * 0.5, h * 0.34, 300, mix(soft, '#e9b98c', 0.5)) +
      path(
        `M${w * 0.24} ${h * 0.36} C ${w * 0.26} ${h * 0.72}, ${w * 0.4} ${h * 0.74}, ${w * 0.42} ${h * 0.76} L${w * 0.58} ${h * 0.76} C ${w * 0.6} ${h * 0.74}, ${w * 0.74} ${h * 0.72}, ${w * 0.76} ${h * 0.36} Z`,
        accent,
      ) +
      `<ellipse cx="${w * 0.5}" cy="${h * 0.36}" rx="${w * 0.26}" ry="52" fill="${mix(accent, band, 0.6)}"/>` +
      times(4, (nth) =>
        stroke(
          `M${w * (0.262 + nth * 0.012)} ${h * (0.44 + nth * 0.07)} Q ${w * 0.5} ${h * (0.52 + nth * 0.07)} ${w * (0.738 - nth * 0.012)} ${h * (0.44 + nth * 0.07)}`,
          mix(accent, paper, 0.25),
          5,
        ),
      ) +
      `<ellipse cx="${w * 0.5}" cy="${h * 0.79}" rx="${w * 0.36}" ry="44" fill="${band}"/>` +
      rect(w * 0.46, h * 0.8, w * 0.08, h * 0.2, mix(band, '#000000', 0.3)),
  },
  {
    ...OTHER,
    name: 'Fire door',
    alt: 'The glowing door of a brick kiln',
    draw: ({ w, h }, { band, accent, soft }) =>
      rect(0, 0, w, h, mix(band, accent, 0.25)) +
      times(60, (nth) =>
        rect(
          (nth % 6) * 212 - (Math.floor(nth / 6) % 2) * 106,
          Math.floor(nth / 6) * 92,
          200,
          80,
          mix(band, accent, 0.15 + ((nth * 7) % 5) * 0.09),
        ),
      ) +
      path(
        `M${w * 0.3} ${h} L${w * 0.3} ${h * 0.5} A ${w * 0.2} ${w * 0.2} 0 0 1 ${w * 0.7} ${h * 0.5} L${w * 0.7} ${h} Z`,
        '#2c120b',
      ) +
      path(
        `M${w * 0.36} ${h} C ${w * 0.34} ${h * 0.7}, ${w * 0.46} ${h * 0.74}, ${w * 0.45} ${h * 0.52} C ${w * 0.58} ${h * 0.66}, ${w * 0.54} ${h * 0.72}, ${w * 0.6} ${h * 0.62} C ${w * 0.68} ${h * 0.76}, ${w * 0.64} ${h * 0.9}, ${w * 0.64} ${h} Z`,
        '#f0913a',
      ) +
      path(
        `M${w * 0.42} ${h} C ${w * 0.42} ${h * 0.84}, ${w * 0.5} ${h * 0.84}, ${w * 0.49} ${h * 0.7} C ${w * 0.58} ${h * 0.84}, ${w * 0.58} ${h * 0.9}, ${w * 0.57} ${h} Z`,
        mix('#ffd27a', soft, 0.3),
      ),
  },
];
