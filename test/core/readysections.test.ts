/** Sections to be added: on any site, in its own colours, legible in every view, and undone in one step. */
import { expect } from 'chai';
import { wcagContrast } from 'culori';
import {
  applied,
  composed,
  contrastIn,
  findings,
  isShown,
  knownKind,
  LOOKS,
  newSite,
  pagesOf,
  PARTS,
  perform,
  READY_SECTIONS,
  readySection,
  termsOf,
  siteFaults,
  sourceOrder,
  type Finding,
  type NodeId,
  type Site,
} from '../../core/index.ts';
import { colourRoles } from '../../core/theme/roles.ts';
import { site as demo, view } from './acting.ts';

const SITES: readonly [name: string, site: Site][] = [
  ['the observatory', demo],
  ...LOOKS.map(
    ({ id, name }) =>
      [
        `a site in the look ${name}`,
        newSite({ id: 'trial', name: 'Hall', lang: 'en', look: id, views: '4' }),
      ] as [string, Site],
  ),
];

const placed = (on: Site, id: string, only?: { view: string; reach: 'here' | 'onward' | 'everywhere' }) => {
  const ready = READY_SECTIONS.find((each) => each.id === id)!;
  const [page] = pagesOf(on);
  const outcome = perform(on, page.id, 'pasteElements', {
    copied: readySection(on.frame, ready, termsOf(page)),
    id: 'fresh' as NodeId,
    parent: page.root,
    after: null,
    only: only && { ...only, view: view(only.view) },
    done: 'added to',
  });
  if (!outcome.ok) throw new Error(outcome.sentence);
  return { ...outcome.value, page: outcome.value.site.pages[page.id] };
};

/** What is left to do with whatever is ready-made. */
const UNFINISHED = new Set(['link without a target', 'sample text']);

describe('a ready-made section', () => {
  it('is one of sixteen or more, each of another name, with all kinds that pages are often built with', () => {
    expect(READY_SECTIONS.length).to.be.at.least(16);
    expect(new Set(READY_SECTIONS.map(({ label }) => label)).size).to.equal(READY_SECTIONS.length);
    for (const ready of READY_SECTIONS) {
      const { roots, nodes } = readySection(demo.frame, ready, termsOf(pagesOf(demo)[0]));
      expect(roots.map((id) => nodes[id].name)).to.deep.equal([ready.label]);
    }
    const kinds = new Set(
      READY_SECTIONS.flatMap(({ id }) => sourceOrder(placed(demo, id).page).map(({ kind }) => kind)),
    );
    for (const kind of [
      'picture',
      'prices',
      'hours',
      'timetable',
      'quote',
      'gallery',
      'questions',
      'form',
      'list',
    ])
      expect([...kinds]).to.include(kind);
  });

  for (const [name, on] of SITES) {
    it(`is right and legible in every view on ${name}, and goes again in one step`, () => {
      for (const { id } of READY_SECTIONS) {
        const { site, page, sentence, inverse } = placed(on, id);
        expect(sentence).to.match(/: added to /);
        expect(siteFaults(site), id).to.deep.equal([]);
        const whole = composed(site.frame, page);
        const fresh = sourceOrder(page).filter((node) => node.id.startsWith('fresh'));
        for (const node of fresh)
          for (const { id: at } of site.frame.views.list)
            for (const part of PARTS) {
              if (part !== 'self' && !knownKind(node.kind).parts?.[part]) continue;
              const contrast = contrastIn(site.frame, whole, node, part, at);
              if (!contrast) continue;
              expect(contrast.ratio, `${id}: ${node.name}, ${part}, ${at}`).to.be.at.least(contrast.needed);
            }
        const back = applied(site, inverse);
        expect(back.ok && back.value.site).to.deep.equal(on);
      }
    });
  }

  it('takes a band, an accent and images of the site that it is put on', () => {
    const { page } = placed(demo, 'opening');
    expect(page.nodes['fresh' as NodeId].style.self!.backgroundColour).to.deep.equal({ base: '{dusk}' });
    const button = Object.values(page.nodes).find(({ name }) => name === 'Say what to do next')!;
    expect(button.style.self!.backgroundColour, 'the lamp is the one vivid colour on the band').to.deep.equal(
      {
        base: '{lamp}',
      },
    );
    const rows = Object.values(placed(demo, 'alternating').page.nodes).filter(
      ({ id, kind }) => id.startsWith('fresh') && kind === 'picture',
    );
    const sources = rows.map(({ style }) => style.self!.source!.base);
    expect(new Set(sources).size, 'three images, not one thrice').to.equal(3);
    expect(demo.frame.assets.map(({ id }) => id)).to.include.members(sources);
  });

  it('shows the image first in every row where rows stack, and beside in turn elsewhere', () => {
    const { page, site } = placed(demo, 'alternating');
    const rows = page.nodes['fresh' as NodeId].children.map((id) => page.nodes[id]);
    const first = (row: (typeof rows)[number], at: string) => {
      const order = row.style.self!.order;
      const override =
        order?.at?.[view(at)]?.value ?? (at === 'wide' ? order?.base : undefined) ?? order?.base;
      return page.nodes[(override ?? row.children)[0]].kind;
    };
    expect(rows.map((row) => first(row, 'desktop'))).to.deep.equal(['picture', 'column', 'picture']);
    expect(rows.map((row) => first(row, 'mobile'))).to.deep.equal(['picture', 'picture', 'picture']);
    expect(siteFaults(site)).to.deep.equal([]);
  });

  it('shows only in the view that it was added in, where the reach says so', () => {
    const { page, site, sentence } = placed(demo, 'quote', { view: 'mobile', reach: 'here' });
    expect(sentence).to.match(/, shown only in Mobile/);
    const shown = site.frame.views.list.filter(({ id }) =>
      isShown(site.frame, page, page.nodes['fresh' as NodeId], id),
    );
    expect(shown.map(({ id }) => id)).to.deep.equal(['mobile']);
  });
});

describe('the roles of colours', () => {
  const colour = (id: string, value: string) => ({ id, name: id, value });

  it('are found by contrast and by chroma, and left open where no colour serves', () => {
    // Contrast with white by the formula of WCAG 2.2: navy 16.0, grey 4.54, yellow 1.07.
    const found = colourRoles(
      [
        colour('navy', '#000080'),
        colour('grey', '#767676'),
        colour('yellow', '#ffff00'),
        colour('white', '#ffffff'),
      ],
      '#ffffff',
    );
    expect(found.onPage).to.deep.equal({
      band: '{navy}',
      'on-band': '{white}',
      soft: '{yellow}',
      quiet: '{navy}',
      accent: '{navy}',
      'on-accent': '{white}',
    });
    expect(found.onBand.accent).to.equal('{yellow}');
    expect(found.onBand['on-accent']).to.equal('{navy}');
    expect(colourRoles([colour('grey', '#999999')], '#ffffff')).to.deep.equal({ onPage: {}, onBand: {} });
    expect(colourRoles([], '#ffffff')).to.deep.equal({ onPage: {}, onBand: {} });
    expect(wcagContrast('#000080', '#ffffff')).to.be.closeTo(16, 0.05);
  });

  it('has nothing wrong in the looks of new sites, but buttons that do not lead anywhere yet and sample texts', () => {
    for (const [name, on] of SITES.slice(1))
      for (const { id, label } of READY_SECTIONS) {
        const { site, page } = placed(on, id);
        const own = (place: Finding['of']) => 'node' in place && place.node.startsWith('fresh');
        const found = findings(site.frame, composed(site.frame, page)).filter(
          (each) => own(each.of) && !UNFINISHED.has(each.rule),
        );
        expect(
          found.map(({ sentence }) => sentence),
          `${label} on ${name}`,
        ).to.deep.equal([]);
      }
  });

  it('has the buttons of its look, also in a form', () => {
    for (const [name, on] of SITES.slice(1)) {
      const { site, page } = placed(on, 'form');
      const form = Object.values(page.nodes).find(
        (each) => each.kind === 'form' && each.id.startsWith('fresh'),
      )!;
      const button = Object.values(pagesOf(on)[0].nodes).find(({ kind }) => kind === 'button')!;
      for (const property of ['backgroundColour', 'colour', 'radius'] as const)
        expect(form.style.button?.[property], `${property} on ${name}`).to.deep.equal(
          button.style.self?.[property],
        );
      expect(siteFaults(site)).to.deep.equal([]);
    }
  });
});
