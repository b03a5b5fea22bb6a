import { createHash, randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, stat, writeFile } from 'node:fs/promises';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import PQueue from 'p-queue';
import sharp, { type Sharp } from 'sharp';
import { LIMITS, imageKey, type Asset, type ImageForm } from '../../core/index.ts';
import type { FileStore } from '../store/files.ts';

/** An image to be made: of which, and in which form. */
export interface Wanted {
  asset: Pick<Asset, 'hash' | 'name'>;
  form: ImageForm;
}

/** What is waited for goes before what will be needed some time. */
export const SOON = 1;
const SOME_TIME = 0;

const keyOf = ({ asset, form }: Wanted): string =>
  createHash('sha256').update(imageKey(asset, form)).digest('hex');

const CLEAR = { r: 0, g: 0, b: 0, alpha: 0 };

/** Dots per inch at which a drawing is about as wide as is wanted, so that it is sharp there; undefined for what is no drawing. */
async function densityFor(bytes: Buffer, wanted: number): Promise<number | undefined> {
  const { format, width = wanted, height = wanted } = await sharp(bytes).metadata();
  // At 72, which is what sharp takes by itself, a drawing has the size that it says.
  return format === 'svg' ? Math.min(2400, Math.max(72, (72 * wanted) / Math.max(width, height))) : undefined;
}

/** A whole image in the middle of a square. `width`: px. */
function squared(picture: Sharp, width: number, { ground, inset = 0 }: NonNullable<ImageForm['square']>) {
  const free = Math.round(width * inset);
  const background = ground ?? CLEAR;
  picture
    .resize({ width: width - 2 * free, height: width - 2 * free, fit: 'contain', background })
    .extend({ top: free, bottom: free, left: free, right: free, background });
  if (ground) picture.flatten({ background });
  return picture.png({ compressionLevel: 9 });
}

/**
 * Makes the smaller forms of images, one after the other beside what is served, and keeps them in a folder. They are made from what is
 * kept in `files`, always to the same bytes, so that the folder can be emptied at any time.
 */
export function imageMaker(folder: string, files: Pick<FileStore, 'get'>) {
  // A thread an image, and one processor left to those who ask for something meanwhile.
  sharp.concurrency(1);
  // What was unpacked once is not asked for again soon; held, it would be hundreds of megabytes.
  sharp.cache(false);
  const queue = new PQueue({ concurrency: Math.max(1, availableParallelism() - 1) });
  const pathOf = (key: string) => join(folder, key.slice(0, 2), key);
  /** What was asked for and is not there yet; `waits` until its turn comes. */
  const underWay = new Map<string, { made: Promise<Buffer>; waits: boolean }>();

  async function made({ asset, form }: Wanted): Promise<Buffer> {
    const bytes = await files.get(asset.hash, asset.name);
    const density = form.square && (await densityFor(bytes, form.width));
    const picture = sharp(bytes, { limitInputPixels: LIMITS.pixels, density });
    if (form.crop) {
      const { x, y, width, height } = form.crop;
      picture.extract({ left: x, top: y, width, height });
    }
    if (form.square) return squared(picture, form.width, form.square).toBuffer();
    picture.resize({ width: form.width, withoutEnlargement: true });
    return (
      form.type === 'image/avif'
        ? picture.avif({ quality: 55, effort: 2 })
        : picture.webp({ quality: 80, effort: 4 })
    ).toBuffer();
  }

  async function kept(key: string, bytes: Buffer): Promise<Buffer> {
    const path = pathOf(key);
    await mkdir(join(path, '..'), { recursive: true });
    const draft = `${path}.${randomUUID()}`;
    await writeFile(draft, bytes);
    await rename(draft, path);
    return bytes;
  }

  const isMade = (wanted: Wanted): Promise<boolean> =>
    stat(pathOf(keyOf(wanted))).then(
      ({ size }) => size > 0,
      () => false,
    );

  async function bytes(wanted: Wanted, priority = SOON): Promise<Buffer> {
    const key = keyOf(wanted);
    const before = await readFile(pathOf(key)).catch(() => undefined);
    if (before && before.length > 0) return before;
    const waiting = underWay.get(key);
    if (waiting) {
      if (waiting.waits && priority > SOME_TIME) queue.setPriority(key, priority);
      return waiting.made;
    }
    const job = { made: undefined as unknown as Promise<Buffer>, waits: true };
    job.made = queue
      .add(
        async () => {
          job.waits = false;
          return kept(key, await made(wanted));
        },
        { priority, id: key },
      )
      .finally(() => underWay.delete(key));
    underWay.set(key, job);
    return job.made;
  }

  return {
    /** An image in a form: as it was made before, or made now. */
    bytes,
    isMade,
    /** Makes images when there is time; one that cannot be made is told to whoever asks for it. */
    begin(all: readonly Wanted[], priority = SOME_TIME): void {
      for (const wanted of all) void bytes(wanted, priority).catch(() => undefined);
    },
    /** Does one thing at a time with images that come in: each may take much memory. */
    inTurn: <T>(task: () => Promise<T>): Promise<T> => queue.add(task, { priority: SOON + 1 }),
    async stop(): Promise<void> {
      queue.clear();
      await queue.onIdle();
    },
  };
}

export type ImageMaker = ReturnType<typeof imageMaker>;
