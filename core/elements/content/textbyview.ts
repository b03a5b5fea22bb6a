import { Type } from '@sinclair/typebox';
import type { ContentField } from './contenttypes.ts';
import { done, refused } from '../../outcome.ts';
import { cleanLink, targetOf } from '../../markup/link.ts';
import { escapeText, plainText } from '../../markup/fragment.ts';
import { same } from '../../layered/express.ts';
import type { SiteResources } from '../../theme/resources.ts';
import type { ValueType } from '../valuetypes/valuetype.ts';

/** What an element says in a view in place of what its content says. */
export interface TextByView<T = unknown> {
  says: T;
  /** The fingerprint of the content that it was written beside; another one now: it may have to follow. */
  over?: string;
}

/** Characters of a cell's or a sentence's words. */
const SHORT = 60;

function shortened(words: string): string {
  const characters = [...words];
  return characters.length > SHORT ? `${characters.slice(0, SHORT - 1).join('')}…` : words;
}

/** What a link leads to, in words. */
function linkWords(link: string, { pages = [], assets }: SiteResources): string {
  const { page, place, file } = targetOf(link) ?? {};
  if (file !== undefined) return assets.find(({ id }) => id === file)?.name ?? 'a missing file';
  if (page === undefined) return place === undefined ? link : 'a place on this page';
  const title = pages.find(({ id }) => id === page)?.title ?? 'a missing page';
  return place === undefined ? title : `a place on ${title}`;
}

/** A field of content as a value that may differ by view. */
export const textByViewType = ({ type, label }: ContentField): ValueType<TextByView> => ({
  editor: 'wording',
  schema: Type.Object(
    { says: type.schema, over: Type.Optional(Type.String({ pattern: '^[0-9a-f]{10}$' })) },
    { additionalProperties: false },
  ),
  parse(text) {
    switch (type.editor) {
      case 'rich':
      case 'inline':
        return done({ says: type.clean(escapeText(text)) as unknown });
      case 'line':
      case 'lines':
        return done({ says: type.clean(text) as unknown });
      case 'link':
        return cleanLink(text) === undefined && text.trim() !== ''
          ? refused(
              `“${text.trim()}” is not a web address, mail or a telephone number. Open the cell to choose a page.`,
            )
          : done({ says: type.clean(text) as unknown });
      default:
        return refused(`${label} cannot be typed here. Open the cell with Enter to change them.`);
    }
  },
  format({ says }, { site }) {
    switch (type.editor) {
      case 'rich':
      case 'inline':
        return shortened(plainText(says as string)) || 'no text';
      case 'entries': {
        const count = (says as unknown[]).length;
        return `${count} ${count === 1 ? type.entry : `${type.entry}s`}`;
      }
      case 'link':
        return shortened(linkWords(says as string, site)) || 'nowhere';
      default:
        return shortened((says as string).replaceAll('\n', ', ')) || 'none';
    }
  },
  fault: ({ says }, site) =>
    type.fault?.(says, site) ??
    (same(type.clean(says), says)
      ? undefined
      : 'The text contains markup that is not allowed here; it has to be cleaned first.'),
});
