export const nodeClass = (id: string): string => `n-${id}`;
export const textStyleClass = (id: string): string => `t-${id}`;

/**
 * The selector of something inside an element. `:where()` counts nothing, so that every rule of a page weighs one class
 * and their order alone decides (Selectors 4, §17 https://www.w3.org/TR/selectors-4/#specificity-rules).
 */
export const within = (selector: string, inside: string): string =>
  inside.startsWith('> ') ? `${selector} > :where(${inside.slice(2)})` : `${selector} :where(${inside})`;

/** The class of a picture that stands in an element’s content. */
export const pictureClass = (asset: string): string => `p-${asset}`;
