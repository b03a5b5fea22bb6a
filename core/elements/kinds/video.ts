import { Film } from 'lucide';
import { IMAGE } from './imagemarkup.ts';
import { asset, line, oneOf } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';

export const video: Kind = {
  name: 'video',
  label: 'Video',
  icon: Film,
  offered: 'media',
  traits: ['video', 'block', 'image', 'words', 'coloured'],
  allInParts: true,
  accepts: [],
  display: 'block',
  structure: { display: 'block', margin: '0' },
  inner: {
    // The shape that its markup says, the video's, not that of the image before it (CSS Containment 2, §3.1; CSS Sizing 4, §6.1).
    video: { ...IMAGE, contain: 'size' },
    figcaption: { 'padding-block-start': '0.5rem' },
    // Who asked for less motion gets the image in place of a video that would play by itself.
    '.still': { ...IMAGE, display: 'var(--still, none)' },
    'video[autoplay][poster]': { display: 'var(--moving, block)' },
  },
  media: 'video',
  defaults: {},
  parts: { caption: { label: 'Caption', selector: 'figcaption', textStyle: 'caption' } },
  content: [
    { name: 'file', label: 'Video', type: asset('video'), initial: '' },
    { name: 'poster', label: 'Image before it plays', type: asset('image'), initial: '' },
    { name: 'name', label: 'What it shows', type: line, initial: 'Video' },
    { name: 'caption', label: 'Caption', type: line, initial: '', varies: 'within', selector: 'figcaption' },
    { name: 'captions', label: 'Captions: what is said in it', type: asset('captions file'), initial: '' },
    {
      name: 'playing',
      label: 'Plays',
      type: oneOf([
        { value: 'asked', label: 'when started, with sound' },
        { value: 'always', label: 'automatically, muted, in a loop' },
      ]),
      initial: 'asked',
    },
  ],
  markup: (node, { attributes, media, part, language, words, shownWhen }) => {
    const field = (name: string) => contentOf<string>(video, node, name);
    const film = media(field('file'));
    const poster = media(field('poster'));
    const captions = media(field('captions'));
    const itself = field('playing') === 'always';
    const caption = words('caption');
    return element(
      'figure',
      attributes,
      element(
        'video',
        {
          'aria-label': field('name'),
          poster: poster?.url,
          width: film?.width ?? poster?.width,
          height: film?.height ?? poster?.height,
          playsinline: '',
          preload: itself ? undefined : 'none',
          ...(itself ? { autoplay: '', muted: '', loop: '' } : {}),
          // Also what plays by itself can be stopped (WCAG 2.2, 2.2.2).
          controls: '',
        },
        ...(film
          ? [
              element('source', {
                src: film.url,
                type: film.type,
                // One that waits to be asked is fetched only then (HTML, §4.8.2, `media`).
                media: itself ? shownWhen() : undefined,
              }),
            ]
          : []),
        ...(captions
          ? [
              element('track', {
                kind: 'captions',
                src: captions.url,
                srclang: language,
                label: captions.name,
                default: '',
              }),
            ]
          : []),
      ),
      ...(itself && poster
        ? [
            element('img', {
              class: 'still',
              src: poster.url,
              alt: field('name'),
              width: poster.width,
              height: poster.height,
              loading: 'lazy',
            }),
          ]
        : []),
      ...(caption.length > 0 ? [element('figcaption', part('caption'), ...caption)] : []),
    );
  },
};
