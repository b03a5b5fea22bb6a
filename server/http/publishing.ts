import { Router } from 'express';
import { PublicationName, PublishRequest } from '../../api/requests.ts';
import type { PublicationsResponse } from '../../api/responses.ts';
import type { Publisher } from '../host/publisher.ts';
import { namesIn, noSite } from './names.ts';
import { Refusal } from './problem.ts';
import { validated } from './validated.ts';

/** Previews and publications, under `/api/sites`. */
export function publishingRoutes(publisher: Publisher): Router {
  const router = Router();

  router.post('/:site/previews', async (request, response) => {
    const { site } = await namesIn(request.params);
    const url = await publisher.preview(site);
    if (!url) throw noSite();
    response.status(201).json({ url });
  });

  router.get('/:site/publications', async (request, response) => {
    const { site } = await namesIn(request.params);
    response.json({ publications: await publisher.list(site) } satisfies PublicationsResponse);
  });

  router.post('/:site/publications', async (request, response) => {
    const { site } = await namesIn(request.params);
    const { note } = await validated(PublishRequest, request.body ?? {});
    const live = await publisher.publish(site, note);
    if (!live) throw noSite();
    response.status(201).json(live);
  });

  router.get('/:site/publications/:number', async (request, response) => {
    const { site } = await namesIn(request.params);
    const { number } = await validated(PublicationName, { number: request.params.number }, 404);
    const state = await publisher.state(site, number);
    if (!state)
      throw new Refusal(404, 'There is no such publication, or the site as it was then has not been kept.');
    response.set('Cache-Control', 'private, no-cache').type('json').send(state);
  });

  router.put('/:site/live', async (request, response) => {
    const { site } = await namesIn(request.params);
    const { number } = await validated(PublicationName, request.body ?? {});
    const live = await publisher.makeLive(site, number);
    if (!live) throw new Refusal(404, `There is no publication ${number}. What is live stays live.`);
    response.json(live);
  });

  router.delete('/:site/live', async (request, response) => {
    const { site } = await namesIn(request.params);
    await publisher.takeDown(site);
    response.status(204).end();
  });

  return router;
}
