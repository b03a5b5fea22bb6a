/** The rules on a page as a browser lays it out: boxes by hand that fail each, and some that pass. */
import { expect } from 'chai';
import {
  composed,
  performCall,
  type Laid,
  type LaidElement,
  type LaidLine,
  type LaidTarget,
  type NodeId,
} from '../../core/index.ts';
import { LaidPage, type Detected } from '../../core/checks/measured/rule.ts';
import { MEASURED_RULES } from '../../core/checks/measured/registry.ts';
import { frame, home, site } from './acting.ts';
import { BOTH, box, edges, laid, line, target, type Sides } from './laidboxes.ts';

const page = composed(frame, home);
const id = (name: string) => name as NodeId;

function detected(rule: string, on: Laid): Detected[] {
  const one = MEASURED_RULES.find(({ name }) => name === rule);
  if (!one) throw new Error(`There is no rule ${rule}.`);
  return one.find(new LaidPage(frame, page, on));
}
const sentences = (rule: string, on: Laid) =>
  detected(rule, on).map(({ node, other, sentence }) => [node, other, sentence].filter(Boolean).join(' · '));

describe('rules on a page as it is laid out', () => {
  it('have a name of their own each, and a clause for the text as it is', () => {
    const names = MEASURED_RULES.map(({ name }) => name);
    expect(new Set(names).size).to.equal(names.length);
    for (const { clauses, name } of MEASURED_RULES) expect(clauses['as it is'], name).not.to.equal(undefined);
  });

  it('tell what makes a page wider than its window: the innermost that stands out furthest', () => {
    const out = [
      box('opening-row', [0, 0, 420, 200]),
      box('dome', [20, 0, 420, 200]),
      box('lead', [0, 0, 300, 20]),
    ];
    expect(sentences('wider than the window', laid(390, out, { scrolls: 420 }))).to.deep.equal([
      'dome · {name} makes the page up to 30 px wider than the window {widths}.',
    ]);
    // It is cut off: the page is no wider.
    expect(sentences('wider than the window', laid(390, out))).to.deep.equal([]);
    // Words that no line breaks stand out of a box that does not.
    const words = [box('lead', [0, 0, 300, 20], { lines: [line([0, 0, 410, 20])] })];
    expect(sentences('wider than the window', laid(390, words, { scrolls: 410 }))[0]).to.match(/^lead · /);
    // Where lines begin at the right, what stands out does so at the left.
    const left = [box('dome', [-30, 0, 300, 200]), box('lead', [0, 0, 420, 20])];
    expect(
      sentences('wider than the window', laid(390, left, { scrolls: 420, rightToLeft: true }))[0],
    ).to.match(/^dome · /);
  });

  it('report each element that is too wide, and none that only holds one or is cut off', () => {
    const out = [
      box('opening-row', [0, 0, 460, 200]),
      box('dome', [20, 0, 460, 200]),
      box('lead', [0, 0, 420, 20]),
      box('headline', [0, 0, 440, 20], { uncut: edges([0, 0, 390, 20]) }),
    ];
    expect(sentences('wider than the window', laid(390, out, { scrolls: 460 }))).to.deep.equal([
      'dome · {name} makes the page up to 70 px wider than the window {widths}.',
      'lead · {name} makes the page up to 30 px wider than the window {widths}.',
    ]);
  });

  it('report what is outside the window where lines begin', () => {
    const rule = 'outside the window';
    const outside =
      'lead · Up to 30 px of {name} are outside the window, at its left edge, {widths}. Nobody can scroll there.';
    const text = { lines: [line([-30, 0, 200, 20])] };
    expect(sentences(rule, laid(390, [box('lead', [-30, 0, 200, 20], text)]))).to.deep.equal([outside]);
    // Cut off, nothing of it is outside; empty, nothing can be seen of it.
    const cut = {
      ...text,
      lines: [line([-30, 0, 200, 20], { cutAcross: 30 })],
      uncut: edges([0, 0, 200, 20]),
    };
    expect(sentences(rule, laid(390, [box('lead', [-30, 0, 200, 20], cut)]))).to.deep.equal([]);
    expect(sentences(rule, laid(390, [box('opening-row', [-30, 0, 200, 20])]))).to.deep.equal([]);
    const right = { lines: [line([200, 0, 405, 20])] };
    const mirrored = laid(390, [box('lead', [200, 0, 405, 20], right)], { rightToLeft: true });
    expect(sentences(rule, mirrored)[0]).to.match(/^lead · Up to 15 px .* at its right edge/);
  });

  it('report words that are broken in two', () => {
    const week = box('week', [0, 0, 300, 200], { broken: ['Wednesday'] });
    expect(sentences('word broken in two', laid(390, [week, box('lead', [0, 0, 300, 20])]))).to.deep.equal([
      'week · “Wednesday” in {name} is broken in two {widths}.',
    ]);
  });

  it('mend that by giving up a width that is wider than the window', () => {
    const call = {
      name: 'setValue' as const,
      args: {
        ...{ nodes: [id('dome')], property: 'minWidth', view: frame.views.list[0].id },
        ...{ value: { px: 500 }, reach: 'here' as const },
      },
    };
    const step = performCall(site, home.id, call);
    if (!step.ok) throw new Error(step.sentence);
    const wide = composed(step.value.site.frame, step.value.site.pages[home.id]);
    const on = laid(390, [box('dome', [0, 0, 500, 200])], { scrolls: 500 });
    const rule = MEASURED_RULES.find(({ name }) => name === 'wider than the window')!;
    const [found] = rule.find(new LaidPage(frame, wide, on));
    expect(found.fixes?.map(({ label }) => label)).to.deep.equal(['Remove its min. width in Mobile']);
    const mended = performCall(step.value.site, home.id, found.fixes![0].call);
    if (!mended.ok) throw new Error(mended.sentence);
    expect(mended.value.sentence).to.equal('Dome image: min. width in Mobile 500 px → auto');
  });

  it('tell words that are cut off, but not the tail of a letter', () => {
    const cut = (lost: Partial<LaidLine>) =>
      sentences(
        'text cut off',
        laid(390, [box('lead', [0, 0, 300, 20], { lines: [line([0, 0, 300, 20], lost)] })]),
      );
    expect(cut({ cutAcross: 12 })).to.deep.equal([
      'lead · Up to 12 px of the text of {name} is cut off {widths}.',
    ]);
    expect(cut({ cutDown: 8 })).to.have.length(1);
    expect(cut({ cutAcross: 1 })).to.deep.equal([]);
    expect(cut({ cutDown: 4 })).to.deep.equal([]);
  });

  it('tell words over words, also in an overlay, but not lines that are set close', () => {
    const two = (top: number, across = 0) =>
      laid(390, [
        box('headline', [0, 0, 300, 40], { lines: [line([0, 0, 300, 40])] }),
        box('lead', [0, top, 300, top + 20], { lines: [line([across, top, across + 200, top + 20])] }),
      ]);
    expect(sentences('text over text', two(25))).to.deep.equal([
      'headline · lead · The text of {name} overlaps that of {other} {widths}.',
    ]);
    expect(sentences('text over text', two(39))).to.deep.equal([]);
    expect(sentences('text over text', two(25, 299))).to.deep.equal([]);
    // Where the letters of the font are known, only they count, and not the space that a line has above and below them.
    const close = two(30);
    const withLetters = close.elements.map((each, index) => ({
      ...each,
      lines: each.lines.map((one) => ({
        ...one,
        letters: index === 0 ? { top: 6, bottom: 34 } : { top: 34, bottom: 48 },
      })),
    }));
    expect(sentences('text over text', close)).to.have.length(1);
    expect(sentences('text over text', { ...close, elements: withLetters })).to.deep.equal([]);
    // What stays in the window is in front on purpose, and over others only while the page moves.
    const [headline, lead] = two(25).elements;
    expect(sentences('text over text', laid(390, [{ ...headline, stays: true }, lead]))).to.deep.equal([]);
  });

  it('tell words that touch the edge of the window, or of the ground that they stand on', () => {
    const words = (sides: Sides, ...around: LaidElement[]) =>
      sentences(
        'text at an edge',
        laid(390, [...around, box('lead', [0, 0, 390, 20], { lines: [line(sides)] })]),
      );
    expect(words([3, 0, 200, 20])).to.deep.equal([
      'lead · The text of {name} comes within 3 px of the edge of the window {widths}.',
    ]);
    expect(words([16, 0, 388, 20])).to.have.length(1);
    expect(words([16, 0, 374, 20])).to.deep.equal([]);
    const ground = box('opening-words', [20, 0, 300, 200], { painted: BOTH });
    expect(words([21, 0, 200, 20], ground)[0]).to.match(/^lead · opening-words · .* 1 px of the edge of/);
    expect(words([28, 0, 200, 20], ground)).to.deep.equal([]);
    // An edge at the left alone: at the right is nothing that they could touch.
    const ruled = { ...ground, painted: { left: true, right: false } };
    expect(words([28, 0, 299, 20], ruled)).to.deep.equal([]);
    expect(words([28, 0, 299, 20], ground)).to.have.length(1);
  });

  it('tell what lies over its neighbour', () => {
    const cards = (left: number, more: Partial<LaidElement> = {}) =>
      laid(1280, [
        box('objects', [0, 0, 900, 300]),
        box('saturn', [0, 0, 300, 300]),
        box('moon', [left, 0, left + 300, 300], more),
      ]);
    expect(sentences('covers another element', cards(280))).to.deep.equal([
      'moon · saturn · {name} lies up to 20 px over {other} {widths}.',
    ]);
    expect(sentences('covers another element', cards(299.5))).to.deep.equal([]);
    expect(sentences('covers another element', cards(280, { stays: true }))).to.deep.equal([]);
  });

  it('tell targets under 24 px that others come near to (2.5.8, with its figure of circles)', () => {
    const pair = (height: number, gap: number, more: Partial<LaidTarget> = {}) =>
      sentences(
        'target too small',
        laid(1280, [
          box('book', [0, 0, 80, height], {
            targets: [
              target('One', [0, 0, 80, height], more),
              target('Two', [0, height + gap, 80, 2 * height + gap], more),
            ],
          }),
        ]),
      );
    expect(pair(16, 0)).to.deep.equal([
      'book · “One” in {name} is 80 × 16 px to press {widths}, and 1 more in it are small.',
    ]);
    // Their middles are 24 px apart.
    expect(pair(16, 8)).to.deep.equal([]);
    expect(pair(24, 0)).to.deep.equal([]);
    expect(pair(16, 0, { inWords: true })).to.deep.equal([]);
    expect(pair(16, 0, { native: true })).to.deep.equal([]);
    // Further down the page it is the same.
    const down = (apart: number) =>
      sentences(
        'target too small',
        laid(1280, [
          box('book', [0, 900, 80, 960], {
            targets: [target('One', [0, 900, 80, 916]), target('Two', [0, 900 + apart, 80, 916 + apart])],
          }),
        ]),
      );
    expect(down(20)).to.have.length(1);
    expect(down(24)).to.deep.equal([]);
    // A small one beside a large one: its circle meets the large one.
    const beside = (gap: number) =>
      sentences(
        'target too small',
        laid(1280, [
          box('book', [0, 0, 80, 60], {
            targets: [target('Small', [0, 0, 80, 16]), target('Large', [0, 16 + gap, 80, 76])],
          }),
        ]),
      );
    expect(beside(2)).to.have.length(1);
    expect(beside(5)).to.deep.equal([]);
  });

  it('tell what is small for a thumb, or close to another, only in views narrower than the base', () => {
    const links = (width: number, height: number, gap: number) =>
      laid(width, [
        box('book', [0, 0, 80, height], {
          targets: [
            target('One', [0, 0, 80, height]),
            target('Two', [0, height + gap, 80, 2 * height + gap]),
          ],
        }),
      ]);
    expect(sentences('target small for a thumb', links(390, 30, 20))[0]).to.match(
      /^book · “One” in \{name\} is 80 × 30 px/,
    );
    expect(sentences('target small for a thumb', links(1280, 30, 20))).to.deep.equal([]);
    expect(sentences('target small for a thumb', links(390, 44, 20))).to.deep.equal([]);
    // What the standard already refuses is told once.
    expect(sentences('target small for a thumb', links(390, 16, 0))).to.deep.equal([]);
    expect(sentences('targets close together', links(390, 30, 3))).to.deep.equal([
      'book · book · “One” in {name} is 3 px from “Two” {widths}.',
    ]);
    expect(sentences('targets close together', links(390, 30, 8))).to.deep.equal([]);
    expect(sentences('targets close together', links(390, 44, 0))).to.deep.equal([]);
    expect(sentences('targets close together', links(1280, 30, 3))).to.deep.equal([]);
    const [{ fixes }] = detected('target small for a thumb', links(390, 30, 20));
    expect(fixes?.map(({ label }) => label)).to.deep.equal(['Make it 44 px high in Mobile']);
  });

  it('tell sections over three screens, by the screen of the view', () => {
    const section = (width: number, height: number) =>
      sentences('section over three screens', laid(width, [box('week', [0, 0, width, height])]));
    // 844 px on Mobile, 800 px on Desktop.
    expect(section(390, 2540)[0]).to.match(/^week · \{name\} is up to 3\.0 screens high/);
    expect(section(390, 2530)).to.deep.equal([]);
    expect(section(1280, 2410)).to.have.length(1);
    expect(section(1280, 2390)).to.deep.equal([]);
  });

  it('tell what stays and covers much of the screen, or what has the focus', () => {
    const staying = (height: number, more: Partial<Laid> = {}) =>
      laid(
        390,
        [
          box('opening', [0, 0, 390, height], { stays: true }),
          box('invitation-button', [20, 1200, 200, 1240], {
            targets: [target('Book', [20, 1200, 200, 1240])],
          }),
        ],
        more,
      );
    expect(sentences('covers much of the screen', staying(300))[0]).to.match(
      /covers up to 36 % of the screen/,
    );
    expect(sentences('covers much of the screen', staying(280))).to.deep.equal([]);
    expect(sentences('focus covered', staying(40))).to.deep.equal([
      'opening · invitation-button · {name} stays at the top and lies over {other} when that takes the focus {widths}.',
    ]);
    expect(sentences('focus covered', staying(39))).to.deep.equal([]);
    // The browser keeps the top clear.
    expect(sentences('focus covered', staying(40, { keptClear: 40 }))).to.deep.equal([]);
    const [{ fixes }] = detected('focus covered', staying(60));
    expect(fixes?.map(({ label }) => label)).to.deep.equal([
      'Keep 60 px clear at the top of the page in Mobile',
      'Let it scroll with the page in Mobile',
    ]);
  });

  it('tell images that are larger than their px, or of which less than half is seen', () => {
    // 1400 × 1200 px.
    const dome = (width: number, height: number, fit: string) =>
      laid(1280, [box('dome', [0, 0, width, height], { picture: { width, height, fit } })]);
    const larger = 'image enlarged beyond its pixels';
    expect(sentences(larger, dome(1540, 1320, 'cover'))[0]).to.match(/up to 110 % of its size/);
    expect(sentences(larger, dome(1400, 1200, 'cover'))).to.deep.equal([]);
    // Filling: the side that is larger decides. Whole: the one that is smaller.
    expect(sentences(larger, dome(700, 1800, 'cover'))[0]).to.match(/up to 150 %/);
    expect(sentences(larger, dome(700, 1800, 'contain'))).to.deep.equal([]);
    const cropped = 'image cropped by more than half';
    // As high as it is, a strip of 560 of 1400 px is seen.
    expect(sentences(cropped, dome(560, 1200, 'cover'))[0]).to.match(/shows 40 % of Dome at dusk/);
    expect(sentences(cropped, dome(840, 1200, 'cover'))).to.deep.equal([]);
    expect(sentences(cropped, dome(560, 1200, 'contain'))).to.deep.equal([]);
  });

  it('tell what is empty and takes room', () => {
    const column = (height: number, more: Partial<LaidElement> = {}) =>
      sentences('empty but takes space', laid(390, [box('saturn', [0, 0, 300, height], more)]));
    expect(column(40)).to.deep.equal(['saturn · {name} is empty and takes 40 px {widths}.']);
    expect(column(0)).to.deep.equal([]);
    expect(column(40, { painted: BOTH })).to.deep.equal([]);
    const held = [box('saturn', [0, 0, 300, 40]), box('saturn-title', [0, 0, 300, 20])];
    expect(sentences('empty but takes space', laid(390, held))).to.deep.equal([]);
  });

  it('tell of rows that are made up alike the one that stands differently far', () => {
    const rows = (...tops: number[]) =>
      laid(390, [
        box('opening-words', [0, 0, 300, 900]),
        ...tops.map((top, index) => box(['headline', 'lead', 'book'][index], [0, top, 300, top + 20])),
      ]);
    // They are not alike.
    expect(sentences('uneven distances', rows(0, 40, 90))).to.deep.equal([]);
    const sections = (...tops: number[]) =>
      laid(390, [
        box(page.root, [0, 0, 390, 2000]),
        ...tops.map((top, index) =>
          box(['evening', 'week', 'moon-strip', 'invitation'][index], [0, top, 390, top + 100]),
        ),
      ]);
    expect(sentences('uneven distances', sections(0, 110, 220, 350))).to.deep.equal([
      'invitation · moon-strip · Between {other} and {name} are 30 px, the others are 10 px apart {widths}.',
    ]);
    expect(sentences('uneven distances', sections(0, 110, 220, 330.5))).to.deep.equal([]);
  });

  it('tell what is read before what stands above it, or before it on its lines', () => {
    const pair = (words: Sides, picture: Sides, more: Partial<Laid> = {}) =>
      sentences(
        'reading order differs',
        laid(
          390,
          [box('opening-row', [0, 0, 390, 600]), box('opening-words', words), box('dome', picture)],
          more,
        ),
      );
    expect(pair([0, 300, 390, 600], [0, 0, 390, 300])).to.deep.equal([
      'opening-words · dome · {name} is read aloud before {other}, and seen after it, {widths}.',
    ]);
    expect(pair([0, 0, 390, 300], [0, 300, 390, 600])).to.deep.equal([]);
    expect(pair([200, 0, 390, 300], [0, 0, 190, 300])).to.have.length(1);
    expect(pair([0, 0, 190, 300], [200, 0, 390, 300])).to.deep.equal([]);
    expect(pair([200, 0, 390, 300], [0, 0, 190, 300], { rightToLeft: true })).to.deep.equal([]);
  });
});
