import { Type } from '@sinclair/typebox';
import { done, refused } from '../outcome.ts';
import type { Option, ValueType } from './valuetype.ts';

/** One of the site's pictures, by the id of its asset. */
export const pictureType: ValueType<string> = {
  editor: 'picture',
  schema: Type.String({ minLength: 1, maxLength: 60 }),
  parse(text, { site }) {
    const typed = text.trim().toLowerCase();
    const found = site.assets.find((asset) => asset.name.toLowerCase() === typed || asset.id === typed);
    return found ? done(found.id) : refused(`The site has no picture named “${text.trim()}”.`);
  },
  format: (value, { site }) => site.assets.find((asset) => asset.id === value)?.name ?? 'missing picture',
  options: ({ site }): Option[] => site.assets.map((asset) => ({ value: asset.id, label: asset.name })),
  fault: (value, site) =>
    site.assets.some((asset) => asset.id === value) ? undefined : `The site has no picture “${value}”.`,
};
