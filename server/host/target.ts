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

/**
 * The store from which the host that comes along serves: what it answers says which file is where; once that is kept, visitors see it. Texts that `known` manifests
 * have in their compressed forms are not compressed again.
 */
export const hostTarget = (files: Pick<FileStore, 'put'>, known: readonly Manifest[]): Target<Manifest> => ({
  async take(all) {
    const manifest: Manifest = {};
    const before = new Map(
      known.flatMap((each) => Object.values(each)).map((entry) => [`${entry.hash} ${entry.type}`, entry]),
    );
    for await (const { path, type, bytes, kept, movedTo, audience } of all) {
      const hash = kept ?? (await files.put(bytes));
      const same = before.get(`${hash} ${type}`);
      manifest[path] = {
        hash,
        type,
        ...(same ? same.encoded && { encoded: same.encoded } : await encodedForms(files, type, bytes)),
        ...(movedTo !== undefined && { movedTo }),
        ...(audience && { audience }),
      };
    }
    return manifest;
  },
});
