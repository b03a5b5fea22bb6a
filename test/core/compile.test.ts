import { expect } from 'chai';
import * as csstree from 'css-tree';
import fc from 'fast-check';
import { HtmlValidate } from 'html-validate';
import { transform } from 'lightningcss';
import { parse, serialize } from 'parse5';
import {
  pagesOf,
  compileSite,
  preview,
  type NodeId,
  type Page,
  type Site,
  type ViewId,
} from '../../core/index.ts';
import { elementRules } from '../../core/compile/elementrules.ts';
import { express } from '../../core/layered/express.ts';
import { pageRules } from '../../core/compile/rules.ts';
import { home, made, node, onlyPages, site, withPage } from './acting.ts';
import { siteArbitrary } from './arbitrary.ts';

/** html-validate 10 with its standard rules: the HTML Living Standard's content models and WCAG techniques. */
const conformance = new HtmlValidate({
  extends: ['html-validate:standard', 'html-validate:a11y'],
  rules: { 'doctype-style': 'off', 'no-trailing-whitespace': 'off', 'long-title': 'off' },
});

function texts(target: Site) {
  const files = compileSite(target);
  const of = (type: string) =>
    files.flatMap((file) => ('text' in file && file.type.startsWith(type) ? [file] : []));
  return { files, html: of('text/html'), css: of('text/css') };
}

const generated = (check: (target: Site) => void, numRuns = 40) =>
  fc.assert(fc.property(siteArbitrary, check), { numRuns });

describe('published HTML', () => {
  it('conforms, for the demo site and generated ones', async () => {
    for (const page of texts(site).html) {
      const report = await conformance.validateString(page.text);
      expect(
        report.results.flatMap((result) => result.messages),
        page.path,
      ).to.deep.equal([]);
    }
    await fc.assert(
      fc.asyncProperty(siteArbitrary, async (target) => {
        const report = await conformance.validateString(texts(target).html[0].text);
        expect(
          report.results
            .flatMap((result) =>
              result.messages.map((message) => `${message.ruleId} ${message.message} ${message.selector}`),
            )
            .join('; '),
        ).to.equal('');
      }),
      { numRuns: 30 },
    );
  });

  it('is read by a browser’s parser as it was written', () => {
    // An attribute without a value and one with an empty value are the same (HTML Standard, §13.1.2.3).
    const oneLine = (html: string) => html.replaceAll('\n', '').replaceAll('&lt;', '<').replaceAll('=""', '');
    for (const page of texts(site).html)
      expect(oneLine(serialize(parse(page.text)))).to.equal(oneLine(page.text));
  });

  it('has a language, a title, a description, one first-level heading, landmarks, and no script or inline style', () => {
    const check = (html: string) => {
      expect(html).to.match(/^<!DOCTYPE html>\n<html lang="[a-z]+">/);
      expect(html.match(/<h1/g)).to.have.length(1);
      expect(html.match(/<main>/g)).to.have.length(1);
      expect(html).not.to.match(/<script|\sstyle=|\son\w+=|javascript:/);
      expect(html).to.match(/<title>[^<]+<\/title>/);
    };
    for (const page of texts(site).html) {
      check(page.text);
      expect(page.text).to.match(/<meta name="description" content="[^"]{20,}">/);
      expect(page.text).to.match(
        /<body[^>]*><header .*<\/header><main>.*<\/main><footer .*<\/footer><\/body>/s,
      );
    }
    generated((target) => check(texts(target).html[0].text));
  });

  it('loads images up to the opening section at once, the rest when they come near', () => {
    const html = texts(site).html[0].text;
    const images = [...html.matchAll(/<img [^>]*src="assets\/([a-z-]+)-[^>]*>/g)].map(([tag, name]) => ({
      name,
      lazy: tag.includes('loading="lazy"'),
    }));
    expect(images.find((image) => image.name === 'dome-at-dusk')!.lazy).to.equal(false);
    expect(images.filter((image) => !image.lazy)).to.have.length(1);
  });

  it('makes an image lazy that some view hides, so that it costs no download there', () => {
    const target = structuredClone(site);
    pagesOf(target)[0].nodes['opening-row' as NodeId].style.self!.shown = {
      at: { ['mobile' as ViewId]: { value: false, reach: 'here' } },
    };
    expect(texts(target).html[0].text).to.match(/<img [^>]*src="assets\/dome-at-dusk[^>]*loading="lazy"/);
  });

  it('asks in a form with the field that suits, and sends it as mail', () => {
    const section = home.nodes[home.root].children[1];
    const added = made('addElement', { kind: 'form', id: node('ask'), parent: section, after: null });
    const fields = [
      { label: 'Text', type: 'lines', required: true, options: '' },
      { label: 'Night', type: 'choice', required: false, options: 'Friday\nSaturday' },
      { label: 'Warm', type: 'tick', required: false, options: '' },
      { label: 'Mail', type: 'email', required: false, options: '' },
    ];
    const set = (field: string, value: unknown, page = added.page) =>
      made('setContent', { node: node('ask'), field, value }, page).page;
    const page = set('to', 'hello@brindle.example', set('fields', fields));
    const html = texts(withPage(site, page)).html[0].text;
    const form = html.slice(html.indexOf('<form'), html.indexOf('</form>'));
    expect(form).to.match(/<form [^>]*action="mailto:hello@brindle\.example"/);
    expect(form).to.match(/<textarea [^>]*rows="4"[^>]*><\/textarea>/);
    expect(form).to.match(/<textarea [^>]*required/);
    expect(form).to.match(
      /<select [^>]*><option value>–<\/option><option>Friday<\/option><option>Saturday<\/option><\/select>/,
    );
    expect(form)
      .to.match(/<input [^>]*type="checkbox"/)
      .and.match(/<input [^>]*type="email"/);
    expect(form.match(/required/g)).to.have.length(1);
  });

  it('names what an in-page link leads to, and drops a link to what is gone', () => {
    const words = '<p><a href="#visit-cards">in</a> <a href="#nowhere">out</a></p>';
    const { page } = made('setContent', { node: node('lead'), field: 'text', value: words });
    const [target] = Object.keys(page.nodes).filter((id) => page.nodes[id as NodeId].kind === 'section');
    const linked = words.replace('visit-cards', target);
    const [file] = compileSite(
      withPage(site, made('setContent', { node: node('lead'), field: 'text', value: linked }).page),
    );
    const html = (file as { text: string }).text;
    expect(html).to.include(`<a href="#${target}">in</a> <a>out</a>`);
    expect(html).to.match(
      new RegExp(`<(section|header|footer) class="[^"]*n-${target}" id="${target}" tabindex="-1">`),
    );
    expect(html.match(/ id="/g)!.length).to.equal(
      (compileSite(site)[0] as { text: string }).text.match(/ id="/g)!.length + 1,
    );
  });

  it('is written from right to left where its language is', () => {
    const htmlOf = (lang: string) =>
      (compileSite({ ...site, frame: { ...site.frame, lang } })[0] as { text: string }).text;
    expect(htmlOf('ar')).to.include('<html lang="ar" dir="rtl">');
    expect(htmlOf('de')).to.include('<html lang="de">');
  });

  it('links pages relatively and drops the target of a link to a page that is gone', () => {
    const target = onlyPages(site, 'home', 'hire', 'find-us');
    const [home, , findUs] = texts(target).html;
    expect(home.text).to.include('<a>Visits</a>');
    expect(home.text).to.include('<a href="find-us/">Find us</a>');
    expect(findUs.text).to.include('<a href="../">Home</a>');
  });
});

describe('published CSS', () => {
  it('parses without an error, without !important, and repeats no rule’s declarations under one condition', () => {
    const check = (css: string) => {
      const errors: string[] = [];
      // Conditions are read by a parser that knows Media Queries 4 whole, with "not" in brackets.
      const { warnings } = transform({ filename: 'site.css', code: Buffer.from(css), errorRecovery: true });
      const tree = csstree.parse(css, {
        parseAtrulePrelude: false,
        onParseError: (error) => errors.push(error.message),
      });
      expect(errors).to.deep.equal([]);
      expect(warnings).to.deep.equal([]);
      expect(css).not.to.include('!important');
      csstree.walk(tree, function (node) {
        // Descriptors of @font-face have a syntax of their own.
        if (
          node.type !== 'Declaration' ||
          node.property.startsWith('--') ||
          ['font-face', 'property'].includes(this.atrule?.name ?? '')
        )
          return;
        const match = csstree.lexer.matchDeclaration(node);
        // A value that takes a site's colour is not known before the browser puts it in.
        if (match.error && !csstree.generate(node.value).includes('var('))
          expect.fail(`${node.property}: ${csstree.generate(node.value)} ${match.error.message}`);
      });
    };
    for (const sheet of texts(site).css) check(sheet.text);
    generated((target) => check(texts(target).css[0].text));
  });

  it('has at most one rule an element and condition, ordered from the base outwards', () => {
    generated((target) => {
      const rules = pageRules(target.frame, pagesOf(target)[0], { picture: (id) => id }).filter(
        (rule) => rule.layer === 'element',
      );
      const keys = rules.flatMap(({ selector, condition }) =>
        selector.split(/,(?=\.n-)/).map((each) => `${each} ${condition}`),
      );
      expect(new Set(keys).size).to.equal(keys.length);
      for (let index = 1; index < rules.length; index++)
        expect(rules[index].distance).to.be.at.least(rules[index - 1].distance);
    });
  });

  it('of an element is the very same object as long as the element is', () => {
    const [page] = pagesOf(site);
    const addresses = { page: () => '#', picture: (id: string) => id };
    const rulesIn = (shown: Page) => preview(site.frame, shown, addresses).rulesOf('headline' as NodeId);
    const copied = { ...page.nodes['headline' as NodeId] };
    expect(rulesIn(page)).to.equal(rulesIn({ ...page }));
    expect(rulesIn({ ...page, nodes: { ...page.nodes, [copied.id]: copied } })).not.to.equal(rulesIn(page));
  });

  it('of elements that say the same share one block of declarations', () => {
    const [page] = pagesOf(site);
    const node = page.nodes['headline' as NodeId];
    const parent = page.nodes[node.parent!];
    const blocks = (of: typeof node) =>
      elementRules(of, parent, site.frame.views).map((rule) => rule.declarations);
    const twin = { ...structuredClone(node), id: 'twin' as NodeId };
    expect(blocks(node).length).to.be.greaterThan(0);
    blocks(twin).forEach((block, index) => expect(block).to.equal(blocks(node)[index]));
  });

  it('says of a page what text is until someone sets it, and of a kind what it begins with', () => {
    const { frame } = onlyPages(site, 'home');
    const rules = pageRules(frame, home, { picture: (id) => id }).filter(({ layer }) => layer === 'kind');
    const of = (selector: string, condition?: string) =>
      Object.assign(
        {},
        ...rules
          .filter((rule) => rule.selector === selector && rule.condition === condition)
          .map(({ declarations }) => declarations),
      ) as Record<string, string>;
    expect(of('.page')).to.include({
      'font-family': '"figtree", "figtree stand-in", sans-serif',
      'font-size': '1rem',
      'line-height': '1.5',
      'font-weight': '400',
      'font-style': 'normal',
      'text-transform': 'none',
      'text-align': 'start',
      'text-wrap': 'wrap',
      hyphens: 'manual',
      color: 'black',
    });
    // A row takes the grid of each view: 12 columns, 4 in Mobile.
    const columns = (count: number) => `repeat(${count}, minmax(0, 1fr))`;
    expect(of('.row')['grid-template-columns']).to.equal(columns(12));
    expect(of('.row', 'not (width >= 640px)')['grid-template-columns']).to.equal(columns(4));
  });

  it('holds a span to each view’s columns without being told', () => {
    const page: Page = structuredClone(pagesOf(site)[0]);
    page.nodes['dome' as NodeId].style.self!.span = { base: 7 };
    const css = texts(withPage(site, page)).css[0].text;
    expect(css).to.match(/\.n-dome\{[^}]*grid-column-end:span 7/);
    const narrow = css.slice(css.lastIndexOf('@media not (width >= 640px)'));
    expect(narrow).to.match(/\.n-dome[^{]*\{[^}]*grid-column-end:span 4/);
  });
});

describe('the published site', () => {
  it('names its files by their content, and ships the fonts and images it uses and no other', () => {
    const { files } = texts(site);
    const paths = files.map((file) => file.path);
    expect(new Set(paths).size).to.equal(paths.length);
    expect(paths).to.include.members(['index.html', 'visits/index.html', 'find-us/index.html']);
    expect(paths.filter((path) => path.endsWith('.css'))).to.satisfy((list: string[]) =>
      list.every((path) => /-[0-9a-f]{10}\.css$/.test(path)),
    );
    const home = compileSite(onlyPages(site, 'home')).map((file) => file.path);
    expect(home.filter((path) => path.includes('fraunces'))).not.to.deep.equal([]);
    expect(home.filter((path) => /literata|turning-sky/.test(path))).to.deep.equal([]);
    expect(paths.some((path) => path.startsWith('assets/turning-sky-'))).to.equal(true);
    const { assets } = site.frame;
    const unused = { ...site, frame: { ...site.frame, assets: [...assets, { ...assets[0], id: 'unused' }] } };
    expect(compileSite(unused).some((file) => file.path.includes('unused'))).to.equal(false);
  });

  it('is the same bytes for the same site, whatever the order of its keys', () => {
    const shuffled = JSON.parse(JSON.stringify(site), (_key, value) =>
      value && typeof value === 'object' && !Array.isArray(value) && 'kind' in value
        ? Object.fromEntries(Object.entries(value).reverse())
        : value,
    );
    expect(texts(shuffled).html.map((file) => file.text)).to.deep.equal(
      texts(site).html.map((file) => file.text),
    );
    expect(express(site.frame.views, () => 1)).to.deep.equal({ base: 1 });
  });
});
