import { Router } from 'express';
import { EditRequest, PathNames, RevisionHeader } from '../../api/requests.ts';
import type { EditResponse, PageResponse, SiteResponse, SiteSummary } from '../../api/responses.ts';
import { sourceOrder, writeSiteFile, type Page } from '../../core/index.ts';
import type { Publisher } from '../host/publisher.ts';
import type { Store } from '../store/open.ts';
import type { NewEdit } from '../store/sites.ts';
import { Refusal } from './problem.ts';
import { validated } from './validated.ts';

const noSite = () =>
  new Refusal(404, 'There is no such site. It may have been removed; the list of sites shows what is there.');
const noPage = () =>
  new Refusal(404, 'There is no such page on this site. The site’s other pages are untouched.');

/** The revision that `If-Match: "12"` names. */
async function revisionOf(header: string | undefined): Promise<number> {
  if (header === undefined) {
    throw new Refusal(428, 'An edit says which revision it was made on, in If-Match. Nothing was changed.');
  }
  const digits = /^"(\d{1,9})"$/.exec(header)?.[1];
  const { revision } = await validated(RevisionHeader, { revision: Number(digits ?? NaN) }, 400);
  return revision;
}

/** The first picture of a page in source order. */
function coverOf(page: Page): string | null {
  const picture = sourceOrder(page).find((node) => node.kind === 'picture');
  return (picture?.style.self?.source?.base as string | undefined) ?? null;
}

/** Everything under `/api/sites`. */
export function siteRoutes(store: Store, publisher: Publisher): Router {
  const router = Router();
  const { sites, files } = store;

  const names = (params: Record<string, unknown>) =>
    validated(PathNames, { site: params.site, name: params.page ?? params.asset ?? 'none' }, 404);

  router.get('/', async (_request, response) => {
    const summaries = await Promise.all(
      (await sites.list()).map(async ({ id, frame }): Promise<SiteSummary> => {
        const stored = await sites.pagesOf(id);
        const changed = Math.max(...stored.map((entry) => entry.changedAt.getTime()));
        return {
          id,
          name: frame.name,
          pages: stored.length,
          firstPage: stored[0].page.id,
          cover: coverOf(stored[0].page),
          changedAt: new Date(changed).toISOString(),
          live: await publisher.live(id),
        };
      }),
    );
    response.json(summaries);
  });

  router.get('/:site', async (request, response) => {
    const { site } = await names(request.params);
    const found = await sites.frameOf(site);
    if (!found) throw noSite();
    const stored = await sites.pagesOf(site);
    const live = await sites.live(site);
    response.json({
      frame: found.frame,
      pages: stored.map(({ page: { id, slug, title } }) => ({ id, slug, title })),
      live: await publisher.live(site),
      unpublished: stored
        .filter(({ page, revision }) => live?.revisions[page.id] !== revision)
        .map(({ page }) => page.id),
    } satisfies SiteResponse);
  });

  router.get('/:site/file', async (request, response) => {
    const { site } = await names(request.params);
    const snapshot = await sites.snapshot(site);
    if (!snapshot) throw noSite();
    const pictures: Record<string, string> = {};
    for (const asset of snapshot.site.assets)
      pictures[asset.id] = (await files.get(asset.hash)).toString('base64');
    response.attachment(`${site}.json`).type('json').send(writeSiteFile(snapshot.site, pictures));
  });

  router.get('/:site/pages/:page', async (request, response) => {
    const { site, name } = await names(request.params);
    if (!(await sites.frameOf(site))) throw noSite();
    const found = await sites.pageOf(site, name);
    if (!found) throw noPage();
    response.set('ETag', `"${found.revision}"`).set('Cache-Control', 'no-store');
    const steps = await sites.stepsOf(site, name);
    response.json({ page: found.page, revision: found.revision, steps } satisfies PageResponse);
  });

  router.patch('/:site/pages/:page', async (request, response) => {
    const { site, name } = await names(request.params);
    const revision = await revisionOf(request.get('If-Match'));
    const edit = await validated(EditRequest, request.body);
    const result = await sites.edit(site, name, revision, edit as NewEdit);
    switch (result.outcome) {
      case 'accepted':
        response
          .set('ETag', `"${result.revision}"`)
          .json({ revision: result.revision } satisfies EditResponse);
        return;
      case 'unknown page':
        throw (await sites.frameOf(site)) ? noPage() : noSite();
      case 'outdated':
        throw new Refusal(
          412,
          'The page has changed since this edit was made. Nothing of the edit was kept; the changes it missed come with this answer.',
          { missed: result.missed },
          { ETag: `"${result.revision}"` },
        );
      case 'misfit':
        throw new Refusal(422, `${result.sentence} Nothing was changed.`);
      case 'invalid':
        throw new Refusal(
          422,
          `The edit would leave a page that is not valid: ${result.faults[0].sentence} Nothing was changed.`,
          {
            faults: result.faults,
          },
        );
    }
  });

  router.get('/:site/assets/:asset', async (request, response) => {
    const { site, name } = await names(request.params);
    const asset = (await sites.frameOf(site))?.frame.assets.find((candidate) => candidate.id === name);
    if (!asset) throw new Refusal(404, 'There is no such picture on this site.');
    response
      .set('Cache-Control', 'private, max-age=0, must-revalidate')
      .set('ETag', `"${asset.hash}"`)
      .type(asset.type);
    if (request.fresh) response.status(304).end();
    else response.send(await files.get(asset.hash));
  });

  router.post('/:site/previews', async (request, response) => {
    const { site } = await names(request.params);
    const url = await publisher.preview(site);
    if (!url) throw noSite();
    response.status(201).json({ url });
  });

  router.post('/:site/publications', async (request, response) => {
    const { site } = await names(request.params);
    const live = await publisher.publish(site);
    if (!live) throw noSite();
    response.status(201).json(live);
  });

  return router;
}
