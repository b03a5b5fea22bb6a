import { raw, Router } from 'express';
import { HashName, MadeName } from '../../api/requests.ts';
import type { AssetResponse } from '../../api/responses.ts';
import {
  isMadeSmaller,
  LIMITS,
  IMAGE_WIDTHS,
  widthsFor,
  type Asset,
  type ImageForm,
} from '../../core/index.ts';
import { examine, NotTaken, type Examined } from '../media/examine.ts';
import { typeOf } from '../media/sniff.ts';
import type { ImageMaker, Wanted } from '../media/imagemaker.ts';
import type { Store } from '../store/open.ts';
import { namesIn, noSite } from './names.ts';
import { Refusal } from './problem.ts';
import { validated } from './validated.ts';

/** The forms in which all of an image is made. */
const formsOf = (asset: Pick<Asset, 'type' | 'width' | 'height' | 'moves' | 'hash' | 'name'>): Wanted[] =>
  isMadeSmaller(asset)
    ? widthsFor(asset.width).flatMap((width) =>
        (['image/webp', 'image/avif'] as const).map((type) => ({ asset, form: { type, width } })),
      )
    : [];

/** Images and videos of a site, under `/api/sites`. */
export function assetRoutes({ sites, files }: Pick<Store, 'sites' | 'files'>, pictures: ImageMaker): Router {
  const router = Router();

  router.post('/:site/assets', raw({ type: () => true, limit: LIMITS.asset }), async (request, response) => {
    const { site } = await namesIn(request.params);
    if (!(await sites.row(site))) throw noSite();
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
    response.status(201).json({ ...rest, hash, bytes: bytes.length } satisfies AssetResponse);
  });

  const none = () => new Refusal(404, 'There is no such image on this site.');

  /** The bytes of an image or video; what it is, is for its bytes to say. */
  const kept = async (site: string, hash: string): Promise<{ bytes: Buffer; type: Asset['type'] }> => {
    const known = (await sites.row(site))?.frame.assets.find((asset) => asset.hash === hash);
    // What was imported this moment is not on the site yet.
    if (!known && !(await files.has(hash))) throw none();
    const bytes = await files.get(hash, known?.name);
    const type = typeOf(bytes);
    if (!type) throw none();
    return { bytes, type };
  };
  const LASTING = 'private, max-age=31536000, immutable';

  router.get('/:site/assets/:hash', async (request, response) => {
    const { hash } = await validated(HashName, { hash: request.params.hash }, 404);
    const { bytes, type } = await kept((await namesIn(request.params)).site, hash);
    // A drawing is a document, too: opened by itself it may do nothing.
    response.set('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox");
    response.set('Cache-Control', LASTING).type(type).send(bytes);
  });

  router.get('/:site/assets/:hash/:made', async (request, response) => {
    const { hash } = await validated(HashName, { hash: request.params.hash }, 404);
    const { made } = await validated(MadeName, { made: request.params.made }, 404);
    const [width, ...part] = made
      .replace(/\.\w+$/, '')
      .split('-')
      .map(Number);
    const { type } = await kept((await namesIn(request.params)).site, hash);
    if (!isMadeSmaller({ type }) || width > IMAGE_WIDTHS.at(-1)!) throw none();
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
  });

  return router;
}
