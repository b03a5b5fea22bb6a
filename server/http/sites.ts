import { Router } from 'express';
import type { MakingResponse, PageResponse, SiteResponse, SiteSummary } from '../../api/responses.ts';
import {
  composed,
  countOverrides,
  pagesOf,
  writeSiteFile,
  type NodeId,
  type Page,
  type Views,
  lookup,
} from '../../core/index.ts';
import type { Publisher } from '../host/publisher.ts';
import type { Store } from '../store/open.ts';
import { zipTarget } from '../targets/zip.ts';
import { namesIn, noPage, noSite } from './names.ts';

/** How many overrides a page holds, by view. */
const overridesOf = (page: Page, views: Views): Record<string, number> =>
  Object.fromEntries(
    views.list.map(({ id }) => [id, countOverrides(page, Object.keys(page.nodes) as NodeId[], id)]),
  );

/** Reading sites, under `/api/sites`. */
export function siteRoutes({ sites, history, publications, files }: Store, publisher: Publisher): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    const all = await sites.list();
    response.json(
      all.map(({ id, name, pages, homePage, revision, changedAt, live, putAwayAt }): SiteSummary => ({
        ...{ id, name, pages, firstPage: homePage as NodeId },
        revision,
        changedAt: changedAt.toISOString(),
        live: live && {
          number: live.number,
          url: publisher.url(id),
          publishedAt: live.publishedAt.toISOString(),
        },
        putAwayAt: putAwayAt?.toISOString() ?? null,
      })),
    );
  });

  router.get('/:site', async (request, response) => {
    const { site: id } = await namesIn(request.params);
    const row = await sites.row(id);
    const present = await history.present(id);
    if (!row || !present) throw noSite();
    const { site, revision } = present;
    const live = await publications.live(id);
    const published = (page: string) => lookup(live?.heldBack, page) ?? live?.revision ?? 0;
    const changed = await sites.pageRevisions(id);
    const isChanged = (page: string) => Math.max(row.frameRevision, changed.get(page) ?? 0) > published(page);
    response.json({
      frame: site.frame,
      revision,
      pages: pagesOf(site).map((page) => ({
        id: page.id,
        name: page.nodes[page.root].name,
        overrides: overridesOf(composed(site.frame, page), site.frame.views),
      })),
      live: await publisher.live(id),
      unpublished: site.frame.pages.map((head) => head.id).filter(isChanged),
    } satisfies SiteResponse);
  });

  router.get('/:site/file', async (request, response) => {
    const { site: id } = await namesIn(request.params);
    const snapshot = await history.snapshot(id);
    if (!snapshot) throw noSite();
    const { site } = snapshot;
    const written: Record<string, string> = {};
    for (const { id: key, hash, name } of [...site.frame.assets, ...site.frame.fonts])
      written[key] = (await files.get(hash, name)).toString('base64');
    response.attachment(`${id}.json`).type('json').send(writeSiteFile(site, written));
  });

  router.get('/:site/zip', async (request, response) => {
    const { site: id } = await namesIn(request.params);
    const files = await publisher.files(id);
    if (!files) throw noSite();
    // Every file is made before the first byte is sent: half way through, a problem can no longer be said.
    for await (const _file of files()) if (response.destroyed) return;
    response.attachment(`${id}.zip`).type('zip');
    await zipTarget(response).take(files());
  });

  router.get('/:site/pages/:page', async (request, response) => {
    const { site: id, name } = await namesIn(request.params);
    const present = await history.present(id);
    if (!present) throw noSite();
    const { site, revision } = present;
    const page = Object.hasOwn(site.pages, name) ? lookup(site.pages, name as NodeId) : undefined;
    if (!page) throw noPage();
    response.set('ETag', `"${revision}"`).set('Cache-Control', 'no-store');
    response.json({ frame: site.frame, page, revision } satisfies PageResponse);
  });

  router.get('/:site/making', async (request, response) => {
    const { site: id } = await namesIn(request.params);
    const making = await publisher.making(id);
    if (!making) throw noSite();
    response.json(making satisfies MakingResponse);
  });

  return router;
}
