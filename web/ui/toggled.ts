import { useState } from 'react';

/** A set of things, and a way to put one in or take it out. */
export function useToggled<T>(): [ReadonlySet<T>, (each: T) => void] {
  const [set, setSet] = useState<ReadonlySet<T>>(new Set());
  const toggle = (each: T) =>
    setSet((before) => {
      const next = new Set(before);
      if (!next.delete(each)) next.add(each);
      return next;
    });
  return [set, toggle];
}
