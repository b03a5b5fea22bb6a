/** How many messages come from one address, and how long they stay. */
import { rm } from 'node:fs/promises';
import { expect } from 'chai';
import { paths } from '../../api/paths.ts';
import type { LivePublication } from '../../api/responses.ts';
import { openStore } from '../../server/store/open.ts';
import { SITE } from './editing.ts';
import { served } from './serving.ts';

/** The fields of the demo's booking form that have to be filled in. */
const [NAME, MAIL] = ['field-1', 'field-2'];
const FILLED = { [NAME]: 'Nell Ashby', [MAIL]: 'nell@b.example' };

/** Publishes; answers where the booking form is, and the name by which the host knows it. */
async function booking(url: string): Promise<{ page: string; message: string }> {
  const answer = await fetch(url + paths.publications(SITE), { method: 'POST' });
  const page = `${((await answer.json()) as LivePublication).url}telescope-hire/`;
  const html = await (await fetch(page)).text();
  return { page, message: /name="letter" value="([^"]+)"/.exec(html)![1] };
}

describe('messages from one address', function () {
  // Each test starts several servers.
  this.timeout(360_000);
  it('are so many at most, and what was written is given back', async () => {
    const running = await served({ demo: ['hire', 'home'], messagesFromOne: 2 });
    try {
      const { page, message } = await booking(running.url);
      const post = (name: string) =>
        fetch(page, {
          ...{ method: 'POST', redirect: 'manual' },
          body: new URLSearchParams({ letter: message, ...FILLED, [NAME]: name }),
        });
      expect([(await post('A')).status, (await post('B')).status]).to.deep.equal([303, 303]);
      const third = await post('C');
      expect(third.status).to.equal(429);
      expect(Number(third.headers.get('Retry-After'))).to.be.within(1, 600);
      expect(await third.text())
        .to.match(/too many messages came from here/)
        .and.include('value="C"');
      const often: string[] = [];
      for (let time = 0; time < 8; time += 1) often.push(await (await post('')).text());
      expect(often.map((text) => /Too much came from here/.test(text))).to.deep.equal(
        Array.from({ length: 8 }, (_, time) => time >= 7),
      );
    } finally {
      await running.end();
    }
  });

  it('are counted by who sends them through a proxy that is trusted, and no word is taken of others', async () => {
    const count = async (settings: Parameters<typeof served>[0], ...from: string[]) => {
      const running = await served({ demo: ['hire', 'home'], messagesFromOne: 1, ...settings });
      try {
        const { page, message } = await booking(running.url);
        const statuses: number[] = [];
        for (const each of from) {
          const body = new URLSearchParams({ letter: message, ...FILLED });
          const headers = { 'X-Forwarded-For': each };
          statuses.push((await fetch(page, { method: 'POST', redirect: 'manual', body, headers })).status);
        }
        return statuses;
      } finally {
        await running.end();
      }
    };
    // Addresses for documentation (RFC 5737).
    const [one, other, claimed] = ['203.0.113.7', '203.0.113.8', '198.51.100.1'];
    expect(
      await count(
        { trustedProxies: ['loopback'] },
        one,
        other,
        one,
        `${claimed}, ${one}`,
        'nonsense',
        claimed,
      ),
    ).to.deep.equal([303, 303, 429, 429, 303, 303]);
    expect(await count({ trustedProxies: ['10.0.0.0/8'] }, one, other)).to.deep.equal([303, 429]);
    expect(await count({}, one, other)).to.deep.equal([303, 429]);
  });

  it('outlive the program, until they are too old', async () => {
    const running = await served({ demo: ['hire', 'home'] });
    const { page, message } = await booking(running.url);
    const body = new URLSearchParams({ letter: message, ...FILLED });
    await fetch(page, { method: 'POST', redirect: 'manual', body });
    await running.stop();
    const store = await openStore(running.folder);
    try {
      const inDays = (days: number) => new Date(Date.now() + days * 86_400_000);
      const left = async () => (await store.letters.list(SITE, {}, 10)).length;
      await store.letters.removeOld(inDays(364));
      expect(await left()).to.equal(1);
      await store.letters.keepFor(SITE, 0);
      await store.letters.removeOld(inDays(9999));
      expect(await left()).to.equal(1);
      await store.letters.keepFor(SITE, 400);
      await store.letters.removeOld(inDays(399));
      expect(await left()).to.equal(1);
      await store.letters.removeOld(inDays(401));
      expect(await left()).to.equal(0);
    } finally {
      await store.close();
      await rm(running.folder, { recursive: true, force: true });
    }
  });
});
