import { Type, type TSchema } from '@sinclair/typebox';
import { cleanFragment, mapLinks } from '../../markup/fragment.ts';
import { ICON_OPTIONS } from '../../markup/icons.ts';
import { cleanLink } from '../../markup/link.ts';
import { isCaptions, isVideo, isImage, type SiteResources } from '../../theme/resources.ts';
import { lookup } from '../../lookup.ts';

/** A kind of content: its schema, and the one form it is kept in. */
export interface ContentType<T = any> {
  editor: 'rich' | 'inline' | 'line' | 'lines' | 'link' | 'choice' | 'yes or no' | 'asset' | 'entries';
  schema: TSchema;
  /** The form a value is kept in. Every way in passes through here. */
  clean(value: T): T;
  /** The value with another link in place of each in it; where none is given, what was linked leads nowhere. Absent: it has no links. */
  withLinks?(value: T, map: (link: string) => string | undefined): T;
  /** The value with another image or video in place of each in it. Absent: it has none. */
  withAssets?(value: T, map: (asset: string) => string): T;
  /** Says what is wrong with a value that has the right shape, where something can be. */
  fault?(value: T, site: SiteResources): string | undefined;
  options?(site: SiteResources): readonly { value: string | number; label: string }[];
  /** The fields of an entry, where the content is a list of entries. */
  fields?: readonly ContentField[];
  /** What one entry is called. */
  entry?: string;
}

/** A field of an element's content. */
export interface ContentField {
  name: string;
  label: string;
  type: ContentType;
  /**
   * Whether views may say something else: where its words stand in the markup, of which only those of the view are shown, or by
   * another element in place of the whole. Absent: it is the same in every view.
   */
  varies?: 'within' | 'whole';
  /** What a new element has, and what an absent field means. */
  initial: unknown;
  /**
   * CSS selector, within the element, of the part of the markup that shows this text and nothing else, so that it can be edited in place. For a
   * list of entries it selects the entries; for a field of an entry it is relative to the entry. Absent: the text cannot be
   * edited in place, or is the main text of the element.
   */
  selector?: string;
  /** The field is shown only while another field has this value. */
  where?: { field: string; is: unknown };
}

const FRAGMENT = Type.String({ maxLength: 50_000 });

export const richText: ContentType<string> = {
  editor: 'rich',
  schema: FRAGMENT,
  clean: (value) => cleanFragment(value, 'block'),
  withLinks: mapLinks,
};

export const inlineText: ContentType<string> = {
  editor: 'inline',
  schema: FRAGMENT,
  clean: (value) => cleanFragment(value, 'inline'),
  withLinks: mapLinks,
};

/** One line of plain words. */
export const line: ContentType<string> = {
  editor: 'line',
  schema: Type.String({ maxLength: 400 }),
  clean: (value) => value.replace(/\s+/g, ' ').trim(),
};

/** Several lines of plain words, each a thing of its own; empty ones fall out. */
export const lines: ContentType<string> = {
  editor: 'lines',
  schema: Type.String({ maxLength: 4000 }),
  clean: (value) =>
    value
      .split('\n')
      .map((each) => line.clean(each))
      .filter(Boolean)
      .join('\n'),
};

/** A link target; empty where the thing leads nowhere yet. */
export const link: ContentType<string> = {
  editor: 'link',
  schema: Type.String({ maxLength: 2000 }),
  clean: (value) => cleanLink(value) ?? value.trim(),
  withLinks: (value, map) => (value === '' ? value : (map(value) ?? '')),
  fault: (value) =>
    value === '' || cleanLink(value) !== undefined
      ? undefined
      : `“${value}” is not a link to a page, a file, a web address, mail or a telephone number.`,
};

/** An address that mail is sent to; empty where there is none yet. */
/** The pattern of HTML's own mail field (HTML Standard, §4.10.5.1.5), with at least one dot in the domain. */
export const isMailAddress = (value: string): boolean =>
  /^[\w.!#$%&'*+/=?^`{|}~-]+@[a-z0-9-]+(\.[a-z0-9-]+)+$/i.test(value);

export const mailAddress: ContentType<string> = {
  editor: 'line',
  schema: Type.String({ maxLength: 254 }),
  clean: (value) => value.trim(),
  fault: (value) => (value === '' || isMailAddress(value) ? undefined : `“${value}” isn’t an email address.`),
};

/** Content that is one of a list of choices. */
export function oneOf(
  options: readonly { value: string | number; label: string }[],
): ContentType<string | number> {
  return {
    editor: 'choice',
    schema: Type.Union(options.map((option) => Type.Literal(option.value))),
    clean: (value) => value,
    options: () => options,
  };
}

export const yesOrNo: ContentType<boolean> = {
  editor: 'yes or no',
  schema: Type.Boolean(),
  clean: (value) => value,
};

/** One of the signs that ship with the application. */
export const iconName = oneOf(ICON_OPTIONS);

const FILES = {
  image: isImage,
  video: isVideo,
  'captions file': isCaptions,
} as const;

/** An image, a video or captions of the site, by the id of its asset; empty where none is chosen yet. */
export const asset = (what: keyof typeof FILES): ContentType<string> => ({
  editor: 'asset',
  schema: Type.String({ maxLength: 40 }),
  clean: (value) => value,
  withAssets: (value, map) => (value === '' ? value : map(value)),
  options: (site) => site.assets.filter(FILES[what]).map(({ id, name }) => ({ value: id, label: name })),
  fault: (value, site) =>
    value === '' || site.assets.some((each) => each.id === value && FILES[what](each))
      ? undefined
      : `The site has no ${what} “${value}”.`,
});

type Entry = Record<string, unknown>;

/** How many entries a list of them holds. */
export const MOST_ENTRIES = 60;

/** A list of entries that all have the same fields. */
export function entries(entry: string, fields: readonly ContentField[]): ContentType<Entry[]> {
  /** The entries with what a field's type makes of each field. */
  const mapped = <M>(
    value: Entry[],
    by: (type: ContentType) => ((value: unknown, map: M) => unknown) | undefined,
    map: M,
  ): Entry[] =>
    value.map((each) => {
      const made = { ...each };
      for (const { name, type } of fields) {
        const change = by(type);
        if (change) made[name] = change(lookup(each, name), map);
      }
      return made;
    });
  return {
    editor: 'entries',
    entry,
    fields,
    schema: Type.Array(
      Type.Object(Object.fromEntries(fields.map((field) => [field.name, field.type.schema])), {
        additionalProperties: false,
      }),
      { maxItems: MOST_ENTRIES },
    ),
    clean: (value) =>
      value.map((each) =>
        Object.fromEntries(
          fields.map(({ name, type, initial }) => [
            name,
            type.clean(lookup(each, name) ?? initial) as unknown,
          ]),
        ),
      ),
    withLinks: (value, map) => mapped(value, (type) => type.withLinks, map),
    withAssets: (value, map) => mapped(value, (type) => type.withAssets, map),
    fault(value, site) {
      for (const each of value) {
        for (const { name, type } of fields) {
          const fault = type.fault?.(lookup(each, name), site);
          if (fault) return fault;
        }
      }
      return undefined;
    },
  };
}

/** A label and where it leads. */
export interface LabelledLink {
  label: string;
  link: string;
}

export const LABELLED_LINK: readonly ContentField[] = [
  { name: 'label', label: 'Label', type: line, initial: 'New link', selector: 'a' },
  { name: 'link', label: 'Leads to', type: link, initial: '' },
];
