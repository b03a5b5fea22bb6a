import { type Asset, LIMITS, sure } from '../../core/index.ts';
import sharp, { type Sharp } from 'sharp';
import { BufferSource, Input, MP4, WEBM } from 'mediabunny';
import { runInWorker } from './inworker.ts';
import { endsWhole, withoutPlace } from './videoparts.ts';
import { typeOf } from './sniff.ts';

/** What an image or video says of itself, and the bytes that are kept of it. */
export type Examined = Pick<Asset, 'type' | 'width' | 'height' | 'colour' | 'moves'> & { bytes: Buffer };

/** Why bytes are not taken in, as a sentence. */
export class NotTaken extends Error {}

const PIXELS = { limitInputPixels: LIMITS.pixels, failOn: 'error' } as const;

/** Cleans an SVG, and draws it once. */
const cleaned = runInWorker<{ markup: string; width: number; height: number }>(
  new URL('./svgworker.mjs', import.meta.url),
  { processor: 6000, memory: 256 },
);

/** Characters of an SVG; a drawing that is longer is better imported as another type. */
const LONGEST_SVG = 2_000_000;

const damaged = 'It is damaged, or only a part of it. Save it again and choose it again.';

/** An image in its own type, made of its px alone: place, camera and whatever else stood in the file is left behind. */
const AGAIN: Partial<Record<Asset['type'], (picture: Sharp) => Sharp>> = {
  'image/jpeg': (picture) => picture.jpeg({ quality: 92, chromaSubsampling: '4:4:4' }),
  'image/png': (picture) => picture.png({ compressionLevel: 9, effort: 4 }),
  'image/webp': (picture) => picture.webp({ quality: 92, effort: 2 }),
  'image/avif': (picture) => picture.avif({ quality: 80, effort: 2 }),
  'image/gif': (picture) => picture.gif(),
};

/** Refuses what is wider or higher than any image or video, or has no size at all. */
function checkSides(width: number, height: number): void {
  if (!(width >= 1 && height >= 1)) throw new NotTaken(damaged);
  if (width > LIMITS.side || height > LIMITS.side)
    throw new NotTaken(
      `It is ${width} × ${height} px; each side may have ${LIMITS.side} px at most. Make it smaller and choose it again.`,
    );
}

const inWords = (count: number): string => `${Math.round(count / 1_000_000)} megapixels`;

/** Px of an image, all frames together, by what its head says: nothing is unpacked for it. */
async function headOf(bytes: Buffer) {
  const head = await sharp(bytes, { limitInputPixels: false, animated: true })
    .metadata()
    .catch(() => undefined);
  if (!head?.width || !head.height) throw new NotTaken(damaged);
  const { width, height, pages = 1, pageHeight = height } = head;
  checkSides(width, pageHeight);
  const pixels = width * pageHeight * pages;
  if (pixels > LIMITS.pixels) {
    throw new NotTaken(
      `It has ${inWords(pixels)}; an image can have ${inWords(LIMITS.pixels)} at most. Make it smaller and choose it again.`,
    );
  }
  return { frames: pages, hasAlpha: head.hasAlpha ?? false, width, height: pageHeight };
}

const hex = (value: number): string => Math.round(value).toString(16).padStart(2, '0');

/** Examines an image of px: turns it upright, leaves behind what it says of place and camera, and unpacks all of it to see that it is whole. */
async function examinedPixels(type: Asset['type'], bytes: Buffer): Promise<Examined> {
  const { frames, hasAlpha } = await headOf(bytes);
  const moves = frames > 1;
  const picture = sharp(bytes, { ...PIXELS, animated: moves });
  const upright = moves ? picture : picture.autoOrient();
  const made = await sure(AGAIN[type])(upright)
    .toBuffer({ resolveWithObject: true })
    .catch(() => {
      throw new NotTaken(damaged);
    });
  const { width, height, pageHeight } = made.info;
  const [red, green, blue] = hasAlpha
    ? []
    : await sharp(made.data, PIXELS)
        .resize(1, 1, { fit: 'fill' })
        .removeAlpha()
        .toColourspace('srgb')
        .raw()
        .toBuffer();
  return {
    type,
    width,
    height: pageHeight ?? height,
    ...(red !== undefined && { colour: `#${[red, green ?? red, blue ?? red].map(hex).join('')}` }),
    ...(moves && { moves }),
    bytes: made.data,
  };
}

async function examinedDrawing(bytes: Buffer): Promise<Examined> {
  const text = bytes.toString('utf8').replace(/^\uFEFF/, '');
  if (text.length > LONGEST_SVG)
    throw new NotTaken('An SVG has two million characters at most. Import it as PNG or WebP.');
  if (/<!ENTITY|<!DOCTYPE[^>]*\[/i.test(text))
    throw new NotTaken(
      'It declares entities, which a drawing does not need. Save it as plain SVG and choose it again.',
    );
  const clean = await cleaned(text);
  if (!clean)
    throw new NotTaken(
      'It isn’t an SVG that can be read, or drawing it takes longer than a page can wait. Export it in a simpler form, or as PNG or WebP.',
    );
  const { markup, width, height } = clean;
  checkSides(width, height);
  return { type: 'image/svg+xml', width, height, bytes: Buffer.from(markup, 'utf8') };
}

async function examinedVideo(type: Asset['type'], bytes: Buffer): Promise<Examined> {
  if (!endsWhole(type, bytes)) throw new NotTaken(damaged);
  const input = new Input({ source: new BufferSource(bytes), formats: [MP4, WEBM] });
  try {
    const track = await input.getPrimaryVideoTrack();
    if (!track) throw new NotTaken('There is no video in it.');
    const [width, height] = [track.displayWidth, track.displayHeight];
    checkSides(width, height);
    return { type, width, height, bytes: withoutPlace(type, bytes) };
  } catch (error) {
    if (error instanceof NotTaken) throw error;
    throw new NotTaken(damaged);
  }
}

/** A document is whole where it ends as it should: with the place of its table, and its end (ISO 32000-1, §7.5.5). */
function examinedDocument(bytes: Buffer): Examined {
  if (!/startxref\s+\d+\s+%%EOF/.test(bytes.toString('latin1', Math.max(0, bytes.length - 2048))))
    throw new NotTaken(damaged);
  return { type: 'application/pdf', bytes };
}

/** Characters of captions; those of a video of three hours are a tenth of it. */
const LONGEST_CAPTIONS = 2_000_000;

/** Captions are text with at least one time in it from which to which words are shown (WebVTT, §4). */
function examinedCaptions(bytes: Buffer): Examined {
  if (bytes.length > LONGEST_CAPTIONS) throw new NotTaken('Captions have two million characters at most.');
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new NotTaken('These captions are not text in UTF-8. Save them as UTF-8 and choose them again.');
  }
  const times = /^(\d{2,}:)?[0-5]\d:[0-5]\d\.\d{3}[ \t]+-->[ \t]+(\d{2,}:)?[0-5]\d:[0-5]\d\.\d{3}/m;
  if (!times.test(text)) throw new NotTaken('There are no times in these captions, so nothing would show.');
  return { type: 'text/vtt', bytes };
}

/** Examines bytes that a person imports, whatever they are called. Throws `NotTaken` with the reason where they are not taken. */
export async function examine(bytes: Buffer): Promise<Examined> {
  const type = typeOf(bytes);
  if (!type) {
    throw new NotTaken(
      'It is not one of the types that a site can use: JPEG, PNG, WebP, AVIF, GIF and SVG images, MP4 and WebM videos, PDF documents, WebVTT captions and woff2 fonts.',
    );
  }
  if (type === 'image/svg+xml') return examinedDrawing(bytes);
  if (type === 'application/pdf') return examinedDocument(bytes);
  if (type === 'text/vtt') return examinedCaptions(bytes);
  return type.startsWith('video/') ? examinedVideo(type, bytes) : examinedPixels(type, bytes);
}

/**
 * What is wrong with the bytes of an image that comes in a site file, as a sentence; undefined where nothing is. They are kept as they
 * are, so that a site that is taken out and imported again is the same to the byte.
 */
export async function faultOfBytes(
  { type, name, width, height }: Pick<Asset, 'type' | 'name' | 'width' | 'height'>,
  bytes: Buffer,
): Promise<string | undefined> {
  try {
    if (type === 'application/pdf' || type === 'text/vtt') return void (await examine(bytes));
    if (type === 'image/svg+xml') {
      const { bytes: clean } = await examinedDrawing(bytes);
      return clean.equals(bytes)
        ? undefined
        : `The drawing “${name}” contains more than an SVG may contain; import it on the shelf, which cleans it.`;
    }
    const head = type.startsWith('video/') ? await examinedVideo(type, bytes) : await headOf(bytes);
    return head.width === width && head.height === height
      ? undefined
      : `The image or video “${name}” is ${head.width} × ${head.height} px, not ${width} × ${height}.`;
  } catch (error) {
    if (error instanceof NotTaken) return `The file of “${name}” cannot be used. ${error.message}`;
    throw error;
  }
}
