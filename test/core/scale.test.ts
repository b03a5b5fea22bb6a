/** Content that is brought to another scale in a view. */
import { expect } from 'chai';
import { knownProperty, resolve, siteFaults } from '../../core/index.ts';
import { frame, home, made, node, refusal, site, undoneOf, view } from './acting.ts';

describe('content to scale', () => {
  const scale = (percent: number, nodes = ['opening-words'], where = 'mobile') => ({
    nodes: nodes.map(node),
    view: view(where),
    reach: 'here' as const,
    percent,
  });
  const value = (page: typeof home, id: string, property: string, where: string) =>
    resolve(frame, page, page.nodes[node(id)], knownProperty(property), view(where));

  it('has sizes and distances in proportion, in one view, in one step', () => {
    const step = made('scaleContent', scale(75));
    expect(siteFaults(step.site)).to.deep.equal([]);
    // 34 px are 25.5; the gap of 16 px between them is 12.
    expect(value(step.page, 'headline', 'size', 'mobile')).to.equal(25.5);
    expect(value(step.page, 'opening-words', 'gap', 'mobile')).to.equal(12);
    // 12 px of a button's padding are 9, 24 are 18.
    expect(value(step.page, 'book', 'paddingTop', 'mobile')).to.equal(9);
    expect(value(step.page, 'book', 'paddingLeft', 'mobile')).to.equal(18);
    for (const other of ['wide', 'desktop', 'tablet'])
      for (const [id, property] of [
        ['headline', 'size'],
        ['opening-words', 'gap'],
        ['book', 'paddingTop'],
      ])
        expect(value(step.page, id, property, other)).to.deep.equal(value(home, id, property, other));
    expect(step.sentence).to.match(/^Text: content at 75 % in Mobile, \d+ values$/);
    expect(undoneOf(step)).to.deep.equal(site);
  });

  it('has text alone in proportion where that is asked for, with the sizes that parts have of their own', () => {
    const part = made('setValue', {
      ...{ nodes: [node('lead')], part: 'link', property: 'size', view: view('mobile') },
      ...{ value: 20, reach: 'here' as const },
    });
    const step = made('scaleContent', { ...scale(75), only: 'text' }, part.page);
    expect(value(step.page, 'headline', 'size', 'mobile')).to.equal(25.5);
    const lead = step.page.nodes[node('lead')];
    expect(resolve(frame, step.page, lead, knownProperty('size'), view('mobile'), 'link')).to.equal(15);
    for (const [id, property] of [
      ['opening-words', 'gap'],
      ['book', 'paddingTop'],
    ])
      expect(value(step.page, id, property, 'mobile')).to.deep.equal(value(home, id, property, 'mobile'));
    expect(step.sentence).to.match(/^Text: text at 75 % in Mobile, \d values$/);
  });

  it('scales both ends of a fluid size, and not the widths between which it grows', () => {
    const step = made('scaleContent', scale(50, ['headline'], 'tablet'));
    const before = value(home, 'headline', 'size', 'tablet') as Record<string, number>;
    expect(value(step.page, 'headline', 'size', 'tablet')).to.deep.equal({
      ...before,
      min: before.min / 2,
      max: before.max / 2,
    });
  });

  it('keeps text legible and says so, and refuses what is no scale', () => {
    const step = made('scaleContent', scale(20));
    expect(value(step.page, 'headline', 'size', 'mobile')).to.equal(12);
    expect(step.sentence).to.match(/; 3 texts set to 12 px or more$/);
    expect(refusal('scaleContent', scale(5))).to.equal(
      '5 % is not a scale from 20 % to 400 %. Nothing was changed.',
    );
    expect(refusal('scaleContent', scale(Number.NaN))).to.match(/is not a scale/);
    expect(refusal('scaleContent', scale(100))).to.match(/^Nothing in it can be scaled/);
  });
});
