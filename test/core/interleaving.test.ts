/** The parts of a row's columns as one sequence in some views: what is read of it, its CSS, and what it leaves alone. */
import { expect } from 'chai';
import { demoSite } from '../demo.ts';
import {
  composed,
  nodeId,
  partsOfRowIn,
  perform,
  preview,
  sequenceIn,
  viewId,
  type NodeId,
  type Site,
} from '../../core/index.ts';
import { placeAmong } from '../../core/layout/order.ts';
import { widthsIn } from '../../core/values/widths.ts';
import { measureAt } from '../../core/type/measure.ts';
import { knownProperty } from '../../core/elements/propertytable.ts';

const { site } = await demoSite();
const MOBILE = viewId('mobile');
const addresses = { page: () => '#', picture: (id: string) => id };
const home = (of: Site) => composed(of.frame, of.pages[nodeId('home')]);
const page = home(site);
const headline = page.nodes[nodeId('headline')];
const words = page.nodes[headline.parent!];
const row = page.nodes[words.parent!];
const dome = row.children.find((id) => id !== words.id)!;
const [first, lead, book] = words.children;

const run = (of: Site, node: NodeId, after: NodeId | null, where: { view?: string; reach?: string } = {}) =>
  perform(of, nodeId('home'), 'interleaveParts', {
    ...{ row: row.id, node, after, view: viewId(where.view ?? 'mobile'), reach: 'here', ...where },
  } as never);
const interleaved = () => {
  const step = run(site, first, dome);
  if (!step.ok) throw new Error(step.sentence);
  return step.value;
};

describe('a row that interleaves the parts of its columns', () => {
  it('has them all in one sequence in that view, and column after column in the others', () => {
    const { site: after, sentence } = interleaved();
    expect(sentence).to.equal('Headline: 2nd of 4 in Row: text + dome, columns interleaved in Mobile');
    const next = home(after);
    expect(partsOfRowIn(after.frame, next, next.nodes[row.id], MOBILE)).to.deep.equal([
      dome,
      first,
      lead,
      book,
    ]);
    for (const view of ['tablet', 'desktop', 'wide'])
      expect(partsOfRowIn(after.frame, next, next.nodes[row.id], viewId(view)), view).to.deep.equal(
        partsOfRowIn(site.frame, page, row, viewId(view)),
      );
    expect(sequenceIn(after.frame, next, next.nodes[first], MOBILE)).to.include({ by: 'interleave' });
    expect(sequenceIn(after.frame, next, next.nodes[first], viewId('desktop'))).to.include({ by: 'order' });
  });

  it('opens its columns in that view, with a number for every part, and says nothing else in the others', () => {
    const { site: after } = interleaved();
    const rules = preview(after.frame, home(after), addresses);
    const of = (id: NodeId, condition: RegExp | undefined) =>
      Object.assign(
        {},
        ...rules
          .rulesOf(id)
          .filter((rule) => (condition ? condition.test(rule.condition ?? '') : rule.condition === undefined))
          .map(({ declarations }) => declarations),
      ) as Record<string, string>;
    const narrow = /^not \(width >= 640px\)$/;
    expect(of(words.id, narrow).display).to.equal('contents');
    expect(of(words.id, undefined).display).to.equal('grid');
    expect([dome, first, lead, book].map((id) => of(id, narrow).order)).to.deep.equal(['0', '1', '2', '3']);
    expect(of(first, narrow)['grid-column']).to.equal('1 / -1');
    expect(of(first, undefined)).to.include({ order: '0', 'grid-column': 'auto' });
  });

  it('leaves what a kind is by itself where nothing is said', () => {
    const { site: after } = interleaved();
    const added = perform(after, nodeId('home'), 'addElement', {
      ...{ kind: 'button', id: nodeId('more'), parent: words.id, after: book },
    });
    if (!added.ok) throw new Error(added.sentence);
    const next = added.value.site;
    expect(next.pages[nodeId('home')].nodes[nodeId('more')].style.self?.blockAlign).to.equal(undefined);
    // A button is as wide as its words (common practice).
    const [rule] = preview(next.frame, home(next), addresses).rulesOf(nodeId('more'));
    expect(rule.condition).to.equal(undefined);
    expect(rule.declarations['justify-self']).to.equal('start');
  });

  it('hides a column with all that is in it where it is hidden', () => {
    const { site: after } = interleaved();
    const hidden = perform(after, nodeId('home'), 'setValue', {
      ...{ nodes: [words.id], property: 'shown', view: MOBILE, value: false, reach: 'here' },
    } as never);
    if (!hidden.ok) throw new Error(hidden.sentence);
    const rules = preview(hidden.value.site.frame, home(hidden.value.site), addresses).rulesOf(words.id);
    expect(
      rules.flatMap(({ condition, declarations: { display } }) => (condition && display) || []),
    ).to.deep.equal(['none']);
  });

  it('gives what stood in a column the width of the row', () => {
    const { site: after } = interleaved();
    const widths = widthsIn(after.frame, home(after));
    const narrow = (id: NodeId) => measureAt(widths.roomIn(id, MOBILE), 390);
    // 390 px less the margins of the view on both sides.
    const { margin } = after.frame.views.list.find(({ id }) => id === MOBILE)!.grid;
    expect(narrow(first)).to.equal(390 - 2 * margin);
  });

  it('refuses what is not in the row, and what is no row', () => {
    const odd = run(site, nodeId('evening-title'), null);
    expect(odd.ok).to.equal(false);
    const strange = perform(site, nodeId('home'), 'interleaveParts', {
      ...{ row: words.id, node: first, after: null, view: MOBILE, reach: 'here' },
    } as never);
    expect(strange).to.deep.equal({
      ok: false,
      sentence: 'Headline isn’t in a column of Text. Nothing was changed.',
    });
  });

  it('is read and written as yes, no, or the places of the source', () => {
    const { parse, format } = knownProperty('interleave').type;
    const siblings = { order: [lead, first], source: [first, lead] };
    expect(parse('yes', { site: site.frame, siblings })).to.deep.equal({ ok: true, value: [lead, first] });
    expect(parse('no', { site: site.frame, siblings })).to.deep.equal({ ok: true, value: [] });
    expect(parse('2·1', { site: site.frame, siblings }).ok).to.equal(false);
    expect(format([lead, first], { site: site.frame, siblings })).to.equal('2·1');
    expect(format([], { site: site.frame })).to.equal('no');
  });
});

describe('a place among others', () => {
  it('is that of the nearest sibling before it that an order knows, else of the nearest behind it', () => {
    const siblings = ['a', 'b', 'c', 'd'];
    expect(placeAmong(siblings, 'b', ['x', 'b'])).to.equal(1);
    expect(placeAmong(siblings, 'c', ['x', 'a', 'y'])).to.equal(1);
    expect(placeAmong(siblings, 'a', ['x', 'c'])).to.equal(1);
    expect(placeAmong(siblings, 'a', ['x', 'y'])).to.equal(2);
  });
});
