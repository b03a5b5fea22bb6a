import { expect } from 'chai';
import fc from 'fast-check';
import { directionOf, cleanLink, plainText } from '../../core/index.ts';
import { cleanFragment } from '../../core/markup/fragment.ts';

/** Pieces that attacks and pasted documents are made of. */
const PIECES = [
  '<script>alert(1)</script>',
  '<img src=x onerror=alert(1)>',
  '<svg><script>1</script></svg>',
  '<a href="javascript:alert(1)">x</a>',
  '<a href=" java\tscript:alert(1)">x</a>',
  '<a href="data:text/html,x">x</a>',
  '<a href="https://example.org/?a=1&b=2">ok</a>',
  '<p onclick="x()">para',
  '</p>',
  '<b>bold',
  '</b>',
  '<i>it',
  '</i>',
  '<ul><li>one<li>two',
  '</ul>',
  '<style>p{}</style>',
  '<iframe srcdoc="x">',
  '<math><mtext><table><mglyph><style><img src=x>',
  '<noscript><p title="</noscript><img src=x>">',
  '<h2>head</h2>',
  '<table><tr><td>cell',
  'text & more',
  '<',
  '>',
  '"',
  '&lt;script&gt;',
  '<!-- c -->',
  '<br>',
  '<ol><li><ul><li>deep',
  '<template><b>t</b></template>',
  '<a href="page:home">home</a>',
  '\u00a0',
];
const html = fc
  .array(fc.oneof(fc.constantFrom(...PIECES), fc.string({ maxLength: 6 })), { maxLength: 12 })
  .map((list) => list.join(''));

const ALLOWED =
  /^(?:[^<>]|<(?:p|ul|ol|li|strong|em|h[2-4]|blockquote)>|<\/(?:p|ul|ol|li|strong|em|a|h[2-4]|blockquote)>|<br>|<a href="(?:https?:|mailto:|tel:|page:|#)[^"<>]*">)*$/;

describe('rich text', () => {
  it('holds nothing but the allowed elements, with no attribute but a safe link', () => {
    fc.assert(
      fc.property(html, fc.constantFrom('block' as const, 'inline' as const), (text, form) => {
        expect(cleanFragment(text, form)).to.match(ALLOWED);
      }),
      { numRuns: 500 },
    );
  });

  it('cleaned twice is cleaned once', () => {
    fc.assert(
      fc.property(html, fc.constantFrom('block' as const, 'inline' as const), (text, form) => {
        const once = cleanFragment(text, form);
        expect(cleanFragment(once, form)).to.equal(once);
      }),
      { numRuns: 500 },
    );
  });

  it('keeps marks, links, lists, headings and quotes, and turns the rest into paragraphs', () => {
    expect(cleanFragment('Hello <b>you</b> and <i>me</i>', 'block')).to.equal(
      '<p>Hello <strong>you</strong> and <em>me</em></p>',
    );
    expect(cleanFragment('<h2>Title</h2><div>One<br>two</div>', 'block')).to.equal(
      '<h2>Title</h2><p>One<br>two</p>',
    );
    expect(
      cleanFragment('<h1>A <u>b</u></h1><h6>c</h6><blockquote>d<h3></h3></blockquote>', 'block'),
    ).to.equal('<h2>A b</h2><h4>c</h4><blockquote><p>d</p></blockquote>');
    expect(cleanFragment('<ul><li>a<ol><li>b</li></ol></li><li></li></ul>', 'block')).to.equal(
      '<ul><li>a<ol><li>b</li></ol></li></ul>',
    );
    expect(
      cleanFragment('<p>See <a href="page:visits" class="x" target="_blank">visits</a></p>', 'inline'),
    ).to.equal('See <a href="page:visits">visits</a>');
    expect(cleanFragment('<p>a</p><script>alert(1)</script><p> </p>', 'block')).to.equal('<p>a</p>');
  });

  it('loses no text of lists, however they are written', () => {
    const kept: [given: string, kept: string][] = [
      ['<ul><li><p>a</p><p>b</p></li></ul>', '<ul><li>a<br>b</li></ul>'],
      ['<ul><li>a<div>b <b>c</b></div>d</li></ul>', '<ul><li>a<br>b <strong>c</strong><br>d</li></ul>'],
      [
        '<ul><li>a</li><ul><li>b</li></ul><li>c</li></ul>',
        '<ul><li>a<ul><li>b</li></ul></li><li>c</li></ul>',
      ],
      ['<ol><ol><li>a</li></ol></ol>', '<ol><li><ol><li>a</li></ol></li></ol>'],
      ['<ul>stray<li>a</li></ul>', '<ul><li>stray</li><li>a</li></ul>'],
      ['<ul><li><div><ul><li>a</li></ul></div></li></ul>', '<ul><li><ul><li>a</li></ul></li></ul>'],
    ];
    for (const [given, wanted] of kept) {
      expect(cleanFragment(given, 'block')).to.equal(wanted);
      expect(cleanFragment(wanted, 'block')).to.equal(wanted);
    }
  });

  it('keeps the bare words of what is nested deeper than anyone writes', () => {
    for (const [open, close] of [
      ['<b>', '</b>'],
      ['<ul><li>', '</li></ul>'],
      ['<blockquote>', '</blockquote>'],
      ['<div>', ''],
    ]) {
      const deep = `${open.repeat(8000)}a &lt; b<script>no</script>${close.repeat(8000)}`;
      expect(cleanFragment(deep, 'block')).to.equal('<p>a &lt; b</p>');
      expect(cleanFragment(deep, 'inline')).to.equal('a &lt; b');
      expect(plainText(deep)).to.equal('a < b');
    }
  });

  it('knows the direction of a language', () => {
    expect(['ar', 'he', 'fa-IR', 'ur', 'az-Arab', 'AR-EG'].map(directionOf)).to.deep.equal(
      Array(6).fill('rtl'),
    );
    expect(['en', 'de-CH', 'az', 'ar-Latn', 'ja', 'arn'].map(directionOf)).to.deep.equal(
      Array(6).fill('ltr'),
    );
  });

  it('refuses links that would run or embed something', () => {
    for (const bad of [
      'javascript:alert(1)',
      'JaVaScRiPt:alert(1)',
      'java\nscript:alert(1)',
      '\u0001javascript:x',
      'vbscript:x',
      'data:text/html,x',
      'blob:x',
      'file:///etc/passwd',
      'visits',
      '//example.org',
      '',
    ]) {
      expect(cleanLink(bad), JSON.stringify(bad)).to.equal(undefined);
    }
    for (const good of [
      'https://example.org/a?b#c',
      'mailto:a@b.example',
      'tel:+441234',
      'page:home',
      '#top',
    ])
      expect(cleanLink(good)).to.equal(good);
  });

  it('reads the words', () => {
    expect(plainText('<p>One <strong>two</strong></p><ul><li>three</li></ul>')).to.equal('One two three');
  });
});
