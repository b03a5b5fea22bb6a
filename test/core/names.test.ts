/** Names that every object answers to, in every place of a site, a link, an edit and a copy that takes a name. */
import { expect } from 'chai';
import fc from 'fast-check';
import { sure } from '../../core/sure.ts';
import { demoSite } from '../demo.ts';
import {
  applied,
  compileSite,
  copyElements,
  done,
  idFrom,
  lookup,
  pagesOf,
  perform,
  readElements,
  readSiteFile,
  refused,
  siteFaults,
  siteFindings,
  writeSiteFile,
  type NodeId,
  type Operation,
} from '../../core/index.ts';

const { site, files } = await demoSite();

/** What `Object.prototype` has in every engine (ECMA-262, §20.1.3 and §B.2.2). */
const NAMES = [
  ...['constructor', 'hasOwnProperty', 'isPrototypeOf', 'propertyIsEnumerable', 'toLocaleString'],
  ...['toString', 'valueOf', '__proto__', '__defineGetter__', '__lookupSetter__'],
];

type Json = Record<string, unknown> | unknown[];
interface Place {
  holder: Json;
  key: string | number;
}

/** Every text in a value of JSON, by where it is, and every name of an entry. */
function placesIn(value: unknown, places: Place[] = []): Place[] {
  if (typeof value !== 'object' || value === null) return places;
  for (const [key, inner] of Object.entries(value)) {
    places.push({ holder: value as Json, key });
    placesIn(inner, places);
  }
  return places;
}

const text = writeSiteFile(site, files);

/** The site file with something done at one of its places, as text: `__proto__` is an entry of its own there. */
function changed(which: number, change: (place: Place, name: string) => void, name: string): string {
  const { files: bytes, ...rest } = JSON.parse(text) as Record<string, unknown>;
  const places = placesIn(rest);
  change(places[which % places.length], name);
  return JSON.stringify({ ...rest, files: bytes }).replaceAll('"@proto"', '"__proto__"');
}

const said = (name: string) => (name === '__proto__' ? '@proto' : name);

const CHANGES: Record<string, (place: Place, name: string) => void> = {
  'another text': ({ holder, key }, name) => {
    (holder as Record<string, unknown>)[key] = said(name);
  },
  'another name': ({ holder, key }, name) => {
    if (Array.isArray(holder)) return;
    holder[said(name)] = holder[key as string];
    delete holder[key as string];
  },
  'a link': ({ holder, key }, name) => {
    (holder as Record<string, unknown>)[key] = `page:${said(name)}#${said(name)}`;
  },
};

describe('names that every object answers to', () => {
  it('are found only where they are entries', () => {
    for (const name of NAMES) {
      expect(lookup({ one: 1 }, name), name).to.equal(undefined);
      expect(lookup(JSON.parse(`{"${name}": 1}`) as Record<string, number>, name), name).to.equal(1);
      expect(lookup(undefined, name)).to.equal(undefined);
    }
    expect(idFrom('Constructor', [])).to.equal('constructor-2');
  });

  it('anywhere in a site file leave it refused, or a site that can be checked and published', function () {
    this.timeout(120_000);
    const isSiteStill = (file: string) => {
      const result = readSiteFile(file);
      if (!result.ok) return false;
      expect(siteFaults(result.value.site)).to.deep.equal([]);
      expect(compileSite(result.value.site).length).to.be.greaterThan(3);
      expect(siteFindings(result.value.site)).to.be.an('array');
      return true;
    };
    fc.assert(
      fc.property(
        fc.nat(20_000),
        fc.constantFrom(...Object.values(CHANGES)),
        fc.constantFrom(...NAMES),
        (which, change, name) => void isSiteStill(changed(which, change, name)),
      ),
      { numRuns: 100 },
    );
    const spread = Array.from({ length: 100 }, (_, index) =>
      changed(index * 197, sure(CHANGES['another text']), 'constructor'),
    );
    expect(spread.filter(isSiteStill).length, 'some are sites still').to.be.greaterThan(4);
  });

  it('as targets of links lead nowhere, and the site is published', () => {
    for (const name of NAMES) {
      for (const link of [`page:${name}#${name}`, `page:home#${name}`]) {
        const made = perform(site, 'home' as NodeId, 'setContent', {
          node: 'book' as NodeId,
          field: 'link',
          value: link,
        });
        if (!made.ok) continue;
        const pages = compileSite(made.value.site).filter(({ path }) => path === 'index.html');
        expect(pages, link).to.have.length(1);
        expect(siteFindings(made.value.site), link).to.be.an('array');
      }
    }
  });

  it('in operations change nothing that is not there, and no prototype', () => {
    const before = Object.getOwnPropertyNames(Object.prototype).join();
    const paths = [
      '',
      '/pages',
      '/pages/home',
      '/pages/home/nodes',
      '/frame',
      '/frame/words',
      '/frame/shared',
    ];
    for (const name of NAMES)
      for (const path of paths)
        for (const rest of ['', '/nodes', '/nodes/lead/name', '/style/self', '/0'])
          for (const made of [
            { op: 'set', path: `${path}/${name}${rest}`, value: { id: name } },
            { op: 'clear', path: `${path}/${name}${rest}` },
            { op: 'put', path: `${path}/${name}${rest}`, id: name, after: [name] },
            { op: 'take', path: `${path}/${name}${rest}`, id: name },
          ] as Operation[]) {
            const outcome = applied(site, [made]);
            if (outcome.ok && made.op === 'set')
              expect(siteFaults(outcome.value.site).length, made.path).to.be.greaterThan(0);
          }
    expect(Object.getOwnPropertyNames(Object.prototype).join()).to.equal(before);
    expect(refused('').ok).to.equal(false);
    expect(done(1).ok).to.equal(true);
  });

  it('in copied elements are refused, or pasted as elements', () => {
    const [page] = pagesOf(site);
    const copied = copyElements(site.frame, page, [page.nodes[page.root].children[0]]);
    const count = placesIn(structuredClone(copied)).length;
    for (let which = 0; which < count; which += 7)
      for (const change of Object.values(CHANGES)) {
        const copy = structuredClone(copied);
        change(placesIn(copy)[which], NAMES[which % NAMES.length]);
        const read = readElements(JSON.stringify(copy).replaceAll('"@proto"', '"__proto__"'));
        expect(read.ok ? typeof read.value : read.sentence).to.be.a('string');
      }
  });
});
