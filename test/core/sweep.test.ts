/** The sweep: that it finds what is to be found at every width, to the px, and after an edit as if it had begun again. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  changedWidths,
  composed,
  preview,
  swept,
  SWEPT,
  type Finding,
  type Laid,
  type NodeId,
  type Stretch,
  type TextSetting,
} from '../../core/index.ts';
import { sweptWidths } from '../../core/checks/measured/sweep.ts';
import { type MeasuredRule } from '../../core/checks/measured/rule.ts';
import { frame, home, made, view } from './acting.ts';

const page = composed(frame, home);
const NODES = ['headline', 'lead', 'book', 'dome'] as NodeId[];

/** For each element, the widths at which it is in trouble. */
type Trouble = Partial<Record<TextSetting, Record<string, readonly Stretch[]>>>;

const isIn = (stretches: readonly Stretch[], width: number) =>
  stretches.some(({ from, to }) => width >= from && width <= to);

/** A page as if it were laid out: what is in trouble is 1000 px wide. */
function laidIn(trouble: Trouble, width: number, text: TextSetting): Laid {
  const elements = NODES.map((node) => ({
    ...{ node, lines: [], targets: [] },
    box: { left: 0, top: 0, right: isIn(trouble[text]?.[node] ?? [], width) ? 1000 : 10, bottom: 10 },
  }));
  return { width, scrolls: width, rightToLeft: false, keptClear: 0, keptClearBelow: 0, elements };
}

const RULE: MeasuredRule = {
  name: 'in trouble',
  clauses: { 'as it is': 'one', 'twice as large': 'two', spaced: 'three' },
  severity: 'advice',
  find: ({ laid }) =>
    laid.elements
      .filter(({ box }) => box.right === 1000)
      .map(({ node }) => ({ node, amount: laid.width, sentence: '{name} {widths}', cure: '' })),
};

function sweepOf(trouble: Trouble, more: Partial<Parameters<typeof swept>[2]> = {}) {
  let measured = 0;
  const measure = (width: number, text: TextSetting) => {
    measured += 1;
    return Promise.resolve(laidIn(trouble, width, text));
  };
  return swept(frame, page, { measure, rules: [RULE], ...more }).then((found) => ({ ...found, measured }));
}

const widthsOf = (findings: readonly Finding[], clause = 'one') =>
  Object.fromEntries(
    findings
      .filter((each) => each.clause === clause)
      .map(({ of, widths }) => [(of as { node: string }).node, widths]),
  );

/** Stretches of at least 12 px that are apart by at least as much, so that none can be missed. */
const stretches: fc.Arbitrary<Stretch[]> = fc
  .array(fc.tuple(fc.integer({ min: 12, max: 400 }), fc.integer({ min: 12, max: 300 })), { maxLength: 4 })
  .map((parts) => {
    const list: Stretch[] = [];
    let at = SWEPT.from - 12;
    for (const [gap, length] of parts) {
      at += gap;
      if (at + length - 1 > SWEPT.to) break;
      list.push({ from: at, to: at + length - 1 });
      at += length;
    }
    return list;
  });
const troubles = fc.record({ headline: stretches, lead: stretches, dome: stretches });

const expected = (all: Record<string, readonly Stretch[]>) =>
  Object.fromEntries(Object.entries(all).filter(([, list]) => list.length > 0));

describe('the sweep', () => {
  it('looks at both ends, at both sides of each limit of a view, and at no two widths further apart than 12 px', () => {
    const widths = sweptWidths(frame, 'as it is');
    for (const width of [320, 1920, 639, 640, 1023, 1024, 1439, 1440]) expect(widths).to.include(width);
    widths.slice(1).forEach((width, index) => expect(width - widths[index]).to.be.within(1, 12));
  });

  it('finds what is 12 px wide or wider at its very ends', async () => {
    await fc.assert(
      fc.asyncProperty(troubles, async (trouble) => {
        const { findings, whole } = await sweepOf({ 'as it is': trouble });
        expect(whole).to.equal(true);
        expect(widthsOf(findings)).to.deep.equal(expected(trouble));
      }),
    );
  });

  it('names the element, its widths and its views, and tells the worst', async () => {
    const { findings } = await sweepOf({ 'as it is': { headline: [{ from: 700, to: 712 }] } });
    expect(findings).to.deep.equal([
      {
        ...{ rule: 'in trouble', clause: 'one', severity: 'advice' },
        ...{ of: { node: 'headline' }, widths: [{ from: 700, to: 712 }], views: ['tablet'] },
        ...{ sentence: 'Headline from 700 to 712 px', cure: '' },
      },
    ]);
  });

  it('tells what shows only with text set in another way apart, and what shows without that once', async () => {
    const { findings } = await sweepOf({
      'as it is': { lead: [{ from: 320, to: 500 }] },
      'twice as large': { lead: [{ from: 320, to: 900 }], dome: [{ from: 1024, to: 1920 }] },
      spaced: { lead: [{ from: 400, to: 480 }] },
    });
    expect(widthsOf(findings)).to.deep.equal({ lead: [{ from: 320, to: 500 }] });
    expect(widthsOf(findings, 'two')).to.deep.equal({
      lead: [{ from: 501, to: 900 }],
      dome: [{ from: 1024, to: 1920 }],
    });
    expect(widthsOf(findings, 'three')).to.deep.equal({});
    expect(findings.map(({ sentence }) => sentence)).to.include(
      'Dome image from 1024 to 1920 px with text twice as large',
    );
  });

  it('ends early with what it has, and goes on from there', async () => {
    const trouble = { 'as it is': { lead: [{ from: 333, to: 801 }] } };
    let asked = 0;
    const first = await sweepOf(trouble, { stopped: () => (asked += 1) > 60 });
    expect(first.whole).to.equal(false);
    const second = await sweepOf(trouble, { before: { samples: first.samples, changed: [] } });
    expect(second.whole).to.equal(true);
    expect(widthsOf(second.findings)).to.deep.equal({ lead: [{ from: 333, to: 801 }] });
    const all = await sweepOf(trouble);
    // One that was asked for while it was stopped is asked for again.
    expect(first.measured + second.measured - all.measured).to.be.within(0, 1);
  });

  it('tells how far it is: never back, and at the end all', async () => {
    const told: { measured: number; of: number }[] = [];
    await sweepOf({}, { onProgress: (progress) => told.push(progress) });
    told.slice(1).forEach(({ measured, of }, index) => {
      expect(measured).to.equal(told[index].measured + 1);
      expect(of).to.equal(told[index].of);
    });
    expect(told.at(-1)!.measured).to.equal(told.at(-1)!.of);
  });

  it('after a change measures only where it holds, and finds the same as again', async () => {
    await fc.assert(
      fc.asyncProperty(
        troubles,
        troubles,
        fc.constantFrom(...frame.views.list),
        async (one, other, { id }) => {
          const at = frame.views.list.findIndex((each) => each.id === id);
          const range = { from: frame.views.list[at].from, to: (frame.views.list[at + 1]?.from ?? 1921) - 1 };
          const inRange = (list: readonly Stretch[]) =>
            list.flatMap(({ from, to }) =>
              to < range.from || from > range.to
                ? []
                : [{ from: Math.max(from, range.from), to: Math.min(to, range.to) }],
            );
          const after = (node: 'headline' | 'lead' | 'dome') => {
            const set = new Set<number>();
            for (let width = SWEPT.from; width <= SWEPT.to; width += 1)
              if (isIn(width >= range.from && width <= range.to ? inRange(other[node]) : one[node], width))
                set.add(width);
            const list: Stretch[] = [];
            for (const width of set)
              if (list.at(-1)?.to === width - 1) list.at(-1)!.to = width;
              else list.push({ from: width, to: width });
            return list;
          };
          const now = { headline: after('headline'), lead: after('lead'), dome: after('dome') };
          const first = await sweepOf({ 'as it is': one });
          const second = await sweepOf(
            { 'as it is': now },
            { before: { samples: first.samples, changed: [range] } },
          );
          const anew = await sweepOf({ 'as it is': now });
          expect(second.measured).to.be.lessThan(anew.measured);
          expect(widthsOf(second.findings)).to.deep.equal(widthsOf(anew.findings));
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('the widths at which an edit can have changed a page', () => {
  const addresses = { page: () => '#', picture: () => '#' };
  const shown = (of = page) => preview(frame, of, addresses);
  const edited = (property: string, at: string, value: unknown, reach: 'here' | 'onward' = 'here') =>
    composed(frame, made('setValue', { nodes: [NODES[1]], property, view: view(at), value, reach }).page);

  it('are none where nothing changed', () => {
    expect(changedWidths(shown(), shown())).to.deep.equal([]);
  });

  it('are those of the view, or of the views that the edit reaches', () => {
    expect(changedWidths(shown(), shown(edited('size', 'tablet', 21)))).to.deep.equal([
      { from: 640, to: 1023 },
    ]);
    expect(changedWidths(shown(), shown(edited('size', 'tablet', 21, 'onward')))).to.deep.equal([
      { from: 0, to: 1023 },
    ]);
    expect(changedWidths(shown(), shown(edited('size', 'desktop', 21, 'onward')))).to.deep.equal([SWEPT]);
  });

  it('are all where the words, the views or a colour of the site are others', () => {
    const { lead } = page.nodes as Record<string, (typeof page.nodes)[NodeId]>;
    const words = { ...page, nodes: { ...page.nodes, lead: { ...lead, content: { text: '<p>Come.</p>' } } } };
    expect(changedWidths(shown(), shown(words))).to.deep.equal([SWEPT]);
    const colours = frame.colours.map((each, index) => (index === 0 ? { ...each, value: '#123456' } : each));
    const other = preview({ ...frame, colours }, page, addresses);
    expect(changedWidths(shown(), other)).to.deep.equal([SWEPT]);
    const list = frame.views.list.map((each) => (each.id === 'tablet' ? { ...each, from: 700 } : each));
    const moved = preview({ ...frame, views: { ...frame.views, list } }, page, addresses);
    expect(changedWidths(shown(), moved)).to.deep.equal([SWEPT]);
  });
});
