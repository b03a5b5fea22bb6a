import type { Response } from 'express';
import { paths } from '../../api/paths.ts';
import type { AddedSite } from '../../api/responses.ts';
import { homePageOf, isKeepable, type ReadSite } from '../../core/index.ts';
import { demoSite } from '../../demo/site.ts';
import type { Publisher } from '../host/publisher.ts';
import { readForeignSite } from '../media/sitefile.ts';
import type { Store } from '../store/open.ts';
import { noSite } from './names.ts';
import { Refusal } from './problem.ts';
import type { Handlers } from './router.ts';

/** Which sites there are: importing, copying, archiving, restoring, removing. */
export function archiveHandlers(
  store: Pick<Store, 'sites' | 'history' | 'add' | 'remove'>,
  { prepare }: Pick<Publisher, 'prepare'>,
): Handlers<'addSite' | 'addDemo' | 'copySite' | 'archiveSite' | 'restoreSite' | 'removeSite'> {
  /** Adds a site, and says where it is. */
  const added = async (read: ReadSite, response: Response): Promise<AddedSite> => {
    const id = await store.add(read);
    response.location(paths.site(id));
    // Whoever publishes says what went wrong with it.
    response.once('finish', () => void prepare(id).catch(() => undefined));
    return { id, firstPage: homePageOf(read.site.frame).id };
  };

  return {
    async addSite({ request, response }) {
      const read = await readForeignSite(typeof request.body === 'string' ? request.body : '');
      if (read.ok) return added(read.value, response);
      throw new Refusal(
        422,
        'The site was not imported: something in the file is not valid. Nothing was saved.',
        { faults: read.faults },
      );
    },

    addDemo: async ({ response }) => added(await demoSite(), response),

    async copySite({ names, body, response }) {
      const name = body.name.replace(/\s+/g, ' ').trim();
      if (name === '' || !isKeepable(name))
        throw new Refusal(
          422,
          'The name of the copy contains characters that cannot be saved. Nothing was copied.',
        );
      const snapshot = await store.history.snapshot(names.site);
      if (!snapshot) throw noSite();
      const { frame, pages } = snapshot.site;
      // Its files are in the store already.
      return added({ site: { frame: { ...frame, name }, pages }, files: {} }, response);
    },

    async archiveSite({ names }) {
      if (!(await store.sites.putAway(names.site, new Date()))) throw noSite();
    },

    async restoreSite({ names }) {
      if (!(await store.sites.putAway(names.site, null))) throw noSite();
    },

    async removeSite({ names }) {
      switch (await store.remove(names.site)) {
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
    },
  };
}
