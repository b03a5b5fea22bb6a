/** The class of an element on its page. */
export const nodeClass = (id: string): string => `n-${id}`;
/** The class of a text style. */
export const textStyleClass = (id: string): string => `t-${id}`;

/**
 * The selector of something inside an element. `:where()` counts nothing, so that every rule of a page weighs one class
 * and their order alone decides (Selectors 4, §17 https://www.w3.org/TR/selectors-4/#specificity-rules).
 */
export const within = (selector: string, inside: string): string =>
  inside.startsWith('> ') ? `${selector} > :where(${inside.slice(2)})` : `${selector} :where(${inside})`;

/** The class of the words of a field that an element says in some views, by their number. */
export const wordsClass = (id: string, field: string, number: number): string => `w-${id}-${field}-${number}`;

/** The class of the element that stands in some views in place of others with the same id, by its number. */
export const variantClass = (id: string, number: number): string => `v-${id}-${number}`;

/** The class of an image that stands in an element’s content. */
export const pictureClass = (asset: string): string => `p-${asset}`;

/** The class of a menu's entries for a page. */
export const listingClass = (page: string): string => `to-${page}`;

/** The classes of what is on a page, and of what stands in its place where the page is not offered. */
export const MATTER = 'matter';
export const NOTICE_CLASS = 'notice';
