/** Sample texts of ready-made parts: found until they are replaced, whatever else is changed. */
import { expect } from 'chai';
import {
  composed,
  findings,
  LOOKS,
  newSite,
  pagesOf,
  READY_SECTIONS,
  readySection,
  siteFindings,
  termsOf,
  type Site,
} from '../../core/index.ts';
import { placeholders } from '../../core/checks/placeholders.ts';
import { after, node, site as demo } from './acting.ts';

const fresh = newSite({ id: 'trial', name: 'Fish & Hall', lang: 'en', look: LOOKS[0].id, views: '4' });
const said = (on: Site, page = pagesOf(on)[0]) =>
  findings(on.frame, composed(on.frame, page), { rules: [placeholders] }).map(({ sentence }) => sentence);
const placed = (id: string) =>
  after(demo, 'pasteElements', {
    copied: readySection(
      demo.frame,
      READY_SECTIONS.find((each) => each.id === id)!,
      termsOf(pagesOf(demo)[0]),
    ),
    ...{ id: node('fresh'), parent: pagesOf(demo)[0].root, after: null, done: 'added to' as const },
  });

describe('sample texts', () => {
  it('are found in a new site, section by section, and in none that somebody wrote', () => {
    const sentences = said(fresh);
    expect(sentences).to.include(
      'Welcome to Fish & Hall still has its sample text, as have 2 more blocks of Hero.',
    );
    expect(sentences.some((each) => /“Street and number”/.test(each))).to.equal(true);
    expect(
      siteFindings(demo)
        .flatMap((page) => page.findings)
        .filter(({ rule }) => rule === 'sample text'),
    ).to.deep.equal([]);
  });

  it('are found in every ready-made section that comes with any', () => {
    /** Those that only have headings and fields that can stay, or images. */
    const none = new Set(['gallery']);
    for (const { id, label } of READY_SECTIONS)
      expect(said(placed(id)).length, label).to.equal(none.has(id) ? 0 : 1);
  });

  it('are gone where they are replaced, and not where only what is around them is', () => {
    const on = placed('call');
    const page = pagesOf(on)[0];
    const text = Object.values(page.nodes).find(({ id, kind }) => id.startsWith('fresh') && kind === 'text')!;
    expect(said(on)).to.deep.equal([
      `${text.name} still has its sample text “One sentence that makes it easy to say …”.`,
    ]);
    const write = (value: string) => said(after(on, 'setContent', { node: text.id, field: 'text', value }));
    expect(write('<p>We keep a chair for you.</p>')).to.deep.equal([]);
    const address = write('<p>The Old Mill<br>Street and number<br>Brindle</p>');
    expect(address).to.deep.equal([
      'The Old Mill Street and number Brindle still has its sample text “Street and number”.',
    ]);
    const hidden = after(on, 'setValue', {
      ...{ nodes: [text.id], property: 'shown', view: demo.frame.views.base },
      ...{ reach: 'everywhere' as const, value: true },
    });
    expect(said(hidden)).to.have.length(1);
  });

  it('are told where they are: of the block, or of the section where it has several', () => {
    const of = (id: string) => {
      const on = placed(id);
      const page = pagesOf(on)[0];
      return findings(on.frame, composed(on.frame, page), { rules: [placeholders] }).map(
        (each) => 'node' in each.of && page.nodes[each.of.node].kind,
      );
    };
    expect(of('call')).to.deep.equal(['text']);
    expect(of('cards')).to.deep.equal(['section']);
  });
});
