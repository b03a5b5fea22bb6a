import { languageName } from '../../core/index.ts';

const TAGS = [
  ...[
    'en',
    'en-GB',
    'en-US',
    'ar',
    'bg',
    'ca',
    'cs',
    'cy',
    'da',
    'de',
    'el',
    'es',
    'et',
    'eu',
    'fa',
    'fi',
    'fr',
    'ga',
  ],
  ...[
    'he',
    'hi',
    'hr',
    'hu',
    'id',
    'is',
    'it',
    'ja',
    'ko',
    'lt',
    'lv',
    'nl',
    'no',
    'pl',
    'pt',
    'pt-BR',
    'ro',
    'ru',
  ],
  ...['sk', 'sl', 'sr', 'sv', 'th', 'tr', 'uk', 'ur', 'vi', 'zh'],
];

/** Languages a site can be written in, by their tags, in the order of their names; English first. */
export const LANGUAGES: readonly string[] = TAGS.toSorted((one, other) =>
  one === 'en' ? -1 : other === 'en' ? 1 : languageName(one).localeCompare(languageName(other), 'en'),
);
