import {
  applyOperations,
  overlapping,
  perform,
  type Document,
  type Operation,
  type Outcome,
  type Page,
  type SiteFrame,
} from '../../core/index.ts';
import type { Pending } from './editor.ts';

export interface Documents {
  site: SiteFrame;
  page: Page;
}

export interface Rebased extends Documents {
  pending: Pending[];
  /** What became of each pending edit; null where it is none any more. */
  fates: { before: Pending; now: Pending | null }[];
  /** Pending edits that no longer fit. */
  lost: Pending[];
  /** What was changed elsewhere and is replaced by a pending edit again. */
  overwritten: Operation[];
}

/** A document with lists of operations applied one after the other; undefined when one does not fit. */
export function applied<T extends Page | SiteFrame>(
  document: T,
  lists: readonly Operation[][],
): T | undefined {
  let result: T | undefined = document;
  for (const operations of lists) {
    const next: Outcome<T> | undefined = result && applyOperations<T>(result, operations);
    result = next?.ok ? next.value : undefined;
  }
  return result;
}

/** A pending edit made anew on other documents; undefined when it no longer fits. */
function remade(
  made: Pending,
  { site, page }: Documents,
): { documents: Documents; made: Pending } | undefined {
  if (made.command) {
    const outcome = perform(site, page, made.command.name, made.command.args);
    if (!outcome.ok) return undefined;
    const { operations, inverse, sentence, ...documents } = outcome.value;
    return { documents, made: { ...made, operations, inverse, sentence } };
  }
  const next = applyOperations<Page | SiteFrame>(made.on === 'page' ? page : site, made.operations);
  if (!next.ok) return undefined;
  return { documents: { site, page, [made.on]: next.value }, made };
}

/**
 * The pending edits put on top of what the server has. A command is run again, so that it meets the values that were
 * changed elsewhere; what it replaces of them is told.
 */
export function rebased(
  stored: Documents,
  pending: readonly Pending[],
  on: Document,
  theirs: readonly Operation[],
): Rebased {
  let documents = stored;
  const fates: Rebased['fates'] = [];
  const lost: Pending[] = [];
  const overwritten = new Set<Operation>();
  for (const made of pending) {
    const next = remade(made, documents);
    const changes = next !== undefined && next.made.operations.length > 0;
    fates.push({ before: made, now: changes ? next.made : null });
    if (!next) lost.push(made);
    else {
      ({ documents } = next);
      if (made.on === on) overlapping(theirs, next.made.operations).forEach((each) => overwritten.add(each));
    }
  }
  const kept = fates.flatMap(({ now }) => (now ? [now] : []));
  return { ...documents, pending: kept, fates, lost, overwritten: [...overwritten] };
}
