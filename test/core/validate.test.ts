import { Ajv2020 } from 'ajv/dist/2020.js';
import { expect } from 'chai';
import fc from 'fast-check';
import { demoSite } from '../demo.ts';
import {
  PROPERTIES,
  readSiteFile,
  siteFaults,
  writeSiteFile,
  writtenFrom,
  pagesOf,
  type NodeId,
  type Site,
} from '../../core/index.ts';
import { siteFileFaults } from '../../core/site/validate.ts';
import { siteFileSchema } from '../../core/exchange/schema.ts';
import { siteArbitrary } from './arbitrary.ts';

const read = await demoSite();
const written = (site: Site) => ({ ...writtenFrom(site), files: {} });
const copy = (): any => structuredClone(written(read.site));
const pathsOf = (site: unknown) => siteFileFaults(site).map((fault) => fault.path);

describe('validation', () => {
  it('finds nothing wrong with the demo site and with generated sites', () => {
    expect(siteFaults(read.site)).to.deep.equal([]);
    fc.assert(
      fc.property(siteArbitrary, (site) => siteFaults(site).length === 0),
      { numRuns: 30 },
    );
  });

  const broken: [string, (site: any) => void, string, RegExp][] = [
    ['an unknown entry', (site) => (site.colour = 1), '/colour', /not part of the format/],
    ['a missing entry', (site) => delete site.name, '/name', /missing/],
    [
      'a second view that starts where the first does',
      (site) => (site.views.list[1].from = 0),
      '/views/list/1/from',
      /from narrow to wide/,
    ],
    [
      'a name that the host has for itself',
      (site) => (site.id = 'preview'),
      '/id',
      /address of the host itself/,
    ],
    [
      'an unknown property',
      (site) => (site.pages[0].nodes.headline.style.self.glow = {}),
      '/pages/0/nodes/headline/style/self/glow',
      /not part/,
    ],
    [
      'a value out of range',
      (site) => (site.pages[0].nodes.headline.style.self.lineHeight = { base: 40 }),
      '/pages/0/nodes/headline/style/self/lineHeight/base',
      /at most 4/,
    ],
    [
      'a property the kind does not take',
      (site) => (site.pages[0].nodes.headline.style.self.gap = { base: 4 }),
      '/pages/0/nodes/headline/style/self/gap',
      /does not apply/,
    ],
    [
      'an override at the base view',
      (site) =>
        (site.pages[0].nodes.headline.style.self.weight = { at: { desktop: { value: 400, reach: 'here' } } }),
      '/pages/0/nodes/headline/style/self/weight/at/desktop',
      /base view has no overrides/,
    ],
    [
      'an override at an unknown view',
      (site) =>
        (site.pages[0].nodes.headline.style.self.weight = { at: { watch: { value: 400, reach: 'here' } } }),
      '/pages/0/nodes/headline/style/self/weight/at/watch',
      /no view “watch”/,
    ],
    [
      'a fluid size that shrinks',
      (site) =>
        (site.pages[0].nodes.headline.style.self.size = {
          base: { min: 9, max: 8, fromWidth: 1, toWidth: 2 },
        }),
      '/pages/0/nodes/headline/style/self/size/base',
      /grows with the width/,
    ],
    [
      'an unknown colour',
      (site) => (site.pages[0].nodes.headline.style.self.colour = { base: '{neon}' }),
      '/pages/0/nodes/headline/style/self/colour/base',
      /no colour “neon”/,
    ],
    [
      'an image without a base',
      (site) => delete site.pages[0].nodes.dome.style.self.source.base,
      '/pages/0/nodes/dome/style/self/source',
      /needs a value in the base/,
    ],
    [
      'a child that is not there',
      (site) => site.pages[0].nodes.objects.children.push('ghost'),
      '/pages/0/nodes/objects/children/3',
      /no element “ghost”/,
    ],
    [
      'an element in two places',
      (site) => site.pages[0].nodes.week.children.push('saturn'),
      '/pages/0/nodes/week/children/2',
      /two places|agree/,
    ],
    [
      'a lost element',
      (site) => site.pages[0].nodes.objects.children.pop(),
      '/pages/0/nodes/cluster',
      /has no parent/,
    ],
    [
      'a kind where it cannot stand',
      (site) => (site.pages[0].nodes.week.kind = 'button'),
      '/pages/0/nodes/week/parent',
      /cannot be in/,
    ],
    [
      'views out of order',
      (site) => (site.views.list[1].from = 2000),
      '/views/list/1/sheet/width',
      /as wide as/,
    ],
    [
      'a first view that does not start at 0',
      (site) => (site.views.list[0].from = 10),
      '/views/list/0/from',
      /starts at 0/,
    ],
    ['an unknown base', (site) => (site.views.base = 'watch'), '/views/base', /no view “watch”/],
    ['two pages at one address', (site) => (site.pages[1].slug = ''), '/pages/1/slug', /used twice/],
    [
      'markup that is not allowed',
      (site) => (site.pages[0].nodes.headline.content.text = 'a<script>1</script>'),
      '/pages/0/nodes/headline/content/text',
      /cleaned/,
    ],
    [
      'a link that would run',
      (site) => (site.pages[0].nodes.book.content.link = 'javascript:x'),
      '/pages/0/nodes/book/content/link',
      /not a link/,
    ],
    ['another version', (site) => (site.version = 4), '/version', /should be 3/],
  ];
  for (const [name, spoil, path, sentence] of broken) {
    it(`finds ${name}`, () => {
      const site = copy();
      spoil(site);
      const found = siteFileFaults(site).find((fault) => fault.path === path);
      expect(found, JSON.stringify(siteFileFaults(site).slice(0, 3))).to.not.equal(undefined);
      expect(found!.sentence).to.match(sentence);
    });
  }

  it('quotes what is wrong, shortened where it is long', () => {
    const saying = (value: unknown) => {
      const site = copy();
      site.pages[0].nodes.headline.style.self.opacity = { base: value };
      return siteFileFaults(site)[0].sentence;
    };
    expect(saying('tall')).to.equal('"tall" is not a valid number.');
    // Quotes and all, 60 characters are quoted whole; of more, 57 and a sign that there was more.
    expect(saying('x'.repeat(58))).to.equal(`"${'x'.repeat(58)}" is not a valid number.`);
    expect(saying('x'.repeat(59))).to.equal(`"${'x'.repeat(56)}… is not a valid number.`);
  });

  it('never throws, whatever it is given', () => {
    fc.assert(fc.property(fc.anything(), (value) => Array.isArray(siteFileFaults(value))));
  });

  it('answers pointers that lead to something, or to where something is missing', () => {
    const site = copy();
    delete site.pages[0].nodes.headline.kind;
    site.pages[1].title = '';
    expect(pathsOf(site)).to.include.members(['/pages/0/nodes/headline/kind', '/pages/1/title']);
  });
});

describe('the JSON Schema', () => {
  // ajv 8 is an independent implementation of JSON Schema (https://json-schema.org/draft/2020-12/schema).
  const ajv = new Ajv2020({ strict: false });
  const accepts = ajv.compile(siteFileSchema());

  it('accepts what validation accepts', () => {
    expect(accepts(copy()), JSON.stringify(accepts.errors)).to.equal(true);
    fc.assert(
      fc.property(siteArbitrary, (site) => accepts(structuredClone(written(site)))),
      { numRuns: 30 },
    );
  });

  it('and what it refuses, validation refuses', () => {
    const values = fc.oneof(
      fc.constantFrom(null, -1, 1e9, '', 'x', true, [], {}, { px: 3 }, { percent: 300 }, 'auto', '#fff', 1.5),
      fc.anything(),
    );
    const spoiled = fc
      .tuple(fc.constantFrom(...PROPERTIES.map(({ name }) => name)), fc.constantFrom('base', 'at'), values)
      .map(([property, where, value]) => {
        const site = copy();
        const style = site.pages[0].nodes.headline.style.self;
        style[property] = where === 'base' ? { base: value } : { at: { mobile: { value, reach: 'here' } } };
        return site as unknown;
      });
    fc.assert(
      fc.property(spoiled, (site) => {
        if (!accepts(JSON.parse(JSON.stringify(site))))
          expect(siteFileFaults(JSON.parse(JSON.stringify(site))).length).to.be.greaterThan(0);
      }),
      { numRuns: 300 },
    );
  });

  it('is shipped as it is in the code', async () => {
    const { readFile } = await import('node:fs/promises');
    const shipped = JSON.parse(
      await readFile(new URL('../../docs/site-file.schema.json', import.meta.url), 'utf8'),
    );
    expect(shipped).to.deep.equal(siteFileSchema());
    expect(Object.keys(shipped)[0]).to.equal('$schema');
  });
});

describe('the site file', () => {
  it('read again is the same site', () => {
    const result = readSiteFile(writeSiteFile(read.site, read.files));
    expect(result.ok && result.value.site).to.deep.equal(read.site);
    expect(siteFileFaults({ ...writtenFrom(read.site), files: read.files })).to.deep.equal([]);
  });

  it('may hold text made by hand; it is cleaned on its way in', () => {
    const site = copy();
    site.pages[0].nodes.lead.content.text = 'Just <b>words</b><script>alert(1)</script>';
    const result = readSiteFile(JSON.stringify({ ...site, files: read.files }));
    expect(result.ok && pagesOf(result.value.site)[0].nodes['lead' as NodeId].content.text).to.equal(
      '<p>Just <strong>words</strong></p>',
    );
  });

  it('is refused with a path and a sentence when it is cut, foreign, of another version or without its images', () => {
    const text = writeSiteFile(read.site, read.files);
    const faults = (given: string) => {
      const result = readSiteFile(given);
      return result.ok ? [] : result.faults;
    };
    expect(faults(text.slice(0, 900))[0].sentence).to.match(/not JSON/);
    expect(faults('{"format":"other"}')[0].path).to.equal('/format');
    expect(
      faults(JSON.stringify({ ...writtenFrom(read.site), files: read.files, version: 9 }))[0].path,
    ).to.equal('/version');
    expect(faults(writeSiteFile(read.site, {}))[0].path).to.equal('/files/dome-at-dusk');
    expect(faults('null').length).to.equal(1);
    // Other bytes than those that the hash names, and what is no base64.
    const other = (bytes: string) =>
      faults(writeSiteFile(read.site, { ...read.files, 'dome-at-dusk': bytes }))[0];
    for (const bytes of [read.files.saturn, read.files['dome-at-dusk'].slice(4), '', 'AAAAA']) {
      expect(other(bytes).path).to.equal('/files/dome-at-dusk');
      expect(other(bytes).sentence).to.match(/“.+” is damaged: its bytes are not those/);
    }
  });
});
