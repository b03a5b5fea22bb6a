import { element, type Markup } from '../../markup/markup.ts';
import { type MarkupContext } from './kind.ts';

/** What a table of lines is laid out with: what each begins with, then the rest. */
export const TABLE = {
  table: { width: '100%', 'border-collapse': 'collapse' },
  caption: { 'text-align': 'inherit', 'padding-block-end': '0.5rem' },
  th: {
    'text-align': 'inherit',
    'font-weight': 'inherit',
    'padding-block': '0.375rem',
    'padding-inline': '0 1rem',
    'min-width': '6em',
    'vertical-align': 'baseline',
  },
  td: { padding: '0.375rem 0', 'vertical-align': 'baseline' },
};

/** A table with a caption; each line begins with what names it, and the rest is what is said of that. */
export const lineTable = (
  caption: string,
  lines: readonly (readonly [head: string, ...rest: Markup['children']])[],
  { attributes, part }: MarkupContext,
): Markup =>
  element(
    'div',
    attributes,
    element(
      'table',
      {},
      element('caption', part('caption'), caption),
      element(
        'tbody',
        {},
        ...lines.map(([head, ...rest]) =>
          element(
            'tr',
            {},
            element('th', { scope: 'row', ...part('label') }, head),
            element('td', {}, ...rest),
          ),
        ),
      ),
    ),
  );
