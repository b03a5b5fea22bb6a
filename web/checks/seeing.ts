import {
  familiesOf,
  picturesBehind,
  printFontFaces,
  wordsToMeasure,
  type Asset,
  type LongWord,
  type Page,
  type Seen,
  type SiteFrame,
  type Tone,
  type WordsToMeasure,
} from '../../core/index.ts';
import { paths } from '../../api/paths.ts';
import { EMPTY_SHEET } from '../page/sheetdocument.ts';

/** A picture is looked at in so many parts across and down; each is the mean of what is in it. */
const PARTS = 24;

/** px; words are measured as large as that, so that rounding does not show. */
const SIZE = 100;

/** The tones of a picture, from its bytes; none where they cannot be had. */
async function tonesOf(address: string): Promise<Tone[]> {
  try {
    const picture = new Image();
    picture.src = address;
    await picture.decode();
    const canvas = document.createElement('canvas');
    canvas.width = PARTS;
    canvas.height = PARTS;
    const context = canvas.getContext('2d', { willReadFrequently: true })!;
    context.imageSmoothingQuality = 'high';
    context.drawImage(picture, 0, 0, PARTS, PARTS);
    const { data } = context.getImageData(0, 0, PARTS, PARTS);
    const tones = new Map<string, Tone>();
    for (let at = 0; at < data.length; at += 4) {
      // Nothing can be said of words before a part that lets something else through.
      if (data[at + 3] < 255) return [];
      const [red, green, blue] = [data[at], data[at + 1], data[at + 2]];
      tones.set(`${red >> 3} ${green >> 3} ${blue >> 3}`, [red / 255, green / 255, blue / 255]);
    }
    return [...tones.values()];
  } catch {
    return [];
  }
}

/** Sees what only a browser can: the tones of pictures, how wide words are in the fonts of a site. Each is looked at once. */
export class Seeing {
  private readonly tones = new Map<string, Promise<Tone[]>>();
  private readonly widths = new Map<string, number>();
  private frame: HTMLIFrameElement | undefined;
  private families = '';

  async see(site: SiteFrame, page: Page): Promise<Seen> {
    const [tones, words] = await Promise.all([this.tonesIn(site, page), this.wordsIn(site, page)]);
    return { tones, words };
  }

  close(): void {
    this.frame?.remove();
  }

  private async tonesIn(site: SiteFrame, page: Page): Promise<Map<string, Tone[]>> {
    const assets = picturesBehind(page).flatMap((id) => site.assets.find((asset) => asset.id === id) ?? []);
    const seen = await Promise.all(
      assets.map(async (asset) => [asset.id, await this.tone(site, asset)] as const),
    );
    return new Map(seen);
  }

  private tone(site: SiteFrame, { hash }: Asset): Promise<Tone[]> {
    const known = this.tones.get(hash) ?? tonesOf(paths.asset(site.id, hash));
    this.tones.set(hash, known);
    return known;
  }

  private async wordsIn(site: SiteFrame, page: Page): Promise<LongWord[]> {
    const asked = wordsToMeasure(site, page);
    if (asked.length === 0) return [];
    const { document } = await this.ready(site);
    const context = document.createElement('canvas').getContext('2d')!;
    const made: LongWord[] = [];
    for (const each of asked) {
      const rated: { word: string; ems: number }[] = [];
      for (const word of each.words) rated.push({ word, ems: await this.ems(document, context, each, word) });
      const widest = rated.reduce((one, other) => (other.ems > one.ems ? other : one));
      made.push({ node: each.node, part: 'self', view: each.view, ...widest });
    }
    return made;
  }

  /** How wide a word is in a font, in multiples of its size. */
  private async ems(
    document: Document,
    context: CanvasRenderingContext2D,
    { family, weight, slant, spacing, case: letters }: WordsToMeasure,
    word: string,
  ): Promise<number> {
    const font = `${slant} ${weight} ${SIZE}px "${family}"`;
    const key = `${font} ${spacing} ${letters} ${word}`;
    const known = this.widths.get(key);
    if (known !== undefined) return known;
    await document.fonts.load(font, word);
    context.font = font;
    context.letterSpacing = `${spacing * SIZE}px`;
    const drawn =
      letters === 'uppercase'
        ? word.toLocaleUpperCase()
        : letters === 'lowercase'
          ? word.toLocaleLowerCase()
          : word;
    const ems = context.measureText(drawn).width / SIZE;
    this.widths.set(key, ems);
    return ems;
  }

  /** A document with the fonts of a site and nothing else. */
  private async ready(site: SiteFrame): Promise<{ document: Document }> {
    if (!this.frame) {
      const frame = document.createElement('iframe');
      frame.setAttribute('sandbox', 'allow-same-origin');
      frame.setAttribute('aria-hidden', 'true');
      frame.title = 'Words that are measured';
      frame.inert = true;
      frame.srcdoc = EMPTY_SHEET;
      Object.assign(frame.style, {
        position: 'fixed',
        left: '-9999px',
        width: '10px',
        height: '10px',
        border: '0',
      });
      const loaded = new Promise((resolve) => frame.addEventListener('load', resolve, { once: true }));
      document.body.append(frame);
      this.frame = frame;
      await loaded;
    }
    const inner = this.frame.contentDocument!;
    const faces = printFontFaces(familiesOf(site), (_family, file) =>
      file.hash ? paths.ownFont(site.id, file.hash) : paths.font(file.file),
    );
    if (this.families !== faces) {
      this.families = faces;
      this.widths.clear();
      const style = inner.createElement('style');
      style.textContent = faces;
      inner.head.replaceChildren(style);
    }
    return { document: inner };
  }
}
