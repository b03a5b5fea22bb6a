import { useEffect } from 'react';

/** Gives the window a title: what is shown, the largest thing last. */
export function useTitle(...parts: readonly string[]): void {
  const title = [...parts, 'Dimorphe'].join(' · ');
  useEffect(() => {
    document.title = title;
  }, [title]);
}
