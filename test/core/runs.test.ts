/** Runs of siblings between two elements, wherever these stand. */
import { expect } from 'chai';
import fc from 'fast-check';
import { nodeId, pagesOf, runBetween, sourceOrder, type Node, type NodeId } from '../../core/index.ts';
import { site } from './acting.ts';

const page = pagesOf(site)[0];
const ids = sourceOrder(page).map(({ id }) => id);
const inSource = ({ children }: Node) => children;
const run = (from: NodeId, to: NodeId) => runBetween(page, from, to, inSource);
const holds = (outer: NodeId, inner: NodeId): boolean => {
  for (let at: NodeId | null = inner; at !== null; at = page.nodes[at].parent) if (at === outer) return true;
  return false;
};
const anyId = fc.constantFrom(...ids);

describe('a run from one element to another', () => {
  it('has siblings only, one after another, the first and the last of which hold the two', () => {
    fc.assert(
      fc.property(anyId, anyId, (from, to) => {
        const found = run(from, to);
        const { parent } = page.nodes[found[0]];
        const level = parent === null ? [found[0]] : page.nodes[parent].children;
        const places = found.map((id) => level.indexOf(id));
        const step = places.length > 1 ? places[1] - places[0] : 1;
        expect([1, -1]).to.include(step);
        places.forEach((place, index) => expect(place).to.equal(places[0] + index * step));
        const [first, last] = [found[0], found[found.length - 1]];
        const inside = holds(from, to) || holds(to, from);
        if (!inside) expect([holds(first, from), holds(last, to)]).to.deep.equal([true, true]);
        else expect(found).to.have.length(1);
      }),
    );
  });

  it('is the same the other way round, the last first', () => {
    fc.assert(
      fc.property(anyId, anyId, (from, to) => {
        if (from === page.root || to === page.root) return;
        expect(run(to, from)).to.deep.equal(run(from, to).toReversed());
      }),
    );
  });

  it('is at the level that the two share', () => {
    const at = (...names: string[]) => names.map((name) => nodeId(name));
    expect(run(nodeId('saturn-title'), nodeId('cluster-text'))).to.deep.equal(
      at('saturn', 'moon', 'cluster'),
    );
    expect(run(nodeId('saturn-title'), nodeId('saturn-title'))).to.deep.equal(at('saturn-title'));
    expect(run(nodeId('saturn'), nodeId('saturn-title'))).to.deep.equal(at('saturn'));
    expect(run(page.root, nodeId('saturn-title'))).to.deep.equal(at('saturn-title'));
  });
});
