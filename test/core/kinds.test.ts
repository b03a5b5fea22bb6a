/** What each kind of element prints, what it begins with and what its content takes: written by hand. */
import { expect } from 'chai';
import { contentOf, KINDS, knownKind } from '../../core/index.ts';
import { frame, view } from './acting.ts';
import { printed } from './printing.ts';
import { PRINTED } from './printedkinds.ts';

/** What each kind begins with, in the demo's Desktop view (sheet 1280 px) and its Mobile view (390 px), where they differ. */
const BEGINNINGS: Record<string, Record<string, unknown>> = {
  // These begin with nothing.
  ...Object.fromEntries(
    ['page', 'region', 'alternates', 'text', 'picture', 'video', 'divider', 'hours', 'timetable'].map(
      (kind) => [kind, {}],
    ),
  ),
  // 7.5 % of 1280 px.
  section: { paddingTop: 96, paddingBottom: 96 },
  layout: { gap: 32 },
  row: { gap: 32 },
  column: { gap: 16 },
  group: { gap: 16 },
  overlay: { rowHeight: 24 },
  card: {
    gap: 12,
    ...{ paddingTop: 24, paddingRight: 24, paddingBottom: 24, paddingLeft: 24 },
    ...{ backgroundColour: 'white', radius: 8, shadow: 'low' },
  },
  heading: { wrapping: 'balance' },
  list: { paddingLeft: 24, gap: 8 },
  quote: { gap: 12, paddingLeft: 24, borderLeft: 4 },
  button: {
    ...{ align: 'center', colour: 'white', backgroundColour: 'black', radius: 6 },
    ...{ blockAlign: 'start', heldAcross: 'start' },
    ...{ paddingTop: 12, paddingRight: 24, paddingBottom: 12, paddingLeft: 24 },
  },
  gallery: { tiles: 4, gap: 16, cropRatio: { width: 4, height: 3 } },
  pages: { tiles: 3, gap: 24, cropRatio: { width: 3, height: 2 } },
  icon: { iconSize: 32, blockAlign: 'start', heldAcross: 'start' },
  spacer: { height: 48 },
  logo: { blockAlign: 'start', heldAcross: 'start' },
  navigation: { gap: 24 },
  social: { gap: 20 },
  prices: { gap: 12 },
  questions: { gap: 0 },
  form: { gap: 16 },
  strip: { edge: 'lower', colour: 'black', backgroundColour: 'white', borderTop: 1, borderColour: '#767676' },
  openingscreen: { leaving: 'fading', stays: 1.5, colour: 'white', backgroundColour: 'black' },
  up: {
    ...{ corner: 'end', fromEdge: 16 },
    ...{ colour: 'white', backgroundColour: 'black', radius: 24 },
    ...{ paddingTop: 10, paddingRight: 10, paddingBottom: 10, paddingLeft: 10 },
  },
};

/** What parts begin with. */
const PARTS_BEGIN: Record<string, Record<string, Record<string, unknown>>> = {
  heading: { link: { decoration: 'underline' } },
  text: {
    heading: { weight: 700, size: 22, lineHeight: 1.25 },
    link: { decoration: 'underline' },
    list: { paddingLeft: 24 },
    quote: { slant: 'italic', paddingLeft: 20, borderLeft: 3 },
  },
  list: { link: { decoration: 'underline' } },
  navigation: { list: { colour: 'black', backgroundColour: 'white' } },
  pages: { heading: { weight: 650 } },
  prices: { heading: { weight: 650 } },
  questions: { heading: { weight: 650 } },
  form: {
    field: {
      ...{ backgroundColour: 'white', colour: 'black', radius: 4, borderColour: '#767676' },
      ...{ paddingTop: 8, paddingRight: 12, paddingBottom: 8, paddingLeft: 12 },
      ...{ borderTop: 1, borderRight: 1, borderBottom: 1, borderLeft: 1 },
    },
    button: {
      ...{ colour: 'white', backgroundColour: 'black', radius: 6 },
      ...{ paddingTop: 12, paddingRight: 24, paddingBottom: 12, paddingLeft: 24 },
    },
  },
};

const viewOf = (id: string) => frame.views.list.find((each) => each.id === view(id))!;

const begun = (kind: string, id: string) =>
  Object.fromEntries(
    Object.entries(knownKind(kind).defaults).map(([name, value]) => [
      name,
      typeof value === 'function' ? (value as (at: unknown) => unknown)(viewOf(id)) : value,
    ]),
  );

describe('a kind of element', () => {
  it('is written down here, every one', () => {
    const names = KINDS.map(({ name }) => name);
    expect(Object.keys(BEGINNINGS)).to.have.members(names);
    // What prints drawings is read below, and with what stays at the edges of the window.
    const printedHere = new Set([
      ...PRINTED.map(([kind]) => kind),
      ...['icon', 'social', 'strip', 'up', 'openingscreen'],
    ]);
    expect([...printedHere]).to.have.members(names);
  });

  for (const [kind, content, html, more] of PRINTED) {
    it(`${kind} prints ${html.slice(0, 50)}`, () => {
      expect(printed(kind, content, more)).to.equal(html);
    });
  }

  it('form asks for nothing to be chosen beforehand, and sends nothing nowhere', () => {
    const fields = [{ label: 'Day', type: 'choice', required: true, options: 'Mon' }];
    const html = printed('form', { fields });
    expect(html).to.include('required class="a-field"><option value>–</option><option>Mon</option></select>');
    expect(html).to.match(/^<form class="x" aria-label="Form"><p>/);
    expect(html).to.include('<button type="submit" disabled class="a-button">Send</button>');
  });

  it('form without an email address sends what it asks to the host, with a trap that people neither see nor reach', () => {
    const fields = [{ label: 'You', type: 'text', required: false, options: '' }];
    const html = printed('form', { fields }, { formMessage: ({ id }) => `${id}-0123456789` });
    expect(html).to.equal(
      '<form class="x" aria-label="Form" action="./" method="post">' +
        '<p class="sent" id="n1-sent" tabindex="-1">Thank you. Your message has arrived.</p>' +
        '<input type="hidden" name="letter" value="n1-0123456789">' +
        '<p><label for="n1-field-1" class="a-label"><span>You</span></label><input id="n1-field-1" name="field-1" class="a-field" type="text" maxlength="1000"></p>' +
        '<p class="trap" aria-hidden="true"><label for="n1-website" class="a-label">Leave this empty</label><input id="n1-website" name="website" type="text" tabindex="-1" autocomplete="off" class="a-field"></p>' +
        '<button type="submit" class="a-button">Send</button></form>',
    );
  });

  it('with a sign prints the drawing, with its words where it has some', () => {
    const star = printed('icon', { icon: 'star', label: 'Best' });
    expect(star).to.match(
      /^<div class="x"><svg [^>]*viewBox="0 0 24 24"[^>]*role="img" aria-label="Best"[^>]*>(<path d="[^"]+"><\/path>)+<\/svg><\/div>$/,
    );
    expect(printed('icon', { icon: 'star' }))
      .to.include('aria-hidden="true"')
      .and.not.include('role=');
    expect(
      printed('social', { links: [{ icon: 'rss', label: 'News', link: 'https://a.example/' }] }),
    ).to.match(
      /^<ul class="x"><li><a href="https:\/\/a\.example\/"><svg [^>]*aria-hidden="true"[^>]*>.*<\/svg><span>News<\/span><\/a><\/li><\/ul>$/,
    );
  });

  it('begins with what is written down here, and its parts, too', () => {
    for (const { name, parts = {} } of KINDS) {
      expect(begun(name, 'desktop'), name).to.deep.equal(BEGINNINGS[name]);
      const found = Object.fromEntries(
        Object.entries(parts).flatMap(([part, { defaults }]) => (defaults ? [[part, defaults]] : [])),
      );
      expect(found, name).to.deep.equal(PARTS_BEGIN[name] ?? {});
    }
  });

  it('begins with less room in a narrow grid', () => {
    expect(begun('section', 'mobile')).to.deep.equal({ paddingTop: 48, paddingBottom: 48 });
    // 8.5 % of the 940 px that the tablet's grid takes at most are 79.9: 80 in steps of 8.
    expect(begun('section', 'tablet')).to.deep.equal({ paddingTop: 80, paddingBottom: 80 });
    expect(begun('section', 'wide').paddingTop).to.equal(112);
    expect(begun('spacer', 'mobile')).to.deep.equal({ height: 24 });
    expect(begun('gallery', 'mobile').tiles).to.equal(1);
    expect(begun('pages', 'mobile').tiles).to.equal(1);
    // 280 px fit into 940 three times.
    expect(begun('gallery', 'tablet').tiles).to.equal(3);
    expect(begun('row', 'mobile')).to.deep.equal({ gap: viewOf('mobile').grid.gutter });
  });

  it('takes its grid from the view', () => {
    expect(knownKind('row').perView!(viewOf('mobile'))).to.deep.equal({
      '--columns': '4',
      'grid-template-columns': 'repeat(4, minmax(0, 1fr))',
    });
    const { margin, maxWidth } = viewOf('desktop').grid;
    const narrow = viewOf('mobile').grid;
    expect(knownKind('section').perView!(viewOf('desktop'))).to.deep.equal({
      'grid-template-columns': `minmax(var(--beside, ${margin}px), 1fr) minmax(0, ${maxWidth}px) minmax(var(--beside, ${margin}px), 1fr)`,
    });
    expect(knownKind('layout').perView!(viewOf('mobile'))).to.deep.equal({
      '--columns': '4',
      'grid-template-columns': 'repeat(4, minmax(0, 1fr))',
      'padding-inline': `max(${narrow.margin}px, (100% - ${narrow.maxWidth}px) / 2)`,
    });
  });

  it('has content of its own where a field says nothing yet', () => {
    const initial = (kind: string, field: string): unknown =>
      contentOf(knownKind(kind), { content: {} }, field);
    expect(initial('heading', 'level')).to.equal(2);
    expect(initial('button', 'label')).to.equal('Button');
    expect(initial('form', 'fields')).to.deep.equal([]);
    expect(initial('icon', 'icon')).to.equal('star');
    expect(initial('heading', 'unknown')).to.equal(undefined);
    const words = KINDS.flatMap(({ name, words: field }) => (field ? [`${name} ${field}`] : []));
    expect(words).to.have.members([
      'heading text',
      'text text',
      'button label',
      'quote text',
      'logo name',
      'openingscreen words',
    ]);
  });
});
