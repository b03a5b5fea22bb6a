import { create, type Font as FontFile } from 'fontkit';
import type { Font } from '../../core/index.ts';

/** What a woff2 file says of itself: its family, its style and its weights. Undefined for anything else. */
export function describeFont(bytes: unknown): Omit<Font, 'id' | 'hash'> | undefined {
  if (!Buffer.isBuffer(bytes) || bytes.subarray(0, 4).toString('latin1') !== 'wOF2') return undefined;
  try {
    const font = create(bytes) as FontFile & { 'OS/2'?: { usWeightClass?: number } };
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
