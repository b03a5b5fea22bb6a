// In the language of the interface, whatever the machine's is.
const names = new Intl.DisplayNames(['en'], { type: 'language' });

/** The name of a language by its BCP 47 tag (Unicode CLDR, as the JavaScript that runs knows it); the tag itself where it names none. */
export function languageName(tag: string): string {
  try {
    return names.of(tag) ?? tag;
  } catch {
    // Of the form of a tag, but none.
    return tag;
  }
}
