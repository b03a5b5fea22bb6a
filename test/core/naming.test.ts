/** Names that follow what elements say, until somebody gives one by hand, and names of copies. */
import { expect } from 'chai';
import { viewId, type Site } from '../../core/index.ts';
import { after, home, node, site } from './acting.ts';

const HOME = home.id;
const nameOf = (of: Site, id: string) => of.pages[HOME].nodes[node(id)].name;
const added = after(site, 'addElement', {
  kind: 'heading',
  id: node('new'),
  parent: node('opening-words'),
  after: null,
});
const says = (of: Site, text: string) =>
  after(of, 'setContent', { node: node('new'), field: 'text', value: text });

describe('the name of an element', () => {
  it('follows its words, as they are read, until somebody gives it one', () => {
    expect(nameOf(added, 'new')).to.equal('Heading');
    const first = says(added, 'Fish &amp; <strong>chips</strong>');
    expect(nameOf(first, 'new')).to.equal('Fish & chips');
    const second = says(first, 'Open on Fridays');
    expect(nameOf(second, 'new')).to.equal('Open on Fridays');
    const byHand = after(second, 'rename', { node: node('new'), name: 'Hours' });
    expect(nameOf(says(byHand, 'Open on Sundays'), 'new')).to.equal('Hours');
    expect(nameOf(says(second, ''), 'new')).to.equal('Heading');
  });

  it('follows words of the base that are typed in the table, and not those of another view', () => {
    const set = (of: Site, view: string, text: string) =>
      after(of, 'setValue', {
        ...{ nodes: [node('new')], property: 'heading.text', view: viewId(view), reach: 'onward' as const },
        value: { says: text, over: '0123456789' },
      });
    const based = set(added, 'desktop', 'In the base');
    expect(nameOf(based, 'new')).to.equal('In the base');
    expect(nameOf(set(based, 'mobile', 'In Mobile'), 'new')).to.equal('In the base');
  });

  it('has a few whole words of a long text', () => {
    const long = says(added, 'We switch off every lamp and let your eyes find the Milky Way on their own');
    expect(nameOf(long, 'new')).to.equal('We switch off every lamp and let your …');
  });

  it('has the next number in a copy, which follows its words too', () => {
    const named = says(added, 'Open on Fridays');
    const twice = after(named, 'duplicateElement', { node: node('new'), id: node('two') });
    const thrice = after(twice, 'duplicateElement', { node: node('two'), id: node('three') });
    expect([nameOf(thrice, 'two'), nameOf(thrice, 'three')]).to.deep.equal([
      'Open on Fridays 2',
      'Open on Fridays 3',
    ]);
    const changed = after(thrice, 'setContent', { node: node('three'), field: 'text', value: 'Closed' });
    expect(nameOf(changed, 'three')).to.equal('Closed');
    const headline = after(site, 'duplicateElement', { node: node('headline'), id: node('other') });
    expect(nameOf(headline, 'other')).to.equal('Headline 2');
  });
});
