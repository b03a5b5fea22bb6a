/** Edits put on top of each other: what does not touch gives the same in either order, and is undone alone. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  applied,
  nodesIn,
  overlapping,
  pagesIn,
  perform,
  siteFaults,
  isApplied,
  type Call,
  type Operation,
  type Site,
} from '../../core/index.ts';
import { home, node, onlyPages, site, view } from './acting.ts';
import { record } from './arbitrary.ts';

const on = (target: Site, operations: readonly Operation[]): Site => {
  const outcome = applied(target, operations);
  if (!outcome.ok) throw new Error(outcome.sentence);
  return outcome.value.site;
};

const PLACES = [
  'opening',
  'opening-row',
  'opening-words',
  'headline',
  'lead',
  'dome',
  'objects',
  'saturn',
  'moon',
  'cluster',
  'evening',
  'evening-title',
].map(node);
const place = fc.constantFrom(...PLACES);
const where = fc.constantFrom('mobile', 'tablet', 'desktop').map(view);
const reach = fc.constantFrom('here' as const, 'onward' as const, 'everywhere' as const);

/** Commands on few elements, so that two of them often meet. `who` keeps the ids of what they add apart. */
const calls = (who: string) =>
  fc.oneof(
    record({
      nodes: place.map((id) => [id]),
      property: fc.constantFrom('paddingTop', 'paddingLeft'),
      view: where,
      value: fc.integer({ min: 0, max: 40 }),
      reach,
    }).map((args): Call => ({ name: 'setValue', args })),
    record({ node: place, view: where, reach }).map((args): Call => ({ name: 'reverseOrder', args })),
    record({ node: place, name: fc.constantFrom('One', 'Two') }).map((args): Call => ({
      name: 'rename',
      args,
    })),
    place.map((id): Call => ({ name: 'duplicateElement', args: { node: id, id: node(`copy-${who}`) } })),
    record({ parent: place, after: fc.option(place, { nil: null }) }).map((args): Call => ({
      name: 'addElement',
      args: { kind: 'text', id: node(`new-${who}`), ...args },
    })),
    place.map((id): Call => ({ name: 'removeElements', args: { nodes: [id] } })),
    fc
      .constantFrom('lamp', 'night')
      .map((id): Call => ({ name: 'setColour', args: { id, name: `${id}-${who}`, value: '#102030' } })),
    fc
      .constantFrom('xs', 's')
      .map((id): Call => ({ name: 'removeFromTheme', args: { list: 'spacing', id } })),
    record({ page: fc.constantFrom(node('home'), node('visits')), title: fc.constantFrom('Up', 'Down') }).map(
      (args): Call => ({ name: 'changePage', args }),
    ),
  );

const stepOf = ({ name, args }: Call) => {
  const outcome = perform(site, home.id, name, args as never);
  return outcome.ok && outcome.value.operations.length > 0 ? outcome.value : undefined;
};
const pair = fc.tuple(calls('a'), calls('b'));

/** How often two edits that were tried did not touch, and how often they did. */
const tally = { apart: 0, together: 0 };

describe('two edits made on the same site', () => {
  it('that do not touch fit on top of each other, give the same in either order, and lose nothing', () => {
    fc.assert(
      fc.property(pair, ([one, other]) => {
        const [a, b] = [stepOf(one), stepOf(other)];
        if (!a || !b) return;
        if (overlapping(a.operations, b.operations).length > 0) {
          tally.together += 1;
          return;
        }
        tally.apart += 1;
        const ab = on(a.site, b.operations);
        const ba = on(b.site, a.operations);
        // Two that stand behind the same neighbour may stand either way round.
        expect(sorted(ab)).to.deep.equal(sorted(ba));
        expect(isApplied(ab, a.operations) && isApplied(ab, b.operations)).to.equal(true);
      }),
      { numRuns: 400 },
    );
    expect(tally.apart).to.be.greaterThan(50);
    expect(tally.together).to.be.greaterThan(5);
  });

  it('that do not touch can be undone alone, whichever came first', () => {
    fc.assert(
      fc.property(pair, ([one, other]) => {
        const [a, b] = [stepOf(one), stepOf(other)];
        if (!a || !b || overlapping(a.operations, b.operations).length > 0) return;
        const both = on(a.site, b.operations);
        if (siteFaults(both).length > 0) return;
        // What is had back stands behind its nearest neighbour, before or behind what came there meanwhile.
        expect(sorted(on(both, a.inverse)), 'the earlier').to.deep.equal(sorted(b.site));
        const back = applied(on(b.site, a.operations), b.inverse);
        expect(back.ok && sorted(back.value.site), 'the later').to.deep.equal(sorted(a.site));
      }),
      { numRuns: 300 },
    );
  });
});

/** A site in which the order of children says nothing. */
const sorted = ({ frame, pages }: Site) => ({
  frame,
  pages: Object.fromEntries(
    Object.entries(pages).map(([id, page]) => [
      id,
      Object.values(page.nodes)
        .map((each) => ({ ...each, children: [...each.children].sort() }))
        .sort((one, other) => one.id.localeCompare(other.id)),
    ]),
  ),
});

describe('a place in an order', () => {
  const children = '/pages/home/nodes/objects/children';
  const order = (target: Site) => target.pages[home.id].nodes[node('objects')].children.join(' ');

  it('is behind the nearest neighbour that is still there, or the first', () => {
    expect(order(site)).to.equal('saturn moon cluster');
    const without = on(site, [{ op: 'take', path: children, id: 'moon' }]);
    expect(order(without)).to.equal('saturn cluster');
    const put = (after: string[]): Operation => ({ op: 'put', path: children, id: 'new', after });
    expect(order(on(without, [put(['moon', 'saturn'])]))).to.equal('saturn new cluster');
    expect(order(on(without, [put(['gone', 'moon'])]))).to.equal('new saturn cluster');
    expect(order(on(site, [put(['cluster', 'moon', 'saturn'])]))).to.equal('saturn moon cluster new');
    expect(order(on(site, [{ op: 'put', path: children, id: 'cluster', after: [] }]))).to.equal(
      'cluster saturn moon',
    );
  });

  it('is given back, and is nothing that two new neighbours fight over', () => {
    const take: Operation = { op: 'take', path: children, id: 'moon' };
    const made = applied(site, [take]);
    if (!made.ok) throw new Error(made.sentence);
    expect(made.value.inverse).to.deep.equal([{ op: 'put', path: children, id: 'moon', after: ['saturn'] }]);
    const put = (id: string, after: string[]): Operation => ({ op: 'put', path: children, id, after });
    expect(overlapping([put('x', ['moon'])], [put('y', ['moon'])])).to.deep.equal([]);
    expect(overlapping([put('moon', [])], [take])).to.have.length(1);
    expect(overlapping([take], [{ op: 'clear', path: '/pages/home/nodes/objects' }])).to.have.length(1);
    expect(
      overlapping([take], [{ op: 'set', path: '/pages/home/nodes/objects/name', value: 'x' }]),
    ).to.deep.equal([]);
  });
});

describe('operations', () => {
  const refused = (...operations: unknown[]) => {
    const outcome = applied(site, operations as Operation[]);
    return outcome.ok ? 'made' : outcome.sentence;
  };

  it('are refused where no place of the kind is known, whatever they are', () => {
    for (const path of [
      '',
      '/',
      '//',
      '/frame',
      '/pages',
      '/frame/id',
      '/frame/views',
      '/frame/views/list/mobile/id',
      '/pages/home/nodes',
      '/pages/home/root',
      '/pages/home/nodes/lead/kind',
      '/pages/home/nodes/lead/style',
      '/pages/home/nodes/lead/children',
      '/pages/home/nodes/lead/__proto__/x',
      '/constructor/prototype/x',
      '/pages/home/nodes/lead/style/self/size/base/deep',
      '/frame/colours/0/value',
    ])
      expect(refused({ op: 'set', path, value: 1 }), path).to.match(/no longer fits/);
    expect(refused({ op: 'put', path: '/frame/name', id: 'x', after: [] })).to.match(/no longer fits/);
    expect(refused({ op: 'set', path: '/frame/colours/lamp', value: { id: 'other' } })).to.match(
      /no longer fits/,
    );
    expect(refused({ op: 'take', path: '/frame/colours', id: 'lamp' }), 'an entry goes whole').to.match(
      /no longer fits/,
    );
    expect(({} as Record<string, unknown>).x).to.equal(undefined);
    fc.assert(
      fc.property(fc.array(fc.string(), { maxLength: 8 }), fc.anything(), (keys, value) => {
        const outcome = applied(site, [{ op: 'set', path: keys.map((key) => `/${key}`).join(''), value }]);
        return outcome.ok || outcome.sentence.endsWith('.');
      }),
    );
  });

  it('leave nothing empty behind, and what they do not touch the very same', () => {
    const path = '/pages/home/nodes/headline/style/quote/weight/at/mobile';
    const made = on(site, [{ op: 'set', path, value: { value: 500, reach: 'here' } }]);
    const { style } = made.pages[home.id].nodes[node('headline')];
    expect(style.quote).to.deep.equal({ weight: { at: { mobile: { value: 500, reach: 'here' } } } });
    expect(made.pages[home.id].nodes[node('lead')]).to.equal(home.nodes[node('lead')]);
    expect(made.frame).to.equal(site.frame);
    const back = on(made, [{ op: 'clear', path }]);
    expect(back.pages[home.id].nodes[node('headline')].style).not.to.have.property('quote');
    expect(back).to.deep.equal(site);
  });

  it('on entries of a list, the first and the last among them, are undone to the very same list', () => {
    const lists = { colours: site.frame.colours, spacing: site.frame.spacing, pages: site.frame.pages };
    for (const [name, entries] of Object.entries(lists)) {
      for (const entry of entries) {
        const path = `/frame/${name}/${entry.id}`;
        for (const operation of [
          { op: 'clear', path },
          { op: 'set', path, value: { ...entry, name: 'Changed', title: 'Changed' } },
          { op: 'put', path: `/frame/${name}`, id: entry.id, after: [] },
          { op: 'put', path: `/frame/${name}`, id: entry.id, after: [entries.at(-1)!.id, entries[0].id] },
          { op: 'set', path: `/frame/${name}/new`, value: { id: 'new' } },
        ] as Operation[]) {
          const made = applied(site, [operation]);
          if (!made.ok) throw new Error(made.sentence);
          expect(on(made.value.site, made.value.inverse), JSON.stringify(operation)).to.deep.equal(site);
        }
      }
    }
    const first = site.frame.colours[0].id;
    const last = site.frame.colours.at(-1)!.id;
    const order = (target: Site) => target.frame.colours.map(({ id }) => id);
    const moved = on(site, [{ op: 'put', path: '/frame/colours', id: first, after: [last] }]);
    expect(order(moved)).to.deep.equal([...order(site).slice(1), first]);
    const gone = on(site, [{ op: 'clear', path: `/frame/colours/${first}` }]);
    expect(order(gone)).to.deep.equal(order(site).slice(1));
  });

  it('say which pages and elements they change', () => {
    const operations: Operation[] = [
      { op: 'set', path: '/frame/name', value: 'x' },
      { op: 'set', path: '/pages/home/nodes/lead/name', value: 'x' },
      { op: 'put', path: '/pages/visits/nodes/root/children', id: 'x', after: [] },
    ];
    expect([...pagesIn(operations)]).to.deep.equal(['home', 'visits']);
    expect([...nodesIn(operations, 'visits')!]).to.deep.equal(['root']);
    expect(nodesIn([{ op: 'clear', path: '/pages/home' }], 'home'), 'the page as a whole').to.equal(
      undefined,
    );
  });
});

describe('whether what a step made still stands', () => {
  it('is asked of each value, and of entries that they are there, wherever they stand now', () => {
    const set: Operation = { op: 'set', path: '/pages/home/nodes/lead/name', value: 'Text' };
    expect(isApplied(site, [set])).to.equal(false);
    const made = on(site, [set]);
    expect(isApplied(made, [set])).to.equal(true);
    expect(isApplied(on(made, [{ ...set, value: 'Other' }]), [set])).to.equal(false);
    const put: Operation = { op: 'put', path: '/pages/home/nodes/objects/children', id: 'moon', after: [] };
    expect(isApplied(site, [put])).to.equal(true);
    expect(isApplied(site, [{ op: 'take', path: put.path, id: 'moon' }])).to.equal(false);
    expect(isApplied(onlyPages(site, 'visits'), [put])).to.equal(false);
  });
});
