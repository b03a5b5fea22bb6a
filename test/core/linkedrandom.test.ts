/** Pages that link a saved block, under random edits. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  composed,
  pagesOf,
  perform,
  preview,
  siteFaults,
  sourceOrder,
  type SavedBlockName,
  type NodeId,
  type Page,
  type Site,
} from '../../core/index.ts';
import { made, node, site, undoneOf, view } from './acting.ts';

const kept = 'kept-one' as SavedBlockName;
const visits = pagesOf(site)[1];
const shown = (on: Site, page: Page): Page => composed(on.frame, on.pages[page.id]);

describe('a page that links a block', () => {
  it('is compiled again as it would be from the start, and every step is undone, whatever is edited', () => {
    const addresses = { page: () => '', picture: () => '' };
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(5), fc.nat()), { minLength: 1, maxLength: 7 }), (choices) => {
        let state = made('keepBlock', { node: node('week'), id: kept, name: 'This week', linked: true }).site;
        let drawn = preview(state.frame, shown(state, visits), addresses);
        choices.forEach(([what, choice], count) => {
          const page = shown(state, visits);
          const own = state.pages[visits.id];
          const able = sourceOrder(page).filter(({ parent }) => parent !== null);
          const at = able[choice % able.length].id;
          const sections = own.nodes[own.root].children;
          const after = [null, ...sections][choice % (sections.length + 1)];
          const outcome = [
            () => perform(state, visits.id, 'linkBlock', { block: kept, parent: own.root, after }),
            () => perform(state, visits.id, 'removeElements', { nodes: [at] }),
            () =>
              perform(state, visits.id, 'setValue', {
                nodes: [at],
                property: 'shown',
                value: false,
                view: view('mobile'),
                reach: 'here',
              }),
            () => perform(state, visits.id, 'duplicateElement', { node: at, id: node(`new${count}`) }),
            () => perform(state, visits.id, 'moveElements', { nodes: [at], parent: own.root, after }),
            () => perform(state, visits.id, 'unlinkBlock', { block: kept }),
          ][what]();
          if (!outcome.ok) return;
          expect(siteFaults(outcome.value.site)).to.deep.equal([]);
          expect(undoneOf(outcome.value)).to.deep.equal(state);
          state = outcome.value.site;
          const next = shown(state, visits);
          drawn = preview(state.frame, next, addresses, drawn);
          const fresh = preview(state.frame, structuredClone(next), addresses);
          expect(drawn.body).to.deep.equal(fresh.body);
          for (const id of Object.keys(next.nodes) as NodeId[])
            expect(drawn.rulesOf(id)).to.deep.equal(fresh.rulesOf(id));
        });
      }),
      { numRuns: 20 },
    );
  });
});
