import {
  compileSite,
  done,
  heldBack,
  lookup,
  MISSING_PATH,
  type NodeId,
  type Outcome,
  type PublishedFile,
  refused,
  SIGN,
  signedInPath,
  type Site,
  sure,
} from '../../core/index.ts';
import { nanoid } from 'nanoid';
import type { Logger } from 'pino';
import type { LivePublication, PublicationLine, PublicationsResponse } from '../../api/responses.ts';
import { publishedBytes, type OwnBytes } from '../media/bytes.ts';
import { SOON, type ImageMaker, type Wanted } from '../media/imagemaker.ts';
import type { Snapshot } from '../store/documents.ts';
import { delivered, deliveredAway, FINGERPRINTED, type Delivered } from '../targets/target.ts';
import { turns } from '../serialized.ts';
import { inMemory } from './memory.ts';
import { publishedStates } from '../store/states.ts';
import { PUBLISH_TARGETS, type PublishTo } from '../targets/table.ts';
import { hostTarget } from './target.ts';
import type { Publication } from '../store/publications.ts';
import type { Manifest, PublishedEntry } from '../store/schema.ts';
import type { Store } from '../store/open.ts';

/** A file of a preview. */
export interface PreviewFile {
  type: string;
  bytes: Buffer;
  movedTo?: string;
  audience?: 'signed-in';
}

/** How many publications before are looked at for texts that are compressed already. */
const KNOWN = 3;

/** How often a publication is begun again where another process was faster. */
const TRIES = 3;

/** What became of a publication. */
type Published = Outcome<LivePublication> | 'changed' | undefined;

/** What is said with a publication. */
interface Publishing {
  /** The revision that is meant; absent: whichever there is. */
  revision?: number;
  note?: string;
  by?: string;
  /** Pages that stay as visitors have them. */
  heldBack?: readonly string[];
}

/** From which revision each of some pages is in a publication. */
const revisionsOf = ({ revision, heldBack }: Publication, pages: readonly string[]): Record<string, number> =>
  Object.fromEntries(pages.map((page) => [page, lookup(heldBack, page) ?? revision]));

/** How many publications are listed at once. */
const LISTED = 50;

/** Whether a file is a page that everyone gets, and is at its own address. */
const isPage = ([path, { type, movedTo, audience }]: [string, PublishedEntry]): boolean =>
  /^text\/html/.test(type) &&
  movedTo === undefined &&
  audience === undefined &&
  path !== MISSING_PATH &&
  !path.startsWith(signedInPath('')) &&
  !SIGN_PATHS.has(path);

const SIGN_PATHS: ReadonlySet<string> = new Set(Object.values(SIGN).map((way) => `${way}/index.html`));

/** How many previews are remembered; older ones answer 404. */
const PREVIEWS = 20;

/** What a publisher needs besides the store. */
interface PublisherParts {
  /** Where the host is. */
  hostUrl: string;
  /** Where the live publication of each site goes, too. */
  publishTo?: PublishTo;
  log: Pick<Logger, 'error'>;
}

async function* nothing(): AsyncGenerator<Delivered> {}

/** Compiles sites and keeps what the host serves: publications in the store, previews in memory. */
export function publisher(
  store: Store,
  pictures: ImageMaker,
  { hostUrl, publishTo = {}, log }: PublisherParts,
) {
  const served = inMemory(store);
  const states = publishedStates(store.files);

  /** What the publication of a site's last state makes of images: it is asked for again and again while that is done. */
  const lastWanted = new Map<string, { revision: number; wanted: Wanted[] }>();
  function wantedIn(id: string, { site, revision }: Snapshot): Wanted[] {
    const before = lastWanted.get(id);
    if (before?.revision === revision) return before.wanted;
    const wanted = compileSite(site).flatMap((file) => ('made' in file ? [file.made] : []));
    lastWanted.set(id, { revision, wanted });
    if (lastWanted.size > PREVIEWS) lastWanted.delete(sure(lastWanted.keys().next().value));
    return wanted;
  }

  const previews = new Map<string, { site: string; files: Map<string, PublishedFile> }>();

  const own: OwnBytes = {
    kept: (hash, _id, name) => store.files.get(hash, name),
    made: (wanted) => pictures.bytes(wanted),
    soon: (wanted) => pictures.begin(wanted, SOON),
  };

  const siteUrl = (site: string) => `${hostUrl}/${site}/`;
  // Nobody can guess it: what was taken down is not for everyone.
  const earlierUrl = (site: string, state: string) => `${hostUrl}/publication/${state}/${site}/`;

  const publishingTurns = turns();
  /** What goes to a place of a site does so in turns, so that the last is what is live. */
  const placeTurns = turns();
  const places = PUBLISH_TARGETS.flatMap((target) => {
    const setting = lookup(publishTo, target.name);
    return setting === undefined ? [] : [{ target, setting }];
  });

  /** Brings all other places up to what is live of a site; answers in sentences why they are not. */
  async function toOtherPlaces(id: string): Promise<string | undefined> {
    const sentences: string[] = [];
    for (const { target, setting } of places) {
      const put = async () => {
        const live = await store.publications.live(id);
        const site = live && (await stateOf(live));
        // Of one from before sites were kept with their publications nothing can be made: what is there stays.
        if (live && !site) return;
        await target.open(setting, id).take(site ? delivered(site, { still: true }, own) : nothing());
      };
      try {
        await placeTurns(`${target.name} ${id}`, put);
      } catch (error) {
        log.error(error);
        sentences.push(target.explain(error, setting, id));
      }
    }
    return sentences.length > 0 ? sentences.join(' ') : undefined;
  }

  const stateOf = async ({ state }: Publication): Promise<Site | undefined> =>
    state === null ? undefined : states.get(state);

  const liveFrom = (id: string, { number, publishedAt }: Publication): LivePublication => ({
    number,
    url: siteUrl(id),
    publishedAt: publishedAt.toISOString(),
  });

  /** What is live, once it is in all other places, too. */
  const announced = async (id: string, live: Publication): Promise<LivePublication> => ({
    ...liveFrom(id, live),
    notDelivered: await toOtherPlaces(id),
  });

  /** A site with pages as they are in what is live. */
  async function withHeldBack(
    site: Site,
    before: Publication | undefined,
    held: readonly string[],
  ): Promise<Outcome<Site>> {
    if (held.length === 0) return done(site);
    if (!before?.state)
      return refused('Nothing is published yet, so no page can be left out. Publish the whole site once.');
    return heldBack(site, sure(await stateOf(before)), new Set(held as NodeId[]));
  }

  /** Publishes a site as it is now, unless another process has published meanwhile. */
  async function publishOnce(
    id: string,
    { revision, note, by, heldBack: held = [] }: Publishing,
  ): Promise<Published | 'overtaken'> {
    const start = await store.publications.start(id);
    const snapshot = await store.history.snapshot(id);
    if (!snapshot) return undefined;
    if (revision !== undefined && revision !== snapshot.revision) return 'changed';
    const before = await store.publications.live(id);
    if (held.length === 0 && before?.revision === snapshot.revision && !before.heldBack)
      return done(await announced(id, before));
    const next = await withHeldBack(snapshot.site, before, held);
    if (!next.ok) return next;
    const state = await states.put(next.value);
    if (before && held.length > 0 && before.state === state) return done(await announced(id, before));
    // What was published before in the same form is not compressed again.
    const earlier = await store.publications.recent(id, KNOWN);
    const known = [...earlier, ...(before ? [before] : [])].map((each) => each.manifest);
    const manifest = await hostTarget(store.files, known).take(
      delivered(next.value, { address: siteUrl(id) }, own),
    );
    const made = {
      ...{ manifest, revision: snapshot.revision, state },
      ...{ note: note?.trim() || null, by: by?.trim() || null },
      heldBack: before && held.length > 0 ? revisionsOf(before, held) : null,
    };
    const kept = await store.publications.publish(id, made, start);
    if (!kept) return 'overtaken';
    served.forget(id);
    return done(await announced(id, kept));
  }

  return {
    /**
     * Publishes a site as it is now, but for the pages that are held back, one publication of a site after the other. Undefined when there
     * is no such site; `changed` when it is not at the revision that was asked for; refused where what is held back does not go with the
     * rest. What is live already as it is stays so.
     */
    publish: (id: string, publishing: Publishing): Promise<Published> =>
      publishingTurns(id, async () => {
        for (let tries = 0; tries < TRIES; tries++) {
          const published = await publishOnce(id, publishing);
          if (published !== 'overtaken') return published;
        }
        return 'changed';
      }),

    /** The last publications of a site, or the last ones before a number, the last one first; and which one is live. */
    async list(id: string, before?: number): Promise<PublicationsResponse> {
      const live = await store.publications.live(id);
      const found = await store.publications.recent(id, LISTED + 1, before);
      const line = (each: Publication): PublicationLine => ({
        number: each.number,
        publishedAt: each.publishedAt.toISOString(),
        ...{ note: each.note ?? '', by: each.by ?? '', revision: each.revision },
        heldBack: Object.keys(each.heldBack ?? {}).length,
        pages: Object.entries(each.manifest).filter(isPage).length,
        live: each.number === live?.number,
        url: each.state === null ? null : earlierUrl(id, each.state),
        comparable: each.state !== null,
      });
      return {
        publications: found.slice(0, LISTED).map(line),
        more: found.length > LISTED,
        live: live ? line(live) : null,
      };
    },

    /** Makes an earlier publication the live one again; undefined where there is none of that number. */
    async makeLive(id: string, number: number): Promise<LivePublication | undefined> {
      if (!(await store.publications.makeLive(id, number))) return undefined;
      served.forget(id);
      const live = await store.publications.live(id);
      return live && announced(id, live);
    },

    /** The site as it was when it was published; undefined where there is no such publication, or that was not kept yet. */
    async state(id: string, number: number): Promise<Site | undefined> {
      const found = await store.publications.one(id, number);
      return found && stateOf(found);
    },

    /** A file of any publication, to be looked at by who knows the SHA-256 of the site as it was. */
    async earlierFile(id: string, state: string, path: string): Promise<PublishedEntry | undefined> {
      const manifest = (await store.publications.byState(id, state))?.manifest;
      return manifest && Object.hasOwn(manifest, path) ? lookup(manifest, path) : undefined;
    },

    /** Takes what is live off the host; visitors get a plain notice then. Answers why it is not out of the folder, where it is not. */
    async takeDown(id: string): Promise<string | undefined> {
      await store.publications.takeDown(id);
      served.forget(id);
      return toOtherPlaces(id);
    },

    /** The files of a site as they would be published without the host, made again at each call; undefined when there is no such site. */
    async files(id: string): Promise<(() => AsyncIterable<Delivered>) | undefined> {
      const snapshot = await store.history.snapshot(id);
      return snapshot && (() => deliveredAway(snapshot.site, own));
    },

    /** How many images the site's publication has made of others, and how many of them are there already. */
    async making(id: string): Promise<{ wanted: number; made: number } | undefined> {
      const present = await store.history.present(id);
      if (!present) return undefined;
      const wanted = wantedIn(id, present);
      const there = await Promise.all(wanted.map((each) => pictures.isMade(each)));
      return { wanted: wanted.length, made: there.filter(Boolean).length };
    },

    /** Makes the images of a site’s publication when there is time, so that publishing finds them made. */
    async prepare(id: string): Promise<void> {
      const present = await store.history.present(id);
      if (present) pictures.begin(wantedIn(id, present));
    },

    url: siteUrl,

    /** Compiles the draft for the host to show under a name that cannot be guessed; answers its address. */
    async preview(id: string): Promise<string | undefined> {
      const snapshot = await store.history.snapshot(id);
      if (!snapshot) return undefined;
      const token = nanoid();
      const address = `${hostUrl}/preview/${token}/`;
      const files = new Map(compileSite(snapshot.site, { address }).map((file) => [file.path, file]));
      previews.set(token, { site: id, files });
      if (previews.size > PREVIEWS) previews.delete(sure(previews.keys().next().value));
      return address;
    },

    async live(id: string): Promise<LivePublication | null> {
      const live = await store.publications.live(id);
      return live ? liveFrom(id, live) : null;
    },

    /** A file of a preview; an image in it is made when it is first asked for. */
    async previewFile(token: string, path: string): Promise<PreviewFile | undefined> {
      const file = previews.get(token)?.files.get(path);
      return (
        file && {
          type: file.type,
          bytes: await publishedBytes(file, own),
          movedTo: 'text' in file ? file.movedTo : undefined,
          audience: file.audience,
        }
      );
    },

    /** A file of the live publication. */
    liveFile: (id: string, path: string): Promise<PublishedEntry | undefined> =>
      served.file(id, path, FINGERPRINTED.test(path)),

    /** What was published last of a site that was taken down; undefined where it is live, or never was. */
    takenDown: (id: string): Promise<Manifest | undefined> => served.takenDown(id),

    /** The bytes of a published file, by their hash. */
    bytes: (hash: string): Promise<Buffer> => served.bytes(hash),
    /** How many they are, and some or all of them as they are read. */
    size: served.size,
    part: served.part,
  };
}

export type Publisher = ReturnType<typeof publisher>;
