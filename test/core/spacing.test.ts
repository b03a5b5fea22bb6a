/** The spacing scale: steps that follow the width of the window, and what becomes of them where they are taken. */
import { expect } from 'chai';
import {
  changesBetween,
  copyElements,
  preview,
  printRules,
  siteFaults,
  spaceAt,
  type Site,
} from '../../core/index.ts';
import { frame, home, made, node, refusal, site, undoneOf, view } from './acting.ts';

describe('steps of the spacing scale that are fluid', () => {
  const growing = { min: 16, max: 24, fromWidth: 320, toWidth: 1280 };
  const at = { id: 'm', name: 'M', view: view('desktop'), reach: 'everywhere' as const };
  const grown = made('setSpacing', { ...at, size: growing });

  it('grow with the window wherever they are taken', () => {
    expect(grown.sentence).to.equal('Space M: 16–24 px in every view');
    expect(siteFaults(grown.site)).to.deep.equal([]);
    expect(spaceAt(grown.frame, '{m}', view('mobile'))).to.deep.equal(growing);
    // 8 px over 960 px of the window are 0.83333 vw, and 16 px less that of 320 px are 13.33333 px.
    const css = printRules(preview(grown.frame, home, { page: () => '', picture: () => '' }).shared);
    expect(css).to.include('--space-m:clamp(16px, 0.83333vw + 13.33333px, 24px)');
    expect(undoneOf(grown)).to.deep.equal(site);
  });

  it('are refused where they do not grow, or leave the range of the scale', () => {
    expect(refusal('setSpacing', { ...at, size: { ...growing, min: 30 } })).to.match(/grows with the width/);
    expect(refusal('setSpacing', { ...at, size: { ...growing, max: 700 } })).to.match(/0 to 600 px/);
    const odd = { ...growing, toWidth: 300 };
    const bad = { ...frame, spacing: frame.spacing.map((step) => ({ ...step, size: { base: odd } })) };
    expect(siteFaults({ ...site, frame: bad })[0]?.sentence).to.match(/span of widths/);
  });

  it('are told in a review, brought to scale, and follow a limit of a view at which they end', () => {
    expect(
      changesBetween(site, grown.site).map(({ name, what, before, after }) => [name, what, before, after]),
    ).to.deep.equal([
      ['M', 'step of the spacing scale in Desktop', '24', '16–24'],
      ['M', 'step of the spacing scale in Mobile', '16', '16–24'],
    ]);
    const limit = { min: 10, max: 20, fromWidth: 640, toWidth: 1024 };
    const ending = made('setSpacing', { ...at, view: view('tablet'), reach: 'here', size: limit });
    const moved = made('changeView', { view: view('desktop'), from: 1100 }, undefined, ending.site);
    expect(spaceAt(moved.frame, '{m}', view('tablet'))).to.deep.equal({ ...limit, toWidth: 1100 });
  });

  it('are told in a review also where the view that they were in is gone, or new', () => {
    const { site: without } = made('removeView', { view: view('mobile'), values: 'drop' });
    const steps = (before: Site, after: Site) =>
      changesBetween(before, after)
        .filter(({ name, what }) => name === 'M' && /^step/.test(what))
        .map(({ before: was, after: is }) => [was, is]);
    expect(steps(site, without)).to.deep.equal([['16', undefined]]);
    expect(steps(without, site)).to.deep.equal([[undefined, '16']]);
  });

  it('are called otherwise, and stay what they are for what takes them', () => {
    const named = made('nameSpacing', { id: 'm', name: ' Middle ' });
    expect(named.sentence).to.equal('Space M: renamed to Middle');
    expect(spaceAt(named.frame, '{m}', view('desktop'))).to.equal(24);
    expect(refusal('nameSpacing', { id: 'm', name: 'xl' })).to.match(/“xl” is there already/);
    expect(refusal('nameSpacing', { id: 'gone', name: 'X' })).to.match(/no longer in the spacing scale/);
  });

  it('are written out on a site without them: fluid where that can be, else as in the base view', () => {
    const step = { nodes: [node('lead')], view: view('desktop'), value: '{m}', reach: 'everywhere' as const };
    const padded = made('setValue', { ...step, property: 'paddingTop' }, home, grown.site);
    const taking = made('setValue', { ...step, property: 'marginTop' }, padded.page, padded.site);
    const half = { nodes: [node('lead')], view: view('desktop'), percent: 50, reach: 'onward' as const };
    const scaled = made('scaleContent', half, taking.page, taking.site).page.nodes[node('lead')];
    expect(scaled.style.self?.paddingTop).to.deep.equal({ base: { ...growing, min: 8, max: 12 } });
    const copied = copyElements(taking.frame, taking.page, [node('lead')]);
    const other: Site = { ...site, frame: { ...frame, id: 'other', spacing: [] } };
    const { format: _format, version: _version, ...copy } = copied;
    const args = { copied: copy, id: node('new'), parent: home.nodes[node('lead')].parent!, after: null };
    const { style } = made('pasteElements', args, home, other).page.nodes[node('new')];
    // At 1280 px, the width of the sheet of Desktop, it is 24 px.
    expect(style.self?.marginTop).to.deep.equal({ base: 24 });
    expect(style.self?.paddingTop).to.deep.equal({ base: growing });
  });
});
