/** What visitors are told by itself: in which language, and in whose words. */
import { expect } from 'chai';
import {
  changesBetween,
  compileSite,
  findings,
  headOf,
  languageName,
  pagesOf,
  readSiteFile,
  systemMessagesOn,
  siteFaults,
  systemMessage,
  SYSTEM_MESSAGES,
  wordIn,
  writeSiteFile,
  type Site,
  type SystemMessage,
} from '../../core/index.ts';
import { attempt, files, frame, home, made, node, onlyPages, refusal, site, undoneOf } from './acting.ts';

const ids = Object.keys(SYSTEM_MESSAGES) as SystemMessage[];
const SHIPPED = ['de', 'es', 'fr', 'it', 'nl', 'pt'];
const HIRE = node('hire');

/** The booking page, with a language of its own and of the site. */
function written(lang: string, page?: string, on: Site = onlyPages(site, 'home', 'hire')): Site {
  const { frame: before, pages } = on;
  const heads = before.pages.map((head) => (head.id === HIRE && page ? { ...head, lang: page } : head));
  return { frame: { ...before, lang, pages: heads }, pages };
}
const textAt = (on: Site, path: RegExp) =>
  compileSite(on).flatMap((file) => ('text' in file && path.test(file.path) ? [file.text] : []));
const told = (on: Site, lang: string, word: SystemMessage, says: string) =>
  made('tellVisitors', { lang, word, says }, home, on).site;

describe('system messages', () => {
  it('is there in each of the languages that are shipped, with the same filled in', () => {
    const braces = (says: string) => [...says.matchAll(/\{\w+\}/g)].map(([name]) => name).sort();
    for (const lang of SHIPPED)
      for (const id of ids) {
        const says = wordIn(lang, id)!;
        expect(says, `${lang} ${id}`).to.be.a('string').and.not.equal(SYSTEM_MESSAGES[id].says);
        expect(says.length, `${lang} ${id}`).to.be.within(2, 300);
        expect(braces(says), `${lang} ${id}`).to.deep.equal(braces(SYSTEM_MESSAGES[id].says));
      }
  });

  it('is in the language of the page, else of what that is a kind of, else of the site, else English', () => {
    const needed = (...languages: string[]) => systemMessage('needed', languages);
    expect(needed('de')).to.equal('Bitte füllen Sie dieses Feld aus.');
    expect(needed('de-AT')).to.equal('Bitte füllen Sie dieses Feld aus.');
    expect(needed('cy', 'fr-CA')).to.equal('Ce champ doit être rempli.');
    expect(needed('cy', 'ga')).to.equal('This must be filled in.');
    expect(needed('en-GB', 'de')).to.equal('This must be filled in.');
  });

  it('is in words of one’s own where there are, also for a kind of the language', () => {
    const own = { de: { needed: 'Hier fehlt etwas.' }, 'de-AT': { 'sign-in': 'Servus' } };
    expect(systemMessage('needed', ['de-AT'], own)).to.equal('Hier fehlt etwas.');
    expect(systemMessage('sign-in', ['de-AT'], own)).to.equal('Servus');
    expect(systemMessage('sign-in', ['de'], own)).to.equal('Anmelden');
    expect(systemMessage('needed', ['en'], { en: { needed: 'Say something.' } })).to.equal('Say something.');
  });

  it('is told of by the name of the language, and by its tag where that names none', () => {
    expect(['de', 'de-AT', 'cy', 'en-12', 'qqq'].map(languageName)).to.deep.equal([
      ...['German', 'Austrian German', 'Welsh', 'en-12', 'qqq'],
    ]);
  });

  it('is filled in where it is said, and braces that mean nothing stay', () => {
    const say = systemMessagesOn(
      told(written('de'), 'de', 'too-many', '{minutes} Minuten {warten}').frame,
      {},
    );
    expect(say('too-many', { minutes: 7 })).to.equal('7 Minuten {warten}');
    expect(say('signed-in', { name: '{name} $& constructor' })).to.equal(
      'Sie sind als {name} $& constructor angemeldet.',
    );
  });

  it('is published with the site for its host, only where that would say it otherwise', () => {
    expect(textAt(written('en'), /^visitor-words/)).to.deep.equal([]);
    expect(textAt(written('en', 'en-GB'), /^visitor-words/)).to.deep.equal([]);
    const [said] = textAt(written('en', 'fr'), /^visitor-words\.json$/);
    const { lang, words } = JSON.parse(said) as { lang: string; words: Record<string, object> };
    expect(lang).to.equal('en');
    expect(words.en).to.include({ needed: 'This must be filled in.' });
    expect(words.fr).to.include({ needed: 'Ce champ doit être rempli.', 'sign-in': 'Se connecter' });
    // A form says the language of its page where that is not the site's.
    const [message] = textAt(written('en', 'fr'), /^letters\//);
    expect(JSON.parse(message)).to.include({ lang: 'fr' });
    expect(JSON.parse(textAt(written('fr'), /^letters\//)[0])).not.to.have.property('lang');
    const own = told(written('en'), 'en', 'needed', 'Say something.');
    expect(textAt(own, /^visitor-words/)[0]).to.include('Say something.');
    const still = compileSite(own, { still: true }).map(({ path }) => path);
    expect(still).not.to.include('visitor-words.json');
  });

  it('stands on pages in their language', () => {
    const page = (on: Site) => textAt(on, /^telescope-hire\/index\.html$/)[0];
    expect(page(written('en', 'de')))
      .to.include('Bitte leer lassen')
      .and.not.include('Leave this empty');
    const closed = made(
      'setAudience',
      { nodes: [home.root], audience: 'signed-in' },
      home,
      written('es'),
    ).site;
    expect(textAt(closed, /^index\.html$/)[0])
      .to.include('Esta página es para visitantes que han iniciado sesión.')
      .and.include('>Iniciar sesión</a>');
    const narrow = made(
      'offerPage',
      { page: HIRE, offering: 'withheld', views: frame.views.list.slice(0, 1).map(({ id }) => id) },
      home,
      written('nl'),
    ).site;
    expect(page(narrow)).to.include('Deze pagina wordt niet getoond op schermen van deze breedte.');
    // What was written for it once, when there was only English, is no word of one's own.
    const before = structuredClone(narrow);
    before.frame.pages.find(({ id }) => id === HIRE)!.notice =
      'This page is not shown on screens of this width.';
    expect(page(before)).to.include('Deze pagina wordt niet getoond').and.not.include('is not shown');
    const own = made('changePage', { page: HIRE, notice: 'Liever op een groot scherm.' }, home, narrow);
    expect(page(own.site)).to.include('Liever op een groot scherm.');
    const usual = made('changePage', { page: HIRE, notice: null }, home, own.site);
    expect(headOf(usual.site.frame, HIRE)).not.to.have.property('notice');
    expect(undoneOf(usual)).to.deep.equal(own.site);
  });

  it('is changed by a step, word by word, and is reset to default', () => {
    const german = written('de', 'fr');
    const step = made(
      'tellVisitors',
      { lang: 'de', word: 'needed', says: '  Hier fehlt  etwas. ' },
      home,
      german,
    );
    expect(step.sentence).to.equal('System messages, in German: “Hier fehlt etwas.”');
    expect(step.site.frame.words).to.deep.equal({ de: { needed: 'Hier fehlt etwas.' } });
    expect(undoneOf(step)).to.deep.equal(german);
    // Two who say different things in the same language do not meet.
    const other = made('tellVisitors', { lang: 'de', word: 'back', says: 'Heim' }, home, step.site);
    expect(other.operations.map(({ path }) => path)).to.deep.equal(['/frame/words/de/back']);
    const third = made('tellVisitors', { lang: 'fr', word: 'back', says: 'Retour' }, home, other.site);
    expect(siteFaults(third.site)).to.deep.equal([]);
    const read = readSiteFile(writeSiteFile(third.site, files));
    expect(read.ok && read.value.site.frame.words).to.deep.equal(third.site.frame.words);
    const usual = made('tellVisitors', { lang: 'de', word: 'needed', says: null }, home, third.site);
    expect(usual.site.frame.words).to.deep.equal({ de: { back: 'Heim' }, fr: { back: 'Retour' } });
    expect(usual.sentence).to.equal('System messages, in German: “Hier fehlt etwas.” reset to default');
    expect(undoneOf(usual)).to.deep.equal(third.site);
    const said = made('tellVisitors', { lang: 'fr', word: 'back', says: 'Retour au site' }, home, usual.site);
    expect(said.site.frame.words).to.deep.equal({ de: { back: 'Heim' } });
    const last = made('tellVisitors', { lang: 'de', word: 'back', says: null }, home, said.site);
    expect(last.site.frame).not.to.have.property('words');
    expect(
      made('tellVisitors', { lang: 'de', word: 'back', says: null }, home, german).operations,
    ).to.deep.equal([]);
  });

  it('is told among what a publication changes, with what was said before', () => {
    const before = written('de', 'cy');
    const after = told(told(before, 'de', 'needed', 'Hier fehlt etwas.'), 'cy', 'back', 'Adref');
    expect(changesBetween(before, after)).to.deep.equal([
      {
        ...{ name: 'Site', what: 'system messages, in German' },
        ...{ before: 'Bitte füllen Sie dieses Feld aus.', after: 'Hier fehlt etwas.' },
      },
      // Nothing was said in Welsh before.
      { name: 'Site', what: 'system messages, in Welsh', after: 'Adref' },
    ]);
  });

  it('follows a language that is told by its name among what a publication changes', () => {
    expect(changesBetween(written('en'), written('de', 'cy'))).to.deep.equal([
      { name: 'Site', what: 'language', before: 'English', after: 'German' },
      { page: HIRE, name: headOf(frame, HIRE).title, what: 'language', after: 'Welsh' },
    ]);
  });

  it('can be reset to default for a kind of a language of which it is said otherwise', () => {
    const both = told(written('de', 'de-AT'), 'de', 'back', 'Heim');
    const usual = told(both, 'de-AT', 'back', 'Zurück zur Website');
    expect(systemMessagesOn(usual.frame, { lang: 'de-AT' })('back')).to.equal('Zurück zur Website');
    expect(systemMessagesOn(usual.frame, {})('back')).to.equal('Heim');
    // What is said of the language anyway is no word of one's own.
    expect(told(both, 'de-AT', 'back', 'Heim').frame.words).to.deep.equal({ de: { back: 'Heim' } });
  });

  it('is refused where something to fill in is missing, too long, not said, or in a language of no page', () => {
    const say = (word: string, says: string, lang = 'en') => refusal('tellVisitors', { lang, word, says });
    expect(say('too-many', 'Too many.')).to.match(/must contain \{minutes\}/);
    expect(say('needed', 'x'.repeat(301))).to.match(/1 to 300 characters/);
    expect(say('needed', '   ')).to.match(/1 to 300 characters/);
    expect(say('__proto__', 'x')).to.match(/no such system message/);
    expect(say('needed', 'Llenwch', 'cy')).to.match(/No page is written in that language/);
    expect(attempt('tellVisitors', { lang: 'en', word: 'needed', says: 'x'.repeat(300) }).ok).to.equal(true);
    const wrong = structuredClone(site);
    wrong.frame.words = { en: { 'too-long': 'Too long.' } };
    expect(siteFaults(wrong)).to.deep.equal([
      { path: '/words/en/too-long', sentence: 'This text must contain {number}.' },
    ]);
  });

  it('is found where it is not in the language of its page', () => {
    const rule = (on: Site) => {
      const page = pagesOf(on).find(({ id }) => id === HIRE)!;
      return findings(on.frame, page).filter((each) => each.rule === 'system message in another language');
    };
    expect(rule(written('en'))).to.deep.equal([]);
    expect(rule(written('de-CH', 'nl'))).to.deep.equal([]);
    const [found] = rule(written('en', 'cy'));
    expect(found.clause).to.equal('WCAG 2.2, 3.1.2');
    expect(found.sentence).to.match(/tells visitors what is wrong with their input: 17 sentences in/);
    let welsh = written('en', 'cy');
    for (const word of ids.filter((each) => SYSTEM_MESSAGES[each].where === 'letters'))
      welsh = told(welsh, 'cy', word, `Cymraeg {number} {minutes}`);
    expect(rule(welsh)).to.deep.equal([]);
    const closed = made(
      'setAudience',
      { nodes: [welsh.pages[HIRE].root], audience: 'signed-in' },
      welsh.pages[HIRE],
      welsh,
    );
    expect(rule(closed.site).map(({ sentence }) => sentence)).to.deep.equal([
      'Visitors who cannot see the page are told so, and how to sign in: 10 sentences in a language that is not the page’s.',
    ]);
  });
});
