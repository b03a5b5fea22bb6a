/** The steps of the open site as they are known here: all, those that stand, and what this window undoes or makes again next. */
import { createSelector } from '@reduxjs/toolkit';
import { stacksOf, appliedOf, type EditBy, type Operation } from '../../core/index.ts';
import { pagesOfPaths, type WithDocuments } from './documents.ts';

/** A step as the list shows it: kept, or on its way. */
export interface ListedStep {
  key: string;
  session: string;
  by: EditBy;
  of?: string;
  sentence: string;
  pages: string[];
  /** Null while it is not kept. */
  revision: number | null;
  operations?: Operation[];
  inverse?: Operation[];
}

/** Every step that is known of, oldest first, those that are not kept yet among them. */
export const allSteps = createSelector(
  [
    ({ documents: { open } }: WithDocuments) => open?.steps,
    ({ documents: { open } }: WithDocuments) => open?.pending,
  ],
  (steps = [], pending = []): ListedStep[] => [
    ...steps,
    ...pending.map((edit) => ({ ...edit, revision: null, pages: pagesOfPaths(edit.operations) })),
  ],
);

/** What this window can undo and make again, the latest last. */
export const ownSteps = createSelector(
  [
    allSteps,
    ({ documents: { open } }: WithDocuments) => open?.own,
    ({ documents: { open } }: WithDocuments) => open?.session ?? '',
  ],
  (steps, own = [], session) => stacksOf([...own, ...steps], session),
);

/** Whether what this window can undo or make again next depends on steps of its own that have not been read. */
export function lacksOwnSteps(state: WithDocuments): boolean {
  if (!state.documents.open?.ownEarlier) return false;
  return ownSteps(state).reachesBack || nextStep(state, 'undo') === undefined;
}

/** The steps that stand, oldest first: whatever was done and not undone, by whom ever. */
export const appliedSteps = createSelector([allSteps], (steps): ListedStep[] => appliedOf(steps));

/** The step that would be undone, or redone, next. */
export function nextStep(state: WithDocuments, list: 'undo' | 'redo'): ListedStep | undefined {
  const { passed } = state.documents;
  return ownSteps(state)[list].findLast(({ key }) => !passed.includes(key));
}
