/** Findings that somebody dismisses with a reason: kept with the element, and back when that changes. */
import { expect } from 'chai';
import {
  composed,
  findings,
  siteFaults,
  swept,
  type Finding,
  type Place,
  type Site,
} from '../../core/index.ts';
import { dismissalReason } from '../../core/site/dismissals.ts';
import { home, made, node, refusal, site, undoneOf, view } from './acting.ts';

const set = (of: Place, rule: string, reason: string, on: Site = site) =>
  made('setAside', { of, rule, reason }, on.pages[home.id], on);
const found = (on: Site, rule: string): Finding[] =>
  findings(on.frame, composed(on.frame, on.pages[home.id])).filter((each) => each.rule === rule);

const small = made('setValue', {
  ...{ nodes: [node('lead')], property: 'size', view: view('mobile') },
  ...{ value: 10, reach: 'here' as const },
}).site;
const LEAD = { node: node('lead') };
const RULE = 'text too small';

describe('findings that are dismissed', () => {
  it('keep the reason, stay valid, and are undone whole', () => {
    expect(found(small, RULE).map(({ aside }) => aside)).to.deep.equal([undefined]);
    const step = set(LEAD, RULE, '  It is a footnote. ', small);
    expect(step.sentence).to.equal('Lead paragraph: “text too small” is dismissed');
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(found(step.site, RULE).map(({ aside }) => aside)).to.deep.equal(['It is a footnote.']);
    expect(undoneOf(step)).to.deep.equal(small);
    const again = set(LEAD, RULE, '', step.site);
    expect(again.sentence).to.equal('Lead paragraph: “text too small” is reopened');
    expect(again.site).to.deep.equal(small);
  });

  it('come back when their element changes, and stay when another does, or only its name', () => {
    const aside = set(LEAD, RULE, 'A footnote', small).site;
    const changed = (id: string) =>
      made(
        'setValue',
        {
          ...{ nodes: [node(id)], property: 'lineHeight', view: view('mobile') },
          ...{ value: 1.7, reach: 'here' as const },
        },
        aside.pages[home.id],
        aside,
      ).site;
    expect(found(changed('lead'), RULE)[0].aside).to.equal(undefined);
    expect(found(changed('headline'), RULE)[0].aside).to.equal('A footnote');
    const renamed = made(
      'rename',
      { node: node('lead'), name: 'Opening words' },
      aside.pages[home.id],
      aside,
    );
    expect(found(renamed.site, RULE)[0].aside).to.equal('A footnote');
    // In whatever order its fields are written.
    const nodes = { ...aside.pages[home.id].nodes };
    nodes[node('lead')] = Object.fromEntries(
      Object.entries(nodes[node('lead')]).reverse(),
    ) as (typeof nodes)[keyof typeof nodes];
    const turned = { ...aside, pages: { ...aside.pages, [home.id]: { ...aside.pages[home.id], nodes } } };
    expect(found(turned, RULE)[0].aside).to.equal('A footnote');
  });

  it('are of one rule and one element alone, and go with the element where it goes', () => {
    const aside = set(LEAD, 'another rule', 'Because', small).site;
    expect(found(aside, RULE)[0].aside).to.equal(undefined);
    const part = set({ ...LEAD, part: 'link' }, RULE, 'Because', small).site;
    expect(found(part, RULE)[0].aside).to.equal(undefined);
  });

  it('may be about a text style, and about a page as a whole, with its title', () => {
    const style = made('setValue', {
      ...{ textStyle: 'body', property: 'size', view: view('mobile') },
      ...{ value: 10, reach: 'here' as const },
    }).site;
    const [first] = found(style, RULE);
    expect(first.of).to.deep.equal({ textStyle: 'body' });
    const step = set(first.of, first.rule, 'As drawn', style);
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(found(step.site, RULE).map(({ aside }) => aside)).to.deep.equal(['As drawn']);
    expect(undoneOf(step)).to.deep.equal(style);
    // A page is dismissed as a whole: with another title it is another one.
    const whole = { node: home.root };
    const page = set(whole, 'page without a title', 'Soon', style).site;
    const reason = (on: Site) => dismissalReason(on.frame, on.pages[home.id], 'page without a title', whole);
    expect(reason(page)).to.equal('Soon');
    const pages = page.frame.pages.map((head) => (head.id === home.id ? { ...head, title: 'Other' } : head));
    expect(reason({ ...page, frame: { ...page.frame, pages } })).to.equal(undefined);
  });

  it('are refused without what they are about, with a reason that is too long, and where nothing is dismissed', () => {
    const args = { of: { node: node('nobody') }, rule: RULE, reason: 'x' };
    expect(refusal('setAside', args)).to.match(/no longer exists/);
    expect(refusal('setAside', { of: LEAD, rule: RULE, reason: 'x'.repeat(301) })).to.match(/301 characters/);
    expect(refusal('setAside', { of: LEAD, rule: RULE, reason: ' ' })).to.match(/not dismissed/);
  });

  it('are told as such by the sweep too', async () => {
    const rule = 'wider than the window';
    const aside = set(LEAD, rule, 'A map that is panned').site;
    const page = composed(aside.frame, aside.pages[home.id]);
    const box = { left: 0, top: 0, right: 2500, bottom: 10 };
    const { findings: list } = await swept(aside.frame, page, {
      measure: (width) =>
        Promise.resolve({
          ...{ width, scrolls: 2500, rightToLeft: false, keptClear: 0, keptClearBelow: 0 },
          elements: [{ node: LEAD.node, box, lines: [], targets: [] }],
        }),
    });
    expect(list.filter((each) => each.rule === rule).map(({ aside: reason }) => reason)).to.deep.equal([
      'A map that is panned',
    ]);
  });
});
