import { createHash, randomUUID } from 'node:crypto';
import { mkdir, open, readFile, rename, stat } from 'node:fs/promises';
import { join } from 'node:path';

/** Files by the SHA-256 of their content: written once, never changed. */
export interface FileStore {
  put(bytes: Uint8Array): Promise<string>;
  get(hash: string): Promise<Buffer>;
}

export function fileStore(folder: string): FileStore {
  const pathOf = (hash: string) => join(folder, hash.slice(0, 2), hash);
  return {
    async put(bytes) {
      const hash = createHash('sha256').update(bytes).digest('hex');
      const path = pathOf(hash);
      if (
        await stat(path).then(
          (found) => found.size === bytes.length,
          () => false,
        )
      )
        return hash;
      await mkdir(join(folder, hash.slice(0, 2)), { recursive: true });
      // Several may write the same bytes at once: each its own draft.
      const draft = `${path}.${randomUUID()}`;
      const handle = await open(draft, 'w');
      try {
        await handle.writeFile(bytes);
        await handle.sync();
      } finally {
        await handle.close();
      }
      await rename(draft, path);
      return hash;
    },
    get: (hash) => readFile(pathOf(hash)),
  };
}
