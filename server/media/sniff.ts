import { type Asset, keysOf } from '../../core/index.ts';

const ascii = (bytes: Buffer, from: number, to: number): string => bytes.toString('latin1', from, to);

/** Brands of an ISO base media file (ISO/IEC 14496-12, §4.3): its major one and those it is compatible with. */
function brandsOf(bytes: Buffer): string[] {
  if (bytes.length < 16 || ascii(bytes, 4, 8) !== 'ftyp') return [];
  const end = Math.min(bytes.readUInt32BE(0), bytes.length, 256);
  const brands = [ascii(bytes, 8, 12)];
  for (let at = 16; at + 4 <= end; at += 4) brands.push(ascii(bytes, at, at + 4));
  return brands;
}

/** What each type of image or video begins with (MIME Sniffing https://mimesniff.spec.whatwg.org/#matching-an-image-type-pattern). */
const BEGINNINGS: Record<Asset['type'], (bytes: Buffer) => boolean> = {
  'image/png': (bytes) => ascii(bytes, 0, 8) === '\x89PNG\r\n\x1a\n',
  'image/jpeg': (bytes) => ascii(bytes, 0, 3) === '\xff\xd8\xff',
  'image/webp': (bytes) => ascii(bytes, 0, 4) === 'RIFF' && ascii(bytes, 8, 14) === 'WEBPVP',
  'image/avif': (bytes) => brandsOf(bytes).some((brand) => brand === 'avif' || brand === 'avis'),
  'image/gif': (bytes) => /^GIF8[79]a$/.test(ascii(bytes, 0, 6)),
  'image/svg+xml': (bytes) => {
    const text = bytes
      .toString('utf8', 0, 65_536)
      .replace(/^\uFEFF/, '')
      .trimStart();
    return /^<(\?xml|!--|!doctype svg|svg)[\s>]/i.test(text) && /<svg[\s>]/.test(text);
  },
  'video/webm': (bytes) => ascii(bytes, 0, 4) === '\x1a\x45\xdf\xa3',
  // Portable Document Format (ISO 32000-1, §7.5.2).
  'application/pdf': (bytes) => ascii(bytes, 0, 5) === '%PDF-',
  // WebVTT, §4 (https://www.w3.org/TR/webvtt1/#file-structure).
  'text/vtt': (bytes) => /^(\uFEFF)?WEBVTT([ \t\r\n]|$)/.test(bytes.toString('utf8', 0, 16)),
  'video/mp4': (bytes) => brandsOf(bytes).some((brand) => /^(mp4|iso|avc1|M4V|dash)/.test(brand)),
};

/** What bytes are, by how they begin; undefined for none of the types that a site can have. */
export const typeOf = (bytes: Buffer): Asset['type'] | undefined =>
  keysOf(BEGINNINGS).find((type) => BEGINNINGS[type](bytes));

/** Whether bytes begin as a type of image or video does; a name or a header alone is not believed. */
export const beginsAs = (type: Asset['type'], bytes: Buffer): boolean => BEGINNINGS[type](bytes);
