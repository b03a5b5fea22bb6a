import {
  composed,
  countOverrides,
  keysOf,
  lookup,
  nodeId,
  type Page,
  pagesOf,
  type Views,
  writeSiteFile,
} from '../../core/index.ts';
import type { Publisher } from '../host/publisher.ts';
import type { Store } from '../store/open.ts';
import { zipTarget } from '../targets/zip.ts';
import { noPage, noSite } from './names.ts';
import type { Handlers } from './router.ts';

/** How many overrides a page holds, by view. */
const overridesOf = (page: Page, views: Views): Record<string, number> =>
  Object.fromEntries(views.list.map(({ id }) => [id, countOverrides(page, keysOf(page.nodes), id)]));

/** Reading sites. */
export const siteHandlers = (
  { sites, history, publications, files }: Store,
  publisher: Publisher,
): Handlers<'listSites' | 'site' | 'siteFile' | 'siteZip' | 'page' | 'making'> => ({
  async listSites() {
    const all = await sites.list();
    return all.map(({ id, name, pages, homePage, revision, changedAt, live, putAwayAt }) => ({
      ...{ id, name, pages, firstPage: nodeId(homePage) },
      revision,
      changedAt: changedAt.toISOString(),
      live: live && {
        number: live.number,
        url: publisher.url(id),
        publishedAt: live.publishedAt.toISOString(),
      },
      putAwayAt: putAwayAt?.toISOString() ?? null,
    }));
  },

  async site({ names: { site: id } }) {
    const row = await sites.row(id);
    const present = await history.present(id);
    if (!row || !present) throw noSite();
    const { site, revision } = present;
    const live = await publications.live(id);
    const published = (page: string) => lookup(live?.heldBack, page) ?? live?.revision ?? 0;
    const changed = await sites.pageRevisions(id);
    const isChanged = (page: string) => Math.max(row.frameRevision, changed.get(page) ?? 0) > published(page);
    return {
      frame: site.frame,
      revision,
      pages: pagesOf(site).map((page) => ({
        id: page.id,
        name: page.nodes[page.root].name,
        overrides: overridesOf(composed(site.frame, page), site.frame.views),
      })),
      live: await publisher.live(id),
      unpublished: site.frame.pages.map((head) => head.id).filter(isChanged),
    };
  },

  async siteFile({ names: { site: id }, response }) {
    const snapshot = await history.snapshot(id);
    if (!snapshot) throw noSite();
    const { site } = snapshot;
    const written: Record<string, string> = {};
    for (const { id: key, hash, name } of [...site.frame.assets, ...site.frame.fonts])
      written[key] = (await files.get(hash, name)).toString('base64');
    response.attachment(`${id}.json`).type('json').send(writeSiteFile(site, written));
  },

  async siteZip({ names: { site: id }, response }) {
    const files = await publisher.files(id);
    if (!files) throw noSite();
    // Every file is made before the first byte is sent: half way through, a problem can no longer be said.
    for await (const _file of files()) if (response.destroyed) return;
    response.attachment(`${id}.zip`).type('zip');
    await zipTarget(response).take(files());
  },

  async page({ names, response }) {
    const present = await history.present(names.site);
    if (!present) throw noSite();
    const { site, revision } = present;
    const page = lookup(site.pages, names.page);
    if (!page) throw noPage();
    response.set('ETag', `"${revision}"`).set('Cache-Control', 'no-store');
    return { frame: site.frame, page, revision };
  },

  async making({ names }) {
    const making = await publisher.making(names.site);
    if (!making) throw noSite();
    return making;
  },
});
