import { PathNames } from '../../api/requests.ts';
import { Refusal } from './problem.ts';
import { validated } from './validated.ts';

export const noSite = () =>
  new Refusal(404, 'There is no such site. It may have been removed; the list of sites shows what is there.');
export const noPage = () =>
  new Refusal(404, 'There is no such page on this site. The site’s other pages are untouched.');

/** The names in a request's path: the site, and what else it names. */
export const namesIn = (params: Record<string, unknown>): Promise<PathNames> =>
  validated(PathNames, { site: params.site, name: params.page ?? params.asset ?? 'none' }, 404);
