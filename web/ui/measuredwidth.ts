import { useCallback, useState } from 'react';

/**
 * How wide an element has room for what is in it: `ref` goes on the element, whichever that is at the time. 0 px until it has been measured; an
 * element that goes away leaves the last width behind.
 */
export function useMeasuredWidth(): {
  ref: (element: Element | null) => (() => void) | undefined;
  width: number;
} {
  const [width, setWidth] = useState(0);
  const ref = useCallback((element: Element | null) => {
    if (!element) return undefined;
    // At once, so that nothing is drawn for another width first.
    setWidth(element.clientWidth);
    const observer = new ResizeObserver(([{ contentRect }]) => setWidth(contentRect.width));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { ref, width };
}
