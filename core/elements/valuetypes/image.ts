import { Type } from '@sinclair/typebox';
import { done, refused } from '../../outcome.ts';
import { isVideo, isImage, type Asset } from '../../theme/resources.ts';
import type { Option, ValueType } from './valuetype.ts';

/** What stands where there is no picture. */
export const NO_IMAGE = 'none';

/** What of the shelf a value can be: its word, and how it is known. */
interface Shown {
  word: string;
  accept: string;
  is(asset: Asset): boolean;
}

const PICTURE: Shown = { word: 'image', accept: 'image/*', is: isImage };
const FILM: Shown = { word: 'video', accept: 'video/*', is: isVideo };

/** One of what is on the shelf of the site, by the id of its asset; where there may be none, `none`. */
const shownType = ({ word, accept, is }: Shown, optional: boolean): ValueType<string> => ({
  editor: 'picture',
  schema: Type.String({ minLength: 1, maxLength: 60 }),
  brings: { word, accept },
  parse(text, { site }) {
    const typed = text.trim().toLowerCase();
    if (optional && typed === NO_IMAGE) return done(NO_IMAGE);
    const found = site.assets.find(
      (asset) => is(asset) && (asset.name.toLowerCase() === typed || asset.id === typed),
    );
    return found ? done(found.id) : refused(`The site has no ${word} named “${text.trim()}”.`);
  },
  format: (value, { site }) =>
    value === NO_IMAGE
      ? 'none'
      : (site.assets.find((asset) => asset.id === value)?.name ?? `missing ${word}`),
  options: ({ site }): Option[] => [
    ...(optional ? [{ value: NO_IMAGE, label: 'none' }] : []),
    ...site.assets.filter(is).map((asset) => ({ value: asset.id, label: asset.name })),
  ],
  fault: (value, site) =>
    // One that was deleted leaves none behind where there has to be something.
    value === NO_IMAGE || site.assets.some((asset) => asset.id === value && is(asset))
      ? undefined
      : `The site has no ${word} “${value}”.`,
  mentions: (value) => (value === NO_IMAGE ? [] : [{ of: 'assets', id: value }]),
});

/** One of the site's images; where there may be none, `none`. */
export const imageType = (optional: boolean): ValueType<string> => shownType(PICTURE, optional);

/** One of the site's videos, or `none`. */
export const videoType: ValueType<string> = shownType(FILM, true);
