import { useEffect, useState } from 'react';
import { tabbable } from 'tabbable';

/** Something that had the keyboard, with what it stood in and what followed it at each level. */
interface Held {
  element: Element;
  /** From itself outwards. */
  levels: { of: Element; next: Element | null }[];
}

/** ms; whoever moves the keyboard on purpose has done it by then. */
const PATIENCE = 80;

const heldAt = (element: Element): Held => {
  const levels: Held['levels'] = [];
  for (let of: Element | null = element; of; of = of.parentElement)
    levels.push({ of, next: of.nextElementSibling });
  return { element, levels };
};

const isLost = ({ element }: Held): boolean => !element.isConnected || element.matches(':disabled');

/** What a screen is about. */
function heading(): HTMLElement | undefined {
  const found = document.querySelector<HTMLElement>('h1');
  if (!found) return undefined;
  const control = found.closest<HTMLElement>('a, button');
  if (control) return control;
  found.tabIndex = -1;
  return found;
}

/** Where the keyboard goes on: to what followed what had it, in the nearest of what that stood in; on another screen, to its heading. */
function nextTo({ levels }: Held): HTMLElement | undefined {
  for (const [index, { of }] of levels.entries()) {
    if (!of.isConnected || index === 0) continue;
    if (of === document.body || of.id === 'root') return heading();
    const within = tabbable(of);
    if (within.length === 0) continue;
    const { next } = levels[index - 1];
    const after =
      next?.isConnected === true
        ? within.find(
            (each) =>
              next.contains(each) || next.compareDocumentPosition(each) & Node.DOCUMENT_POSITION_FOLLOWING,
          )
        : undefined;
    return (after ?? within.at(-1)) as HTMLElement;
  }
  return heading();
}

/**
 * The keyboard never falls to the document itself because what had it has gone, or can do nothing for now: it goes on beside it (WCAG 2.2,
 * 2.4.3 https://www.w3.org/TR/WCAG22/#focus-order). A click on nothing leaves it nowhere, as ever.
 */
export function useKeptFocus(): void {
  useEffect(() => {
    let held: Held | undefined;
    let waiting: ReturnType<typeof setTimeout> | undefined;
    const take = ({ target }: FocusEvent) => {
      if (target instanceof Element && target !== document.body) held = heldAt(target);
    };
    // Whoever leaves it for nothing means that.
    const leave = ({ target }: FocusEvent) =>
      void setTimeout(() => {
        if (held?.element === target && !isLost(held) && document.activeElement === document.body)
          held = undefined;
      });
    const look = () => {
      waiting = undefined;
      if (document.activeElement !== document.body || !held || !isLost(held)) return;
      nextTo(held)?.focus({ preventScroll: true });
    };
    const changed = new MutationObserver(() => {
      if (document.activeElement !== document.body || !held || !isLost(held)) return;
      waiting ??= setTimeout(look, PATIENCE);
    });
    document.addEventListener('focusin', take);
    document.addEventListener('focusout', leave);
    changed.observe(document.body, {
      ...{ childList: true, subtree: true },
      attributeFilter: ['disabled'],
    });
    return () => {
      document.removeEventListener('focusin', take);
      document.removeEventListener('focusout', leave);
      changed.disconnect();
      clearTimeout(waiting);
    };
  }, []);
}

/** Gives the keyboard back to what opened a panel, once that has closed with the keyboard in it. */
export function useReturnedFocus(): void {
  // Before anything in the panel takes it.
  const [opener] = useState(() => document.activeElement);
  useEffect(
    () => () =>
      void requestAnimationFrame(() => {
        if (document.activeElement === document.body && opener instanceof HTMLElement && opener.isConnected)
          opener.focus();
      }),
    [opener],
  );
}
