/** Every declaration of every style sheet that is generated is one that Chromium takes, whatever its custom properties hold. */
import { expect } from 'chai';
import * as csstree from 'css-tree';
import fc from 'fast-check';
import { compileSite, newSite, LOOKS, VIEW_SETS, type Site } from '../../core/index.ts';
import { demoSite } from '../../demo/site.ts';
import { siteArbitrary } from '../core/arbitrary.ts';
import { home, made, node } from '../core/acting.ts';
import { openBrowser, type Browser } from './browser.ts';
import { everything } from './everything.ts';
import { fileServer, type FileServer } from './files.ts';

type Declaration = [property: string, value: string];

/** At-rules whose declarations are descriptors, which `CSS.supports` does not know. */
const DESCRIPTORS = new Set(['font-face', 'property', 'page', 'counter-style']);

/** So many values of a custom property are tried in each place. */
const MOST = 24;

/** The declarations of a style sheet, those with custom properties once with each value that these are given anywhere in it. */
function declarationsOf(css: string): Declaration[] {
  const plain: Declaration[] = [];
  const values = new Map<string, Set<string>>();
  csstree.walk(csstree.parse(css, { parseValue: false, parseCustomProperty: false }), {
    visit: 'Declaration',
    enter({ property, value }) {
      if (this.atrule && DESCRIPTORS.has(this.atrule.name)) return;
      const text = csstree.generate(value).trim();
      if (property.startsWith('--')) values.set(property, (values.get(property) ?? new Set()).add(text));
      else plain.push([property, text]);
    },
  });
  return plain.flatMap(([property, value]) =>
    filledIn(value, values).map((each): Declaration => [property, each]),
  );
}

/** Where the first `var()` of a value is: what it names, what it falls back to, and where it ends. */
function firstVar(value: string) {
  const from = value.indexOf('var(');
  if (from < 0) return undefined;
  let depth = 0;
  let end = from + 3;
  do {
    if (value[end] === '(') depth += 1;
    if (value[end] === ')') depth -= 1;
    end += 1;
  } while (depth > 0);
  const [name, ...rest] = value.slice(from + 4, end - 1).split(',');
  return { from, end, name: name.trim(), fallback: rest.length > 0 ? rest.join(',').trim() : undefined };
}

function filledIn(value: string, values: ReadonlyMap<string, ReadonlySet<string>>, depth = 0): string[] {
  const found = firstVar(value);
  if (!found) return [value];
  // Custom properties that hold one another, such as one that adds to itself in its parent, end somewhere.
  if (depth > 6) return [];
  const { from, end, name, fallback } = found;
  const all = [...(values.get(name) ?? []), ...(fallback === undefined ? [] : [fallback])].slice(0, MOST);
  return all
    .flatMap((each) => filledIn(value.slice(0, from) + each + value.slice(end), values, depth + 1))
    .slice(0, MOST);
}

const sheetsOf = (site: Site): string[] =>
  compileSite(site).flatMap((file) => ('text' in file && file.path.endsWith('.css') ? [file.text] : []));

describe('the declarations of generated style sheets', function () {
  this.timeout(180_000);
  let browser: Browser;
  let files: FileServer;
  const known = new Set<string>();
  before(async () => {
    browser = await openBrowser();
    files = await fileServer();
    await browser.driver.get(`${files.url}/frame`);
  });
  after(async () => {
    await browser?.close();
    files?.close();
  });

  /** Those that Chromium does not take. */
  async function refused(sites: readonly Site[]): Promise<Declaration[]> {
    const all = sites
      .flatMap(sheetsOf)
      .flatMap(declarationsOf)
      .filter((each) => {
        const key = each.join(': ');
        return !known.has(key) && known.add(key);
      });
    const wrong: Declaration[] = [];
    for (let from = 0; from < all.length; from += 5000)
      wrong.push(
        ...(await browser.driver.executeScript<Declaration[]>(
          'return arguments[0].filter(([property, value]) => !CSS.supports(property, value));',
          all.slice(from, from + 5000),
        )),
      );
    return wrong;
  }

  it('tells what is none', async () => {
    const css = 'a { --gap: 0; margin: calc(1px + var(--gap)); padding: calc(1px + var(--none, 0px)) }';
    expect(declarationsOf(css)).to.deep.equal([
      ['margin', 'calc(1px + 0)'],
      ['padding', 'calc(1px + 0px)'],
    ]);
    const wrong = await browser.driver.executeScript(
      'return arguments[0].filter(([property, value]) => !CSS.supports(property, value));',
      declarationsOf(css),
    );
    expect(wrong).to.deep.equal([['margin', 'calc(1px + 0)']]);
  });

  it('are taken of the demo, of every look in every set of views, and of every kind of element', async () => {
    const begun = LOOKS.flatMap(({ id: look }) =>
      VIEW_SETS.map(({ id: views }) => newSite({ id: 'a', name: 'A', lang: 'en', look, views })),
    );
    expect(await refused([(await demoSite()).site, ...begun, everything().on])).to.deep.equal([]);
    expect(known.size).to.be.greaterThan(500);
  });

  it('are taken at the edges: nothing, negative, without a gutter, in one column, fluid from nothing', async () => {
    const { on, ids } = everything();
    const all: Site[] = [];
    const values: [property: string, values: unknown[]][] = [
      ...['gap', 'paddingLeft', 'paddingTop', 'marginTop', 'marginBottom'].map(
        (name): [string, unknown[]] => [name, [0, 600, { min: 0, max: 64, fromWidth: 0, toWidth: 1280 }]],
      ),
      ['lineHeight', [{ min: 1, max: 2, fromWidth: 0, toWidth: 1000 }]],
      ['letterSpacing', [0, -0.05, { min: 0, max: 0.2, fromWidth: 0, toWidth: 1000 }]],
      ['size', [{ min: 10, max: 40, fromWidth: 0, toWidth: 1000 }]],
      ['fromEdge', [0, 40]],
      ['minHeight', [0, 1000]],
    ];
    for (const [property, some] of values)
      for (const value of some)
        for (const nodes of ids.values()) {
          try {
            const { base } = on.frame.views;
            const args = { nodes, property, view: base, value, reach: 'onward' as const };
            all.push(made('setValue', args as never, on.pages[home.id], on).site);
          } catch {
            // Not every kind takes it.
          }
        }
    const grids = [
      { columns: 1, gutter: 0, margin: 0, maxWidth: 200 },
      { columns: 24, gutter: 200, margin: 400, maxWidth: 4000 },
    ];
    for (const grid of grids)
      for (const { id } of on.frame.views.list)
        all.push({
          ...on,
          frame: {
            ...on.frame,
            views: {
              ...on.frame.views,
              list: on.frame.views.list.map((each) => (each.id === id ? { ...each, grid } : each)),
            },
          },
        });
    expect(all.length).to.be.greaterThan(60);
    expect(node('x')).to.equal('x');
    expect(await refused(all)).to.deep.equal([]);
  });

  it('are taken of sites with any values in any places', async () => {
    for (let turn = 0; turn < 4; turn++)
      expect(await refused(fc.sample(siteArbitrary, { numRuns: 25, seed: 14 + turn }))).to.deep.equal([]);
  });
});
