/** What elements say in other words in some views: one element, its words by view, with the reach of every value. */
import { expect } from 'chai';
import fc from 'fast-check';
import {
  brokenLinks,
  composed,
  perform,
  readSiteFile,
  writeSiteFile,
  print,
  textIn,
  siteFaults,
  staleTexts,
  viewOf,
  type Node,
  type Page,
} from '../../core/index.ts';
import { bodyMarkup } from '../../core/compile/body.ts';
import { linksIn, withLinks } from '../../core/values/links.ts';
import { elementRules } from '../../core/compile/elementrules.ts';
import { textsByViewOf } from '../../core/elements/propertytable.ts';
import { files, frame, home, made, node, refusal, site, undoneOf, view } from './acting.ts';
import { siteArbitrary } from './arbitrary.ts';

const title = node('headline');
const heading = home.nodes[title];
const OLD = heading.content.text as string;

const say = (says: unknown, where: string, reach: 'here' | 'onward' | 'everywhere', on: Page = home) =>
  made(
    'setValue',
    { nodes: [title], property: 'heading.text', view: view(where), value: { says }, reach },
    on,
  );

/** What an element says in each view, wide to narrow. */
const words = ({ nodes }: Page, field = 'text', id = title) =>
  ['wide', 'desktop', 'tablet', 'mobile'].map((each) =>
    textIn<string>(nodes[id], frame.views, field, view(each)),
  );

const html = (page: Page) =>
  print(
    bodyMarkup(frame, composed(frame, page), {
      page: (id, place) => `/${id}${place ? `#${place}` : ''}`,
      picture: (id) => id,
    }),
  );

describe('words in a view', () => {
  it('reach as far as every value does, beside what the content says', () => {
    const onward = say('Stars tonight', 'tablet', 'onward');
    expect(words(onward.page)).to.deep.equal([OLD, OLD, 'Stars tonight', 'Stars tonight']);
    expect(onward.sentence).to.equal('Headline: text in Tablet and onward ' + `${OLD} → Stars tonight`);
    expect(onward.page.nodes[title].content.text).to.equal(OLD);
    const here = say('Stars', 'tablet', 'here', onward.page);
    expect(words(here.page)).to.deep.equal([OLD, OLD, 'Stars', 'Stars tonight']);
    const base = say('A night', 'desktop', 'here', here.page);
    expect(words(base.page)).to.deep.equal([OLD, 'A night', 'Stars', 'Stars tonight']);
    expect(base.page.nodes[title].content.text).to.equal('A night');
    const all = say('One', 'mobile', 'everywhere', base.page);
    expect(words(all.page)).to.deep.equal(['One', 'One', 'One', 'One']);
    expect(all.page.nodes[title].style.self?.['heading.text']).to.equal(undefined);
    expect(undoneOf(all).pages[home.id]).to.deep.equal(base.page);
    expect(siteFaults(all.site)).to.deep.equal([]);
  });

  it('are cleaned on their way in, and refused where they are none', () => {
    const { page } = say('<b onclick="x()">Bold</b><script>1</script>', 'mobile', 'onward');
    expect(words(page)[3]).to.equal('<strong>Bold</strong>');
    const refused = (property: string, value: unknown, on = title) =>
      refusal('setValue', { nodes: [on], property, view: view('mobile'), value, reach: 'here' });
    expect(refused('heading.text', { says: 5 })).to.match(/^Text: /);
    expect(refused('button.link', { says: 'javascript:1' }, node('book'))).to.match(/not a link/);
    expect(refused('text.text', { says: 'x' })).to.match(/does not apply/);
    const clear = { nodes: [title], property: 'heading.text', view: view('desktop') };
    expect(refusal('clearValue', clear)).to.match(/needs a value in the base/);
  });

  it('may have to follow when the base changes, until someone says otherwise', () => {
    const stale = ({ nodes }: Page) => staleTexts(nodes[title]).map((each) => each.view);
    const both = say('Short', 'mobile', 'here', say('Middle', 'tablet', 'here').page);
    expect(stale(both.page)).to.deep.equal([]);
    const changed = say('Another headline', 'desktop', 'onward', both.page);
    expect(stale(changed.page)).to.have.members(['tablet', 'mobile']);
    const right = made('keepWording', { node: title, field: 'text', view: view('mobile') }, changed.page);
    expect(stale(right.page)).to.deep.equal(['tablet']);
    expect(words(right.page)[3]).to.equal('Short');
    expect(right.sentence).to.equal('Headline: text in Mobile is still correct');
    expect(stale(say('Newer', 'tablet', 'here', right.page).page)).to.deep.equal([]);
    // Undone, the base is what they were written beside.
    expect(stale(undoneOf(changed).pages[home.id])).to.deep.equal([]);
    expect(refusal('keepWording', { node: title, field: 'text', view: view('mobile') }, right.page)).to.match(
      /nothing to confirm/,
    );
  });

  it('have links that follow what they lead to, and are told where it is gone', () => {
    const { page } = say('See <a href="page:visits">when</a>', 'mobile', 'onward');
    expect(linksIn(page.nodes[title])).to.deep.equal(['page:visits']);
    const other = withLinks(page.nodes[title], () => 'page:hire');
    expect(JSON.stringify(other.style)).to.contain('page:hire');
    expect(JSON.stringify(other.style)).not.to.contain('page:visits');
    const gone = made('removePage', { page: node('visits'), links: 'keep' } as never, page);
    expect(brokenLinks(gone.site).some((each) => each.node === title)).to.equal(true);
  });

  it('take no room in a view that says the same: the same words are one element', () => {
    const { page } = say(OLD, 'mobile', 'onward');
    expect(html(page)).to.equal(html(home));
  });
});

describe('published words', () => {
  const { page } = say('Short', 'mobile', 'here', say('Middle', 'tablet', 'onward').page);

  it('stand in one element, each in its own views', () => {
    const printed = html(page);
    expect(printed.match(/<h1[^>]*>.*?<\/h1>/)![0]).to.equal(
      '<h1 class="heading t-heading-1 n-headline">' +
        `<span class="w-headline-text-0">${OLD}</span>` +
        '<span class="w-headline-text-1">Short</span><span class="w-headline-text-2">Middle</span></h1>',
    );
  });

  it('are displayed by rules of one class each', () => {
    const rules = elementRules(page.nodes[title], undefined, frame.views)
      .filter(({ selector }) => selector.startsWith('.w-'))
      .map(({ selector, condition, declarations: { display } }) => [selector.at(-1), condition, display]);
    const below = (id: string) => `not (width >= ${viewOf(frame.views, view(id)).from}px)`;
    expect(rules).to.deep.equal([
      ['0', undefined, 'inline'],
      ['0', below('desktop'), 'none'],
      ['1', undefined, 'none'],
      ['1', below('tablet'), 'inline'],
      ['2', undefined, 'none'],
      ['2', '(width >= 640px) and (not (width >= 1024px))', 'inline'],
    ]);
  });

  it('are whole elements where a link, a text alternative or a list differs, with one place to link to', () => {
    const button = node('book');
    const linked = made('setContent', {
      node: node('lead'),
      field: 'text',
      value: `<p><a href="#${button}">Book</a></p>`,
    });
    const other = made(
      'setValue',
      {
        nodes: [button],
        property: 'button.link',
        view: view('mobile'),
        value: { says: 'tel:+44123' },
        reach: 'onward',
      },
      linked.page,
    );
    const printed = html(other.page);
    const found = [...printed.matchAll(/<a class="button [^"]*n-book v-book-(\d)" href="([^"]*)"/g)];
    expect(found.map(([, number, href]) => [number, href])).to.deep.equal([
      ['0', '/visits'],
      ['1', 'tel:+44123'],
    ]);
    expect(printed.match(/id="book"/g)).to.have.length(1);
    expect(printed).to.match(/<span class="place" id="book" tabindex="-1"><\/span><a class="button/);
  });
});

describe('words in a file', () => {
  it('are cleaned where the file was made by hand, and refused where they are none', () => {
    const { site: worded } = say('Short', 'mobile', 'here');
    const text = writeSiteFile(worded, files);
    const read = readSiteFile(text.replace('"says": "Short"', '"says": "<b onclick=1>Short</b>"'));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(words(read.value.site.pages[home.id])[3]).to.equal('<strong>Short</strong>');
    const odd = readSiteFile(text.replace('"says": "Short"', '"says": 5'));
    expect(odd.ok).to.equal(false);
    const base = readSiteFile(
      text.replace('"heading.text": {', '"heading.text": { "base": { "says": "x" },'),
    );
    expect(base.ok).to.equal(false);
  });
});

describe('words on random sites', () => {
  it('say in each view what was set, and nothing else changes, whatever was there', () => {
    const fresh: Partial<Record<string, unknown>> = { rich: '<p>New</p>', inline: 'New', line: 'New' };
    let looked = 0;
    fc.assert(
      fc.property(siteArbitrary, fc.nat(), fc.constantFrom('here', 'onward'), (target, choice, reach) => {
        const page = target.pages[home.id];
        const cases = Object.values(page.nodes).flatMap((each: Node) =>
          textsByViewOf(each.kind).flatMap((property) =>
            fresh[property.wording!.field.type.editor] === undefined ? [] : [{ each, property }],
          ),
        );
        fc.pre(cases.length > 0);
        const { each, property } = cases[choice % cases.length];
        const { list } = target.frame.views;
        const at = list[choice % list.length].id;
        const { name } = property.wording!.field;
        const says = fresh[property.wording!.field.type.editor];
        const outcome = perform(target, page.id, 'setValue', {
          nodes: [each.id],
          property: property.name,
          view: at,
          value: { says },
          reach,
        });
        if (!outcome.ok) throw new Error(outcome.sentence);
        const after = outcome.value.site;
        expect(siteFaults(after)).to.deep.equal([]);
        expect(textIn(after.pages[page.id].nodes[each.id], after.frame.views, name, at)).to.equal(says);
        for (const { id } of list)
          if (reach === 'here' && id !== at && at !== target.frame.views.base)
            expect(textIn(after.pages[page.id].nodes[each.id], after.frame.views, name, id)).to.equal(
              textIn(each, target.frame.views, name, id),
            );
        expect(undoneOf(outcome.value)).to.deep.equal(target);
        looked += 1;
      }),
      { numRuns: 40 },
    );
    expect(looked).to.be.greaterThan(30);
    expect(site.frame.views.list).to.have.length(4);
  });
});
