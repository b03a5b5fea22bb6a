import type { KeyboardEvent } from 'react';

/** Runs something when Enter is pressed in a field of a dialog; the key must not also press what has the focus once that has gone. */
export const onEnter = (run: () => void) => (event: KeyboardEvent) => {
  if (event.key !== 'Enter') return;
  event.preventDefault();
  run();
};
