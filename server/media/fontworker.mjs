/** Reads a font, apart. */
import { create } from 'fontkit';

/** What the bytes of a font say of it; undefined for what is none. */
export function work(given) {
  try {
    const font = create(Buffer.from(given));
    const axis = font.variationAxes?.wght;
    const weight = Math.min(999, Math.max(1, font['OS/2']?.usWeightClass ?? 400));
    return {
      name: font.familyName.slice(0, 80),
      style: font.italicAngle === 0 ? 'normal' : 'italic',
      weights: axis ? `${Math.max(1, axis.min)} ${axis.max}` : String(weight),
    };
  } catch {
    return undefined;
  }
}
