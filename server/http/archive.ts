import { Router, text } from 'express';
import { CopyRequest } from '../../api/requests.ts';
import { paths } from '../../api/paths.ts';
import type { AddedSite } from '../../api/responses.ts';
import { homePageOf, isKeepable, LIMITS, type ReadSite } from '../../core/index.ts';
import { demoSite } from '../../demo/site.ts';
import { readForeignSite } from '../media/sitefile.ts';
import type { Store } from '../store/open.ts';
import { namesIn, noSite } from './names.ts';
import { Refusal } from './problem.ts';
import { validated } from './validated.ts';

/** Which sites there are: importing, copying, archiving, having back, removing. Under `/api/sites`. */
export function archiveRoutes(store: Pick<Store, 'sites' | 'history' | 'add' | 'remove'>): Router {
  const router = Router();

  const added = async (read: ReadSite): Promise<AddedSite> => {
    const id = await store.add(read);
    return { id, firstPage: homePageOf(read.site.frame).id };
  };

  router.post('/', text({ type: 'application/json', limit: LIMITS.siteFile }), async (request, response) => {
    const read = await readForeignSite(typeof request.body === 'string' ? request.body : '');
    if (!read.ok) {
      throw new Refusal(
        422,
        'The site was not imported: something in the file is not valid. Nothing was saved.',
        {
          faults: read.faults,
        },
      );
    }
    const site = await added(read.value);
    response.status(201).location(paths.site(site.id)).json(site);
  });

  router.post('/demo', async (_request, response) => {
    const site = await added(await demoSite());
    response.status(201).location(paths.site(site.id)).json(site);
  });

  router.post('/:site/copies', async (request, response) => {
    const { site: id } = await namesIn(request.params);
    const { name: given } = await validated(CopyRequest, request.body ?? {}, 422);
    const name = given.replace(/\s+/g, ' ').trim();
    if (name === '' || !isKeepable(name))
      throw new Refusal(
        422,
        'The name of the copy contains characters that cannot be saved. Nothing was copied.',
      );
    const snapshot = await store.history.snapshot(id);
    if (!snapshot) throw noSite();
    const { frame, pages } = snapshot.site;
    // Its files are in the store already.
    const site = await added({ site: { frame: { ...frame, name }, pages }, files: {} });
    response.status(201).location(paths.site(site.id)).json(site);
  });

  router.put('/:site/put-away', async (request, response) => {
    const { site } = await namesIn(request.params);
    if (!(await store.sites.putAway(site, new Date()))) throw noSite();
    response.status(204).end();
  });

  router.delete('/:site/put-away', async (request, response) => {
    const { site } = await namesIn(request.params);
    if (!(await store.sites.putAway(site, null))) throw noSite();
    response.status(204).end();
  });

  router.delete('/:site', async (request, response) => {
    const { site } = await namesIn(request.params);
    switch (await store.remove(site)) {
      case 'missing':
        throw noSite();
      case 'not archived':
        throw new Refusal(409, 'Only an archived site can be removed for good. The site was not changed.');
      case 'live':
        throw new Refusal(
          409,
          'The site’s pages are still published; take them down first. The site is as it was.',
        );
    }
    response.status(204).end();
  });

  return router;
}
