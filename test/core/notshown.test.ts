/** What a visitor does not see in a view, and why: as the site says it, and as a browser measured it. */
import { expect } from 'chai';
import { notShown, type MeasuredPage, type Page } from '../../core/index.ts';
import { frame, home, made, node, view } from './acting.ts';

const MOBILE = view('mobile');
const reasons = (page: Page, seen?: MeasuredPage) =>
  Object.fromEntries(
    notShown(frame, page, MOBILE, seen).map(({ node: id, reason, by }) => [
      id,
      by ? `${reason} ${by}` : reason,
    ]),
  );
const set = (id: string, property: string, value: unknown, on: Page = home) =>
  made('setValue', { nodes: [node(id)], property, view: view('desktop'), value, reach: 'onward' }, on).page;

describe('what is not shown', () => {
  it('is told with its reason: itself, a parent, another alternate', () => {
    const before = reasons(home);
    expect(Object.values(before).filter((each) => each === 'itself')).to.have.length(1);
    const hidden = made('showInViews', {
      nodes: [node('opening-words')],
      shown: false,
      views: [MOBILE],
    }).page;
    expect(reasons(hidden)).to.include({
      'opening-words': 'itself',
      headline: 'parent opening-words',
      lead: 'parent opening-words',
    });
    const { page } = made('makeAlternate', {
      node: node('dome'),
      view: MOBILE,
      reach: 'here',
      set: node('set'),
      copy: node('copy'),
    });
    expect(reasons(page).dome).to.equal('alternates copy');
    expect(reasons(page)).not.to.have.any.keys('copy', 'set');
  });

  it('has nothing in it, is fully transparent, or has the colour of what is behind it', () => {
    const empty = made('setContent', { node: node('headline'), field: 'text', value: '' }).page;
    expect(reasons(empty).headline).to.equal('empty');
    const bare = made('removeElements', { nodes: [node('headline'), node('lead'), node('book')] }).page;
    expect(reasons(bare)['opening-words']).to.equal('empty');
    expect(reasons(set('opening-words', 'opacity', 0))).to.include({
      'opening-words': 'transparent',
      headline: 'transparent opening-words',
    });
    expect(reasons(set('headline', 'colour', '{night}')).headline).to.equal('colour');
    expect(reasons(home)).not.to.have.any.keys('headline', 'lead', 'book');
  });

  it('lies under another, beyond the page or is cut off, where a browser has measured that', () => {
    const box = { left: 20, top: 100, right: 370, bottom: 200 };
    const page = set('opening-words', 'backgroundColour', '#ffffff');
    const one = (more: Partial<MeasuredPage['boxes'][number]>): MeasuredPage => ({
      width: 390,
      boxes: [{ node: node('dome'), box, front: [node('dome')], ...more }],
    });
    const over = [node('opening-words'), node('headline')];
    expect(reasons(page, one({ front: [over[0], over[0]] })).dome).to.equal('covered opening-words');
    // A corner that is free is enough; so is a ground that lets through what is behind it.
    expect(reasons(page, one({ front: [over[0], node('dome')] })).dome).to.equal(undefined);
    expect(reasons(home, one({ front: [over[0], over[0]] })).dome).to.equal(undefined);
    // Nor does a line of words or a logo hide anything, which has no ground at all.
    expect(reasons(page, one({ front: [node('shared-head-mark')] })).dome).to.equal(undefined);
    // What stands in it, or around it, does not cover it.
    expect(reasons(page, one({ front: [node('opening-row')] })).dome).to.equal(undefined);
    expect(reasons(page, one({ box: { ...box, left: 400, right: 700 } })).dome).to.equal('outside');
    expect(reasons(page, one({ box: { ...box, right: 20 } })).dome).to.equal('outside');
    expect(reasons(page, one({ clip: { ...box, bottom: 90 } })).dome).to.equal('clipped');
    expect(reasons(page, one({ clip: { ...box, bottom: 150 } })).dome).to.equal(undefined);
  });
});
