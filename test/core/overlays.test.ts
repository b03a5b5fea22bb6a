/** Containers that become overlays, and overlays that become columns. */
import { expect } from 'chai';
import {
  knownProperty,
  resolve,
  siteFaults,
  placementIn,
  type MeasuredBoxes,
  type Page,
  type ViewId,
} from '../../core/index.ts';
import { frame, made, node, refusal, site, undoneOf, view } from './acting.ts';

const at = (page: Page, id: string, where: string) =>
  placementIn(frame, page, page.nodes[node(id)], view(where));

describe('a container', () => {
  const home = site.pages[node('home')];
  const { list } = frame.views;
  /** The words of the opening section as they might be measured: three boxes below one another. */
  const measured = Object.fromEntries(
    list.map(({ id }, index): [ViewId, MeasuredBoxes] => [
      id,
      {
        width: 600,
        height: 300 + index,
        boxes: {
          headline: { left: 0, top: 0, width: 600, height: 140 },
          lead: { left: 0, top: 164, width: 600, height: 60 },
          book: { left: 0, top: 248, width: 130, height: 52 },
        },
      },
    ]),
  );
  const become = (name: 'makeOverlay' | 'makeColumn', on: string, to: string, page: Page = home) =>
    made(name, { node: node(on), id: node(to), measured }, page);

  it('becomes an overlay in which every part stays where it was, and keeps what it says', () => {
    const step = become('makeOverlay', 'opening-words', 'fresh');
    expect(siteFaults(step.site)).to.deep.equal([]);
    const overlay = step.page.nodes[node('fresh')];
    expect(overlay.kind).to.equal('overlay');
    expect(overlay.style.self!.span).to.deep.equal(home.nodes[node('opening-words')].style.self!.span);
    expect(overlay.style.self!.gap).to.equal(undefined);
    expect(step.page.nodes[node('opening-row')].children[0]).to.equal('fresh');
    // The order of the row in Mobile speaks of it by its new id.
    expect(JSON.stringify(step.page.nodes[node('opening-row')].style.self!.order)).to.include('fresh');
    // 303 px in Wide are 13 rows of 23.31 px: the lead begins 0.83 px down in the eighth, which begins at 163.17 px.
    const height = resolve(frame, step.page, overlay, knownProperty('rowHeight'), view('wide'));
    expect(height).to.equal(23.31);
    const lead = at(step.page, 'lead', 'wide');
    expect((lead.row - 1) * height + (lead.offsetDown as { px: number }).px).to.be.closeTo(164, 0.01);
    expect(at(step.page, 'book', 'wide').heldAcross).to.equal('start');
    expect(undoneOf(step).pages[home.id]).to.deep.equal(home);
  });

  it('is a column again with the same room between, or says where things stood beside each other', () => {
    const step = become('makeOverlay', 'opening-words', 'fresh');
    const back = become('makeColumn', 'fresh', 'again', step.page);
    expect(siteFaults(back.site)).to.deep.equal([]);
    expect(back.sentence).to.equal(
      'Text: a column of 3 parts now, in every view; every part stays where it was',
    );
    const column = back.page.nodes[node('again')];
    expect(column.children).to.deep.equal(['headline', 'lead', 'book']);
    expect(resolve(frame, back.page, column, knownProperty('gap'), view('desktop'))).to.equal(24);
    const beside = structuredClone(measured);
    beside.tablet.boxes.lead.top = 20;
    const other = made('makeColumn', { node: node('fresh'), id: node('again'), measured: beside }, step.page);
    expect(other.sentence).to.equal(
      'Text: a column of 3 parts now, in every view; what was beside or over another is now below it in Tablet',
    );
  });

  it('has an overlay in it where it is a section, and is refused where it cannot be one', () => {
    const all = Object.fromEntries(list.map(({ id }) => [id, { width: 1200, height: 400, boxes: {} }]));
    const step = made('makeOverlay', { node: node('opening'), id: node('fresh'), measured: all }, home);
    expect(step.page.nodes[node('opening')].children).to.deep.equal(['fresh']);
    expect(step.page.nodes[node('fresh')].children).to.deep.equal(['opening-row']);
    const asked = (on: string, id: string, measures: object = measured) =>
      refusal('makeOverlay', { node: node(on), id: node(id), measured: measures as never }, home);
    expect(asked('headline', 'fresh')).to.equal('Headline cannot be an overlay. Nothing was changed.');
    expect(asked('opening-words', 'lead')).to.match(/^The id is not one/);
    expect(asked('opening-words', 'fresh', {})).to.match(/was not measured in every view/);
    expect(
      refusal('makeColumn', { node: node('opening-words'), id: node('fresh'), measured }, home),
    ).to.equal('Text isn’t an overlay. Nothing was changed.');
  });
});
