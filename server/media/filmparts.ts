import type { Asset } from '../../core/index.ts';

/** Whether the boxes of an ISO base media file (ISO/IEC 14496-12, §4.2) end where the file does. */
function boxesEnd(bytes: Buffer): boolean {
  let at = 0;
  while (at + 8 <= bytes.length) {
    const size = bytes.readUInt32BE(at);
    // The last box may reach to the end of the file.
    if (size === 0) return true;
    if (size === 1 && at + 16 > bytes.length) return false;
    const length = size === 1 ? Number(bytes.readBigUInt64BE(at + 8)) : size;
    if (length < 8) return false;
    at += length;
  }
  return at === bytes.length;
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

/** Whether the elements of an EBML document (RFC 8794, §5) reach no further than the file: the head, and the segment that holds all else. */
function elementsEnd(bytes: Buffer): boolean {
  let at = 0;
  while (at < bytes.length) {
    // The id is as long as a size is, and keeps its mark of length.
    const id = variableSize(bytes, at);
    const size = id && variableSize(bytes, id.end);
    if (!size) return false;
    // What was written while it was recorded says no size: where it ends cannot be known.
    if (size.value === 'unknown') return true;
    at = size.end + size.value;
  }
  return at === bytes.length;
}

/** Whether a video is there to its end, by what its own parts say of their lengths. */
export const endsWhole = (type: Asset['type'], bytes: Buffer): boolean =>
  type === 'video/mp4' ? boxesEnd(bytes) : elementsEnd(bytes);
