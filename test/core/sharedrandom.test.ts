/** Sections that pages share, on random sites and under random edits. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  compileSite,
  composed,
  idIn,
  isAtEdge,
  perform,
  preview,
  sharedPlaceOf,
  siteFaults,
  sourceOrder,
  type NodeId,
} from '../../core/index.ts';
import { home, made, node, site, undoneOf, view } from './acting.ts';
import { siteArbitrary } from './arbitrary.ts';

describe('random sites', () => {
  const addresses = { page: () => '', picture: () => '' };

  it('share a section and give it back without anything being another', () => {
    fc.assert(
      fc.property(siteArbitrary, fc.constantFrom('header', 'footer'), (target, value) => {
        const page = target.pages[node('home')];
        const { children } = page.nodes[page.root];
        const sections = children.filter((each) => !isAtEdge(page.nodes[each].kind));
        const id = value === 'header' ? sections[0] : sections.at(-1)!;
        // A layout has no landmark of its own.
        fc.pre(page.nodes[id].kind === 'section');
        const named = made('setContent', { node: id, field: 'landmark', value }, page, target);
        const shared = made('shareSection', { node: id }, named.page, named.site);
        expect(siteFaults(shared.site)).to.deep.equal([]);
        expect(undoneOf(shared)).to.deep.equal(named.site);
        const place = value === 'header' ? 'head' : 'foot';
        const back = made('unshareSection', { place }, shared.page, shared.site);
        expect(back.site).to.deep.equal(named.site);
      }),
      { numRuns: 25 },
    );
  });

  it('are compiled again as they would be from the start, whatever is edited of what pages share', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { minLength: 1, maxLength: 6 }), (choices) => {
        let state = site;
        let shown = preview(state.frame, composed(state.frame, home), addresses);
        choices.forEach((choice, count) => {
          const page = composed(state.frame, state.pages[home.id]);
          const able = sourceOrder(page).filter(
            ({ id, parent }) => parent !== null && (sharedPlaceOf(id) || choice % 3 === 0),
          );
          const at = able[choice % able.length];
          const outcome =
            choice % 2 === 0
              ? perform(state, home.id, 'setValue', {
                  nodes: [at.id],
                  property: 'hidden',
                  value: true,
                  view: view('mobile'),
                  reach: 'here',
                })
              : perform(state, home.id, 'duplicateElement', {
                  node: at.id,
                  id: idIn(sharedPlaceOf(at.parent!), `new${count}`),
                });
          if (!outcome.ok) return;
          state = outcome.value.site;
          const next = composed(state.frame, state.pages[home.id]);
          shown = preview(state.frame, next, addresses, shown);
          if (next !== page) expect(shown.since, 'was brought up to date').not.to.equal(undefined);
          const fresh = preview(state.frame, structuredClone(next), addresses);
          expect(shown.body).to.deep.equal(fresh.body);
          for (const id of Object.keys(next.nodes) as NodeId[])
            expect(shown.rulesOf(id)).to.deep.equal(fresh.rulesOf(id));
          expect(shown.shared).to.deep.equal(fresh.shared);
        });
      }),
      { numRuns: 30 },
    );
  });

  it('are compiled to what they would be from the start, though pages that are as before are not compiled again', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { minLength: 1, maxLength: 4 }), (choices) => {
        let state = site;
        const at = { address: 'https://brindle-hill.example/' };
        for (const choice of choices) {
          const earlier = compileSite(state, at);
          const pages = Object.values(state.pages);
          const page = pages[choice % pages.length];
          const nodes = sourceOrder(page);
          const outcome =
            choice % 3 === 0
              ? perform(state, page.id, 'changePage', { page: page.id, title: `Page ${choice}` })
              : perform(state, page.id, 'setValue', {
                  ...{ nodes: [nodes[choice % nodes.length].id], property: 'hidden', value: true },
                  ...{ view: view('mobile'), reach: 'here' },
                });
          const sameFrame = outcome.ok && outcome.value.site.frame === state.frame;
          if (outcome.ok) state = outcome.value.site;
          const files = compileSite(state, at);
          expect(files).to.deep.equal(compileSite(structuredClone(state), at));
          if (sameFrame) {
            const again = files.filter((file) => earlier.includes(file));
            expect(again.length, 'files that are as before').to.be.at.least(2 * (pages.length - 1));
          }
        }
      }),
      { numRuns: 10 },
    );
  });
});
