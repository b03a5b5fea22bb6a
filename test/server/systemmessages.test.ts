/** What the host says to visitors, in the language of the site that it serves. */
import { expect } from 'chai';
import { paths } from '../../api/paths.ts';
import type { LivePublication } from '../../api/responses.ts';
import { editor, set, SITE } from './editing.ts';
import { served, type Served } from './serving.ts';

describe('system messages', function () {
  this.timeout(120_000);
  let running: Served;
  let url: string;
  before(async () => {
    running = await served({ demo: ['hire', 'home'], messagesFromOne: 2 });
    const { made } = editor(() => running.url);
    await made([
      set('/frame/lang', 'de'),
      set('/frame/pages/home/lang', 'en'),
      set('/frame/words/de/needed', 'Hier <b>fehlt</b> etwas.'),
    ]);
    const answer = await fetch(running.url + paths.publications(SITE), { method: 'POST' });
    ({ url } = (await answer.json()) as LivePublication);
  });
  after(() => running.end());

  const form = async () => {
    const html = await (await fetch(`${url}telescope-hire/`)).text();
    const message = /name="letter" value="([^"]+)"/.exec(html)![1];
    return (fields: Record<string, string>) =>
      fetch(`${url}telescope-hire/`, {
        ...{ method: 'POST', redirect: 'manual' as const },
        body: new URLSearchParams({ letter: message, ...fields }),
      });
  };

  it('is in that language when a message is not taken, in words of one’s own where there are', async () => {
    const post = await form();
    const lacks = await (await post({ 'field-1': 'Nell', 'field-2': 'nobody' })).text();
    expect(lacks)
      .to.include('Ihre Nachricht wurde noch nicht gesendet. Ihre Eingaben sind noch da.')
      .and.include('Bitte geben Sie eine E-Mail-Adresse an.')
      .and.match(/<title>Nicht gesendet: /)
      .and.not.match(/not sent|has to be/i);
    const empty = await (await post({ 'field-2': 'nell@b.example' })).text();
    expect(empty).to.include('Hier &lt;b&gt;fehlt&lt;/b&gt; etwas.').and.not.include('<b>fehlt');
    const whole = { 'field-1': 'Nell', 'field-2': 'nell@b.example' };
    for (const status of [303, 303]) expect((await post(whole)).status).to.equal(status);
    const often = await post(whole);
    expect(often.status).to.equal(429);
    expect(await often.text()).to.match(/versuchen Sie es in \d+ Min\. noch einmal/);
  });

  it('is in that language on the host’s own pages, which say so', async () => {
    const signIn = await (await fetch(`${url}sign-in/`)).text();
    expect(signIn).to.match(/<html lang="de" dir="ltr">.*<h1>Anmelden<\/h1>.*Ihr Name/s);
    const nameless = await fetch(`${url}sign-in`, {
      method: 'POST',
      body: new URLSearchParams({ back: url }),
    });
    expect(await nameless.text()).to.include('Bitte geben Sie einen Namen an');
    const signed = await fetch(`${url}sign-in`, {
      ...{ method: 'POST', redirect: 'manual' as const },
      body: new URLSearchParams({ name: '<i>Nell</i>' }),
    });
    const cookie = signed.headers.get('Set-Cookie')!.split(';')[0];
    const out = await (await fetch(`${url}sign-out/`, { headers: { Cookie: cookie } })).text();
    expect(out).to.include('Sie sind als &#60;i&#62;Nell&#60;/i&#62; angemeldet.').and.include('>Abmelden<');
    const nowhere = await fetch(`${url}nowhere/`);
    expect(nowhere.status).to.equal(404);
    expect(await nowhere.text()).to.match(/lang="de".*Seite nicht gefunden/s);
    const gone = await fetch(`${url}telescope-hire/`, {
      method: 'POST',
      body: new URLSearchParams({ letter: 'ask-0123456789' }),
    });
    expect(await gone.text()).to.match(/lang="de".*Dieses Formular gibt es nicht mehr/s);
  });

  it('is in that language when the site was taken down', async () => {
    await fetch(running.url + paths.live(SITE), { method: 'DELETE' });
    const notice = await fetch(url);
    expect(notice.status).to.equal(404);
    expect(await notice.text()).to.match(/lang="de".*Diese Website ist derzeit nicht verfügbar/s);
  });
});
