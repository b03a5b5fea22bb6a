import { expect } from 'chai';
import fc from 'fast-check';
import {
  held,
  isEmpty,
  onwardFrom,
  viewAt,
  withoutValue,
  wouldReach,
  type Layered,
  type ViewId,
  type Views,
} from '../../core/index.ts';
import { bands, mediaCondition } from '../../core/layered/bands.ts';
import { express } from '../../core/layered/express.ts';
import { reached } from '../../core/layered/resolve.ts';
import { withReach, withValue } from '../../core/layered/change.ts';
import { layeredArbitrary, layeredCase, record, viewIn, viewsArbitrary } from './arbitrary.ts';

const resolved = (layered: Layered<number> | undefined, views: Views) =>
  Object.fromEntries(views.list.map((view) => [view.id, held(layered, views, view.id)?.value]));

const views: Views = {
  base: 'desktop' as ViewId,
  list: (
    [
      ['mobile', 0],
      ['tablet', 640],
      ['desktop', 1024],
      ['wide', 1440],
    ] as const
  ).map(([id, from]) => ({
    id: id as ViewId,
    name: id,
    from,
    sheet: { width: from + 390, height: 800 },
    grid: { columns: 12, gutter: 0, margin: 0, maxWidth: 1000 },
  })),
};
const id = (name: string) => name as ViewId;

describe('layered values', () => {
  it('resolve: own override, then the nearest onward one towards the base, then the base', () => {
    const layered: Layered<number> = {
      base: 1,
      at: { [id('tablet')]: { value: 2, reach: 'onward' }, [id('wide')]: { value: 4, reach: 'here' } },
    };
    expect(resolved(layered, views)).to.deep.equal({ mobile: 2, tablet: 2, desktop: 1, wide: 4 });
    expect(held(layered, views, id('mobile'))!.view).to.equal('tablet');
    const here: Layered<number> = { base: 1, at: { [id('tablet')]: { value: 2, reach: 'here' } } };
    expect(resolved(here, views)).to.deep.equal({ mobile: 1, tablet: 2, desktop: 1, wide: 1 });
  });

  /** What a view shows where nothing is set: in each something else. */
  const without = (view: string) => 1000 + view.length;
  const shown = (layered: Layered<number> | undefined, of: Views) =>
    Object.fromEntries(
      Object.entries(resolved(layered, of)).map(([view, value]) => [view, value ?? without(view)]),
    );

  it('setting changes exactly the views that were announced, and each to the new value', () => {
    fc.assert(
      fc.property(
        layeredCase,
        fc.constantFrom('here' as const, 'onward' as const, 'everywhere' as const),
        ({ views, layered, view }, reach) => {
          const announced = wouldReach(layered, views, view, reach);
          const before = shown(layered, views);
          const after = shown(withValue(layered, views, view, 99, reach, without), views);
          for (const candidate of views.list) {
            const expected = announced.includes(candidate.id) ? 99 : before[candidate.id];
            expect(after[candidate.id]).to.equal(expected);
          }
          expect(announced).to.include(view);
        },
      ),
    );
  });

  it('Here never changes another view', () => {
    fc.assert(
      fc.property(layeredCase, ({ views, layered, view }) => {
        const before = shown(layered, views);
        const after = shown(withValue(layered, views, view, 99, 'here', without), views);
        expect(after[view]).to.equal(99);
        expect({ ...after, [view]: 0 }).to.deep.equal({ ...before, [view]: 0 });
      }),
    );
  });

  it('Onward changes only views on the same side', () => {
    fc.assert(
      fc.property(layeredCase, ({ views, layered, view }) => {
        fc.pre(view !== views.base);
        const reach = wouldReach(layered, views, view, 'onward');
        expect(onwardFrom(views, view)).to.include.members(reach);
      }),
    );
  });

  it('Everywhere gives every view the value and leaves no override', () => {
    fc.assert(
      fc.property(layeredCase, ({ views, layered, view }) => {
        const next = withValue(layered, views, view, 99, 'everywhere', without);
        expect(next).to.deep.equal({ base: 99 });
      }),
    );
  });

  it('setting where nothing stands and clearing again gives the same resolution', () => {
    fc.assert(
      fc.property(
        layeredCase,
        fc.constantFrom('here' as const, 'onward' as const),
        ({ views, layered, view }, reach) => {
          // Here at the base gives the others what they show, and that stays theirs.
          fc.pre(
            view === views.base ? layered.base === undefined && reach === 'onward' : !layered.at?.[view],
          );
          const cleared = withoutValue(withValue(layered, views, view, 99, reach, without), views, view);
          expect(cleared).to.deep.equal(isEmpty(layered) ? {} : layered);
        },
      ),
    );
  });

  it('changing the reach changes only views under the override', () => {
    fc.assert(
      fc.property(
        layeredCase,
        fc.constantFrom('here' as const, 'onward' as const),
        ({ views, layered, view }, reach) => {
          fc.pre(layered.at?.[view] !== undefined);
          const before = resolved(layered, views);
          const next = withReach(layered, view, reach);
          const after = resolved(next, views);
          const under = new Set([...reached(layered, views, view), ...reached(next, views, view)]);
          for (const candidate of views.list)
            if (!under.has(candidate.id)) expect(after[candidate.id]).to.equal(before[candidate.id]);
          expect(after[view]).to.equal(before[view]);
        },
      ),
    );
  });

  it('Here at the base keeps what the nearest view on each side shows, by one override that goes on', () => {
    const { base, at } = withValue({ base: 7 }, views, id('desktop'), 5, 'here', without);
    expect(base).to.equal(5);
    expect(at).to.deep.equal({
      tablet: { value: 7, reach: 'onward' },
      wide: { value: 7, reach: 'onward' },
    });
  });

  it('Here at the base keeps what each view shows where nothing was set', () => {
    const { at } = withValue<number>(undefined, views, id('desktop'), 5, 'here', (view) =>
      view === 'wide' ? 5 : view === 'tablet' ? 4 : 3,
    );
    expect(at).to.deep.equal({
      tablet: { value: 4, reach: 'onward' },
      mobile: { value: 3, reach: 'onward' },
    });
  });

  it('Onward from the base goes on to whatever follows it', () => {
    expect(onwardFrom(views, id('desktop'))).to.deep.equal(['desktop']);
    expect(withValue({ base: 7 }, views, id('desktop'), 5, 'onward', without)).to.deep.equal({ base: 5 });
  });
});

describe('bands', () => {
  it('at every width, fractional ones too, the last band that holds is the resolved value', () => {
    const width = fc.oneof(fc.double({ min: 0, max: 2600, noNaN: true }), fc.integer({ min: 0, max: 2600 }));
    fc.assert(
      fc.property(layeredCase, width, ({ views, layered }, at) => {
        const around = views.list.flatMap((view) => [view.from, view.from - 0.01, view.from + 0.01]);
        for (const px of [at, ...around]) {
          if (px < 0) continue;
          const last = bands(layered, views).findLast(
            ({ widths = {} }) => (widths.from ?? 0) <= px && px < (widths.below ?? Infinity),
          );
          expect(last?.value).to.equal(held(layered, views, viewAt(views, px).id)?.value);
        }
      }),
    );
  });

  it('has at most one band a view and at most one without a condition', () => {
    fc.assert(
      fc.property(layeredCase, ({ views, layered }) => {
        const list = bands(layered, views);
        expect(new Set(list.map((band) => band.view)).size).to.equal(list.length);
        expect(list.filter((band) => !band.widths).length).to.be.at.most(1);
      }),
    );
  });

  it('writes conditions in range syntax', () => {
    // Media Queries 4, https://www.w3.org/TR/mediaqueries-4/#mq-range-context
    expect(mediaCondition({ below: 640 })).to.equal('not (width >= 640px)');
    expect(mediaCondition({ from: 1440 })).to.equal('(width >= 1440px)');
    expect(mediaCondition({ from: 640, below: 1024 })).to.equal(
      '(width >= 640px) and (not (width >= 1024px))',
    );
  });
});

describe('expressing per-view values', () => {
  it('resolves to what was wanted, with no override that could be left out', () => {
    const wanted = viewsArbitrary.chain((views) =>
      record({
        views: fc.constant(views),
        values: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 5, maxLength: 5 }),
      }),
    );
    fc.assert(
      fc.property(wanted, ({ views, values }) => {
        const layered = express(views, (view) => values[views.list.indexOf(view)]);
        for (const [index, view] of views.list.entries())
          expect(held(layered, views, view.id)!.value).to.equal(values[index]);
        for (const view of Object.keys(layered.at ?? {}) as ViewId[]) {
          expect(resolved(withoutValue(layered, views, view), views)).not.to.deep.equal(
            resolved(layered, views),
          );
        }
      }),
    );
  });

  it('takes as few overrides as can be, by trying all ways', () => {
    const wanted = viewsArbitrary.chain((views) =>
      record({
        views: fc.constant(views),
        values: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 5, maxLength: 5 }),
      }),
    );
    fc.assert(
      fc.property(wanted, ({ views, values }) => {
        const want = (view: ViewId) => values[views.list.findIndex(({ id }) => id === view)];
        const others = views.list.map(({ id }) => id).filter((id) => id !== views.base);
        // Each other view has no override, one for itself, or one onward.
        let fewest = Infinity;
        for (let way = 0; way < 3 ** others.length; way++) {
          const at: NonNullable<Layered<number>['at']> = {};
          others.forEach((id, index) => {
            const choice = Math.floor(way / 3 ** index) % 3;
            if (choice > 0) at[id] = { value: want(id), reach: choice === 1 ? 'here' : 'onward' };
          });
          const tried: Layered<number> = { base: want(views.base), at };
          if (views.list.every(({ id }) => held(tried, views, id)!.value === want(id)))
            fewest = Math.min(fewest, Object.keys(at).length);
        }
        const made = express(views, ({ id }) => want(id));
        expect(Object.keys(made.at ?? {})).to.have.length(fewest);
      }),
    );
  });

  it('says the same as the layered value it was read from', () => {
    const given = viewsArbitrary.chain((views) =>
      record({
        views: fc.constant(views),
        layered: layeredArbitrary(views, fc.integer(), true),
        view: viewIn(views),
      }),
    );
    fc.assert(
      fc.property(given, ({ views, layered }) => {
        const again = express(views, (view) => held(layered, views, view.id)!.value);
        expect(resolved(again, views)).to.deep.equal(resolved(layered, views));
      }),
    );
  });
});
