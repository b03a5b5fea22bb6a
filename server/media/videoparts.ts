import type { Asset } from '../../core/index.ts';

/** A part of a video file: what it is, where it begins, where what is in it begins, and where it ends. */
interface Part {
  id: string | number;
  start: number;
  inner: number;
  end: number;
}

/** The boxes of an ISO base media file (ISO/IEC 14496-12, §4.2) between two places; undefined where one is cut. */
function boxesOf(bytes: Buffer, from: number, to: number): Part[] | undefined {
  const parts: Part[] = [];
  for (let at = from; at < to;) {
    if (at + 8 > to) return undefined;
    const size = bytes.readUInt32BE(at);
    const isLong = size === 1;
    if (isLong && at + 16 > to) return undefined;
    const inner = at + (isLong ? 16 : 8);
    // The last box may reach to the end of the file.
    const end = size === 0 ? to : at + (isLong ? Number(bytes.readBigUInt64BE(at + 8)) : size);
    if (end < inner || end > to) return undefined;
    parts.push({ id: bytes.toString('latin1', at + 4, at + 8), start: at, inner, end });
    at = end;
  }
  return parts;
}

/** A number of variable size of EBML (RFC 8794, §4), and where it ends; undefined where it is cut, or longer than eight bytes. */
function variableSize(bytes: Buffer, at: number): { value: number | 'unknown'; end: number } | undefined {
  const first = bytes[at];
  if (first === undefined || first === 0) return undefined;
  const length = Math.clz32(first) - 23;
  if (at + length > bytes.length) return undefined;
  let value = first & (0xff >> length);
  let isUnknown = value === 0xff >> length;
  for (let index = 1; index < length; index++) {
    value = value * 256 + bytes[at + index];
    isUnknown &&= bytes[at + index] === 0xff;
  }
  return { value: isUnknown ? 'unknown' : value, end: at + length };
}

/**
 * The elements of an EBML document (RFC 8794, §5) between two places; undefined where one is cut. What was written while it was recorded
 * says no size: such a one is taken to reach to the end.
 */
function elementsOf(bytes: Buffer, from: number, to: number): Part[] | undefined {
  const parts: Part[] = [];
  for (let at = from; at < to;) {
    // The id is as long as a size is, and keeps its mark of length.
    const id = variableSize(bytes, at);
    const size = id && variableSize(bytes, id.end);
    if (!size) return undefined;
    const end = size.value === 'unknown' ? to : size.end + size.value;
    if (end > to) return undefined;
    parts.push({ id: bytes.readUIntBE(at, Math.min(6, id.end - at)), start: at, inner: size.end, end });
    at = end;
  }
  return parts;
}

/** Whether a video is there to its end, by what its own parts say of their lengths. */
export const endsWhole = (type: Asset['type'], bytes: Buffer): boolean =>
  (type === 'video/mp4' ? boxesOf : elementsOf)(bytes, 0, bytes.length) !== undefined;

/** Boxes that hold others in which it may be said where, when and with what a video was taken. */
const HOLDING = new Set<unknown>(['moov', 'trak', 'mdia', 'moof', 'traf']);
/** Boxes that say it: user data, metadata, and those of other makers, such as XMP. */
const SAYING = new Set<unknown>(['udta', 'meta', 'uuid']);

/** Matroska (RFC 9559, §5.1): the segment, its tags, and files that are attached. */
const SEGMENT = 0x18538067;
const TELLING = new Set<unknown>([0x1254c367, 0x1941a469]);

/** Makes a part of a video say nothing, at its own length, so that everything else stays where it is. */
function blank(bytes: Buffer, { start, inner, end }: Part, type: Asset['type']): void {
  bytes.fill(0, type === 'video/mp4' ? inner : start, end);
  if (type === 'video/mp4') {
    // A box of free space (ISO/IEC 14496-12, §8.1.2).
    bytes.write('free', start + 4, 'latin1');
    return;
  }
  // A void element (RFC 8794, §11.3.2), its size written in eight bytes, or in one where it is too short for that.
  bytes[start] = 0xec;
  const isShort = end - start < 9;
  if (isShort) bytes[start + 1] = 0x80 | (end - start - 2);
  else bytes.writeBigUInt64BE((1n << 56n) | BigInt(end - start - 9), start + 1);
}

/** A video without what it says of where, when and with which device it was taken; what it shows, and its length in bytes, stays. */
export function withoutPlace(type: Asset['type'], bytes: Buffer): Buffer {
  const made = Buffer.from(bytes);
  const walk = (from: number, to: number): void => {
    const parts = (type === 'video/mp4' ? boxesOf : elementsOf)(made, from, to) ?? [];
    for (const part of parts) {
      if (SAYING.has(part.id) || TELLING.has(part.id)) blank(made, part, type);
      else if (HOLDING.has(part.id) || part.id === SEGMENT) walk(part.inner, part.end);
    }
  };
  walk(0, made.length);
  return made;
}
