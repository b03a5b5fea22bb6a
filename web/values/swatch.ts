import { aliasOf, colourCss, type SiteFrame } from '../../core/index.ts';

/** The colour itself, where the value is one: an alias is looked up, so that a swatch needs no style sheet. */
export const swatchOf = (site: SiteFrame, value: string): string => {
  const alias = aliasOf(value);
  return alias
    ? (site.colours.find((colour) => colour.id === alias)?.value ?? 'transparent')
    : colourCss(value);
};
