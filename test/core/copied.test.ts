/** Elements copied and pasted: on their page, on another, and on a site with other views and another theme. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  childrenIn,
  copyElements,
  newSite,
  perform,
  readElements,
  resolve,
  knownProperty,
  textIn,
  siteFaults,
  subtree,
  meet,
  placementIn,
  viewAt,
  type CopiedElements,
  type Node,
  type NodeId,
  type Page,
  type Site,
} from '../../core/index.ts';
import { demoSite } from '../../demo/site.ts';
import { files, frame, home, made, node, refusal, site, undoneOf, view } from './acting.ts';
import { siteArbitrary } from './arbitrary.ts';

const through = (copied: CopiedElements): CopiedElements => {
  const read = readElements(JSON.stringify(copied));
  if (!read.ok) throw new Error(read.sentence);
  return read.value;
};
const given = ({ format: _format, version: _version, ...copied }: CopiedElements) => copied;

/** An element and all in it, with ids by their place in it, so that a copy is the same. */
function shapeOf(page: Page, id: NodeId): Node[] {
  const names = new Map(subtree(page, id).map((each, index) => [each as string, `#${index}`]));
  const nodes = subtree(page, id).map((each): Node => ({ ...page.nodes[each], parent: null }));
  return JSON.parse(JSON.stringify(nodes), (key, value: unknown) =>
    key === 'textStyle' ? value : (names.get(value as string) ?? value),
  ) as Node[];
}

describe('copied elements', () => {
  it('are pasted with every override, order, text by view and alternate, and undone', () => {
    const { page, site: worded } = made(
      'setValue',
      {
        nodes: [node('headline')],
        property: 'heading.text',
        view: view('mobile'),
        value: { says: 'Short' },
        reach: 'here',
      },
      made('makeAlternate', {
        node: node('dome'),
        view: view('mobile'),
        reach: 'here',
        set: node('set'),
        copy: node('copy'),
      }).page,
    );
    const copied = through(copyElements(frame, page, [node('opening-row')]));
    const step = made(
      'pasteElements',
      { copied: given(copied), id: node('new'), parent: node('opening'), after: node('opening-row') },
      page,
    );
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(step.sentence).to.match(/^Row: text \+ dome: pasted into Hero: .* with \d+ elements in it$/);
    expect(shapeOf(step.page, node('new'))).to.deep.equal(shapeOf(page, node('opening-row')));
    const order = (id: string) => childrenIn(frame, step.page.nodes[node(id)], view('mobile'));
    expect(order('new').map((id) => step.page.nodes[id].name)).to.deep.equal(
      order('opening-row').map((id) => step.page.nodes[id].name),
    );
    expect(undoneOf(step).pages[home.id]).to.deep.equal(worded.pages[home.id]);
  });

  it('are the same on any page, wherever they are taken', () => {
    let pasted = 0;
    fc.assert(
      fc.property(siteArbitrary, fc.nat(), (target, which) => {
        const page = target.pages[home.id];
        const all = Object.values(page.nodes).filter(({ parent }) => parent !== null);
        const one = all[which % all.length];
        const copied = through(copyElements(target.frame, page, [one.id]));
        const outcome = perform(target, page.id, 'pasteElements', {
          copied: given(copied),
          id: node('new'),
          parent: one.parent!,
          after: one.id,
        });
        if (!outcome.ok) throw new Error(outcome.sentence);
        const after = outcome.value.site;
        expect(siteFaults(after)).to.deep.equal([]);
        const next = after.pages[page.id];
        const [got, had] = [shapeOf(next, node('new')), shapeOf(page, one.id)];
        // In an overlay a copy stands where nothing else is.
        if (page.nodes[one.parent!].kind === 'overlay') {
          for (const { id } of target.frame.views.list) {
            const at = (each: NodeId) => placementIn(target.frame, next, next.nodes[each], id);
            const others = next.nodes[one.parent!].children.filter((each) => each !== node('new'));
            expect(others.some((each) => meet(at(each), at(node('new'))))).to.equal(false);
          }
          for (const [{ style }] of [got, had]) {
            delete style.self?.areaRow;
            if (Object.keys(style.self ?? {}).length === 0) delete style.self;
          }
        }
        expect(got).to.deep.equal(had);
        pasted += 1;
      }),
      { numRuns: 40 },
    );
    expect(pasted).to.equal(40);
  });

  it('look in each view of another site as at its width on their own, and say what was left out', () => {
    const other = newSite({ id: 'other', name: 'Other', look: 'plain', views: '2', lang: 'en' });
    const [page] = Object.values(other.pages);
    const section = page.nodes[page.root].children.find((id) => page.nodes[id]?.kind === 'section')!;
    const copied = through(copyElements(frame, home, [node('dome'), node('headline')]));
    const step = made(
      'pasteElements',
      { copied: given(copied), id: node('new'), parent: section, after: null },
      page,
      other,
    );
    expect(siteFaults(step.site)).to.deep.equal([]);
    expect(step.sentence).to.match(/left out that this site does not have$/);
    const [headline] = Object.values(step.page.nodes).filter(({ name }) => name === 'Headline');
    for (const { id, sheet } of other.frame.views.list) {
      const like = viewAt(frame.views, sheet.width).id;
      expect(textIn(headline, other.frame.views, 'text', id)).to.equal(
        textIn(home.nodes[node('headline')], frame.views, 'text', like),
      );
      const size = knownProperty('size');
      if (headline.style.self?.size?.at?.[id])
        expect(resolve(step.frame, step.page, headline, size, id)).to.deep.equal(
          resolve(frame, home, home.nodes[node('headline')], size, like),
        );
    }
  });

  it('say in which views of another site the grid has no room for what stood in an overlay', async () => {
    const { site: demo } = await demoSite();
    const copied = through(copyElements(demo.frame, demo.pages[node('shutter')], [node('shutter-over')]));
    const pastedWhere = (id: string, columns: Record<string, number>) => {
      const { views } = demo.frame;
      const list = views.list.map((each) => ({
        ...each,
        grid: { ...each.grid, columns: columns[each.id] ?? each.grid.columns },
      }));
      const other: Site = {
        ...site,
        frame: { ...frame, id: id, views: { ...views, list } },
      };
      const args = { copied: given(copied), id: node('new'), parent: node('week'), after: null };
      return made('pasteElements', args, home, other).sentence;
    };
    const { id } = demo.frame;
    expect(pastedWhere('other', {})).not.to.match(/fit/);
    // The images stand in columns 1 to 9 and 8 to 12; in Mobile in 1 to 4 and 3 to 4.
    expect(pastedWhere('other', { tablet: 10 })).to.match(/; 1 area made to fit the columns of Tablet$/);
    expect(pastedWhere('other', { tablet: 8, mobile: 2 })).to.match(
      /; 2 areas made to fit the columns of Tablet, Mobile$/,
    );
    expect(pastedWhere(id, { tablet: 8 })).not.to.match(/fit/);
  });

  it('lead where they led: to what went along, or back to the page they were copied from', () => {
    const link = (to: string) =>
      made('setContent', { node: node('lead'), field: 'text', value: `<p><a href="${to}">x</a></p>` }).page;
    const pasted = (page: Page) => {
      const copied = given(through(copyElements(frame, page, [node('opening-words')])));
      const find = site.pages[node('find-us')];
      const args = { copied, id: node('new'), parent: node('find-ways'), after: null };
      const step = made('pasteElements', args, find);
      return JSON.stringify(Object.values(step.page.nodes).map(({ content }) => content.text));
    };
    expect(pasted(link('#dome'))).to.contain('page:home#dome');
    expect(pasted(link('#headline'))).to.match(/href=\\"#new/);
    expect(pasted(link('page:visits'))).to.contain('page:visits');
  });

  it('are refused with a sentence where the clipboard holds something else, and nothing is lost', () => {
    const sentence = (text: string) => {
      const read = readElements(text);
      return read.ok ? 'read' : read.sentence;
    };
    expect(sentence('Hello')).to.match(/no element of a site/);
    expect(sentence('[1, 2')).to.match(/no element of a site/);
    expect(sentence('null')).to.match(/no element of a site/);
    const copied = copyElements(frame, home, [node('opening-row')]);
    expect(sentence(JSON.stringify({ ...copied, version: 9 }))).to.match(/damaged or of a later version/);
    expect(sentence(JSON.stringify({ ...copied, roots: ['dome'] }))).to.match(/damaged/);
    const { dome: _gone, ...rest } = copied.nodes as Record<string, Node>;
    expect(sentence(JSON.stringify({ ...copied, nodes: rest }))).to.match(/damaged/);
    const circle = { ...copied.nodes[node('opening-words')], children: [node('opening-row')] };
    expect(
      sentence(JSON.stringify({ ...copied, nodes: { ...copied.nodes, 'opening-words': circle } })),
    ).to.match(/damaged/);
    // The bytes that come along are those of what is named, or none of it is taken.
    const [shown] = copied.assets;
    const withBytes = (bytes: Record<string, string>) =>
      sentence(JSON.stringify({ ...copied, files: bytes }));
    expect(withBytes({ [shown.id]: files[shown.id] })).to.equal('read');
    expect(withBytes({ [shown.id]: files[shown.id].slice(0, -8) })).to.match(/damaged/);
    expect(withBytes({ [shown.id]: 'no base64 at all' })).to.match(/damaged/);
    expect(withBytes({ other: files[shown.id] })).to.match(/damaged/);
    const paste = { copied: given(copied), id: node('new'), parent: home.root, after: null };
    expect(refusal('pasteElements', paste)).to.match(/Home takes no row\. Nothing was pasted\./);
    expect(refusal('pasteElements', { ...paste, parent: node('opening'), id: node('dome') })).to.match(
      /of this id already/,
    );
    expect(site.pages[home.id]).to.equal(home);
  });
});
