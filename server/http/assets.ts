import { isMadeSmaller, IMAGE_WIDTHS, widthsFor, type Asset, type ImageForm } from '../../core/index.ts';
import { examine, NotTaken, type Examined } from '../media/examine.ts';
import { typeOf } from '../media/sniff.ts';
import type { ImageMaker, Wanted } from '../media/imagemaker.ts';
import type { Store } from '../store/open.ts';
import { noSite } from './names.ts';
import { Refusal } from './problem.ts';
import type { Handlers } from './router.ts';

/** The forms in which all of an image is made. */
const formsOf = (asset: Pick<Asset, 'type' | 'width' | 'height' | 'moves' | 'hash' | 'name'>): Wanted[] =>
  isMadeSmaller(asset)
    ? widthsFor(asset.width).flatMap((width) =>
        (['image/webp', 'image/avif'] as const).map((type) => ({ asset, form: { type, width } })),
      )
    : [];

/** What never changes under its address may be kept for a year. */
export const LASTING = 'private, max-age=31536000, immutable';

/** Images and videos of a site. */
export function assetHandlers(
  { sites, files }: Pick<Store, 'sites' | 'files'>,
  pictures: ImageMaker,
): Handlers<'addAsset' | 'asset' | 'madeImage'> {
  const none = () => new Refusal(404, 'There is no such image on this site.');

  /** The bytes of an image or video; what it is, is for its bytes to say. */
  const bytesOf = async (site: string, hash: string): Promise<{ bytes: Buffer; type: Asset['type'] }> => {
    const known = (await sites.row(site))?.frame.assets.find((asset) => asset.hash === hash);
    // What was imported this moment is not on the site yet.
    if (!known && !(await files.has(hash))) throw none();
    const bytes = await files.get(hash, known?.name);
    const type = typeOf(bytes);
    if (!type) throw none();
    return { bytes, type };
  };

  return {
    async addAsset({ names, request }) {
      if (!(await sites.row(names.site))) throw noSite();
      const given: unknown = request.body;
      if (!Buffer.isBuffer(given) || given.length === 0)
        throw new Refusal(422, 'The file is empty. Nothing was saved.');
      let examined: Examined;
      try {
        examined = await pictures.inTurn(() => examine(given));
      } catch (error) {
        if (error instanceof NotTaken) throw new Refusal(422, `${error.message} Nothing was saved.`);
        throw error;
      }
      const { bytes, ...rest } = examined;
      const hash = await files.put(bytes);
      pictures.begin(formsOf({ ...rest, hash, name: 'picture' }));
      return { ...rest, hash, bytes: bytes.length };
    },

    async asset({ names: { site, hash }, response }) {
      const { bytes, type } = await bytesOf(site, hash);
      // A drawing is a document, too: opened by itself it may do nothing.
      response.set('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox");
      response.set('Cache-Control', LASTING).type(type).send(bytes);
    },

    async madeImage({ names: { site, hash, made }, response }) {
      const [width, ...part] = made
        .replace(/\.\w+$/, '')
        .split('-')
        .map(Number);
      const { type } = await bytesOf(site, hash);
      if (!isMadeSmaller({ type }) || width > Math.max(...IMAGE_WIDTHS)) throw none();
      const [x, y, across, down] = part;
      const form: ImageForm = {
        type: made.endsWith('.avif') ? 'image/avif' : 'image/webp',
        width,
        ...(part.length > 0 && { crop: { x, y, width: across, height: down } }),
      };
      const bytes = await pictures.bytes({ asset: { hash, name: hash }, form }).catch((error: unknown) => {
        // A part that lies outside of the picture.
        if (form.crop && /bad extract area/.test((error as Error).message)) throw none();
        throw error;
      });
      response.set('Cache-Control', LASTING).type(form.type).send(bytes);
    },
  };
}
