/** The rules of a sheet's elements, in a document that only keeps what is written into it. */
import { expect } from 'chai';
import { preview, type Preview } from '../../core/index.ts';
import { ElementRules } from '../../web/page/sheetrules.ts';
import { frame, home } from '../core/acting.ts';

/** The head of a document: style elements whose rules can be read. */
function head() {
  const styles: { textContent: string }[] = [];
  const rule = { style: {}, cssRules: [{ style: {} }] };
  const createElement = () => {
    const made = { textContent: '', sheet: { cssRules: new Proxy([], { get: () => rule }) }, remove() {} };
    styles.push(made);
    return made;
  };
  const before = { ownerDocument: { createElement }, before() {} };
  return { styles, before: before as unknown as HTMLElement };
}

describe('the rules of a sheet', () => {
  it('are all written into a new sheet, whatever a page was compiled from that is no more', () => {
    const addresses = { page: () => '#', picture: () => '' };
    const made = preview(frame, home, addresses);
    // What it was compiled from has been collected: a weak reference to it leads to nothing.
    const collected: Preview = {
      ...made,
      rulesOf: (id) => made.rulesOf(id),
      since: { preview: { deref: () => undefined } as WeakRef<Preview>, elements: [home.root] },
    };
    const { styles, before } = head();
    new ElementRules(before).update(collected);
    expect(styles.map(({ textContent }) => textContent).join('')).to.contain('.n-headline');
  });
});
