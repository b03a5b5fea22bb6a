import { Refusal } from './problem.ts';

export const noSite = () =>
  new Refusal(404, 'There is no such site. It may have been removed; the list of sites shows what is there.');
export const noPage = () =>
  new Refusal(404, 'There is no such page on this site. The site’s other pages are untouched.');
