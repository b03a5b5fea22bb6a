import { LIMITS } from '../../core/index.ts';
import type { AddedSite } from '../../api/responses.ts';
import { type Trouble } from './request.ts';
import { server } from './server.ts';
import type { Thunk } from './store.ts';

export type Added = { ok: true; site: AddedSite } | { ok: false; trouble: Trouble };

/** Brings a site in from the text of a site file. */
export function importSite(text: string): Thunk<Promise<Added>> {
  return async (dispatch) => {
    const { data, error } = await dispatch(server.endpoints.addSite.initiate(text));
    return data ? { ok: true, site: data } : { ok: false, trouble: error as Trouble };
  };
}

/** Why a file is not even sent; undefined where it may be. */
export const tooLarge = (file: File): string | undefined =>
  file.size > LIMITS.siteFile
    ? `“${file.name}” is larger than ${LIMITS.siteFile / 1_000_000} MB, the limit for a site file. Nothing was imported.`
    : undefined;
