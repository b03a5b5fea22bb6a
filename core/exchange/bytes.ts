import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';

/** The bytes that a text in base64 stands for; undefined where it is none. */
export function bytesOf(text: string): Uint8Array<ArrayBuffer> | undefined {
  try {
    return Uint8Array.from(atob(text), (character) => character.charCodeAt(0));
  } catch {
    return undefined;
  }
}

/** Whether a text in base64 stands for the bytes of a SHA-256, in hexadecimal digits. */
export function areBytesOf(text: string, hash: string): boolean {
  const bytes = bytesOf(text);
  return bytes !== undefined && bytesToHex(sha256(bytes)) === hash;
}
