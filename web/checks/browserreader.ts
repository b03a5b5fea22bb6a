import {
  type Asset,
  backgroundImages,
  type BrowserFacts,
  type LongWord,
  type Page,
  type SiteFrame,
  sure,
  type Tone,
  type WordsToMeasure,
} from '../../core/index.ts';
import { paths } from '../../api/paths.ts';
import { hiddenFrame } from '../page/hiddenframe.ts';
import { fontFacesOf } from '../page/sheetdocument.ts';

/** An image is looked at in so many parts across and down; each is the mean of what is in it. */
const PARTS = 24;

/** px; words are measured as large as that, so that rounding does not show. */
const SIZE = 100;

/** The tones of an image, from its bytes; none where some of it lets something else through. */
async function tonesOf(address: string): Promise<Tone[]> {
  const picture = new Image();
  picture.src = address;
  await picture.decode();
  const canvas = document.createElement('canvas');
  canvas.width = PARTS;
  canvas.height = PARTS;
  const context = sure(canvas.getContext('2d', { willReadFrequently: true }));
  context.imageSmoothingQuality = 'high';
  context.drawImage(picture, 0, 0, PARTS, PARTS);
  const { data } = context.getImageData(0, 0, PARTS, PARTS);
  const tones = new Map<string, Tone>();
  for (let at = 0; at < data.length; at += 4) {
    if (data[at + 3] < 255) return [];
    const [red, green, blue] = [data[at], data[at + 1], data[at + 2]];
    tones.set(`${red >> 3} ${green >> 3} ${blue >> 3}`, [red / 255, green / 255, blue / 255]);
  }
  return [...tones.values()];
}

/** Sees what only a browser can: the tones of images, how wide words are in the fonts of a site. Each is looked at once. */
export class BrowserReader {
  private readonly tones = new Map<string, Promise<Tone[]>>();
  private readonly widths = new Map<string, number>();
  private frame: Promise<HTMLIFrameElement> | undefined;
  private families = '';

  async see(site: SiteFrame, page: Page, request: readonly WordsToMeasure[]): Promise<BrowserFacts> {
    const [tones, words] = await Promise.all([this.tonesIn(site, page), this.wordsOf(site, request)]);
    return { tones, words };
  }

  close(): void {
    void this.frame?.then((frame) => frame.remove());
  }

  private async tonesIn(site: SiteFrame, page: Page): Promise<Map<string, Tone[]>> {
    const assets = backgroundImages(page).flatMap((id) => site.assets.find((asset) => asset.id === id) ?? []);
    const facts = await Promise.all(
      assets.map(async (asset) => [asset.id, await this.tone(site, asset)] as const),
    );
    return new Map(facts);
  }

  private tone(site: SiteFrame, { hash }: Asset): Promise<Tone[]> {
    let tones = this.tones.get(hash);
    if (!tones) {
      // What cannot be had now may be there the next time.
      tones = tonesOf(paths.asset(site.id, hash)).catch(() => (this.tones.delete(hash), []));
      this.tones.set(hash, tones);
    }
    return tones;
  }

  private async wordsOf(site: SiteFrame, request: readonly WordsToMeasure[]): Promise<LongWord[]> {
    if (request.length === 0) return [];
    const inner = await this.documentOf(site);
    // Of that document: another one does not know its fonts.
    const context = sure(inner.createElement('canvas').getContext('2d'));
    const made: LongWord[] = [];
    for (const each of request) {
      let widest = { word: '', ems: 0 };
      for (const word of each.words) {
        const ems = await this.ems(inner, context, each, word);
        if (ems > widest.ems) widest = { word, ems };
      }
      if (widest.ems > 0) made.push({ node: each.node, view: each.view, ...widest });
    }
    return made;
  }

  /** How wide a word is in a font, in multiples of its size; 0 where its font does not come. */
  private async ems(
    inner: Document,
    context: CanvasRenderingContext2D,
    { family, weight, slant, spacing }: WordsToMeasure,
    word: string,
  ): Promise<number> {
    const font = `${slant} ${weight} ${SIZE}px "${family}"`;
    const key = `${font} ${spacing} ${word}`;
    const known = this.widths.get(key);
    if (known !== undefined) return known;
    const came = await inner.fonts.load(font, word).then(
      () => true,
      () => false,
    );
    if (!came) return 0;
    context.font = font;
    context.letterSpacing = `${spacing * SIZE}px`;
    const ems = context.measureText(word).width / SIZE;
    this.widths.set(key, ems);
    return ems;
  }

  /** A document with the fonts of a site and nothing else. */
  private async documentOf(site: SiteFrame): Promise<Document> {
    this.frame ??= hiddenFrame('Measured text', { width: 10, height: 10 });
    const { contentDocument } = await this.frame;
    const faces = fontFacesOf(site);
    if (this.families !== faces) {
      this.families = faces;
      this.widths.clear();
      const style = sure(contentDocument, 'contentDocument').createElement('style');
      style.textContent = faces;
      sure(contentDocument, 'contentDocument').head.replaceChildren(style);
    }
    return sure(contentDocument, 'contentDocument');
  }
}
