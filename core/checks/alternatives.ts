import { hasTrait } from '../elements/kinds/table.ts';
import type { ViewId } from '../layered/views.ts';
import type { Node } from '../site/node.ts';
import { imagesShown } from '../values/shownimages.ts';
import type { CheckInput, Rule } from './rule.ts';
import { textProblems } from './textproblems.ts';

/** The images that an element shows in a view, with their names on the shelf and their text alternatives. */
const imagesOf = ({ site, page }: CheckInput, node: Node, view: ViewId): { name: string; alt: string }[] =>
  imagesShown(site, page, node, view).map(({ asset: { name }, alt }) => ({ name, alt }));

/** An image says what it shows, here or on the shelf (https://www.w3.org/TR/WCAG22/#non-text-content). */
export const alternatives: Rule = {
  name: 'image without a text alternative',
  clause: 'WCAG 2.2, 1.1.1',
  // One that is nothing but decoration has none: that a rule cannot know.
  severity: 'advice',
  find: (input) =>
    textProblems(input, (node, view) => {
      const silent = imagesOf(input, node, view).filter(({ alt }) => alt === '');
      if (silent.length === 0) return undefined;
      const which = hasTrait(node, 'gallery') ? `: ${silent.map(({ name }) => name).join(', ')}` : '';
      return {
        sentence: `${node.name} has no text alternative{views}${which}.`,
        cure: 'Say what it shows, here or on the shelf; leave that out only where it is nothing but decoration.',
      };
    }),
};

/** Names that cameras, phones and programs give to files (common practice). */
const GENERATED = /^(?:img|dsc[fn]?|pxl|mvimg|image|photo|picture|screenshot|untitled)[\d\s_-]*$/i;

const EXTENSION = /\.(?:jpe?g|png|gif|webp|avif|svg|heic|tiff?|bmp)$/i;

const bare = (name: string): string =>
  name
    .trim()
    .replace(EXTENSION, '')
    .replace(/[\s_-]+/g, ' ')
    .toLowerCase();

/** Whether a text alternative is the name of a file: it ends like one, or is what a camera names its files. */
const isFileName = (alt: string): boolean => EXTENSION.test(alt.trim()) || GENERATED.test(bare(alt));

/** A text alternative is not a file name (https://www.w3.org/TR/WCAG22/#non-text-content, failure F30 https://www.w3.org/WAI/WCAG22/Techniques/failures/F30). */
export const fileNames: Rule = {
  name: 'file name as text alternative',
  clause: 'WCAG 2.2, 1.1.1',
  severity: 'barrier',
  find: (input) =>
    textProblems(input, (node, view) => {
      const names = imagesOf(input, node, view)
        .map(({ alt }) => alt)
        .filter(isFileName);
      if (names.length === 0) return undefined;
      return {
        sentence: `The text alternative of ${node.name} is a file name{views}: “${names[0]}”.`,
        cure: 'Describe what the image shows.',
      };
    }),
};
