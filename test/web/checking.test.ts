/** Pages that are looked over: one at a time, the last of what was asked, and on after a failure. */
import { expect } from 'chai';
import type { Finding, Page, SiteFrame } from '../../core/index.ts';
import { Checking, type Eyes, type ToLook } from '../../web/checks/checking.ts';

const site = {} as SiteFrame;
const page = (id: string) => ({ id }) as unknown as Page;
const asked = (id: string): ToLook => ({ site, page: page(id), pages: {} });
const settled = () => new Promise((resolve) => setImmediate(resolve));

/** Eyes whose steps are held until they are let go; what fails is given by name. */
function eyes(failing: { words?: true; see?: true; findings?: true } = {}) {
  const looked: string[] = [];
  const held: (() => void)[] = [];
  const step = <T>(name: keyof typeof failing, value: T): Promise<T> =>
    new Promise((resolve, reject) =>
      held.push(() => (failing[name] ? reject(new Error(name)) : resolve(value))),
    );
  const made: Eyes = {
    words: ({ page: { id } }) => (looked.push(id as unknown as string), step('words', [])),
    see: () => step('see', {}),
    findings: () => step('findings', [] as Finding[]),
  };
  const go = async () => {
    while (held.length > 0) {
      held.shift()!();
      await settled();
    }
  };
  return { made, looked, go, failing };
}

describe('looking pages over', () => {
  const quietly = async (work: () => Promise<void>) => {
    const { error } = console;
    console.error = () => undefined;
    await work();
    console.error = error;
  };

  it('goes one at a time, and leaves out what was changed again meanwhile', async () => {
    const told: string[] = [];
    const { made, looked, go } = eyes();
    const checking = new Checking(made, ({ id }) => told.push(id as unknown as string));
    for (const id of ['one', 'two', 'three']) checking.look(asked(id));
    await go();
    expect(looked).to.deep.equal(['one', 'three']);
    expect(told).to.deep.equal(['one', 'three']);
  });

  for (const name of ['words', 'see', 'findings'] as const)
    it(`says that it failed where ${name} did, and looks at what is asked next`, async () => {
      const told: (string | undefined)[] = [];
      const { made, go, failing } = eyes({ [name]: true });
      const checking = new Checking(made, ({ id }, list) =>
        told.push(`${id as unknown as string} ${list?.length}`),
      );
      await quietly(async () => {
        checking.look(asked('one'));
        await go();
      });
      delete failing[name];
      checking.look(asked('two'));
      await go();
      expect(told).to.deep.equal(['one undefined', 'two 0']);
    });

  it('tells nothing once it is closed', async () => {
    const told: string[] = [];
    const { made, go } = eyes();
    const checking = new Checking(made, () => told.push('told'));
    checking.look(asked('one'));
    checking.close();
    await go();
    expect(told).to.deep.equal([]);
  });
});
