/** Pages that are checked: one at a time, the last of what was asked, and on after a failure. */
import { expect } from 'chai';
import type { Finding, Page, SiteFrame } from '../../core/index.ts';
import { Checking, type PageInspector, type PageToCheck } from '../../web/checks/checking.ts';

const site = {} as SiteFrame;
const page = (id: string) => ({ id }) as unknown as Page;
const asked = (id: string): PageToCheck => ({ site, page: page(id), pages: {} });
const settled = () => new Promise((resolve) => setImmediate(resolve));

/** Eyes whose steps are held until they are let go; what fails is given by name. */
function inspector(failing: { words?: true; see?: true; findings?: true } = {}) {
  const checked: string[] = [];
  const held: (() => void)[] = [];
  const step = <T>(name: keyof typeof failing, value: T): Promise<T> =>
    new Promise((resolve, reject) =>
      held.push(() => (failing[name] ? reject(new Error(name)) : resolve(value))),
    );
  const made: PageInspector = {
    words: ({ page: { id } }) => (checked.push(id), step('words', [])),
    see: () => step('see', {}),
    findings: () => step('findings', { list: [] as Finding[], hidden: {} }),
  };
  const go = async () => {
    while (held.length > 0) {
      held.shift()!();
      await settled();
    }
  };
  return { made, checked, go, failing };
}

describe('looking pages over', () => {
  const quietly = async (work: () => Promise<void>) => {
    const { error } = console;
    console.error = () => undefined;
    await work();
    console.error = error;
  };

  it('goes one at a time, and leaves out what was changed again meanwhile', async () => {
    const reported: string[] = [];
    const { made, checked, go } = inspector();
    const checking = new Checking(made, ({ id }) => reported.push(id));
    for (const id of ['one', 'two', 'three']) checking.look(asked(id));
    await go();
    expect(checked).to.deep.equal(['one', 'three']);
    expect(reported).to.deep.equal(['one', 'three']);
  });

  for (const name of ['words', 'see', 'findings'] as const)
    it(`says that it failed where ${name} did, and looks at what is asked next`, async () => {
      const reported: (string | undefined)[] = [];
      const { made, go, failing } = inspector({ [name]: true });
      const checking = new Checking(made, ({ id }, found) =>
        reported.push(`${id as unknown as string} ${found?.list.length}`),
      );
      await quietly(async () => {
        checking.look(asked('one'));
        await go();
      });
      delete failing[name];
      checking.look(asked('two'));
      await go();
      expect(reported).to.deep.equal(['one undefined', 'two 0']);
    });

  it('tells nothing once it is closed', async () => {
    const reported: string[] = [];
    const { made, go } = inspector();
    const checking = new Checking(made, () => reported.push('told'));
    checking.look(asked('one'));
    checking.close();
    await go();
    expect(reported).to.deep.equal([]);
  });
});
