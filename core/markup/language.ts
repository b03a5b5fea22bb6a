// In the language of the interface, whatever the machine's is.
const names = new Intl.DisplayNames(['en'], { type: 'language' });

/** Letters as `text-transform` of CSS draws them. */
export type Case = 'none' | 'uppercase' | 'lowercase' | 'capitalize';

/**
 * A text as it is drawn by `text-transform` (CSS Text 3, §2.1 https://www.w3.org/TR/css-text-3/#text-transform-property): by the rules of its own
 * language, as of Turkish for i, and not by those of the machine.
 */
export function cased(text: string, letters: Case, lang: string): string {
  // No more than the language itself: a tag may have the right form and name none.
  const by = /^[a-z]{2,3}(?=-|$)/i.exec(lang)?.[0] ?? 'en';
  if (letters === 'uppercase') return text.toLocaleUpperCase(by);
  if (letters === 'lowercase') return text.toLocaleLowerCase(by);
  if (letters === 'capitalize')
    return text.replace(
      /(^|[^\p{L}\p{N}\p{M}'’])(\p{L})/gu,
      (_all, before: string, first: string) => before + first.toLocaleUpperCase(by),
    );
  return text;
}

/** The name of a language by its BCP 47 tag (Unicode CLDR, as the JavaScript that runs knows it); the tag itself where it names none. */
export function languageName(tag: string): string {
  try {
    return names.of(tag) ?? tag;
  } catch {
    // Of the form of a tag, but none.
    return tag;
  }
}
