/** The examples of docs/extending.md, taken from that page into a folder outside of the sources: the program is started with them and has what they add. */
import { expect } from 'chai';
import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, readFileSync, statSync, symlinkSync, writeFileSync } from 'node:fs';
import { once } from 'node:events';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { By } from 'selenium-webdriver';
import { paths } from '../../api/paths.ts';
import { byRole, eventually, openBrowser, type Browser } from './browser.ts';
import { addElement, inSheet, selectInOutline, sheet, type } from './workbench.ts';

const root = join(import.meta.dirname, '../..');

/** The examples on the page, by the names of their files. */
const examples = (): Map<string, string> => {
  const page = readFileSync(join(root, 'docs/extending.md'), 'utf8');
  return new Map([...page.matchAll(/```ts (\w+\.ts)\n([\s\S]*?)```/g)].map(([, name, text]) => [name, text]));
};

/** A copy of the sources, so that what is built there stays there. */
function copied(to: string): void {
  const listed = execFileSync('git', ['ls-files', '-co', '--exclude-standard'], {
    cwd: root,
    encoding: 'utf8',
  });
  for (const file of listed.split('\n').filter((each) => each && !/^(test|docs)\//.test(each))) {
    if (!existsSync(join(root, file)) || !statSync(join(root, file)).isFile()) continue;
    mkdirSync(dirname(join(to, file)), { recursive: true });
    cpSync(join(root, file), join(to, file));
  }
  mkdirSync(join(to, 'docs'));
  cpSync(join(root, 'docs/guide'), join(to, 'docs/guide'), { recursive: true });
  symlinkSync(join(root, 'node_modules'), join(to, 'node_modules'));
}

describe('a folder of extensions', function () {
  this.timeout(240_000);
  let folder: string;
  let program: ChildProcess;
  let browser: Browser;
  let url: string;
  const inFolder = (name: string) => join(folder, name);

  before(async () => {
    folder = await mkdtemp(join(tmpdir(), 'dimorphe-extending-'));
    mkdirSync(inFolder('own'));
    for (const [name, text] of examples()) writeFileSync(join(inFolder('own'), name), text);
    copied(inFolder('sources'));
    program = spawn(process.execPath, ['scripts/start.mjs'], {
      cwd: inFolder('sources'),
      stdio: ['ignore', 'pipe', 'inherit'],
      env: {
        ...process.env,
        ...{ PORT: '0', HOST_PORT: '0', DIMORPHE_DATA: inFolder('data'), EXTENSIONS: inFolder('own') },
        PUBLISH_LIST: inFolder('lists'),
      },
    });
    let said = '';
    program.stdout?.on('data', (text: Buffer) => (said += text.toString()));
    url = await eventually(
      'the address of the program',
      () =>
        Promise.resolve(
          program.exitCode === null ? /^Dimorphe\s+(http\S+)/m.exec(said)?.[1] : 'none: it has ended',
        ),
      200_000,
    );
    browser = await openBrowser();
  });
  after(async () => {
    await browser?.close();
    const ended = once(program, 'exit');
    if (program.exitCode === null && program.kill()) await ended;
    await rm(folder, { recursive: true, force: true });
  });

  it('has a file for each that the page tells of', () => {
    expect([...examples().keys()]).to.deep.equal(['kinds.ts', 'properties.ts', 'checks.ts', 'targets.ts']);
  });

  it('adds a kind, its property, a check and a target', async () => {
    const { driver } = browser;
    await fetch(url + paths.demo(), { method: 'POST' });
    await driver.get(`${url}/sites/brindle-hill/pages/home`);
    await sheet(driver, 'Desktop');

    // The kind is offered, and stands in the page once it is added.
    await selectInOutline(driver, 'Lead paragraph');
    await addElement(driver, 'Notice');
    await byRole(driver, 'grid', 'Values of Notice');
    const page = async () =>
      (await (await fetch(url + paths.page('brindle-hill', 'home'))).json()) as {
        page: { nodes: Record<string, { kind: string; style: { self?: { indent?: unknown } } }> };
      };
    const id = await eventually('the notice to be saved', async () => {
      const { nodes } = (await page()).page;
      return Object.keys(nodes).find((each) => nodes[each].kind === 'notice');
    });
    const indent = () =>
      inSheet<string>(driver, 'Desktop', id, 'return window.getComputedStyle(element).textIndent');
    expect(
      await inSheet(driver, 'Desktop', id, 'return element.localName + element.getAttribute("role")'),
    ).to.equal('pnote');
    expect(await indent()).to.equal('8px');

    // Its property has a row, and what is typed there shows.
    await type(driver, 'Indent', 'Desktop', '12');
    await eventually('an indent of 12 px', async () => (await indent()) === '12px');

    // The check finds what is too long, and publishing reaches the target.
    const long = 'x'.repeat(90);
    const site = (await (await fetch(url + paths.site('brindle-hill'))).json()) as { revision: number };
    const edited = await fetch(url + paths.edits('brindle-hill'), {
      method: 'POST',
      headers: {
        ...{ 'Content-Type': 'application/json', 'Idempotency-Key': '"a-long-notice"' },
        'If-Match': `"${site.revision}"`,
      },
      body: JSON.stringify({
        operations: [{ op: 'set', path: `/pages/home/nodes/${id}/content/text`, value: long }],
        ...{ session: 'a-test', by: 'edit', sentence: 'Notice says more.', version: 3 },
      }),
    });
    expect(edited.status, await edited.text()).to.equal(200);
    await (await byRole(driver, 'button', 'Findings')).click();
    await eventually('the finding', async () =>
      (await driver.findElement(By.css('body')).getText()).includes('Notice has 90 characters'),
    );
    expect((await fetch(url + paths.publications('brindle-hill'), { method: 'POST' })).status).to.equal(201);
    expect((await readFile(join(inFolder('lists'), 'brindle-hill.txt'), 'utf8')).split('\n')).to.include(
      'index.html',
    );
  });
});
