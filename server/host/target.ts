import { encodings } from './encodings.ts';
import type { FileStore } from '../store/files.ts';
import type { Manifest, PublishedEntry } from '../store/schema.ts';
import type { Target } from '../targets/target.ts';

/** The compressed forms of a text, made once and kept like any file. */
async function encodedForms(
  files: Pick<FileStore, 'put'>,
  type: string,
  bytes: Buffer,
): Promise<Pick<PublishedEntry, 'encoded'>> {
  const encoded: NonNullable<PublishedEntry['encoded']> = {};
  for (const [name, form] of Object.entries(await encodings(type, bytes)))
    encoded[name as keyof typeof encoded] = await files.put(form);
  return Object.keys(encoded).length > 0 ? { encoded } : {};
}

/** The store from which the host that comes along serves: what it answers says which file is where; once that is kept, visitors see it. */
export const hostTarget = (files: Pick<FileStore, 'put'>): Target<Manifest> => ({
  async take(all) {
    const manifest: Manifest = {};
    for await (const { path, type, bytes, kept, movedTo, audience } of all)
      manifest[path] = {
        hash: kept ?? (await files.put(bytes)),
        type,
        ...(await encodedForms(files, type, bytes)),
        ...(movedTo !== undefined && { movedTo }),
        ...(audience && { audience }),
      };
    return manifest;
  },
});
