import { random } from '../../demo/random.ts';
import { HERO, OTHER, circle, land, mix, rect, stroke, times, type Drawing } from './shapes.ts';

export const quarry: readonly Drawing[] = [
  {
    ...HERO,
    name: 'Stone face',
    alt: 'Layers of grey and blue stone below a pale sky',
    draw: ({ w, h }, { paper, soft, band, accent }) =>
      rect(0, 0, w, h, mix(soft, accent, 0.12)) +
      circle(w * 0.74, h * 0.2, 90, paper) +
      times(9, (nth) =>
        land(
          30 + nth,
          w,
          h,
          h * (0.32 + nth * 0.078),
          120 - nth * 8,
          mix(mix(soft, accent, 0.25), band, nth / 8),
          4 + (nth % 3),
        ),
      ),
  },
  {
    ...OTHER,
    name: 'Cut blocks',
    alt: 'Square blocks of cut stone in rows',
    draw: ({ w, h }, { soft, band, accent }) => {
      const next = random(5);
      return (
        rect(0, 0, w, h, band) +
        times(24, (nth) => {
          const [x, y] = [(nth % 6) * (w / 6), Math.floor(nth / 6) * (h / 4)];
          const tone = mix(mix(soft, accent, next() * 0.5), band, next() * 0.55);
          const shift = Math.floor(nth / 6) % 2 ? w / 12 : 0;
          return (
            rect(x + 5 - shift, y + 5, w / 6 - 10, h / 4 - 10, tone) +
            (nth % 6 === 5
              ? rect(x + w / 6 + 5 - shift, y + 5, w / 6 - 10, h / 4 - 10, mix(tone, band, 0.2))
              : '')
          );
        })
      );
    },
  },
  {
    ...OTHER,
    name: 'Crane',
    alt: 'A crane above the edge of a quarry',
    draw: ({ w, h }, { paper, soft, band, accent }) =>
      rect(0, 0, w, h, mix(paper, accent, 0.18)) +
      land(3, w, h, h * 0.62, 60, mix(soft, band, 0.35)) +
      stroke(
        `M${w * 0.3} ${h * 0.8} L${w * 0.3} ${h * 0.16} L${w * 0.82} ${h * 0.26} M${w * 0.3} ${h * 0.16} L${w * 0.14} ${h * 0.24} L${w * 0.3} ${h * 0.3} L${w * 0.6} ${h * 0.22}`,
        band,
        14,
      ) +
      stroke(`M${w * 0.72} ${h * 0.245} L${w * 0.72} ${h * 0.52}`, band, 5) +
      rect(w * 0.66, h * 0.52, w * 0.12, h * 0.1, accent) +
      land(9, w, h, h * 0.8, 40, band),
  },
];
