import { RevisionName } from '../../api/requests.ts';
import { isKeepable } from '../../core/index.ts';
import type { Publisher } from '../host/publisher.ts';
import { noSite } from './names.ts';
import { Refusal } from './problem.ts';
import type { Handlers } from './router.ts';
import { validated } from './validated.ts';

/** The revision that `If-Match` names; undefined where any is meant (RFC 9110, §13.1.1). */
async function revisionIn(header: string | undefined): Promise<number | undefined> {
  if (header === undefined || header.trim() === '*') return undefined;
  const named = /^\s*"(\d{1,9})"\s*$/.exec(header)?.[1];
  return (await validated(RevisionName, { revision: Number(named ?? NaN) }, 400)).revision;
}

/** Previews and publications. */
export const publishingHandlers = (
  publisher: Publisher,
): Handlers<'preview' | 'publications' | 'publish' | 'publication' | 'makeLive' | 'takeDown'> => ({
  async preview({ names }) {
    const url = await publisher.preview(names.site);
    if (!url) throw noSite();
    return { url };
  },

  publications: ({ names, query }) => publisher.list(names.site, query.before),

  async publish({ names, body: { note, by, heldBack }, request }) {
    if (!isKeepable([note, by]))
      throw new Refusal(
        422,
        'The note or the name contains a character that is not text. What is live stays live.',
      );
    const revision = await revisionIn(request.get('If-Match'));
    const made = await publisher.publish(names.site, { revision, note, by, heldBack });
    if (!made) throw noSite();
    if (made === 'changed')
      throw new Refusal(
        409,
        'The site has changed since you looked at what would go live. What is live stays live; look at the changes, and publish again.',
      );
    if (!made.ok) throw new Refusal(422, `${made.sentence} What is live stays live.`);
    return made.value;
  },

  async publication({ names: { site, number }, response }) {
    const state = await publisher.state(site, number);
    if (!state)
      throw new Refusal(404, 'There is no such publication, or the site as it was then has not been saved.');
    response.set('Cache-Control', 'private, no-cache');
    return state;
  },

  async makeLive({ names, body: { number } }) {
    const live = await publisher.makeLive(names.site, number);
    if (!live) throw new Refusal(404, `There is no publication ${number}. What is live stays live.`);
    return live;
  },

  async takeDown({ names }) {
    const stays = await publisher.takeDown(names.site);
    if (stays) throw new Refusal(500, `The site is taken down here. ${stays}`);
  },
});
