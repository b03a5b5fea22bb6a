import { nanoid } from 'nanoid';
import { compileSite, type Site } from '../../core/index.ts';
import type { LivePublication } from '../../api/responses.ts';
import { publishedBytes } from '../media/bytes.ts';
import { encodings } from './encodings.ts';
import { inMemory } from './memory.ts';
import type { Publication } from '../store/publications.ts';
import type { Manifest, PublishedEntry } from '../store/schema.ts';
import type { Store } from '../store/open.ts';

/** A file of a preview. */
export interface PreviewFile {
  type: string;
  bytes: Buffer;
}

/** How many previews are remembered; older ones answer 404. */
const PREVIEWS = 20;

/** Compiles sites and keeps what the host serves: publications in the store, previews in memory. */
export function publisher(store: Store, hostUrl: string) {
  const served = inMemory(store);

  /** The compressed forms of a text, made once and kept like any file. */
  async function encodedForms(type: string, bytes: Buffer): Promise<Pick<PublishedEntry, 'encoded'>> {
    const encoded: NonNullable<PublishedEntry['encoded']> = {};
    for (const [name, form] of Object.entries(await encodings(type, bytes)))
      encoded[name as keyof typeof encoded] = await store.files.put(form);
    return Object.keys(encoded).length > 0 ? { encoded } : {};
  }

  const previews = new Map<string, { site: string; files: Map<string, PreviewFile> }>();

  /** The files of a site. `kept`: the hash that bytes were read by from the store. */
  async function compiled(
    site: Site,
  ): Promise<{ path: string; type: string; bytes: Buffer; kept?: string }[]> {
    return Promise.all(
      compileSite(site).map(async (file) => ({
        path: file.path,
        type: file.type,
        kept: 'asset' in file ? file.asset.hash : 'font' in file ? file.font.file.hash : undefined,
        bytes: await publishedBytes(file, (hash, _id, name) => store.files.get(hash, name)),
      })),
    );
  }

  const siteUrl = (site: string) => `${hostUrl}/${site}/`;

  const liveFrom = (id: string, { number, publishedAt }: Publication): LivePublication => ({
    number,
    url: siteUrl(id),
    publishedAt: publishedAt.toISOString(),
  });

  return {
    /** Publishes a site as it is now; undefined when there is no such site. What is live already as it is stays so. */
    async publish(id: string): Promise<LivePublication | undefined> {
      const snapshot = await store.history.snapshot(id);
      if (!snapshot) return undefined;
      const before = await store.publications.live(id);
      if (before?.revision === snapshot.revision) return liveFrom(id, before);
      const manifest: Manifest = {};
      for (const { path, type, bytes, kept } of await compiled(snapshot.site)) {
        const hash = kept ?? (await store.files.put(bytes));
        manifest[path] = { hash, type, ...(await encodedForms(type, bytes)) };
      }
      const kept = await store.publications.publish(id, manifest, snapshot.revision);
      served.forget(id);
      return liveFrom(id, kept);
    },

    /** Takes what is live off the host; it answers 404 then. */
    async takeDown(id: string): Promise<void> {
      await store.publications.takeDown(id);
      served.forget(id);
    },

    /** The files of a site as they would be published; undefined when there is no such site. */
    async files(id: string): Promise<{ path: string; bytes: Buffer }[] | undefined> {
      const snapshot = await store.history.snapshot(id);
      return snapshot && (await compiled(snapshot.site));
    },

    url: siteUrl,

    /** Compiles the draft for the host to show under a name that cannot be guessed; answers its address. */
    async preview(id: string): Promise<string | undefined> {
      const snapshot = await store.history.snapshot(id);
      if (!snapshot) return undefined;
      const files = new Map<string, PreviewFile>();
      for (const { path, type, bytes } of await compiled(snapshot.site)) files.set(path, { type, bytes });
      const token = nanoid();
      previews.set(token, { site: id, files });
      if (previews.size > PREVIEWS) previews.delete(previews.keys().next().value!);
      return `${hostUrl}/preview/${token}/`;
    },

    async live(id: string): Promise<LivePublication | null> {
      const live = await store.publications.live(id);
      return live ? liveFrom(id, live) : null;
    },

    previewFile: (token: string, path: string): PreviewFile | undefined =>
      previews.get(token)?.files.get(path),

    /** A file of the live publication. */
    async liveFile(id: string, path: string): Promise<PublishedEntry | undefined> {
      const manifest = await served.manifest(id);
      return manifest && Object.hasOwn(manifest, path) ? manifest[path] : undefined;
    },

    /** The bytes of a published file, by their hash. */
    bytes: (hash: string): Promise<Buffer> => served.bytes(hash),
  };
}

export type Publisher = ReturnType<typeof publisher>;
