import { Type } from '@sinclair/typebox';
import { done, refused } from '../../outcome.ts';
import { isFilm, isPicture, type Asset } from '../../theme/stock.ts';
import type { Option, ValueType } from './valuetype.ts';

/** What stands where there is no picture. */
export const NO_PICTURE = 'none';

/** What of the shelf a value can be: its word, and how it is known. */
interface Shown {
  word: string;
  accept: string;
  is(asset: Asset): boolean;
}

const PICTURE: Shown = { word: 'image', accept: 'image/*', is: isPicture };
const FILM: Shown = { word: 'video', accept: 'video/*', is: isFilm };

/** One of what is on the shelf of the site, by the id of its asset; where there may be none, `none`. */
const shownType = ({ word, accept, is }: Shown, optional: boolean): ValueType<string> => ({
  editor: 'picture',
  schema: Type.String({ minLength: 1, maxLength: 60 }),
  brings: { word, accept },
  parse(text, { site }) {
    const typed = text.trim().toLowerCase();
    if (optional && typed === NO_PICTURE) return done(NO_PICTURE);
    const found = site.assets.find(
      (asset) => is(asset) && (asset.name.toLowerCase() === typed || asset.id === typed),
    );
    return found ? done(found.id) : refused(`The site has no ${word} named “${text.trim()}”.`);
  },
  format: (value, { site }) =>
    value === NO_PICTURE
      ? 'none'
      : (site.assets.find((asset) => asset.id === value)?.name ?? `missing ${word}`),
  options: ({ site }): Option[] => [
    ...(optional ? [{ value: NO_PICTURE, label: 'none' }] : []),
    ...site.assets.filter(is).map((asset) => ({ value: asset.id, label: asset.name })),
  ],
  fault: (value, site) =>
    // One that was deleted leaves none behind where there has to be something.
    value === NO_PICTURE || site.assets.some((asset) => asset.id === value && is(asset))
      ? undefined
      : `The site has no ${word} “${value}”.`,
  mentions: (value) => (value === NO_PICTURE ? [] : [{ of: 'assets', id: value }]),
});

/** One of the site's pictures; where there may be none, `none`. */
export const pictureType = (optional: boolean): ValueType<string> => shownType(PICTURE, optional);

/** One of the site's films, or `none`. */
export const filmType: ValueType<string> = shownType(FILM, true);
