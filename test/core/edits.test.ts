import { expect } from 'chai';
import fc from 'fast-check';
import {
  applied,
  applies,
  KINDS,
  knownProperty,
  overlapping,
  pagesOf,
  PROPERTIES,
  resolve,
  siteFaults,
  madeIn,
  stacksOf,
  appliedOf,
  type CommandName,
  type EditBy,
  type NodeId,
  type Site,
  type Step,
} from '../../core/index.ts';
import { attempt, frame, home, made, node, refusal, undoneOf, view, site } from './acting.ts';
import { record, siteArbitrary, valueArbitrary, viewIn } from './arbitrary.ts';

const size = { nodes: [node('headline')], property: 'size', view: view('tablet') };
const fluidSize = { min: 44, max: 56, fromWidth: 640, toWidth: 1024 };

/** Few, so that some are taken already. */
const newId = fc.constantFrom('new1', 'new2', 'new3', 'e1').map((id) => id as NodeId);

/** Random commands, most of which fit the site. */
const commandsFor = (target: Site) => {
  const [page] = pagesOf(target);
  const nodes = Object.values(page.nodes);
  const anyNode = fc.constantFrom(...nodes);
  const anyView = viewIn(target.frame.views);
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
        after: fc.option(
          anyNode.map(({ id }) => id),
          { nil: null },
        ),
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

function run(target: Site, commands: { name: CommandName; args: unknown }[]) {
  let on = target;
  const steps: Step[] = [];
  for (const { name, args } of commands) {
    const outcome = attempt(name, args as never, pagesOf(on)[0], on);
    if (!outcome.ok) {
      expect(outcome.sentence).to.match(/\S.*[.]$/);
      continue;
    }
    on = outcome.value.site;
    steps.push(outcome.value);
  }
  return { after: on, steps };
}

describe('commands', () => {
  it('leave a valid site, whatever their sequence', () => {
    fc.assert(
      fc.property(session, ({ target, commands }) => {
        expect(siteFaults(run(target, commands).after)).to.deep.equal([]);
      }),
      { numRuns: 60 },
    );
  });

  it('are undone by their inverses, to the very same site', () => {
    fc.assert(
      fc.property(session, ({ target, commands }) => {
        const before = structuredClone(target);
        const { after, steps } = run(target, commands);
        let back = after;
        for (const { inverse } of steps.reverse()) back = undoneOf({ site: back, inverse });
        expect(back).to.deep.equal(before);
        expect(target).to.deep.equal(before);
      }),
      { numRuns: 60 },
    );
  });

  it('give the same site when their operations are made elsewhere, and the same way back', () => {
    fc.assert(
      fc.property(session, ({ target, commands }) => {
        const { after, steps } = run(target, commands);
        const operations = JSON.parse(JSON.stringify(steps.flatMap((step) => step.operations)));
        const made = applied(structuredClone(target), operations);
        if (!made.ok) throw new Error(made.sentence);
        expect(made.value.site).to.deep.equal(after);
        expect(undoneOf(made.value)).to.deep.equal(target);
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
    ).to.equal('Dome image: hidden in Mobile');
    expect(
      made('reverseOrder', { node: node('opening-row'), view: view('mobile'), reach: 'here' }).sentence,
    ).to.equal('Row: text + dome: order reversed in Mobile');
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
    ).to.equal('Text: columns now holds in Tablet only');
  });

  it('of refusals say what is wrong', () => {
    expect(refusal('setValue', { ...size, value: -4, reach: 'here' })).to.match(/^Size: /);
    expect(refusal('setValue', { ...size, value: { ...fluidSize, min: 90 }, reach: 'here' })).to.equal(
      'Size: A fluid value grows with the width: 90 is more than 56.',
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
    for (const name of ['half \ud83d', 'nul \0 here'])
      expect(refusal('rename', { node: node('book'), name })).to.match(
        /cannot be saved\. Nothing was changed\.$/,
      );
    expect(refusal('rename', { node: node('book'), name: 'whole \u{1f52d}' })).to.match(/^made: /);
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

describe('what was done in a stretch of a log', () => {
  const told = (of: typeof appliedOf, ...edits: [key: string, by: EditBy, session: string][]) =>
    of(
      edits.map(([key, by, session], index) => ({
        ...{ key: by === 'edit' ? key : `${by}-${index}`, session, by, sentence: `${by} ${key}` },
        ...(by !== 'edit' && { of: key }),
      })),
    ).map(({ sentence }) => sentence);

  it('is what stands at its end, by whom ever', () => {
    const log: Parameters<typeof told> extends [unknown, ...infer E] ? E : never = [
      ['a', 'edit', 'mine'],
      ['b', 'edit', 'yours'],
      ['a', 'undo', 'mine'],
      ['c', 'edit', 'mine'],
      ['b', 'undo', 'yours'],
      ['b', 'redo', 'yours'],
    ];
    expect(told(appliedOf, ...log)).to.deep.equal(['edit b', 'edit c']);
    expect(told(madeIn, ...log)).to.deep.equal(['edit b', 'edit c']);
  });

  it('is also what was undone, or redone, of before', () => {
    expect(told(madeIn, ['x', 'undo', 'mine'], ['y', 'redo', 'yours'], ['a', 'edit', 'mine'])).to.deep.equal([
      'undo x',
      'redo y',
      'edit a',
    ]);
  });
});

describe('the stacks of steps', () => {
  const stacks = (session: string, ...edits: [key: string, by: EditBy, session?: string][]) => {
    const log = edits.map(([key, by, from = 'mine'], index) => ({
      key: by === 'edit' ? key : `${by}-${index}`,
      session: from,
      by,
      ...(by !== 'edit' && { of: key }),
      sentence: key,
    }));
    const { undo, redo } = stacksOf(log, session);
    return [undo, redo].map((list) => list.map(({ sentence }) => sentence).join(''));
  };

  it('are read back from the log of a site', () => {
    expect(stacks('mine', ['a', 'edit'], ['b', 'edit'], ['b', 'undo'])).to.deep.equal(['a', 'b']);
    expect(
      stacks('mine', ['a', 'edit'], ['b', 'edit'], ['b', 'undo'], ['a', 'undo'], ['a', 'redo']),
    ).to.deep.equal(['a', 'b']);
    expect(stacks('mine', ['a', 'edit'], ['a', 'undo'], ['c', 'edit'])).to.deep.equal(['c', '']);
    // The oldest edits may have been forgotten, or not been read.
    expect(stacks('mine', ['x', 'undo'], ['a', 'edit'])).to.deep.equal(['a', '']);
    const theirs = { key: 'k', session: 'mine', by: 'undo', of: 'x', sentence: '' } as const;
    expect(stacksOf([theirs], 'mine').reachesBack).to.equal(true);
    expect(stacksOf([theirs], 'other').reachesBack).to.equal(false);
    expect(stacksOf([{ ...theirs, by: 'edit' }], 'mine').reachesBack).to.equal(false);
  });

  it('hold what the session did itself, also where it is undone out of order', () => {
    expect(stacks('mine', ['a', 'edit'], ['b', 'edit', 'other'], ['c', 'edit'], ['a', 'undo'])).to.deep.equal(
      ['c', 'a'],
    );
    expect(stacks('other', ['a', 'edit'], ['b', 'edit', 'other'], ['a', 'undo'])).to.deep.equal(['b', '']);
    expect(
      stacks('mine', ['a', 'edit'], ['a', 'undo'], ['b', 'edit', 'other']),
      'another’s step leaves what can be redone',
    ).to.deep.equal(['', 'a']);
  });
});

describe('the site itself', () => {
  it('gets another name and language in one step, and is refused what is none', () => {
    const step = made('changeSite', { name: '  A  new hill ', lang: 'de-AT' });
    expect(step.sentence).to.equal('Brindle Hill Observatory: name → A new hill, language → Austrian German');
    expect([step.frame.name, step.frame.lang]).to.deep.equal(['A new hill', 'de-AT']);
    expect(undoneOf(step)).to.deep.equal(site);
    expect(made('changeSite', { name: 'Brindle Hill Observatory' }).operations).to.deep.equal([]);
    expect(refusal('changeSite', { name: ' ' })).to.match(/has 1 to 80 characters/);
    expect(refusal('changeSite', { lang: 'English' })).to.match(/isn’t a language/);
  });
});
