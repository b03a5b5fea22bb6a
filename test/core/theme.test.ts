/** The theme, several elements at once, relative changes, parts and linked sides; and what an edit lets others skip. */
import { createFontStack } from '@capsizecss/core';
import { entireMetricsCollection as metrics } from '@capsizecss/metrics/entireMetricsCollection';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  FAMILIES,
  pagesOf,
  applies,
  followed,
  knownProperty,
  PARTS,
  preview,
  print,
  printRules,
  PROPERTIES,
  readSiteFile,
  resolve,
  siteFaults,
  spaceAt,
  writeSiteFile,
  type Arguments,
  type Node,
  type NodeId,
  type Site,
} from '../../core/index.ts';
import { adjusted } from '../../core/elements/valuetypes/adjust.ts';
import { bodyMarkup } from '../../core/compile/body.ts';
import { changedSince } from '../../core/site/lineage.ts';
import { elementRules } from '../../core/compile/elementrules.ts';
import {
  attempt,
  files,
  frame,
  home,
  made,
  node,
  refusal,
  site,
  undoneOf,
  view,
  withPage,
} from './acting.ts';
import { record, siteArbitrary, valueArbitrary } from './arbitrary.ts';

const id = node;

describe('text styles', () => {
  const target = { textStyle: 'body', property: 'size', view: view('tablet') } as const;

  it('are set, adjusted and cleared by the commands that are for elements too, and every follower resolves to them', () => {
    const set = made('setValue', { ...target, value: 20, reach: 'here' });
    expect(set).to.include({ page: home, sentence: 'Body: size in Tablet 17 → 20' });
    const text = home.nodes[id('eyes-text')];
    expect(resolve(set.frame, home, text, knownProperty('size'), view('tablet'))).to.equal(20);
    expect(resolve(set.frame, home, text, knownProperty('size'), view('mobile'))).to.equal(16);
    const more = made(
      'adjustValue',
      { ...target, adjustment: { percent: 150 }, reach: 'here' },
      home,
      set.site,
    );
    expect(resolve(more.frame, home, text, knownProperty('size'), view('tablet'))).to.equal(30);
    const cleared = made('clearValue', target, home, more.site);
    expect(resolve(cleared.frame, home, text, knownProperty('size'), view('tablet'))).to.equal(17);
    expect(undoneOf(cleared)).to.deep.equal(more.site);
  });

  it('take values of text only, and what stands in the theme', () => {
    expect(refusal('setValue', { ...target, property: 'gap', value: 4, reach: 'here' })).to.equal(
      'Gap isn’t a text value.',
    );
    expect(refusal('setValue', { ...target, textStyle: 'gone', value: 4, reach: 'here' })).to.equal(
      'The text style is no longer in the theme.',
    );
    expect(refusal('setTextStyle', { nodes: [id('dome')], textStyle: 'body' })).to.match(/no text/);
    expect(refusal('setTextStyle', { nodes: [id('lead')], textStyle: 'gone' })).to.match(
      /no text style “gone”/,
    );
  });

  it('are taken by elements, and given back to the kind', () => {
    const small = made('setTextStyle', { nodes: [id('lead'), id('headline')], textStyle: 'small' });
    expect(small.sentence).to.equal('2 elements: text style Small in every view');
    const kind = made('setTextStyle', { nodes: [id('lead')] }, small.page);
    expect(kind.page.nodes[id('lead')]).not.to.have.property('textStyle');
  });
});

describe('colours, spacing and fonts', () => {
  it('are added with an id of their own, changed, and refused with a sentence', () => {
    const added = made('setColour', { name: 'Deep  Sky', value: 'oklch(40% 0.1 250)' });
    expect(added.frame.colours.at(-1)).to.deep.equal({
      id: 'deep-sky',
      name: 'Deep Sky',
      value: 'oklch(40% 0.1 250)',
    });
    expect(siteFaults(added.site)).to.deep.equal([]);
    expect(refusal('setColour', { name: 'lamp', value: 'red' })).to.match(/“lamp” is there already/);
    expect(refusal('setColour', { name: 'Odd', value: 'no colour' })).to.match(/isn’t a CSS colour/);
    expect(refusal('setColour', { id: 'gone', name: 'Gone', value: 'red' })).to.match(
      /no longer in the theme/,
    );
    expect(refusal('removeFromTheme', { list: 'fonts', id: 'gone' })).to.match(/no longer in the theme/);
    expect(refusal('removeFromTheme', { list: 'colours', id: 'lamp' })).to.match(
      /^Lamp is used by .+ on .+, .+ and \d+ more; give them another colour first\. Nothing was removed\.$/,
    );
    expect(
      made('removeFromTheme', { list: 'spacing', id: 'xs' }).frame.spacing.map((step) => step.id),
    ).not.to.include('xs');
    const font = { name: 'Own', style: 'normal', weights: '400', hash: 'a'.repeat(64) } as const;
    expect(made('addFont', font).frame.fonts).to.deep.equal([{ id: 'font-own', ...font }]);
  });

  it('have steps that may differ by view, and values that take a step follow it', () => {
    expect(spaceAt(frame, '{m}', view('desktop'))).to.equal(24);
    expect(spaceAt(frame, '{m}', view('mobile'))).to.equal(16);
    expect(spaceAt(frame, 7, view('mobile'))).to.equal(7);
    const next = made('setSpacing', { id: 'm', name: 'M', view: view('tablet'), size: 20, reach: 'onward' });
    expect(next.sentence).to.equal('Space M: 20 px in Tablet and onward');
    expect(spaceAt(next.frame, '{m}', view('tablet'))).to.equal(20);
    expect(spaceAt(next.frame, '{m}', view('mobile'))).to.equal(16);
    expect(
      refusal('setSpacing', { id: 'm', name: 'M', view: view('tablet'), size: -3, reach: 'here' }),
    ).to.match(/0 to 600 px/);
    const css = printRules(preview(next.frame, home, { page: () => '', picture: () => '' }).shared);
    expect(css).to.match(/@media not \(width >= 1024px\)\{\n:root\{[^}]*--space-m:20px/);
  });
});

describe('what stands in for a family until it has loaded', () => {
  // capsize (https://github.com/seek-oss/capsize) measures the fonts and works out the same for its own style sheets.
  for (const { id, fallback, standIn } of FAMILIES) {
    it(`is as large and as high as ${id}`, () => {
      const system = fallback === 'serif' ? metrics.timesNewRoman : metrics.arial;
      const own = metrics[id as 'figtree' | 'fraunces' | 'literata'];
      const [{ '@font-face': face }] = createFontStack([own, system], {
        fontFaceFormat: 'styleObject',
      }).fontFaces;
      const { sizeAdjust, ascent, descent, local } = standIn!;
      expect([sizeAdjust, ascent, descent].map((percent) => `${percent}%`)).to.deep.equal([
        face.sizeAdjust,
        face.ascentOverride,
        face.descentOverride,
      ]);
      expect(local[0]).to.equal(system.familyName);
    });
  }
});

describe('relative changes', () => {
  it('start from each value, are held to the range, and leave what has no number', () => {
    const { type } = knownProperty('size');
    expect(adjusted(type, 20, { by: 4 })).to.equal(24);
    expect(adjusted(type, 20, { percent: 1 })).to.equal(6);
    const fluid = { min: 20, max: 40, fromWidth: 320, toWidth: 1280 };
    expect(adjusted(type, fluid, { percent: 50 })).to.deep.equal({ ...fluid, min: 10, max: 20 });
    expect(adjusted(knownProperty('width').type, { percent: 40 }, { by: 10 })).to.deep.equal({ percent: 50 });
    expect(adjusted(knownProperty('colour').type, '{lamp}', { by: 1 })).to.equal(undefined);
    expect(adjusted(knownProperty('gap').type, '{m}', { by: 1 })).to.equal(undefined);
  });

  it('are one step for many elements, and undone as one', () => {
    const step = made('adjustValue', {
      nodes: [id('saturn-title'), id('headline')],
      property: 'size',
      view: view('desktop'),
      adjustment: { by: -2 },
      reach: 'onward',
    });
    expect(step.sentence).to.equal('2 elements: size in Desktop −2');
    const sizes = ['saturn-title', 'headline'].map(
      (name) => step.page.nodes[id(name)].style.self!.size!.base,
    );
    expect(sizes).to.deep.equal([22, 62]);
    expect(undoneOf(step)).to.deep.equal(site);
  });
});

describe('parts and sides', () => {
  it('hold values of their own, which leave no trace when they are cleared', () => {
    const target = {
      nodes: [id('chart-text')],
      part: 'list' as const,
      property: 'paddingLeft',
      view: view('mobile'),
    };
    const step = made('setValue', { ...target, value: 40, reach: 'here' });
    expect(step.sentence).to.equal('The chart room: text: lists: padding start in Mobile 24 → 40');
    const cleared = made('clearValue', target, step.page);
    expect(cleared.page.nodes[id('chart-text')]).to.deep.equal(home.nodes[id('chart-text')]);
    expect(refusal('setValue', { ...target, property: 'span', value: 2, reach: 'here' })).to.match(
      /does not apply/,
    );
    expect(refusal('setValue', { ...target, part: 'field' as const, value: 2, reach: 'here' })).to.match(
      /does not apply/,
    );
  });

  it('are set together where they are linked', () => {
    const step = made('setValue', {
      nodes: [id('headline')],
      property: 'paddingTop',
      linked: true,
      view: view('desktop'),
      value: '{m}',
      reach: 'onward',
    });
    expect(step.sentence).to.equal('Headline: padding in Desktop 0 → M');
    for (const side of ['Top', 'Right', 'Bottom', 'Left'])
      expect(step.page.nodes[id('headline')].style.self![`padding${side}`]).to.deep.equal({ base: '{m}' });
  });
});

/** A site, and edits of random values on random elements and parts of it. */
const edited = siteArbitrary.chain((target) => {
  const [page] = pagesOf(target);
  const slots = Object.values(page.nodes).flatMap((node: Node) =>
    PARTS.flatMap((part) =>
      PROPERTIES.filter((property) =>
        applies(property, node.kind, node.parent ? page.nodes[node.parent].kind : undefined, part),
      ).map((property) => ({ node, part, property })),
    ),
  );
  const edit = fc.constantFrom(...slots).chain(({ node, part, property }) =>
    record({
      nodes: fc.constant(node.id).map((each) => [each]),
      part: fc.constant(part),
      property: fc.constant(property.name),
      view: fc.constantFrom(...target.frame.views.list.map((each) => each.id)),
      value: valueArbitrary(property, node.children),
      reach: fc.constantFrom('here' as const, 'onward' as const, 'everywhere' as const),
    }),
  );
  return record({ target: fc.constant(target), edits: fc.array(edit, { minLength: 1, maxLength: 6 }) });
});

describe('following edits', () => {
  const addresses = { page: () => '#', picture: (asset: string) => `/${asset}` };

  it('a preview brought up to date is the preview of the page as it is', () => {
    fc.assert(
      fc.property(edited, ({ target, edits }: { target: Site; edits: Arguments<'setValue'>[] }) => {
        const on = target.frame;
        let [page] = pagesOf(target);
        let shown = preview(on, page, addresses);
        for (const args of edits) {
          const outcome = attempt('setValue', args, page, target);
          if (!outcome.ok) continue;
          expect(changedSince(page, outcome.value.page)).to.have.length(
            outcome.value.operations.length > 0 ? 1 : 0,
          );
          page = outcome.value.page;
          shown = preview(on, page, addresses, shown);
        }
        const fresh = preview(on, structuredClone(page), addresses);
        expect(printRules(shown.shared)).to.equal(printRules(fresh.shared));
        expect(print(shown.body)).to.equal(print(bodyMarkup(on, page, addresses)));
        for (const each of Object.keys(page.nodes) as NodeId[])
          expect(shown.rulesOf(each)).to.deep.equal(fresh.rulesOf(each));
        expect(siteFaults(withPage(target, page))).to.deep.equal([]);
      }),
      { numRuns: 60 },
    );
  });

  it('names the elements whose rules may differ, the children of a container with another order among them', () => {
    const before = preview(frame, home, addresses);
    const { page } = made('reverseOrder', { node: id('objects'), view: view('mobile'), reach: 'here' });
    const after = preview(frame, page, addresses, before);
    expect(after.since!.elements).to.include.members(['objects', 'saturn', 'moon', 'cluster']);
    expect(after.body).to.equal(before.body);
    expect(after.shared).to.equal(before.shared);
    const saturn = home.nodes[id('saturn')];
    expect(after.rulesOf(id('saturn'))).not.to.deep.equal(
      elementRules(saturn, home.nodes[id('objects')], frame.views),
    );
  });

  it('counts on from what was known, and from the whole page where the way is not known', () => {
    let whole = 0;
    const count = followed<number>(
      (page) => (whole++, Object.keys(page.nodes).length),
      (before) => before + 1000,
    );
    const first = count(home);
    const step = made('rename', { node: id('headline'), name: 'Head' });
    expect(count(step.page)).to.equal(first + 1000);
    expect(count(step.page)).to.equal(first + 1000);
    expect(count(structuredClone(home))).to.equal(first);
    expect(whole).to.equal(2);
  });
});

describe('a site file of version 1', () => {
  it('is read in the present form: one border width becomes four sides, and what was not there is empty', () => {
    const old = JSON.parse(writeSiteFile(site, files)) as Record<string, any>;
    old.version = 1;
    delete old.spacing;
    delete old.shared;
    delete old.fonts;
    for (const page of old.pages) {
      for (const node of Object.values<any>(page.nodes)) {
        for (const [part, style] of Object.entries<any>(node.style)) {
          if (part !== 'self') delete node.style[part];
          for (const [name, layered] of Object.entries<any>(style))
            if (
              JSON.stringify(layered).includes('"{') &&
              ['gap', 'padding'].some((each) => name.startsWith(each))
            )
              delete style[name];
        }
      }
    }
    old.pages[0].nodes.headline.style.self.borderWidth = {
      base: 2,
      at: { mobile: { value: 0, reach: 'here' } },
    };
    const read = readSiteFile(JSON.stringify(old));
    expect(read.ok ? [] : read.faults).to.deep.equal([]);
    if (!read.ok) return;
    const { self } = pagesOf(read.value.site)[0].nodes[id('headline')].style;
    for (const side of ['Top', 'Right', 'Bottom', 'Left'])
      expect(self![`border${side}`]).to.deep.equal({ base: 2, at: { mobile: { value: 0, reach: 'here' } } });
    expect(self).not.to.have.property('borderWidth');
    expect(read.value.site.frame).to.deep.include({ version: 3, spacing: [], fonts: [] });
  });
});
