import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/** What tells a text from all others: the first ten characters of its SHA-256. */
export const fingerprint = (text: string): string => bytesToHex(sha256(utf8ToBytes(text))).slice(0, 10);
