/** Adding, changing and deleting views, and choosing another base: what each view shows stays what it was. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  applies,
  held,
  knownProperty,
  ownLayered,
  PARTS,
  PROPERTIES,
  perform,
  resolve,
  siteFaults,
  spaceAt,
  valuesInView,
  VIEW_SETS,
  viewAt,
  type NodeId,
  type Site,
  type ViewId,
} from '../../core/index.ts';
import { valuesOf } from '../../core/edits/values/stylevalues.ts';
import { textsByViewOf } from '../../core/elements/propertytable.ts';
import { frame, home, made, refusal, site, undoneOf, view } from './acting.ts';
import { siteArbitrary } from './arbitrary.ts';

/** Of words, what they say; beside which others they were written is told apart. */
const said = (value: unknown): unknown => (value as { says?: unknown } | undefined)?.says ?? value;

/** What every property of every element and part is in a view, and every step of the spacing scale. */
function shown({ frame: on, pages }: Site, at: ViewId): Record<string, unknown> {
  const values: Record<string, unknown> = {};
  for (const page of Object.values(pages))
    for (const node of Object.values(page.nodes)) {
      const parent = node.parent === null ? undefined : page.nodes[node.parent].kind;
      for (const part of PARTS)
        for (const property of PROPERTIES)
          if (applies(property, node.kind, parent, part))
            values[`${page.id} ${node.id} ${part} ${property.name}`] = said(
              resolve(on, page, node, property, at, part),
            );
    }
  for (const { id } of on.spacing) values[`space ${id}`] = spaceAt(on, `{${id}}`, at);
  return values;
}

/** What holds of all that is set on elements, by view, whether something stands in for it or not. */
const setIn = ({ frame: { views }, pages }: Site, at: ViewId): unknown[] =>
  Object.values(pages).flatMap((page) =>
    Object.values(page.nodes).flatMap((node) =>
      [
        ...valuesOf(node.style).filter(({ name }) => !knownProperty(name).wording),
        ...textsByViewOf(node.kind).map(({ name }) => ({ part: 'self' as const, name })),
      ].flatMap(({ part, name }) => {
        const value = held(ownLayered(node, part, knownProperty(name)), views, at)?.value;
        return value === undefined ? [] : [[node.id, part, name, said(value)]];
      }),
    ),
  );

const ids = (target: Site): ViewId[] => target.frame.views.list.map(({ id }) => id);
const bases = (target: Site): string[] => [target.frame.views.base, ...ids(target)];

/** Runs a command on whole random sites until it was accepted on so many; there, what it says is compared. */
function onSites(
  run: (target: Site, choice: number) => ReturnType<typeof perform>,
  check: (before: Site, after: Site, choice: number) => void,
  accepted = 10,
): void {
  fc.assert(
    fc.property(siteArbitrary, fc.nat(1000), (target, choice) => {
      const outcome = run(target, choice);
      fc.pre(outcome.ok);
      const { site: after } = outcome.value;
      expect(siteFaults(after)).to.deep.equal([]);
      check(target, after, choice);
      expect(undoneOf(outcome.value)).to.deep.equal(target);
    }),
    { numRuns: accepted },
  );
}

const pick = (target: Site, choice: number): ViewId => ids(target)[choice % ids(target).length];

describe('the base of a site', () => {
  it('becomes another without any view showing anything else', () => {
    onSites(
      (target, choice) => perform(target, home.id, 'setBase', { view: pick(target, choice) }),
      (before, after, choice) => {
        expect(after.frame.views.base).to.equal(pick(before, choice));
        for (const id of ids(before)) expect(shown(after, id)).to.deep.equal(shown(before, id));
      },
    );
  });

  it('becomes another on the demo, with no more said than needed, and back again to the same', () => {
    const step = made('setBase', { view: view('mobile') });
    expect(step.sentence).to.equal('Base: Desktop → Mobile');
    const { style } = step.page.nodes['headline' as never];
    // 34 in Mobile was an override; the others had what their text style says.
    expect(style.self!.size!.base).to.equal(34);
    for (const id of ids(site)) expect(shown(step.site, id)).to.deep.equal(shown(site, id));
    expect(undoneOf(step)).to.deep.equal(site);
    const back = perform(step.site, home.id, 'setBase', { view: view('desktop') });
    if (!back.ok) throw new Error(back.sentence);
    for (const id of ids(site)) expect(shown(back.value.site, id)).to.deep.equal(shown(site, id));
  });

  it('stays where a text style says something in the new one and nothing in the old', () => {
    const partly = structuredClone(site);
    partly.frame.textStyles.find(({ id }) => id === 'lead')!.style.self!.case = {
      at: { [view('mobile')]: { value: 'uppercase', reach: 'here' } },
    };
    expect(refusal('setBase', { view: view('mobile') }, home, partly)).to.equal(
      'Lead has a case in Mobile, but none in Desktop; set one there first. Nothing was changed.',
    );
    expect(refusal('setBase', { view: view('gone') })).to.match(/no longer on this site/);
  });
});

describe('a view', () => {
  it('is deleted with the values set in it, and every other view shows what it did', () => {
    onSites(
      (target, choice) =>
        perform(target, home.id, 'removeView', { view: pick(target, choice), values: 'drop' }),
      (before, after) => {
        for (const id of ids(after)) expect(shown(after, id)).to.deep.equal(shown(before, id));
      },
    );
  });

  it('hands its values to its neighbour, where that is wanted, and only there something else shows', () => {
    onSites(
      (target, choice) =>
        perform(target, home.id, 'removeView', { view: pick(target, choice), values: 'hand over' }),
      (before, after, choice) => {
        const gone = pick(before, choice);
        const list = ids(before);
        const towards = list.indexOf(gone) < list.indexOf(before.frame.views.base) ? 1 : -1;
        const neighbour = list[list.indexOf(gone) + towards];
        for (const id of ids(after))
          if (id !== neighbour) expect(shown(after, id)).to.deep.equal(shown(before, id));
      },
    );
    const step = made('removeView', { view: view('mobile'), values: 'hand over' });
    expect(step.sentence).to.match(/^View Mobile: deleted, \d+ values moved to Tablet$/);
    expect(step.page.nodes['headline' as never].style.self!.size).to.deep.equal({
      at: { tablet: { value: 34, reach: 'onward' } },
    });
    expect(step.frame.views.list.map(({ id, from }) => [id, from])).to.deep.equal([
      ['tablet', 0],
      ['desktop', 1024],
      ['wide', 1440],
    ]);
  });

  it('hands over only the values that were chosen, of all that it holds', () => {
    const all = valuesInView(site, view('mobile'));
    // Counted in the demo's own text, where every override in the view is an entry of that name.
    const written = JSON.stringify(site).split('"mobile":{').length - 1;
    expect(all).to.have.length(written);
    expect(new Set(all.map(({ key }) => key)).size).to.equal(written);
    const size = all.find(({ node, property }) => node === 'headline' && property?.name === 'size')!;
    expect([size.of, size.value, size.beside]).to.deep.equal(['Headline', '34', 'fluid 44–56']);
    const step = made('removeView', { view: view('mobile'), values: [size.key] });
    expect(step.sentence).to.equal(
      `View Mobile: deleted, 1 value moved to Tablet, ${written - 1} values dropped`,
    );
    expect(step.page.nodes['headline' as never].style.self!.size).to.deep.equal({
      at: { tablet: { value: 34, reach: 'onward' } },
    });
    const kept = made('removeView', { view: view('mobile'), values: all.slice(1).map(({ key }) => key) });
    expect(kept.sentence).to.match(/moved to Tablet, 1 value dropped$/);
  });

  it('tells what it says of steps of the spacing scale and of pages, beside what its neighbour says', () => {
    const size = { min: 10, max: 12.5, fromWidth: 320, toWidth: 640 };
    const target = { id: 'm', name: 'M', view: view('mobile'), reach: 'here' as const };
    const stepped = made('setSpacing', { ...target, size });
    const offer = { page: 'visits' as NodeId, offering: 'unlisted' as const, views: [view('mobile')] };
    const { site: on } = made('offerPage', offer, home, stepped.site);
    const told = valuesInView(on, view('mobile')).filter(({ node }) => node === undefined);
    expect(told.find(({ of }) => of === 'M')).to.include({ value: '10–12.5 px', beside: '24 px' });
    expect(told.find(({ offered }) => offered)).to.include({ value: 'not in menus' });
    expect(told.filter(({ offered }) => offered)).to.have.length(1);
  });

  it('is not deleted where it is the base', () => {
    expect(refusal('removeView', { view: view('desktop'), values: 'drop' })).to.equal(
      'Desktop is the base, which has the defaults. Choose another base first. Nothing was changed.',
    );
  });

  it('is added anywhere and shows what was there, as all others do', () => {
    onSites(
      (target, choice) =>
        perform(target, home.id, 'addView', { id: 'new' as ViewId, name: 'New', from: 240 + choice }),
      (before, after, choice) => {
        for (const id of ids(before)) expect(shown(after, id)).to.deep.equal(shown(before, id));
        const parted = viewAt(before.frame.views, 240 + choice).id;
        const like = Object.entries(shown(before, parted));
        // A span that is set nowhere is all columns of the grid, which is the same one.
        expect(shown(after, 'new' as ViewId)).to.deep.equal(Object.fromEntries(like));
      },
    );
    const step = made('addView', { id: view('small'), name: 'Small tablet', from: 800 });
    expect(bases(step.site)).to.deep.equal(['desktop', 'mobile', 'tablet', 'small', 'desktop', 'wide']);
    expect(step.frame.views.list[1].sheet.width, 'held to what is left of it').to.equal(799);
    expect(step.frame.views.list[2].sheet.width).to.equal(820);
    expect(step.sentence).to.equal('View Small tablet added from 800 px');
  });

  it('begins at whole px, 40 px from the others at least, and there are eight at most', () => {
    const add = (from: number, name = 'New') => ({ id: view('new'), name, from });
    expect(refusal('addView', add(660))).to.equal(
      'New would start 20 px after Tablet; views start at least 40 px apart. Nothing was changed.',
    );
    expect(refusal('addView', add(1000))).to.match(/^Desktop would start 24 px after New/);
    expect(refusal('addView', add(700.5))).to.match(/whole number of px/);
    expect(refusal('addView', add(20_000))).to.match(/whole number of px, up to 10000/);
    expect(refusal('addView', add(800, ' tablet '))).to.match(/There is a view tablet already/i);
    expect(refusal('addView', add(800, ''))).to.match(/1 to 40 characters/);
    expect(refusal('addView', { ...add(800), id: view('tablet') })).to.match(/of this id already/);
    let many = site;
    for (const [index, from] of [300, 400, 500, 700].entries())
      many = made('addView', { id: view(`v${index}`), name: `View ${index}`, from }, home, many).site;
    expect(refusal('addView', add(800), home, many)).to.match(/at most 8 views/);
  });

  it('gets another limit, which changes no value but fluid sizes that ended there', () => {
    const step = made('changeView', { view: view('desktop'), from: 1100 });
    expect(step.sentence).to.equal('View Desktop: from 1024 → 1100 px');
    const size = (target: typeof frame) =>
      target.textStyles.find(({ id }) => id === 'heading-1')!.style.self!.size!.at!['tablet' as ViewId].value;
    expect(size(frame)).to.deep.equal({ min: 44, max: 56, fromWidth: 640, toWidth: 1024 });
    expect(size(step.frame)).to.deep.equal({ min: 44, max: 56, fromWidth: 640, toWidth: 1100 });
    const all = (target: Site, id: ViewId) =>
      Object.entries(shown(target, id)).filter(([, value]) => typeof value !== 'object');
    for (const id of ids(site)) expect(all(step.site, id)).to.deep.equal(all(site, id));
    expect(undoneOf(step)).to.deep.equal(site);
    expect(refusal('changeView', { view: view('desktop'), from: 1430 })).to.match(
      /^Wide would start 10 px after/,
    );
    expect(refusal('changeView', { view: view('mobile'), from: 100 })).to.match(/narrowest view starts at 0/);
  });

  it('gets another name, sheet and grid, within what a view can be', () => {
    const grid = { columns: 8, gutter: 20, margin: 30, maxWidth: 900 };
    const step = made('changeView', {
      view: view('tablet'),
      name: 'Slate',
      sheet: { width: 1000, height: 700 },
      grid,
    });
    expect(step.sentence).to.equal('View Tablet: name → Slate, sheet 1000 × 700 px, grid changed');
    expect(step.frame.views.list[1]).to.deep.include({ name: 'Slate', from: 640, grid });
    expect(undoneOf(step)).to.deep.equal(site);
    expect(refusal('changeView', { view: view('tablet'), sheet: { width: 1200, height: 700 } })).to.match(
      /as wide as/,
    );
    expect(refusal('changeView', { view: view('tablet'), grid: { ...grid, columns: 99 } })).to.match(
      /out of range for a view/,
    );
    expect(refusal('changeView', { view: view('gone'), name: 'x' })).to.match(/no longer on this site/);
  });
});

describe('a ready-made set of views', () => {
  it('takes the place of the views of a site, each of which shows what the like of it did', () => {
    for (const set of VIEW_SETS) {
      onSites(
        (target) => perform(target, home.id, 'takeViewSet', { set: set.id }),
        (before, after) => {
          const limits = ({ views: { base, list } }: Pick<Site['frame'], 'views'>) => [
            base,
            ...list.map(({ id, from, sheet }) => [id, from, sheet]),
          ];
          expect(limits(after.frame)).to.deep.equal(limits(set));
          const was = before.frame.views;
          for (const { id, sheet } of set.views.list) {
            const same = was.list.some((each) => each.id === id);
            if (same) expect(shown(after, id)).to.deep.equal(shown(before, id));
            // Another grid has other defaults; what was set holds on.
            else expect(setIn(after, id)).to.deep.include.members(setIn(before, viewAt(was, sheet.width).id));
          }
        },
        5,
      );
    }
  });

  it('names the views that go with it, and is refused where there is none of it', () => {
    expect(made('takeViewSet', { set: '2' }).sentence).to.equal(
      'Views: Mobile and desktop, without Tablet, Wide',
    );
    expect(made('takeViewSet', { set: '5' }).sentence).to.equal(
      'Views: Mobile, landscape, tablet, desktop and wide',
    );
    expect(refusal('takeViewSet', { set: '9' })).to.match(/no such set of views/);
  });
});
