import type { KeyboardEvent } from 'react';

/** What keys do in the table; each acts on the cell that has the keyboard. */
export interface KeyActions {
  /** `whole`: the whole row with its overrides. */
  copy(whole: boolean): void;
  paste(): void;
  move(down: number, across: number): void;
  step(steps: number): void;
  changeReach(reach: 'here' | 'onward'): void;
  toEnd(end: 'first' | 'last'): void;
  /** Opens the cell; with what was typed, where something was. */
  open(text?: string): void;
  clear(): void;
  /** Looks for a property by name. */
  narrow(): void;
}

const typed = (event: KeyboardEvent): boolean => event.key.length === 1 && event.key !== ' ';

/** Does what a key means in the table. Answers whether it means anything. */
export function actOn(event: KeyboardEvent, act: KeyActions): boolean {
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) {
    if (key === 'c') act.copy(event.shiftKey);
    else if (key === 'v') act.paste();
    else if (key === 'arrowup') act.step(event.shiftKey ? 10 : 1);
    else if (key === 'arrowdown') act.step(event.shiftKey ? -10 : -1);
    else if (key === 'i') document.querySelector<HTMLElement>('[data-trace] button')?.focus();
    else return false;
  } else if (event.altKey) {
    if (key === 'arrowright') act.changeReach('onward');
    else if (key === 'arrowleft') act.changeReach('here');
    else return false;
  } else if (key === 'arrowdown') act.move(1, 0);
  else if (key === 'arrowup') act.move(-1, 0);
  else if (key === 'arrowright') act.move(0, 1);
  else if (key === 'arrowleft') act.move(0, -1);
  else if (key === 'pagedown') act.move(10, 0);
  else if (key === 'pageup') act.move(-10, 0);
  else if (key === 'home') act.toEnd('first');
  else if (key === 'end') act.toEnd('last');
  else if (key === 'enter' || key === 'f2') act.open();
  else if (key === 'delete' || key === 'backspace') act.clear();
  else if (key === '/') act.narrow();
  else if (typed(event)) act.open(event.key);
  else return false;
  return true;
}
