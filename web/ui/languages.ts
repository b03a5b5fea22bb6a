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

/** Languages a site can be written in, by their names; English first. */
export const LANGUAGES = TAGS.map((tag) => ({ tag, label: languageName(tag) })).sort((one, other) =>
  one.tag === 'en' ? -1 : other.tag === 'en' ? 1 : one.label.localeCompare(other.label, 'en'),
);
