import { raw, Router } from 'express';
import { HashName } from '../../api/requests.ts';
import type { FontResponse } from '../../api/responses.ts';
import { LIMITS } from '../../core/index.ts';
import { isWoff2 } from '../media/fontfile.ts';
import { describeFont } from '../media/fonts.ts';
import type { Store } from '../store/open.ts';
import { namesIn, noSite } from './names.ts';
import { Refusal } from './problem.ts';
import { validated } from './validated.ts';

/** Fonts of a site's own, under `/api/sites`. */
export function fontRoutes({ sites, files }: Pick<Store, 'sites' | 'files'>): Router {
  const router = Router();

  router.post(
    '/:site/fonts',
    raw({ type: ['font/woff2', 'application/octet-stream'], limit: LIMITS.font }),
    async (request, response) => {
      const { site } = await namesIn(request.params);
      if (!(await sites.row(site))) throw noSite();
      const described = await describeFont(request.body);
      if (!described) {
        throw new Refusal(
          422,
          'This isn’t a woff2 font, it is damaged, or it unpacks to more than 32 MB. Nothing was saved; choose another file.',
        );
      }
      const hash = await files.put(request.body as Buffer);
      response.status(201).json({ ...described, hash } satisfies FontResponse);
    },
  );

  router.get('/:site/fonts/:hash', async (request, response) => {
    const { hash } = await validated(HashName, { hash: request.params.hash }, 404);
    if (!(await files.has(hash))) throw new Refusal(404, 'There is no such font on this site.');
    const bytes = await files.get(hash);
    if (!isWoff2(bytes)) throw new Refusal(404, 'There is no such font on this site.');
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type('font/woff2').send(bytes);
  });

  return router;
}
