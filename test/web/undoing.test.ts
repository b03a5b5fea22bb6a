/** Undo in a window on a site on which others work. */
import { expect } from 'chai';
import type { NodeId } from '../../core/index.ts';
import { openPage } from '../../web/state/documents.ts';
import { edit } from '../../web/state/edits.ts';
import { undo } from '../../web/state/traversal.ts';
import { editor, put } from '../server/editing.ts';
import { served, type Served } from '../server/serving.ts';
import { openWindow } from './window.ts';

describe('windows that undo', function () {
  this.timeout(120_000);
  let running: Served;
  before(async () => {
    running = await served();
  });
  after(() => running?.end());
  const others = editor(() => running.url, 'others');
  const opened = (session: string) => openWindow(running.url, session);
  const stored = async (id: string) => (await others.page()).page.nodes[id as never] as any;

  it('leave what others have moved since where it is, and say so; other neighbours do not matter', async () => {
    for (const how of ['heard', 'read anew']) {
      const session = `moving-${how.replace(' ', '-')}`;
      let window = await opened(session);
      const { page } = openPage(window.store.getState())!;
      const { root } = page;
      const list = `/pages/home/nodes/${root}/children`;
      // Of the page's own: the header and the footer stand beside it.
      const own = ((await stored(root)).children as NodeId[]).slice(0);
      const [first, second, third, fourth] = own;
      const order = async () => (await stored(root)).children as string[];
      const isBefore = async (one: string, other: string) =>
        (await order()).indexOf(one) < (await order()).indexOf(other);
      const move = () =>
        window.store.dispatch(edit('moveElements', { nodes: [first], parent: root, after: third }));
      const again = async () => {
        if (how === 'heard') return window.hears();
        await window.close();
        window = await opened(session);
      };
      move();
      await window.kept();
      expect(await isBefore(third, first)).to.equal(true);
      // Somebody moves another between the two: that does not concern the step.
      await others.made([put(list, fourth, [second])]);
      await again();
      window.store.dispatch(undo());
      await window.kept();
      while (!(await isBefore(first, second))) await new Promise((resolve) => setImmediate(resolve));
      move();
      await window.kept();
      // Somebody moves the same one on, behind all.
      await others.made([put(list, first, own.slice(1).reverse())]);
      await again();
      const said = window.state().announcement.count;
      window.store.dispatch(undo());
      while (window.state().announcement.count === said)
        await new Promise((resolve) => setImmediate(resolve));
      expect(window.state().announcement.sentence).to.match(
        /cannot be undone: what it changed has been changed since/,
      );
      expect((await order()).at(-1)).to.equal(first);
      await others.made([put(list, first, []), put(list, fourth, [third])]);
      await window.close();
    }
  });
});
