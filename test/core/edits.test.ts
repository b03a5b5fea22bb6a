import { expect } from 'chai';
import fc from 'fast-check';
import jsonpatch from 'fast-json-patch';
import { demoSite } from '../../demo/site.ts';
import {
  applies,
  applyOperations,
  frameOf,
  overlapping,
  pageFaults,
  perform,
  PROPERTIES,
  resolve,
  stacksOf,
  knownProperty,
  KINDS,
  type Arguments,
  type CommandName,
  type EditBy,
  type NodeId,
  type Operation,
  type Page,
  type Site,
  type ViewId,
} from '../../core/index.ts';
import { record, siteArbitrary, valueArbitrary, viewIn } from './arbitrary.ts';

const { site } = await demoSite();
const frame = frameOf(site);
const home = site.pages[0];
const view = (id: string) => id as ViewId;
const node = (id: string) => id as NodeId;

function made<N extends CommandName>(name: N, args: Arguments<N>, page: Page = home) {
  const outcome = perform(frame, page, name, args);
  if (!outcome.ok) throw new Error(outcome.sentence);
  return outcome.value;
}

const size = { nodes: [node('headline')], property: 'size', view: view('tablet') };
const fluidSize = { min: 44, max: 56, fromWidth: 640, toWidth: 1024 };

/** Few, so that some are taken already. */
const newId = fc.constantFrom('new1', 'new2', 'new3', 'e1').map((id) => id as NodeId);

/** Random commands, most of which fit the site. */
const commandsFor = (target: Site) => {
  const [page] = target.pages;
  const nodes = Object.values(page.nodes);
  const anyNode = fc.constantFrom(...nodes);
  const anyView = viewIn(target.views);
  const set = anyNode.chain((chosen) => {
    const fitting = PROPERTIES.filter((property) =>
      applies(property, chosen.kind, chosen.parent ? page.nodes[chosen.parent].kind : undefined),
    );
    return fc.constantFrom(...fitting).chain((property) =>
      record({
        name: fc.constant('setValue' as const),
        args: record({
          nodes: fc.constant([chosen.id]),
          property: fc.constant(property.name),
          view: anyView,
          value: valueArbitrary(property, chosen.children),
          reach: fc.constantFrom('here', 'onward', 'everywhere'),
        }),
      }),
    );
  });
  const aimed = record({
    nodes: anyNode.map(({ id }) => [id]),
    property: fc.constantFrom(...PROPERTIES.map(({ name }) => name)),
    view: anyView,
  });
  return fc.array(
    fc.oneof(
      { weight: 4, arbitrary: set },
      aimed.map((args) => ({ name: 'clearValue' as const, args })),
      fc
        .tuple(aimed, fc.constantFrom('here', 'onward'))
        .map(([args, reach]) => ({ name: 'setReach' as const, args: { ...args, reach } })),
      record({
        node: anyNode.map(({ id }) => id),
        view: anyView,
        reach: fc.constantFrom('here', 'onward'),
      }).map((args) => ({ name: 'reverseOrder' as const, args })),
      record({
        nodes: anyNode.map(({ id }) => [id]),
        span: fc.integer({ min: 0, max: 25 }),
        start: fc.option(fc.integer({ min: 0, max: 25 }), { nil: undefined }),
        view: anyView,
        reach: fc.constantFrom('here', 'onward', 'everywhere'),
      }).map((args) => ({ name: 'takeColumns' as const, args })),
      record({ node: anyNode.map(({ id }) => id), name: fc.string({ maxLength: 8 }) }).map((args) => ({
        name: 'rename' as const,
        args,
      })),
      record({
        node: anyNode.map(({ id }) => id),
        field: fc.constantFrom('text', 'level', 'alt'),
        value: fc.constantFrom('<p>x<script>1</script></p>', 3, 'words'),
      }).map((args) => ({ name: 'setContent' as const, args })),
      record({
        kind: fc.constantFrom(...KINDS.map(({ name }) => name)),
        parent: anyNode.map(({ id }) => id),
        index: fc.nat(4),
        id: newId,
      }).map((args) => ({ name: 'addElement' as const, args })),
      record({ node: anyNode.map(({ id }) => id), id: newId }).map((args) => ({
        name: 'duplicateElement' as const,
        args,
      })),
      fc
        .uniqueArray(
          anyNode.map(({ id }) => id),
          { minLength: 1, maxLength: 2 },
        )
        .map((ids) => ({ name: 'removeElements' as const, args: { nodes: ids } })),
    ),
    { minLength: 1, maxLength: 8 },
  );
};
const session = siteArbitrary.chain((target) =>
  record({ target: fc.constant(target), commands: commandsFor(target) }),
);

function run(target: Site, commands: { name: CommandName; args: unknown }[], start: Page) {
  let page = start;
  const steps: { operations: Operation[]; inverse: Operation[] }[] = [];
  for (const { name, args } of commands) {
    const outcome = perform(frameOf(target), page, name, args as never);
    if (!outcome.ok) {
      expect(outcome.sentence).to.match(/\S.*[.]$/);
      continue;
    }
    page = outcome.value.page;
    steps.push(outcome.value);
  }
  return { page, steps };
}

describe('commands', () => {
  it('leave a valid page, whatever their sequence', () => {
    fc.assert(
      fc.property(session, ({ target, commands }) => {
        expect(pageFaults(run(target, commands, target.pages[0]).page, frameOf(target))).to.deep.equal([]);
      }),
      { numRuns: 60 },
    );
  });

  it('are taken back by their inverses, to the very same document', () => {
    fc.assert(
      fc.property(session, ({ target, commands }) => {
        const start = target.pages[0];
        const before = structuredClone(start);
        const { page, steps } = run(target, commands, start);
        let back = page;
        for (const step of steps.reverse()) {
          const undone = applyOperations(back, step.inverse);
          if (!undone.ok) throw new Error(undone.sentence);
          back = undone.value;
        }
        expect(back).to.deep.equal(before);
        expect(start).to.deep.equal(before);
      }),
      { numRuns: 60 },
    );
  });

  it('as JSON Patch give the same page in fast-json-patch, which the server uses unchanged', () => {
    fc.assert(
      fc.property(session, ({ target, commands }) => {
        const { page, steps } = run(target, commands, target.pages[0]);
        const operations = steps.flatMap((step) => step.operations);
        const patched = jsonpatch.applyPatch(
          structuredClone(target.pages[0]),
          structuredClone(operations),
          true,
        ).newDocument;
        expect(patched).to.deep.equal(structuredClone(page));
      }),
      { numRuns: 60 },
    );
  });

  it('keep the identity of what they do not touch', () => {
    const { page } = made('setValue', { ...size, value: 50, reach: 'here' });
    expect(page.nodes[node('lead')]).to.equal(home.nodes[node('lead')]);
    expect(page.nodes[node('headline')]).not.to.equal(home.nodes[node('headline')]);
  });
});

describe('sentences of steps', () => {
  it('name the element, the property, the view and the change', () => {
    expect(made('setValue', { ...size, value: { ...fluidSize, min: 40 }, reach: 'here' }).sentence).to.equal(
      'Headline: size in Tablet fluid 44–56 → fluid 40–56',
    );
    expect(made('setValue', { ...size, value: 40, reach: 'onward' }).sentence).to.equal(
      'Headline: size in Tablet and onward fluid 44–56 → 40',
    );
    expect(made('setValue', { ...size, value: 40, reach: 'everywhere' }).sentence).to.equal(
      'Headline: size in every view fluid 44–56 → 40',
    );
    expect(
      made('setValue', {
        nodes: [node('dome')],
        property: 'shown',
        view: view('mobile'),
        value: false,
        reach: 'here',
      }).sentence,
    ).to.equal('Dome picture: hidden in Mobile');
    expect(
      made('reverseOrder', { node: node('opening-row'), view: view('mobile'), reach: 'here' }).sentence,
    ).to.equal('Row: words + dome: order reversed in Mobile');
    expect(
      made('clearValue', { nodes: [node('headline')], property: 'size', view: view('mobile') }).sentence,
    ).to.equal('Headline: size in Mobile cleared');
    expect(
      made('setReach', {
        nodes: [node('opening-words')],
        property: 'span',
        view: view('tablet'),
        reach: 'here',
      }).sentence,
    ).to.equal('Words: columns now holds in Tablet only');
  });

  it('of refusals say what is wrong', () => {
    const refusal = <N extends CommandName>(name: N, args: Arguments<N>) => {
      const outcome = perform(frame, home, name, args);
      return outcome.ok ? `made: ${outcome.value.sentence}` : outcome.sentence;
    };
    expect(refusal('setValue', { ...size, value: -4, reach: 'here' })).to.match(/^Size: /);
    expect(refusal('setValue', { ...size, value: { ...fluidSize, min: 90 }, reach: 'here' })).to.equal(
      'Size: A fluid size grows with the width: 90 is more than 56.',
    );
    expect(refusal('setValue', { ...size, property: 'colour', value: '{none}', reach: 'here' })).to.equal(
      'Colour: The site has no colour “none”.',
    );
    expect(
      refusal('setValue', { ...size, property: 'colour', value: 'red;}body{display:none', reach: 'here' }),
    ).to.match(/is not a CSS colour/);
    expect(refusal('setValue', { ...size, property: 'gap', value: 4, reach: 'here' })).to.equal(
      'Gap does not apply to Headline.',
    );
    expect(refusal('clearValue', size)).to.equal('There is nothing to clear: the value is inherited here.');
    expect(
      refusal('clearValue', { nodes: [node('dome')], property: 'source', view: view('desktop') }),
    ).to.match(/needs a value in the base view/);
    expect(refusal('setReach', { ...size, view: view('desktop'), reach: 'here' })).to.match(
      /base view has no reach/,
    );
    expect(
      refusal('setContent', { node: node('book'), field: 'link', value: 'javascript:alert(1)' }),
    ).to.match(/is not a link/);
    expect(refusal('rename', { node: node('book'), name: '  ' })).to.match(/at least one character/);
    expect(refusal('reverseOrder', { node: node('headline'), view: view('mobile'), reach: 'here' })).to.match(
      /nothing to reverse/,
    );
  });
});

describe('concurrent edits', () => {
  it('on different values do not overlap, on the same value they do', () => {
    const one = made('setValue', { ...size, value: 50, reach: 'here' }).operations;
    const other = made('setValue', {
      nodes: [node('lead')],
      property: 'size',
      view: view('tablet'),
      value: 18,
      reach: 'here',
    }).operations;
    const elsewhere = made('setValue', { ...size, view: view('wide'), value: 90, reach: 'here' }).operations;
    const same = made('setValue', { ...size, value: 90, reach: 'onward' }).operations;
    const all = made('setValue', { ...size, value: 30, reach: 'everywhere' }).operations;
    expect(overlapping(one, other)).to.deep.equal([]);
    expect(overlapping(one, elsewhere), 'another view').to.deep.equal([]);
    expect(overlapping(one, same), 'the same view').to.deep.equal(one);
    const made34 = made('setValue', { ...size, view: view('mobile'), value: 30, reach: 'here' }).operations;
    expect(overlapping(made34, all), 'an override that goes').to.deep.equal(made34);
  });
});

describe('values nobody set', () => {
  it('come from the text style, the kind, the parent or the property, in that order', () => {
    const page = home;
    const value = (id: string, property: string, at: string) =>
      resolve(frame, page, page.nodes[node(id)], knownProperty(property), view(at));
    expect(value('headline', 'size', 'desktop')).to.equal(64);
    expect(value('headline', 'size', 'tablet')).to.deep.equal(fluidSize);
    expect(value('headline', 'size', 'mobile')).to.equal(34);
    expect(value('week', 'paddingTop', 'mobile')).to.equal(48);
    expect(value('headline', 'align', 'mobile')).to.equal('center');
    expect(value('headline', 'colour', 'wide')).to.equal('{moon}');
    expect(value('headline', 'shown', 'wide')).to.equal(true);
  });
});

describe('the stacks of steps', () => {
  const step = (name: string) => ({ on: 'page' as const, operations: [], inverse: [], sentence: name });
  const names = (edits: [string, EditBy][]) => {
    const { undo, redo } = stacksOf(edits.map(([name, by]) => ({ ...step(name), by })));
    return [undo.map(({ sentence }) => sentence).join(''), redo.map(({ sentence }) => sentence).join('')];
  };

  it('are read back from the edits of a page', () => {
    expect(
      names([
        ['a', 'edit'],
        ['b', 'edit'],
        ['b', 'undo'],
      ]),
    ).to.deep.equal(['a', 'b']);
    expect(
      names([
        ['a', 'edit'],
        ['b', 'edit'],
        ['b', 'undo'],
        ['a', 'undo'],
        ['a', 'redo'],
      ]),
    ).to.deep.equal(['a', 'b']);
    expect(
      names([
        ['a', 'edit'],
        ['a', 'undo'],
        ['c', 'edit'],
      ]),
    ).to.deep.equal(['c', '']);
    // The oldest edits may have been forgotten.
    expect(
      names([
        ['x', 'undo'],
        ['a', 'edit'],
      ]),
    ).to.deep.equal(['a', '']);
  });
});
