import { random } from '../../demo/random.ts';
import { HERO, OTHER, circle, leaf, mix, n, path, rect, stroke, times, type Drawing } from './shapes.ts';

export const almanac: readonly Drawing[] = [
  {
    ...HERO,
    name: 'Herb bed',
    alt: 'Tall leaves and seed heads in front of a pale sky',
    draw: ({ w, h }, { paper, soft, accent, ink }) => {
      const next = random(61);
      return (
        rect(0, 0, w, h, mix(paper, soft, 0.7)) +
        circle(w * 0.5, h * 0.44, 250, mix('#e9c46a', paper, 0.35)) +
        times(26, (nth) => {
          const x = (w / 26) * (nth + 0.5);
          const tall = h * (0.35 + next() * 0.45);
          const tone = mix(accent, nth % 3 ? ink : paper, next() * 0.35);
          return (
            stroke(
              `M${n(x)} ${h} Q ${n(x + 14)} ${n(h - tall / 2)} ${n(x + (next() - 0.5) * 60)} ${n(h - tall)}`,
              tone,
              6,
            ) +
            times(3, (each) =>
              leaf(
                x + 4,
                h - tall * (0.25 + each * 0.22),
                130 - each * 20,
                34,
                each % 2 ? 48 : -48,
                tone,
                mix(tone, paper, 0.4),
              ),
            ) +
            (nth % 2 ? circle(x + 6, h - tall, 16 + next() * 14, nth % 4 === 1 ? '#b5563c' : '#d9a441') : '')
          );
        })
      );
    },
  },
  {
    ...OTHER,
    name: 'Round of the year',
    alt: 'A wheel of twelve parts in the colours of the seasons',
    draw: ({ w, h }, { paper, soft, accent, ink }) =>
      rect(0, 0, w, h, soft) +
      times(12, (nth) => {
        const [from, to] = [(nth * Math.PI) / 6, ((nth + 1) * Math.PI) / 6];
        const r = h * 0.4;
        const at = (angle: number, far: number) =>
          `${n(w / 2 + Math.cos(angle) * far)} ${n(h / 2 + Math.sin(angle) * far)}`;
        const colour = ['#d9a441', '#b5563c', mix(accent, ink, 0.3), accent][Math.floor(nth / 3)];
        return path(
          `M${at(from, r * 0.45)} L${at(from, r)} A ${r} ${r} 0 0 1 ${at(to, r)} L${at(to, r * 0.45)} Z`,
          mix(colour, paper, (nth % 3) * 0.22),
          `stroke="${soft}" stroke-width="6"`,
        );
      }) +
      circle(w / 2, h / 2, h * 0.15, ink) +
      circle(w / 2 + 30, h / 2 - 20, h * 0.12, soft),
  },
  {
    ...OTHER,
    name: 'Two leaves',
    alt: 'Two large leaves drawn side by side',
    draw: ({ w, h }, { paper, accent, ink }) =>
      rect(0, 0, w, h, paper) +
      rect(40, 40, w - 80, h - 80, 'none', `stroke="${mix(ink, paper, 0.6)}" stroke-width="3"`) +
      leaf(w * 0.34, h * 0.84, h * 0.66, 150, -8, accent, paper) +
      leaf(w * 0.66, h * 0.84, h * 0.6, 110, 10, mix(accent, ink, 0.4), paper) +
      times(5, (nth) =>
        stroke(
          `M${n(w * 0.325 - nth * 4)} ${n(h * (0.74 - nth * 0.1))} l 70 -46 M${n(w * 0.325 - nth * 4)} ${n(h * (0.74 - nth * 0.1))} l -70 -36`,
          paper,
          3,
        ),
      ),
  },
];
