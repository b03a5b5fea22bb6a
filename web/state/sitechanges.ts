import { nanoid } from 'nanoid';
import { newSite, perform, writeSiteFile, type NewSite } from '../../core/index.ts';
import { lookPictures } from './lookpictures.ts';
import { server } from './server.ts';
import { importSite, type Added } from './sites.ts';
import type { Thunk } from './store.ts';

/** Makes a site to begin with, with the images of its look; it gets another address where that of its name is taken. */
export function begin(wanted: NewSite): Thunk<Promise<Added>> {
  return async (dispatch) => {
    const files = await lookPictures(wanted.look);
    if (files) return dispatch(importSite(writeSiteFile(newSite(wanted), files)));
    const sentence = 'Its images could not be loaded; check the connection and try again.';
    return { ok: false, trouble: { status: 0, sentence } };
  };
}

/** How often a change is made again on what others did meanwhile. */
const TRIES = 4;

/** Gives a site that is not open another name, as a step of its history. Answers why it could not be; nothing when it was. */
export function renameSite(site: string, page: string, name: string): Thunk<Promise<string | undefined>> {
  return async (dispatch, _getState, { transport, session }) => {
    const key = `k${nanoid()}`;
    for (let left = TRIES; left > 0; left--) {
      const read = await transport.page(site, page);
      if (!read.ok) return read.sentence;
      const { frame, page: first, revision } = read.value;
      const outcome = perform({ frame, pages: { [first.id]: first } }, first.id, 'changeSite', { name });
      if (!outcome.ok) return outcome.sentence;
      const { operations, sentence } = outcome.value;
      if (operations.length === 0) return undefined;
      const edit = { key, session: await session(), by: 'edit' as const, sentence, operations };
      const answer = await transport.send(site, revision, edit);
      if (answer.kind === 'saved') {
        dispatch(server.util.invalidateTags(['sites']));
        return undefined;
      }
      if (answer.kind !== 'outdated') return answer.sentence;
    }
    return 'Others are changing the site faster than the name could be saved. The old name stays; try again in a moment.';
  };
}
