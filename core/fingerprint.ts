import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/** What tells a text from all others: the first ten characters of its SHA-256. */
export const fingerprint = (text: string): string => bytesToHex(sha256(utf8ToBytes(text))).slice(0, 10);

/** An object as text, the same in whatever order its fields were written. */
const inOrder = (value: unknown): string =>
  JSON.stringify(value, (_key, each: unknown) =>
    typeof each === 'object' && each !== null && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([one], [other]) => (one < other ? -1 : 1)))
      : each,
  );

/** What tells a value from all others, in whatever order the fields of its objects were written. */
export const fingerprintOf = (value: unknown): string => fingerprint(inOrder(value));
