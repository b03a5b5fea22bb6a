import { startTransition, useEffect, useState } from 'react';

/**
 * Does something once the next frame has been painted; answers what calls it off. A message posted in an animation frame
 * arrives right behind it, where a timer would wait for further input and frames.
 */
export function afterPaint(work: () => void): () => void {
  const { port1, port2 } = new MessageChannel();
  port1.onmessage = () => {
    port1.close();
    work();
  };
  const request = requestAnimationFrame(() => port2.postMessage(null));
  return () => {
    cancelAnimationFrame(request);
    port1.close();
  };
}

/** A value for what may be drawn a frame later, and with pauses: what a person looks at comes first. */
export function useAfterPaint<T>(value: T): T {
  const [drawn, draw] = useState(() => value);
  useEffect(() => afterPaint(() => startTransition(() => draw(() => value))), [value]);
  return drawn;
}
