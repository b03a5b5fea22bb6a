/**
 * The parts of an element that carry styles of their own. `self` is the element as a whole; the others are what its
 * kind says they are: the links in a text, the captions of a gallery, the fields of a form.
 */
export const PARTS = [
  'self',
  'heading',
  'link',
  'list',
  'quote',
  'caption',
  'meta',
  'label',
  'field',
  'button',
] as const;

export type Part = (typeof PARTS)[number];

/** Parts that are words and take the values of text. */
export const TEXT_PARTS: readonly Part[] = PARTS.filter((part) => part !== 'self');
/** Parts that are lines or paragraphs of their own. */
export const LINE_PARTS = ['heading', 'list', 'quote', 'caption', 'meta', 'label'] as const;
/** Parts that are boxes, with room, a background and an edge. */
export const BOX_PARTS = ['quote', 'caption', 'field', 'button'] as const;
