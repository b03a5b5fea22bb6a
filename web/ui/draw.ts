import type { PointerEvent as ReactPointerEvent } from 'react';

export interface Drawing {
  /** px drawn to the right since the press. */
  move?(event: PointerEvent, travel: number): void;
  /** The pointer was let go. */
  end?(event: PointerEvent, travel: number): void;
  /** Escape was pressed, or the browser took the pointer away: nothing is to change. */
  cancel?(): void;
}

/** Follows the pointer that was pressed on an element, wherever it goes, until it is let go. */
export function draw(press: ReactPointerEvent<HTMLElement>, { move, end, cancel }: Drawing): void {
  const handle: HTMLElement = press.currentTarget;
  const from = press.clientX;
  // No text is selected meanwhile; with that the browser also leaves the focus where it was.
  press.preventDefault();
  handle.setPointerCapture(press.pointerId);
  const ended = new AbortController();
  const { signal } = ended;
  handle.addEventListener('pointermove', (event) => move?.(event, event.clientX - from), { signal });
  handle.addEventListener(
    'pointerup',
    (event) => {
      ended.abort();
      end?.(event, event.clientX - from);
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
