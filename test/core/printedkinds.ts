import { narrow, img, type Context } from './printing.ts';

const MENU_SIGN =
  '<svg viewBox="0 0 24 24" fill="none" stroke="currentColor" stroke-width="2" aria-hidden="true"><path d="M4 6h16M4 12h16M4 18h16"></path></svg>';

/** Content by the fields of the kind, and the HTML that it gives. */
export const PRINTED: [
  kind: string,
  content: Record<string, unknown>,
  html: string,
  more?: Partial<Context>,
][] = [
  ['page', {}, '<body class="x">a</body>', { children: ['a' as never] }],
  ['section', {}, '<section class="x"></section>'],
  ['section', {}, '<div class="x"></div>', { headed: () => false }],
  ['section', { landmark: 'footer' }, '<footer class="x"></footer>', { headed: () => false }],
  ['overlay', {}, '<div class="x"></div>'],
  ['layout', {}, '<div class="x">a</div>', { children: ['a' as never] }],
  ['region', {}, '<div class="x">a</div>', { children: ['a' as never] }],
  ['region', { landmark: 'aside', label: 'Dates' }, '<aside class="x" aria-label="Dates"></aside>'],
  ['region', { landmark: 'nav' }, '<nav class="x"></nav>'],
  ['region', { landmark: 'region', label: 'Dates' }, '<section class="x" aria-label="Dates"></section>'],
  ['card', {}, '<div class="x"></div>', { headed: () => false }],
  ['section', { landmark: 'header' }, '<header class="x"></header>'],
  ['section', { landmark: 'search' }, '<search class="x"></search>', { headed: () => false }],
  ['section', { landmark: 'aside', label: 'Beside' }, '<aside class="x" aria-label="Beside"></aside>'],
  [
    'section',
    { landmark: 'region', label: 'Tonight' },
    '<section class="x" aria-label="Tonight"></section>',
    { headed: () => false },
  ],
  ['section', { landmark: 'footer' }, '<footer class="x"></footer>'],
  ['row', {}, '<div class="x">a</div>', { children: ['a' as never] }],
  ['column', {}, '<div class="x">a</div>', { children: ['a' as never] }],
  ['group', {}, '<div class="x">a</div>', { children: ['a' as never] }],
  ['alternates', {}, '<div class="x">a</div>', { children: ['a' as never] }],
  ['card', {}, '<article class="x">a</article>', { children: ['a' as never] }],
  ['heading', { text: 'A <em>b</em>' }, '<h3 class="x">A <em>b</em></h3>'],
  ['text', { text: '<p><a href="page:home">b</a></p>' }, '<div class="x"><p><a href="../">b</a></p></div>'],
  ['button', { label: 'Go & see', link: 'page:home' }, '<a class="x" href="../">Go &amp; see</a>'],
  ['button', {}, '<a class="x">Button</a>'],
  ['list', { items: [{ text: 'a' }, { text: 'b' }] }, '<ul class="x"><li>a</li><li>b</li></ul>'],
  ['list', { items: [{ text: 'a' }], sequence: 'steps' }, '<ol class="x"><li>a</li></ol>'],
  [
    'quote',
    { text: 'a', by: 'b' },
    '<figure class="x"><blockquote>a</blockquote><figcaption class="a-caption">b</figcaption></figure>',
  ],
  ['quote', { text: 'a' }, '<figure class="x"><blockquote>a</blockquote></figure>'],
  ['picture', { alt: 'Dome' }, '<span class="x"></span>'],
  [
    'picture',
    { alt: 'Dome' },
    '<picture class="x"><source media="not (width &gt;= 640px)" srcset="/dome.jpg" width="800" height="600"><img src="/dome.jpg" alt="Dome" width="800" height="600"></picture>',
    { picture: { img, alt: '', sources: [narrow], sometimes: false } },
  ],
  [
    'picture',
    {},
    '<picture class="x"><img src="/dome.jpg" alt="" width="800" height="600" loading="lazy" decoding="async"></picture>',
    { picture: { img, alt: '', sources: [], sometimes: false }, lazy: true },
  ],
  [
    'logo',
    { name: 'Hill', link: 'page:home' },
    '<a class="x" href="../"><span class="words">Hill</span></a>',
  ],
  [
    'logo',
    { name: 'Hill' },
    '<a class="x"><picture><img src="/dome.jpg" alt="Hill" width="800" height="600"></picture></a>',
    { picture: { img, alt: '', sources: [], sometimes: false } },
  ],
  [
    'logo',
    { name: 'Hill' },
    '<a class="x"><picture><source media="not (width &gt;= 640px)" srcset="/dome.jpg" width="800" height="600"><img src="/dome.jpg" alt="Hill" width="800" height="600" loading="lazy" decoding="async"></picture><span class="words">Hill</span></a>',
    { picture: { img, alt: '', sources: [narrow], sometimes: true } },
  ],
  ['divider', {}, '<hr class="x">'],
  ['spacer', {}, '<div class="x" aria-hidden="true"></div>'],
  [
    'video',
    {
      file: 'sky',
      poster: 'dome',
      name: 'The sky',
      caption: 'By night',
    },
    '<figure class="x"><video aria-label="The sky" poster="/dome.jpg" width="640" height="360" playsinline preload="none" controls><source src="/sky.webm" type="video/webm"></video><figcaption class="a-caption">By night</figcaption></figure>',
  ],
  [
    'video',
    { file: 'sky', name: 'The sky', captions: 'words' },
    '<figure class="x"><video aria-label="The sky" width="640" height="360" playsinline preload="none" controls><source src="/sky.webm" type="video/webm"><track kind="captions" src="/sky.vtt" srclang="en" label="English" default></video></figure>',
  ],
  [
    'video',
    { file: 'sky', name: 'The sky', playing: 'always', poster: 'dome' },
    '<figure class="x"><video aria-label="The sky" poster="/dome.jpg" width="640" height="360" playsinline autoplay muted loop controls><source src="/sky.webm" type="video/webm"></video><img class="still" src="/dome.jpg" alt="The sky" width="800" height="600" loading="lazy"></figure>',
  ],
  [
    'video',
    { file: 'sky', name: 'The sky', playing: 'always' },
    '<figure class="x"><video aria-label="The sky" width="640" height="360" playsinline autoplay muted loop controls><source src="/sky.webm" type="video/webm"></video></figure>',
  ],
  [
    'video',
    { poster: 'dome' },
    '<figure class="x"><video aria-label="Video" poster="/dome.jpg" width="800" height="600" playsinline preload="none" controls></video></figure>',
  ],
  [
    'gallery',
    { pictures: [{ picture: 'dome', alt: 'Dome', caption: 'Built 1911' }, { picture: '' }] },
    '<ul class="x"><li><figure><picture><img src="/dome.jpg" alt="Dome" width="800" height="600" loading="lazy" decoding="async"></picture><figcaption class="a-caption">Built 1911</figcaption></figure></li><li><figure></figure></li></ul>',
    { lazy: true },
  ],
  [
    'navigation',
    {
      label: 'Pages',
      links: [
        { label: 'Home', link: 'page:home' },
        { label: 'There', link: '#x' },
      ],
    },
    `<nav class="x" aria-label="Pages"><button type="button" popovertarget="menu-n1" popovertargetaction="show" class="a-button">${MENU_SIGN}Pages</button><ul id="menu-n1" popover="auto"><li class="close"><button type="button" popovertarget="menu-n1" popovertargetaction="hide">Close</button></li><li><a href="../" aria-current="page">Home</a></li><li><a href="#x">There</a></li></ul></nav>`,
  ],
  [
    'prices',
    {
      prices: [
        { name: 'Adults', price: '£9', note: 'from 16' },
        { name: 'Dogs', price: '–' },
      ],
    },
    '<ul class="x"><li><b class="a-heading">Adults</b><span>£9</span><small class="a-meta">from 16</small></li><li><b class="a-heading">Dogs</b><span>–</span></li></ul>',
  ],
  [
    'pages',
    {},
    '<ul class="x"><li class="to-comet"><article lang="cy" dir="ltr"><picture><img src="/dome.jpg" alt="" width="800" height="600"></picture><div><a href="../comet/" class="a-heading">The comet</a><small class="a-meta"><time datetime="2026-03-02">2 Mawrth 2026</time> · Ada · comets, nights</small><p class="a-caption">At four in the morning</p></div></article></li><li><article><div><a href="../visits/" class="a-heading">Visits</a></div></article></li></ul>',
    { language: 'en-GB' },
  ],
  [
    'hours',
    { caption: 'Open', hours: [{ day: 'Friday', hours: '20–24' }] },
    '<div class="x"><table><caption class="a-caption">Open</caption><tbody><tr><th scope="row" class="a-label">Friday</th><td>20–24</td></tr></tbody></table></div>',
  ],
  [
    'timetable',
    { caption: 'Night', items: [{ time: '20:00', what: 'Doors', note: 'at the gate' }] },
    '<div class="x"><table><caption class="a-caption">Night</caption><tbody><tr><th scope="row" class="a-label">20:00</th><td><span>Doors</span><small class="a-meta">at the gate</small></td></tr></tbody></table></div>',
  ],
  [
    'questions',
    { questions: [{ question: 'Is it cold?', answer: 'Yes. <a href="page:home">Bring</a> a coat.' }] },
    '<div class="x"><details><summary class="a-heading">Is it cold?</summary><p>Yes. <a href="../">Bring</a> a coat.</p></details></div>',
  ],
  [
    'form',
    {
      name: 'Ask us',
      to: 'a@b.example',
      send: 'Off',
      fields: [
        { label: 'Mail', type: 'email', required: true, options: '' },
        { label: 'You', type: 'name', required: false, options: '' },
        { label: 'Text', type: 'lines', required: false, options: '' },
        { label: 'Day', type: 'choice', required: false, options: 'Mon\nTue' },
        { label: 'Agreed', type: 'tick', required: false, options: '' },
      ],
    },
    '<form class="x" aria-label="Ask us" action="mailto:a@b.example" method="post" enctype="text/plain">' +
      '<p><label for="n1-field-1" class="a-label"><span>Mail</span><span aria-hidden="true"> *</span></label><input id="n1-field-1" name="Mail" required class="a-field" type="email" autocomplete="email" maxlength="1000"></p>' +
      '<p><label for="n1-field-2" class="a-label"><span>You</span></label><input id="n1-field-2" name="You" class="a-field" type="text" autocomplete="name" maxlength="1000"></p>' +
      '<p><label for="n1-field-3" class="a-label"><span>Text</span></label><textarea id="n1-field-3" name="Text" class="a-field" rows="4" maxlength="20000"></textarea></p>' +
      '<p><label for="n1-field-4" class="a-label"><span>Day</span></label><select id="n1-field-4" name="Day" class="a-field"><option value>–</option><option>Mon</option><option>Tue</option></select></p>' +
      '<p class="tick"><input id="n1-field-5" name="Agreed" type="checkbox"><label for="n1-field-5" class="a-label"><span>Agreed</span></label></p>' +
      '<button type="submit" class="a-button">Off</button></form>',
  ],
];
