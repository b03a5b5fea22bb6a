/** A part of a file: the first and the last byte of it. */
export interface ByteRange {
  first: number;
  last: number;
}

/**
 * The part of a file of `length` bytes that a Range header asks for (RFC 9110, §14.2). Undefined where the whole is to be sent: without
 * the header, for several parts at once, and for units that are not bytes. `unsatisfiable` where there is no such part.
 */
export function rangeOf(header: string | undefined, length: number): ByteRange | 'unsatisfiable' | undefined {
  const [, start, end] = /^bytes=(\d{0,15})-(\d{0,15})$/.exec(header ?? '') ?? [];
  if (start === undefined || (start === '' && end === '')) return undefined;
  // Without a start, the last bytes.
  const first = start === '' ? Math.max(0, length - Number(end)) : Number(start);
  const last = start === '' || end === '' ? length - 1 : Math.min(Number(end), length - 1);
  if (start !== '' && end !== '' && Number(end) < Number(start)) return undefined;
  return first >= length || last < first ? 'unsatisfiable' : { first, last };
}
