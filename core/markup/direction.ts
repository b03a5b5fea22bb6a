/** Languages that are written from right to left unless a script subtag says otherwise (CLDR 46, likely subtags; from memory). */
const LANGUAGES = new Set('ar arc ckb dv fa he iw ji ks lrc mzn nqo ps sd syr ug ur yi'.split(' '));

/** Scripts that are written from right to left (Unicode 16, bidirectional classes R and AL). */
const SCRIPTS = new Set('adlm arab hebr mand mend nkoo rohg samr syrc thaa yezi'.split(' '));

/** The direction in which a language is written, by its BCP 47 tag. */
export function directionOf(language: string): 'ltr' | 'rtl' {
  const [first, ...rest] = language.toLowerCase().split('-');
  const script = rest.find((subtag) => /^[a-z]{4}$/.test(subtag));
  return (script === undefined ? LANGUAGES.has(first) : SCRIPTS.has(script)) ? 'rtl' : 'ltr';
}
