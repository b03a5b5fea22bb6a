import { expect } from 'chai';
import fc from 'fast-check';
import {
  composed,
  pagesOf,
  applies,
  countOverrides,
  differences,
  held,
  knownProperty,
  ownLayered,
  overrideCount,
  pageFaults,
  resolve,
  siblingsLike,
  subtree,
  type Arguments,
  type CommandName,
  type NodeId,
  type Page,
  type Site,
} from '../../core/index.ts';
import { valuesOf } from '../../core/edits/values/stylevalues.ts';
import { attempt, home, node, site, undoneOf, view, withPage } from './acting.ts';
import { record, siteArbitrary } from './arbitrary.ts';

const id = node;

function run<N extends CommandName>(target: Site, page: Page, name: N, args: Arguments<N>) {
  const outcome = attempt(name, args, page, target);
  if (!outcome.ok) return { page, sentence: outcome.sentence, made: false };
  expect(pageFaults(outcome.value.page, target.frame)).to.deep.equal([]);
  expect(undoneOf(outcome.value)).to.deep.equal(withPage(target, page));
  return { page: outcome.value.page, sentence: outcome.value.sentence, made: true };
}

const anywhere = siteArbitrary.chain((target) => {
  const nodes = Object.values(pagesOf(target)[0].nodes);
  const others = target.frame.views.list.filter((entry) => entry.id !== target.frame.views.base);
  return record({
    target: fc.constant(target),
    node: fc.constantFrom(...nodes),
    other: fc.constantFrom(...nodes),
    view: fc.constantFrom(...(others.length > 0 ? others : target.frame.views.list)).map((entry) => entry.id),
    to: fc.constantFrom(...target.frame.views.list).map((entry) => entry.id),
  });
});

describe('clearing overrides', () => {
  it('of an element and all in it, in one view or in all, leaves none there and the rest as it was', () => {
    fc.assert(
      fc.property(anywhere, fc.boolean(), ({ target, node, view: at }, all) => {
        const page = pagesOf(target)[0];
        const nodes = subtree(page, node.id);
        const count = countOverrides(page, nodes, all ? undefined : at);
        const result = run(target, page, 'clearOverrides', all ? { nodes } : { nodes, view: at });
        expect(result.made).to.equal(count > 0);
        expect(countOverrides(result.page, nodes, all ? undefined : at)).to.equal(0);
        const rest = (document: Page) =>
          Object.keys(page.nodes).reduce((sum, each) => sum + countOverrides(document, [each as NodeId]), 0);
        expect(rest(result.page)).to.equal(rest(page) - count);
        for (const each of nodes) {
          for (const [name, layered] of Object.entries(page.nodes[each].style.self ?? {})) {
            expect(result.page.nodes[each].style.self?.[name]?.base).to.deep.equal(layered.base);
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  it('says how many went', () => {
    const nodes = subtree(home, id('opening'));
    expect(
      run(site, home, 'clearOverrides', { nodes: [id('opening')], view: view('mobile') }).sentence,
    ).to.equal('Hero: the dome opens at dusk: 2 overrides in Mobile cleared');
    expect(run(site, home, 'clearOverrides', { nodes }).sentence).to.match(
      /^7 elements: \d+ overrides in every view cleared$/,
    );
    expect(
      run(site, home, 'clearOverrides', { nodes: [id('saturn-text')], view: view('wide') }).sentence,
    ).to.equal('There are no overrides to clear in Wide.');
  });
});

describe('pasting values', () => {
  it('makes the element resolve like the one copied from, in every view, for what both take', () => {
    fc.assert(
      fc.property(anywhere, ({ target, node, other }) => {
        const page = pagesOf(target)[0];
        const { style } = node;
        const result = run(target, page, 'pasteValues', { nodes: [other.id], style });
        const after = result.page.nodes[other.id];
        for (const { part, name, layered } of valuesOf(style)) {
          const property = knownProperty(name);
          const parent = after.parent === null ? undefined : page.nodes[after.parent];
          const ofOne = property.wording || ['order', 'interleave', 'alternate', 'source'].includes(name);
          if (ofOne || !applies(property, after.kind, parent?.kind, part)) {
            expect(after.style[part]?.[name]).to.deep.equal(other.style[part]?.[name]);
            continue;
          }
          for (const entry of target.frame.views.list) {
            const copied = held(layered, target.frame.views, entry.id);
            if (copied)
              expect(resolve(target.frame, result.page, after, property, entry.id, part)).to.deep.equal(
                copied.value,
              );
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  it('can be of some groups, and says what was left out', () => {
    const { style } = home.nodes[id('book')];
    expect(run(site, home, 'pasteValues', { nodes: [id('headline')], style }).sentence).to.equal(
      'Headline: 3 values pasted',
    );
    const { style: row } = home.nodes[id('opening-row')];
    expect(run(site, home, 'pasteValues', { nodes: [id('opening-words')], style: row }).sentence).to.equal(
      'Text: 2 values pasted',
    );
    expect(run(site, home, 'pasteValues', { nodes: [id('headline')], style: row }).sentence).to.equal(
      'None of the copied values apply to Headline.',
    );
    const some = run(site, home, 'pasteValues', { nodes: [id('headline')], style, groups: ['background'] });
    expect(some.sentence).to.equal('Headline: 1 value pasted');
  });
});

describe('matching siblings', () => {
  it('gives all of a kind the same overrides and leaves their base values', () => {
    fc.assert(
      fc.property(anywhere, ({ target, node }) => {
        const page = pagesOf(target)[0];
        const siblings = Object.values(page.nodes)
          .filter(({ id, parent, kind }) => id !== node.id && parent === node.parent && kind === node.kind)
          .map(({ id }) => id);
        expect(siblingsLike(page, node.id)).to.have.members(siblings);
        const result = run(target, page, 'matchSiblings', { node: node.id });
        expect(result.made).to.equal(siblings.length > 0);
        for (const sibling of siblings) {
          for (const [name, layered] of Object.entries(node.style.self ?? {})) {
            if (knownProperty(name).wording || ['order', 'interleave', 'alternate', 'source'].includes(name))
              continue;
            expect(result.page.nodes[sibling].style.self?.[name]?.at).to.deep.equal(layered.at);
          }
          for (const [name, layered] of Object.entries(page.nodes[sibling].style.self ?? {})) {
            expect(result.page.nodes[sibling].style.self?.[name]?.base).to.deep.equal(layered.base);
          }
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('carrying over', () => {
  it('gives the other view what the first has set, and says how much', () => {
    fc.assert(
      fc.property(anywhere, ({ target, node, view: from, to }) => {
        const page = pagesOf(target)[0];
        const count = overrideCount(node, from);
        const result = run(target, page, 'carryOver', { nodes: [node.id], from, to });
        expect(result.made).to.equal(count > 0 && from !== to);
        if (!result.made) return;
        for (const [name, layered] of Object.entries(node.style.self ?? {})) {
          if (!layered.at?.[from]) continue;
          const carried = ownLayered(result.page.nodes[node.id], 'self', knownProperty(name));
          const after = held(carried, target.frame.views, to);
          expect(after).to.deep.equal({ value: layered.at[from].value, view: to });
        }
      }),
      { numRuns: 60 },
    );
    const result = run(site, home, 'carryOver', {
      nodes: [id('dome')],
      from: view('tablet'),
      to: view('wide'),
    });
    expect(result.sentence).to.equal('Dome image: 2 overrides copied from Tablet to Wide');
    expect(
      run(site, home, 'carryOver', { nodes: [id('dome')], from: view('desktop'), to: view('wide') }).sentence,
    ).to.match(/base view has no overrides/);
  });
});

describe('pasting', () => {
  it('takes only the rows that are chosen, each of its part', () => {
    const style = { self: { size: { base: 31 }, weight: { base: 500 } }, link: { size: { base: 21 } } };
    const paste = (only: { part: 'self' | 'link'; property: string }[]) =>
      run(site, home, 'pasteValues', { nodes: [id('lead')], style, only });
    const one = paste([{ part: 'link', property: 'size' }]);
    expect(one.sentence).to.match(/1 value pasted/);
    const { self, link } = one.page.nodes[id('lead')].style;
    expect(link!.size).to.deep.equal({ base: 21 });
    expect(self?.size).to.deep.equal(home.nodes[id('lead')].style.self?.size);
    expect(
      paste([{ part: 'self', property: 'weight' }]).page.nodes[id('lead')].style.self!.weight,
    ).to.deep.equal({
      base: 500,
    });
    expect(paste([]).sentence).to.match(/^None of the copied values apply/);
  });
});

describe('what differs', () => {
  it('is every override of a view, with what holds there once it is cleared', () => {
    fc.assert(
      fc.property(anywhere, ({ target, view: at }) => {
        const page = pagesOf(target)[0];
        const frame = target.frame;
        const list = differences(frame, page, at);
        const all = Object.keys(page.nodes) as NodeId[];
        expect(list).to.have.length(countOverrides(page, all, at));
        for (const { node, property, value, instead } of list) {
          expect(value).to.deep.equal(node.style.self![property.name].at![at].value);
          if (property.onChildren) continue;
          const cleared = attempt(
            'clearValue',
            {
              nodes: [node.id],
              property: property.name,
              view: at,
            },
            page,
            target,
          );
          if (!cleared.ok) throw new Error(cleared.sentence);
          const after = cleared.value.page;
          expect(resolve(frame, after, after.nodes[node.id], property, at)).to.deep.equal(instead);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('stands in reading order', () => {
    const names = differences(site.frame, composed(site.frame, home), view('mobile')).map(
      ({ node }) => node.name,
    );
    expect(names.indexOf('Headline')).to.be.greaterThan(names.indexOf('Row: text + dome'));
    expect(names.indexOf('Footer')).to.be.greaterThan(names.indexOf('Headline'));
    expect(differences(site.frame, home, view('desktop'))).to.deep.equal([]);
  });
});
