import type { Style } from '../../core/index.ts';

/** What was last copied in the ledger: the values of an element, one row of them, or a single value. */
export type Copied =
  | { of: 'element' | 'row'; style: Style; name: string; property?: string }
  | { of: 'value'; property: string; value: unknown; text: string };

const KEY = 'dimorphe copied values';

/** Keeps a copy in the browser, so that it can be pasted on another page, site or window. */
export function rememberCopy(copied: Copied): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(copied));
  } catch {
    // A browser that keeps nothing: the copy is lost, the page is not.
  }
}

export function rememberedCopy(): Copied | null {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? 'null') as Copied | null;
  } catch {
    return null;
  }
}
