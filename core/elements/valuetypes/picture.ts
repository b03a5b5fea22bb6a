import { Type } from '@sinclair/typebox';
import { done, refused } from '../../outcome.ts';
import { isPicture } from '../../theme/stock.ts';
import type { Option, ValueType } from './valuetype.ts';

/** What stands where there is no picture. */
export const NO_PICTURE = 'none';

/** One of the site's pictures, by the id of its asset; where there may be none, `none`. */
export const pictureType = (optional: boolean): ValueType<string> => ({
  editor: 'picture',
  schema: Type.String({ minLength: 1, maxLength: 60 }),
  parse(text, { site }) {
    const typed = text.trim().toLowerCase();
    if (optional && typed === NO_PICTURE) return done(NO_PICTURE);
    const found = site.assets.find(
      (asset) => isPicture(asset) && (asset.name.toLowerCase() === typed || asset.id === typed),
    );
    return found ? done(found.id) : refused(`The site has no picture named “${text.trim()}”.`);
  },
  format: (value, { site }) =>
    value === NO_PICTURE
      ? 'none'
      : (site.assets.find((asset) => asset.id === value)?.name ?? 'missing picture'),
  options: ({ site }): Option[] => [
    ...(optional ? [{ value: NO_PICTURE, label: 'none' }] : []),
    ...site.assets.filter(isPicture).map((asset) => ({ value: asset.id, label: asset.name })),
  ],
  fault: (value, site) =>
    // One that was deleted leaves none behind where there has to be something.
    value === NO_PICTURE || site.assets.some((asset) => asset.id === value && isPicture(asset))
      ? undefined
      : `The site has no picture “${value}”.`,
  mentions: (value) => (value === NO_PICTURE ? [] : [{ of: 'assets', id: value }]),
});
