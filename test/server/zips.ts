import { inflateRawSync } from 'node:zlib';

/** Names and bytes of the files in a zip, by its central directory (PKWARE APPNOTE, §4.3.12). */
export function unzipped(zip: Buffer): Map<string, Buffer> {
  const files = new Map<string, Buffer>();
  const end = zip.lastIndexOf(Buffer.from('PK\x05\x06', 'latin1'));
  let at = zip.readUInt32LE(end + 16);
  for (let left = zip.readUInt16LE(end + 10); left > 0; left--) {
    const [method, size] = [zip.readUInt16LE(at + 10), zip.readUInt32LE(at + 20)];
    const lengths = [28, 30, 32].map((offset) => zip.readUInt16LE(at + offset));
    const local = zip.readUInt32LE(at + 42);
    const start = local + 30 + zip.readUInt16LE(local + 26) + zip.readUInt16LE(local + 28);
    const bytes = zip.subarray(start, start + size);
    files.set(
      zip.toString('utf8', at + 46, at + 46 + lengths[0]),
      method === 8 ? inflateRawSync(bytes) : bytes,
    );
    at += 46 + lengths[0] + lengths[1] + lengths[2];
  }
  return files;
}
