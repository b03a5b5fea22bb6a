import { constants, brotliDecompress } from 'node:zlib';
import { promisify } from 'node:util';

const SIGNATURE = 'wOF2';

/** Whether bytes call themselves a woff2 font (WOFF File Format 2.0, §4.1, https://www.w3.org/TR/WOFF2/#woff20Header). */
export const isWoff2 = (bytes: unknown): bytes is Buffer =>
  Buffer.isBuffer(bytes) && bytes.subarray(0, 4).toString('latin1') === SIGNATURE;

/** Bytes that the tables of a font may take once they are unpacked. */
const MOST_UNPACKED = 32_000_000;

/** Tables of a font; OpenType knows some fifty. */
const MOST_TABLES = 128;

const HEADER = 48;

/** A number of the format UIntBase128 (WOFF2, §4.1), and where it ends; undefined where there is none. */
function base128(bytes: Buffer, at: number): { value: number; end: number } | undefined {
  let value = 0;
  for (let index = 0; index < 5; index++) {
    const byte = bytes[at + index];
    if (byte === undefined || (index === 0 && byte === 0x80)) return undefined;
    value = value * 128 + (byte & 0x7f);
    if (byte < 0x80) return { value, end: at + index + 1 };
  }
  return undefined;
}

/** Where the packed tables begin: behind the directory of tables (WOFF2, §4.2); undefined where that is damaged. */
function packedFrom(bytes: Buffer): number | undefined {
  if (bytes.length < HEADER) return undefined;
  const count = bytes.readUInt16BE(12);
  if (count === 0 || count > MOST_TABLES) return undefined;
  let at = HEADER;
  for (let table = 0; table < count; table++) {
    const flags = bytes[at];
    if (flags === undefined) return undefined;
    const tag = flags & 0x3f;
    at += tag === 0x3f ? 5 : 1;
    const length = base128(bytes, at);
    if (!length) return undefined;
    at = length.end;
    // glyf (10) and loca (11) are transformed unless version 3 says no; of others, any version but 0.
    const version = flags >> 6;
    const transformed = tag === 10 || tag === 11 ? version !== 3 : version !== 0;
    if (!transformed) continue;
    const packed = base128(bytes, at);
    if (!packed) return undefined;
    at = packed.end;
  }
  return at;
}

/**
 * Whether a woff2 font unpacks to no more than 32 MB. A few hundred bytes can be written that unpack to gigabytes; they are
 * unpacked beside the thread that serves, and only so far.
 */
export async function unpacksWithin(bytes: Buffer): Promise<boolean> {
  const from = packedFrom(bytes);
  if (from === undefined) return false;
  try {
    await promisify(brotliDecompress)(bytes.subarray(from), {
      maxOutputLength: MOST_UNPACKED,
      // What stands behind the packed tables (private data) is none of them.
      finishFlush: constants.BROTLI_OPERATION_FLUSH,
    });
    return true;
  } catch {
    return false;
  }
}
