/**
 * `npm run attack`: hostile input in the thousands, kills at random moments, starters at once, hands that click at random; not for CI, as it takes some minutes.
 * `npm run attack -- 7` begins from the seed 7, `npm run attack -- 7 0.1` does a tenth. The last line says what was tried, what was
 * lost, what ran and how often the server said that it failed; the exit code is 1 where any of these is not nothing.
 */
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { request } from 'node:http';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawn } from 'node:child_process';
import fc from 'fast-check';
import { paths } from '../api/paths.ts';
import { siteFaults, type NodeId } from '../core/index.ts';
import { cleanFragment } from '../core/markup/fragment.ts';
import { openStore } from '../server/store/open.ts';
import { openBrowser } from '../test/browser/browser.ts';
import { editor, inHome, set, SITE } from '../test/server/editing.ts';
import { launched } from '../test/server/killing.ts';
import { running } from '../test/server/program.ts';
import { freshFolder, served } from '../test/server/serving.ts';
import { hands, handsOfTwo, handsOnScreens } from './attackhands.ts';
import { addresses, damaged, headers, mutated, PIECES } from './attackinputs.ts';
import { cancelledDownloads, extremeImages, outages, prototypeNames, twoPublishers } from './attackserver.ts';

const [seed = Math.floor(Math.random() * 1e6), scale = 1] = process.argv.slice(2).map(Number);
const many = (count: number) => Math.max(1, Math.round(count * scale));
const sample = <T>(arbitrary: fc.Arbitrary<T>, count: number, part: number): T[] =>
  fc.sample(arbitrary, { seed: seed + part, numRuns: count });

const failures: string[] = [];
const say = (text: string) => console.log(text);

interface Answer {
  status: number;
  text: string;
}

/** Sends bytes as they are; a request that is not taken to its end answers 0. */
const ask = (url: string, method: string, path: string, headers: Record<string, string>, body?: Buffer) =>
  new Promise<Answer>((resolve) => {
    const { port } = new URL(url);
    const options = { host: '127.0.0.1', port, method, path, headers, timeout: 30_000 };
    try {
      const asking = request(options, (response) => {
        let text = '';
        response.on('data', (data) => (text += String(data)));
        response.on('end', () => resolve({ status: response.statusCode!, text }));
        response.on('error', () => resolve({ status: 0, text }));
      });
      asking.on('error', () => resolve({ status: 0, text: '' }));
      asking.on('timeout', () => (asking.destroy(), resolve({ status: 599, text: 'no answer in 30 s' })));
      asking.end(body);
    } catch {
      // What Node itself refuses to send.
      resolve({ status: 0, text: '' });
    }
  });

async function requests(): Promise<{ tried: number; failed: number }> {
  const running = await served();
  const count = many(4000);
  let failed = 0;
  try {
    const before = await editor(() => running.url).revision();
    let accepted = 0;
    const bodies = sample(damaged(mutated), count, 1);
    const heads = sample(headers, count, 2);
    const where = sample(addresses, count, 3);
    const methods = sample(
      fc.constantFrom('POST', 'POST', 'POST', 'GET', 'PUT', 'DELETE', 'PATCH'),
      count,
      4,
    );
    for (let index = 0; index < count; index++) {
      const toHost = index % 10 === 9;
      const given = heads[index] as Record<string, string>;
      const all =
        index % 3 === 0
          ? given
          : {
              'Content-Type': 'application/json',
              'If-Match': `"${before + accepted}"`,
              'Idempotency-Key': `"attack-${index}-xx"`,
              ...given,
            };
      const { status, text } = await ask(
        toHost ? running.hostUrl : running.url,
        methods[index],
        where[index],
        all,
        bodies[index],
      );
      if (status === 429) await new Promise((resolve) => setTimeout(resolve, 2000));
      if (status === 200 && methods[index] === 'POST' && where[index] === paths.edits(SITE)) accepted += 1;
      if (status < 500 && !/node_modules|\.ts:\d/.test(text)) continue;
      failed += 1;
      failures.push(
        `${methods[index]} ${where[index]} ${JSON.stringify(all)}: ${status} ${text.slice(0, 200)}`,
      );
    }
    const after = await editor(() => running.url).revision();
    if (after !== before + accepted)
      failures.push(`revision ${after}, and ${accepted} edits accepted after ${before}`);
  } finally {
    await running.stop();
  }
  const store = await openStore(running.folder);
  const { findings } = await store.verify();
  failures.push(
    ...findings,
    ...siteFaults((await store.history.snapshot(SITE))!.site).map(({ sentence }) => sentence),
  );
  await store.close();
  return { tried: count, failed };
}

async function fragments(): Promise<{ tried: number; ran: number }> {
  const count = many(4000);
  const cleaned = sample(fc.array(PIECES, { minLength: 1, maxLength: 8 }), count, 5).map((pieces, index) =>
    cleanFragment(pieces.join(''), index % 2 ? 'block' : 'inline'),
  );
  const browser = await openBrowser();
  try {
    await browser.driver.get('about:blank');
    const ran = await browser.driver.executeAsyncScript<number>(
      `const [all, done] = arguments; window.hits = 0; let fetched = 0;
       new PerformanceObserver((list) => (fetched += list.getEntries().length)).observe({ type: 'resource' });
       for (const html of all) { const box = document.createElement('div'); document.body.append(box); box.innerHTML = html;
         for (const each of box.querySelectorAll('*')) { if (/^(on|src$|style$)/.test([...each.attributes].map((a) => a.name).join(' '))) window.hits++; }
         for (const link of box.querySelectorAll('a')) if (/^javascript:/i.test(link.href)) link.click(); }
       setTimeout(() => done(window.hits + fetched), 1500);`,
      cleaned,
    );
    if (ran > 0) failures.push(`${ran} scripts ran or files were fetched`);
    return { tried: count, ran };
  } finally {
    await browser.close();
  }
}

async function fonts(): Promise<{ tried: number; failed: number }> {
  const running = await served();
  const file = readFileSync(
    createRequire(import.meta.url)
      .resolve('@fontsource-variable/figtree/package.json')
      .replace('package.json', 'files/figtree-latin-ext-wght-normal.woff2'),
  );
  const count = many(150);
  let failed = 0;
  try {
    const places = sample(
      fc.array(fc.tuple(fc.nat(), fc.nat(255)), { minLength: 1, maxLength: 12 }),
      count,
      6,
    );
    for (const changes of places) {
      const bytes = Buffer.from(file);
      for (const [at, byte] of changes) bytes[at % (at % 2 ? 200 : bytes.length)] = byte;
      const answer = await ask(
        running.url,
        'POST',
        paths.ownFonts(SITE),
        { 'Content-Type': 'font/woff2' },
        bytes,
      );
      if ([201, 422].includes(answer.status)) continue;
      failed += 1;
      failures.push(`a font: ${answer.status} ${answer.text.slice(0, 200)}`);
    }
  } finally {
    await running.end();
  }
  return { tried: count, failed };
}

async function kills(): Promise<{ tried: number; edits: number; lost: number }> {
  const rounds = many(30);
  const moments = sample(fc.integer({ min: 0, max: 900 }), rounds, 7);
  const folder = await freshFolder();
  let acknowledged = 0;
  let last = 0;
  let lost = 0;
  for (const moment of moments) {
    const { child, url } = await launched(folder);
    const { made, page } = editor(() => url);
    const found = await page();
    if (found.revision - 1 < acknowledged) lost += acknowledged - (found.revision - 1);
    const { style } = found.page.nodes['headline' as NodeId];
    if (acknowledged > 0 && style.self!.weight!.base! < last) lost += 1;
    acknowledged = found.revision - 1;
    const gone = once(child, 'exit');
    setTimeout(() => child.kill('SIGKILL'), moment);
    for (let next = (last % 800) + 1; ; next++) {
      try {
        await made([set(inHome('headline', 'style/self/weight/base'), 100 + next)]);
      } catch {
        break;
      }
      last = 100 + next;
      acknowledged += 1;
    }
    await gone;
  }
  if (lost > 0) failures.push(`${lost} acknowledged edits lost`);
  await rm(folder, { recursive: true, force: true });
  return { tried: rounds, edits: acknowledged, lost };
}

async function starts(): Promise<{ tried: number; both: number }> {
  const rounds = many(400);
  const folder = await mkdtemp(join(tmpdir(), 'dimorphe-attack-'));
  // Each takes the folder when told to, says whether it has it, and gives it back when told so.
  const program = `let lock;
    process.stdin.on('data', async (data) => { if (String(data).includes('give')) { lock?.release(); lock = undefined; console.log('given'); }
      else { lock = await lockFolder(${JSON.stringify(folder)}).catch(() => undefined); console.log(lock ? 'yes' : 'no'); } }); console.log('ready');`;
  const children = [1, 2].map(() =>
    spawn(process.execPath, running('server/lock', '{ lockFolder }', program), {
      stdio: ['pipe', 'pipe', 'inherit'],
    }),
  );
  const said = async (child: (typeof children)[number]) =>
    String(((await once(child.stdout, 'data')) as [Buffer])[0]).trim();
  await Promise.all(children.map(said));
  let both = 0;
  for (let round = 0; round < rounds; round++) {
    for (const word of ['take', 'give']) {
      const answers = Promise.all(children.map(said));
      children.forEach((child) => child.stdin.write(`${word}\n`));
      const held = (await answers).filter((answer) => answer === 'yes').length;
      if (word === 'take' && held !== 1) both += 1;
    }
  }
  children.forEach((child) => child.kill());
  await rm(folder, { recursive: true });
  if (both > 0) failures.push(`${both} pairs of starters of which not exactly one got the folder`);
  return { tried: rounds, both };
}

/** Messages with fields of all kinds, to a form of the published demo: each is taken and kept, or given back. */
async function letters(): Promise<{ tried: number; kept: number; failed: number }> {
  const running = await served({ demo: ['hire', 'home'], messagesFromOne: 1e6 });
  const count = many(10_000);
  const where = `/${SITE}/telescope-hire/`;
  let failed = 0;
  let taken = 0;
  try {
    await ask(running.url, 'POST', paths.publications(SITE), {});
    const { text: page } = await ask(running.hostUrl, 'GET', where, {});
    const form = /name="letter" value="([^"]+)"/.exec(page)![1];
    const said = sample(fc.array(PIECES, { maxLength: 6 }), count, 7);
    const fields = sample(fc.array(fc.integer({ min: 0, max: 8 }), { minLength: 1, maxLength: 9 }), count, 8);
    for (let index = 0; index < count; index += 1) {
      const words = said[index].join('');
      // Every other one would be taken but for what comes with it.
      const whole = index % 2 === 0 ? `&field-1=N${index}&field-2=n${index}@b.example` : '';
      const more = fields[index].map(
        (field, at) => `field-${field}=${at % 2 ? encodeURIComponent(words) : words}`,
      );
      const body = Buffer.from(`letter=${form}${whole}&${more.join('&')}`);
      const type = { 'Content-Type': 'application/x-www-form-urlencoded' };
      const { status, text } = await ask(running.hostUrl, 'POST', where, type, body);
      if (status === 303) taken += 1;
      if ([303, 422].includes(status) && !/node_modules|<script/.test(text)) continue;
      failed += 1;
      failures.push(`A letter with ${body.toString().slice(0, 200)}: ${status} ${text.slice(0, 100)}`);
    }
  } finally {
    await running.stop();
  }
  const store = await openStore(running.folder);
  const forms = await store.letters.forms(SITE);
  const kept = (forms.at(0)?.letters ?? 0) + (await store.letters.doubtful(SITE));
  if (kept !== taken) failures.push(`${taken} letters were taken, and ${kept} are kept`);
  await store.close();
  await rm(running.folder, { recursive: true, force: true });
  return { tried: count, kept, failed };
}

say(`From the seed ${seed}:`);
const asked = await requests();
say(`  ${asked.tried} mutated requests, ${asked.failed} answered 5xx or with a trace`);
const cleaned = await fragments();
say(`  ${cleaned.tried} hostile fragments, ${cleaned.ran} ran or fetched something`);
const read = await fonts();
say(`  ${read.tried} damaged fonts, ${read.failed} answered otherwise than 201 or 422`);
const written = await letters();
say(
  `  ${written.tried} letters, ${written.kept} taken and kept, ${written.failed} answered otherwise than taken or given back`,
);
const killed = await kills();
say(`  ${killed.tried} kills at random moments, ${killed.edits} edits acknowledged, ${killed.lost} lost`);
const raced = await starts();
say(`  ${raced.tried} pairs of starters, ${raced.both} without exactly one winner`);
const attacks = [
  ['downloads given up at random moments', () => cancelledDownloads(seed + 20, many(200))],
  ['site files with names that every object has', () => prototypeNames(seed + 21, many(300))],
  ['rounds of three who publish at once', () => twoPublishers(many(40))],
  ['images of extreme sides', () => extremeImages(seed + 22, many(200))],
  ['outages of the database while two write', () => outages(many(40))],
] as const;
let attacked = 0;
for (const [what, attack] of attacks) {
  const { tried, faults } = await attack();
  attacked += tried;
  failures.push(...faults);
  say(`  ${tried} ${what}, ${faults.length} faults`);
}
const handled = await hands(seed + 9, many(600));
say(
  `  ${handled.tried} clicks and keys at random in the workbench, ${handled.faults.length} faults; all taken back`,
);
const around = await handsOnScreens(seed + 14, many(600));
say(`  ${around.tried} on the other screens of a site, ${around.faults.length} faults; all taken back`);
const both = { tried: 0, faults: [] as string[] };
for (let pair = 0; pair < 4; pair++) {
  const { tried, faults } = await handsOfTwo(seed + 10 + pair, many(150));
  both.tried += tried;
  both.faults.push(...faults);
}
say(`  ${both.tried} in two windows on one page, ${both.faults.length} faults; both show the same`);
failures.push(...handled.faults, ...around.faults, ...both.faults);
for (const failure of failures.slice(0, 20)) console.error(failure);
say(
  `Tried: ${attacked + asked.tried + cleaned.tried + read.tried + written.tried + killed.tried + raced.tried + handled.tried + around.tried + both.tried}. Lost: ${killed.lost}. Ran: ${cleaned.ran}. 5xx: ${asked.failed + read.failed + written.failed}.`,
);
process.exit(failures.length === 0 ? 0 : 1);
