import { Router } from 'express';
import { isKeepable } from '../../core/index.ts';
import { PublicationName, PublicationsQuery, PublishRequest, RevisionName } from '../../api/requests.ts';
import type { PublicationsResponse } from '../../api/responses.ts';
import type { Publisher } from '../host/publisher.ts';
import { namesIn, noSite } from './names.ts';
import { Refusal } from './problem.ts';
import { validated } from './validated.ts';

/** The revision that `If-Match` names; undefined where any is meant (RFC 9110, §13.1.1). */
async function revisionIn(header: string | undefined): Promise<number | undefined> {
  if (header === undefined || header.trim() === '*') return undefined;
  const named = /^\s*"(\d{1,9})"\s*$/.exec(header)?.[1];
  return (await validated(RevisionName, { revision: Number(named ?? NaN) }, 400)).revision;
}

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
    const { before } = await validated(PublicationsQuery, { ...request.query }, 400);
    response.json((await publisher.list(site, before)) satisfies PublicationsResponse);
  });

  router.post('/:site/publications', async (request, response) => {
    const { site } = await namesIn(request.params);
    const { note, by, heldBack } = await validated(PublishRequest, request.body ?? {});
    if (!isKeepable([note, by]))
      throw new Refusal(
        422,
        'The note or the name contains a character that is not text. What is live stays live.',
      );
    const revision = await revisionIn(request.get('If-Match'));
    const made = await publisher.publish(site, { revision, note, by, heldBack });
    if (!made) throw noSite();
    if (made === 'changed')
      throw new Refusal(
        409,
        'The site has changed since you looked at what would go live. What is live stays live; look at the changes, and publish again.',
      );
    if (!made.ok) throw new Refusal(422, `${made.sentence} What is live stays live.`);
    response.status(201).json(made.value);
  });

  router.get('/:site/publications/:number', async (request, response) => {
    const { site } = await namesIn(request.params);
    const { number } = await validated(PublicationName, { number: request.params.number }, 404);
    const state = await publisher.state(site, number);
    if (!state)
      throw new Refusal(404, 'There is no such publication, or the site as it was then has not been saved.');
    response.set('Cache-Control', 'private, no-cache').json(state);
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
    const stays = await publisher.takeDown(site);
    if (stays) throw new Refusal(500, `The site is taken down here. ${stays}`);
    response.status(204).end();
  });

  return router;
}
