import { Type, type TSchema } from '@sinclair/typebox';
import { cleanFragment } from './fragment.ts';
import { cleanLink } from './link.ts';

/** A kind of content: its schema, and the one form it is kept in. */
export interface ContentType<T = any> {
  editor: 'rich' | 'inline' | 'line' | 'link' | 'links' | 'choice';
  schema: TSchema;
  /** The form a value is kept in. Every way in passes through here. */
  clean(value: T): T;
  /** Says what is wrong with a value that has the right shape, where something can be. */
  fault?(value: T): string | undefined;
  options?: readonly { value: string | number; label: string }[];
}

const FRAGMENT = Type.String({ maxLength: 50_000 });

export const richText: ContentType<string> = {
  editor: 'rich',
  schema: FRAGMENT,
  clean: (value) => cleanFragment(value, 'block'),
};

export const inlineText: ContentType<string> = {
  editor: 'inline',
  schema: FRAGMENT,
  clean: (value) => cleanFragment(value, 'inline'),
};

/** One line of plain words. */
export const line: ContentType<string> = {
  editor: 'line',
  schema: Type.String({ maxLength: 400 }),
  clean: (value) => value.replace(/\s+/g, ' ').trim(),
};

const linkFault = (value: string): string | undefined =>
  value === '' || cleanLink(value) !== undefined
    ? undefined
    : `“${value}” is not a link to a page, a web address, mail or a telephone number.`;

/** A link target; empty where the thing leads nowhere yet. */
export const link: ContentType<string> = {
  editor: 'link',
  schema: Type.String({ maxLength: 2000 }),
  clean: (value) => cleanLink(value) ?? value.trim(),
  fault: linkFault,
};

export interface MenuEntry {
  label: string;
  link: string;
}

export const links: ContentType<MenuEntry[]> = {
  editor: 'links',
  schema: Type.Array(
    Type.Object(
      { label: Type.String({ minLength: 1, maxLength: 80 }), link: Type.String({ maxLength: 2000 }) },
      { additionalProperties: false },
    ),
    { maxItems: 40 },
  ),
  clean: (value) => value.map((entry) => ({ label: line.clean(entry.label), link: link.clean(entry.link) })),
  fault: (value) => value.map((entry) => linkFault(entry.link)).find((fault) => fault !== undefined),
};

export function oneOf(
  options: readonly { value: string | number; label: string }[],
): ContentType<string | number> {
  return {
    editor: 'choice',
    schema: Type.Union(options.map((option) => Type.Literal(option.value))),
    clean: (value) => value,
    options,
  };
}
