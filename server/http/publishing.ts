import { Router } from 'express';
import type { Publisher } from '../host/publisher.ts';
import { namesIn, noSite } from './names.ts';

/** Previews and publications, under `/api/sites`. */
export function publishingRoutes(publisher: Publisher): Router {
  const router = Router();

  router.post('/:site/previews', async (request, response) => {
    const { site } = await namesIn(request.params);
    const url = await publisher.preview(site);
    if (!url) throw noSite();
    response.status(201).json({ url });
  });

  router.post('/:site/publications', async (request, response) => {
    const { site } = await namesIn(request.params);
    const live = await publisher.publish(site);
    if (!live) throw noSite();
    response.status(201).json(live);
  });

  router.delete('/:site/publications', async (request, response) => {
    const { site } = await namesIn(request.params);
    await publisher.takeDown(site);
    response.status(204).end();
  });

  return router;
}
