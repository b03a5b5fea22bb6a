import { raw, Router, type Response } from 'express';
import { EditRequest, HashName, PathNames, RevisionHeader } from '../../api/requests.ts';
import type {
  EditResponse,
  FontResponse,
  PageResponse,
  SiteResponse,
  SiteSummary,
} from '../../api/responses.ts';
import {
  countOverrides,
  sourceOrder,
  writeSiteFile,
  type NodeId,
  type Page,
  type Views,
} from '../../core/index.ts';
import type { Publisher } from '../host/publisher.ts';
import type { Store } from '../store/open.ts';
import { describeFont, LARGEST_FONT } from '../media/fonts.ts';
import { FRAME } from '../store/schema.ts';
import type { EditOutcome, NewEdit } from '../store/sites.ts';
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

/** Answers how an edit of a site's page or theme ended. */
function answer(
  response: Response,
  result: Exclude<EditOutcome, { outcome: 'unknown' }>,
  what: 'page' | 'theme',
) {
  switch (result.outcome) {
    case 'accepted':
      response.set('ETag', `"${result.revision}"`).json({ revision: result.revision } satisfies EditResponse);
      return;
    case 'outdated':
      throw new Refusal(
        412,
        `The ${what} has changed since this edit was made. Nothing of the edit was kept; the changes it missed come with this answer.`,
        { missed: result.missed },
        { ETag: `"${result.revision}"` },
      );
    case 'misfit':
      throw new Refusal(422, `${result.sentence} Nothing was changed.`);
    case 'invalid':
      throw new Refusal(
        422,
        `The edit would leave a ${what} that is not valid: ${result.faults[0].sentence} Nothing was changed.`,
        { faults: result.faults },
      );
  }
}

/** How many overrides a page holds, by view. */
const overridesOf = (page: Page, views: Views): Record<string, number> =>
  Object.fromEntries(
    views.list.map(({ id }) => [id, countOverrides(page, Object.keys(page.nodes) as NodeId[], id)]),
  );

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
      revision: found.revision,
      pages: stored.map(({ page }) => ({
        id: page.id,
        slug: page.slug,
        title: page.title,
        overrides: overridesOf(page, found.frame.views),
      })),
      live: await publisher.live(site),
      unpublished: stored
        .filter(
          ({ page, revision }) =>
            live?.revisions[page.id] !== revision || (live.revisions[FRAME] ?? 1) !== found.revision,
        )
        .map(({ page }) => page.id),
    } satisfies SiteResponse);
  });

  router.get('/:site/file', async (request, response) => {
    const { site } = await names(request.params);
    const snapshot = await sites.snapshot(site);
    if (!snapshot) throw noSite();
    const written: Record<string, string> = {};
    for (const { id, hash } of [...snapshot.site.assets, ...snapshot.site.fonts])
      written[id] = (await files.get(hash)).toString('base64');
    response.attachment(`${site}.json`).type('json').send(writeSiteFile(snapshot.site, written));
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
    if (result.outcome === 'unknown') throw (await sites.frameOf(site)) ? noPage() : noSite();
    answer(response, result, 'page');
  });

  router.patch('/:site/frame', async (request, response) => {
    const { site } = await names(request.params);
    const revision = await revisionOf(request.get('If-Match'));
    const edit = await validated(EditRequest, request.body);
    const result = await sites.editFrame(site, revision, edit as NewEdit);
    if (result.outcome === 'unknown') throw noSite();
    answer(response, result, 'theme');
  });

  router.post(
    '/:site/fonts',
    raw({ type: ['font/woff2', 'application/octet-stream'], limit: LARGEST_FONT }),
    async (request, response) => {
      const { site } = await names(request.params);
      if (!(await sites.frameOf(site))) throw noSite();
      const described = describeFont(request.body);
      if (!described) {
        throw new Refusal(
          422,
          'This is no woff2 font, or it is damaged. Nothing was kept; choose another file.',
        );
      }
      const hash = await files.put(request.body as Buffer);
      response.status(201).json({ ...described, hash } satisfies FontResponse);
    },
  );

  router.get('/:site/fonts/:hash', async (request, response) => {
    const { hash } = await validated(HashName, { hash: request.params.hash }, 404);
    const bytes = await files.get(hash).catch(() => undefined);
    if (!bytes || !describeFont(bytes)) throw new Refusal(404, 'There is no such font on this site.');
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type('font/woff2').send(bytes);
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
