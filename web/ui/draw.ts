import type { PointerEvent as ReactPointerEvent } from 'react';

export interface Drawing {
  /** px of travel from which on a press is a drag; until then nothing is told, and let go it is a click. */
  after?: number;
  /** px drawn to the right since the press. */
  move?(event: PointerEvent, travel: number): void;
  /** The pointer was let go. */
  end?(event: PointerEvent, travel: number): void;
  /** Escape was pressed, or the browser took the pointer away: nothing is to change. */
  cancel?(): void;
}

/** A drag ends with a click on what it began on, which is none. */
function swallowClick(handle: HTMLElement): void {
  const swallow = (event: Event) => event.stopPropagation();
  handle.addEventListener('click', swallow, { capture: true, once: true });
  setTimeout(() => handle.removeEventListener('click', swallow, { capture: true }));
}

/** px; the travel from which on a press on something that can be clicked, too, is a drag. */
export const DRAGGED = 5;

/** Follows the pointer that was pressed on an element, wherever it goes, until it is let go. */
export function draw(press: ReactPointerEvent<HTMLElement>, { after = 0, move, end, cancel }: Drawing): void {
  const handle: HTMLElement = press.currentTarget;
  const from = { x: press.clientX, y: press.clientY };
  let dragged = after === 0;
  // No text is selected meanwhile; with that the browser also leaves the focus where it was.
  press.preventDefault();
  handle.setPointerCapture(press.pointerId);
  const ended = new AbortController();
  const { signal } = ended;
  handle.addEventListener(
    'pointermove',
    (event) => {
      dragged ||= Math.hypot(event.clientX - from.x, event.clientY - from.y) > after;
      if (dragged) move?.(event, event.clientX - from.x);
    },
    { signal },
  );
  handle.addEventListener(
    'pointerup',
    (event) => {
      ended.abort();
      if (after > 0 && dragged) swallowClick(handle);
      if (dragged) end?.(event, event.clientX - from.x);
    },
    { signal },
  );
  const giveUp = () => {
    ended.abort();
    cancel?.();
  };
  handle.addEventListener('pointercancel', giveUp, { signal });
  const key = (event: KeyboardEvent) => {
    if (event.key !== 'Escape') return;
    event.stopPropagation();
    handle.releasePointerCapture(press.pointerId);
    giveUp();
  };
  window.addEventListener('keydown', key, { capture: true, signal });
}
