import { HERO, OTHER, circle, land, mix, n, path, rect, times, type Drawing } from './shapes.ts';

export const seaside: readonly Drawing[] = [
  {
    ...HERO,
    name: 'Waves and sails',
    alt: 'White sails on blue waves below a coral sun',
    draw: ({ w, h }, { soft, band, accent, ink }) => {
      const sail = (x: number, y: number, s: number) =>
        path(`M${n(x)} ${n(y)} L${n(x)} ${n(y - s * 1.5)} L${n(x + s * 0.9)} ${n(y)} Z`, '#ffffff') +
        path(
          `M${n(x - s * 0.08)} ${n(y)} L${n(x - s * 0.08)} ${n(y - s * 1.2)} L${n(x - s * 0.6)} ${n(y)} Z`,
          mix(accent, '#ffffff', 0.25),
        ) +
        path(
          `M${n(x - s * 0.7)} ${n(y + s * 0.08)} L${n(x + s)} ${n(y + s * 0.08)} L${n(x + s * 0.6)} ${n(y + s * 0.34)} L${n(x - s * 0.4)} ${n(y + s * 0.34)} Z`,
          ink,
        );
      return (
        rect(0, 0, w, h, mix(soft, band, 0.6)) +
        circle(w * 0.7, h * 0.36, 130, mix(accent, '#ff9a7a', 0.55)) +
        land(4, w, h, h * 0.5, 30, '#8cc9e8', 7) +
        sail(w * 0.3, h * 0.56, 130) +
        land(6, w, h, h * 0.62, 36, '#4f9fd0', 7) +
        sail(w * 0.58, h * 0.72, 180) +
        land(8, w, h, h * 0.78, 40, '#2b78b0', 7) +
        land(11, w, h, h * 0.91, 34, ink, 7)
      );
    },
  },
  {
    ...OTHER,
    name: 'Beach huts',
    alt: 'Four striped beach huts on the sand',
    draw: ({ w, h }, { band, accent, ink }) =>
      rect(0, 0, w, h, band) +
      rect(0, h * 0.78, w, h * 0.22, '#f4dfb4') +
      times(4, (nth) => {
        const [x, y, wide] = [w * (0.05 + nth * 0.235), h * 0.8, w * 0.2];
        const colour = [accent, '#2b78b0', '#f2b84b', '#3f9c8f'][nth];
        return (
          rect(x, y - h * 0.36, wide, h * 0.36, '#ffffff') +
          times(4, (each) => rect(x + each * (wide / 4), y - h * 0.36, wide / 8, h * 0.36, colour)) +
          path(
            `M${n(x - 16)} ${n(y - h * 0.35)} L${n(x + wide / 2)} ${n(y - h * 0.56)} L${n(x + wide + 16)} ${n(y - h * 0.35)} Z`,
            mix(colour, ink, 0.25),
          ) +
          rect(x + wide * 0.34, y - h * 0.22, wide * 0.32, h * 0.22, ink)
        );
      }),
  },
  {
    ...OTHER,
    name: 'Lighthouse',
    alt: 'A red and white lighthouse on a rock',
    draw: ({ w, h }, { soft, accent, ink }) =>
      rect(0, 0, w, h, mix(soft, '#8cc9e8', 0.5)) +
      land(2, w, h, h * 0.74, 24, '#4f9fd0', 6) +
      path(
        `M${w * 0.24} ${h * 0.86} Q ${w * 0.5} ${h * 0.6} ${w * 0.8} ${h * 0.86} Z`,
        mix(ink, '#8a8f98', 0.5),
      ) +
      times(5, (nth) =>
        path(
          `M${n(w * (0.43 + nth * 0.008))} ${n(h * (0.72 - nth * 0.1))} L${n(w * (0.438 + nth * 0.008))} ${n(h * (0.62 - nth * 0.1))} L${n(w * (0.562 - nth * 0.008))} ${n(h * (0.62 - nth * 0.1))} L${n(w * (0.57 - nth * 0.008))} ${n(h * (0.72 - nth * 0.1))} Z`,
          nth % 2 ? '#ffffff' : accent,
        ),
      ) +
      rect(w * 0.462, h * 0.14, w * 0.076, h * 0.08, '#ffe49a') +
      path(`M${w * 0.45} ${h * 0.14} L${w * 0.5} ${h * 0.07} L${w * 0.55} ${h * 0.14} Z`, ink) +
      path(
        `M${w * 0.53} ${h * 0.16} L${w} ${h * 0.06} L${w} ${h * 0.28} L${w * 0.53} ${h * 0.2} Z`,
        '#fff3c4',
        'opacity="0.6"',
      ) +
      land(7, w, h, h * 0.86, 26, '#2b78b0', 6),
  },
];
