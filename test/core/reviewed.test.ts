/** Sections that were found fine in a view: what takes that back, and what does not. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  likenessIn,
  reviewedIn,
  sectionsIn,
  siteFaults,
  type Arguments,
  type CommandName,
  type EditReach,
  type NodeId,
  type Site,
} from '../../core/index.ts';
import { after, home, node as nodeId, refusal, site, view as viewId } from './acting.ts';

const HOME = home.id;
const SECTION = nodeId('opening');
const VIEWS = ['wide', 'desktop', 'tablet', 'mobile'].map(viewId);

const seen = (of: Site, view: (typeof VIEWS)[number]) =>
  likenessIn(of.frame, of.pages[HOME], of.pages[HOME].nodes[SECTION], view);
const fineIn = (of: Site, view: string, as = seen(of, viewId(view))) =>
  after(of, 'setReviewed', { node: SECTION, view: viewId(view), as });
const known = (of: Site) =>
  VIEWS.map((view) => reviewedIn(of.frame, of.pages[HOME], of.pages[HOME].nodes[SECTION], view));
const size = (of: Site, node: string, view: string, value: number, reach: EditReach = 'here') =>
  after(of, 'setValue', { nodes: [nodeId(node)], property: 'size', view: viewId(view), reach, value });

describe('a section that was found fine in a view', () => {
  it('is fine there and nowhere else, until that is taken back', () => {
    const fine = fineIn(site, 'mobile');
    expect(known(fine)).to.deep.equal([undefined, undefined, undefined, 'fine']);
    expect(siteFaults(fine)).to.deep.equal([]);
    const open = after(fine, 'setReviewed', { node: SECTION, view: viewId('mobile'), as: null });
    expect(known(open)).to.deep.equal([undefined, undefined, undefined, undefined]);
    expect(open).to.deep.equal(site);
    const again = { node: SECTION, view: viewId('mobile'), as: null };
    expect(refusal('setReviewed', again, open.pages[HOME], open)).to.match(/is not marked as fine in Mobile/);
  });

  it('has changed in exactly the views in which a value of something in it is another', () => {
    const fine = VIEWS.reduce((of, view) => fineIn(of, view), site);
    expect(known(fine)).to.deep.equal(['fine', 'fine', 'fine', 'fine']);
    fc.assert(
      fc.property(
        fc.constantFrom('headline', 'lead'),
        fc.constantFrom(...VIEWS),
        fc.integer({ min: 101, max: 200 }),
        (node, view, value) => {
          const reached = known(size(fine, node, view, value));
          expect(reached).to.deep.equal(VIEWS.map((each) => (each === view ? 'changed' : 'fine')));
        },
      ),
    );
    // Mobile has a size of its own (decision of the demo site), which what comes from the base does not reach.
    expect(known(size(fine, 'headline', 'desktop', 70, 'onward'))).to.deep.equal([
      'changed',
      'changed',
      'changed',
      'fine',
    ]);
  });

  it('has changed with its order, its words, what it hides, its text styles and the widths of the view', () => {
    const fine = fineIn(site, 'tablet');
    const changed = <N extends CommandName>(command: N, args: Arguments<N>) =>
      known(after(fine, command, args))[2];
    expect(changed('setContent', { node: nodeId('headline'), field: 'text', value: 'Other words' })).to.equal(
      'changed',
    );
    expect(
      changed('setValue', {
        ...{ nodes: [nodeId('lead')], property: 'shown', view: viewId('tablet') },
        ...{ reach: 'here', value: false },
      }),
    ).to.equal('changed');
    expect(
      changed('reverseOrder', { node: nodeId('opening-words'), view: viewId('tablet'), reach: 'here' }),
    ).to.equal('changed');
    expect(
      changed('setValue', {
        textStyle: 'heading-1',
        property: 'size',
        view: viewId('tablet'),
        reach: 'here',
        value: 50,
      }),
    ).to.equal('changed');
    expect(changed('changeView', { view: viewId('tablet'), from: 700 })).to.equal('changed');
    expect(changed('rename', { node: nodeId('headline'), name: 'Other' })).to.equal('fine');
  });

  it('is not fine where others changed it before that was said', () => {
    const asSeen = seen(site, viewId('mobile'));
    const theirs = size(site, 'headline', 'mobile', 30);
    expect(known(fineIn(theirs, 'mobile', asSeen))[3]).to.equal('changed');
  });

  it('is forgotten with the view', () => {
    const fine = fineIn(fineIn(site, 'mobile'), 'tablet');
    const left = after(fine, 'removeView', { view: viewId('mobile'), values: 'drop' });
    expect(left.pages[HOME].nodes[SECTION].reviewed).to.have.all.keys('tablet');
    expect(siteFaults(left)).to.deep.equal([]);
  });
});

describe('the sections that are walked through', () => {
  it('are those that the view shows, in its order', () => {
    const { frame, pages } = site;
    const all = pages[HOME].nodes[pages[HOME].root].children;
    const ids = (of: Site): NodeId[] => sectionsIn(of.frame, of.pages[HOME], viewId('mobile'));
    expect(sectionsIn(frame, pages[HOME], viewId('desktop'))).to.deep.equal(all);
    const hidden = after(site, 'setValue', {
      ...{ nodes: [SECTION], property: 'shown', view: viewId('mobile') },
      ...{ reach: 'here', value: false },
    });
    expect(ids(hidden)).to.deep.equal(ids(site).filter((id) => id !== SECTION));
  });
});
