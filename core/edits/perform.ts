import { createDraft, finishDraft, type Patch } from 'immer';
import { done, refused, type Outcome } from '../site/outcome.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import type { Command, Document } from './command.ts';
import { applyChanges } from './changes.ts';
import { rename, setContent } from './content.ts';
import { carryOver, clearOverrides, matchSiblings, pasteValues, setTextStyle } from './many.ts';
import { draftPage } from './draft.ts';
import { reverseOrder } from './order.ts';
import { takeColumns } from './place.ts';
import { toJsonPatch, type Operation } from './patch.ts';
import { addElement, duplicateElement, removeElements } from './structure.ts';
import { addFont, removeFromTheme, setColour, setSpacing } from './theme.ts';
import { adjustValue, clearValue, setReach, setValue } from './values.ts';

/** Every change that can be made, by name. */
export const COMMANDS = {
  setValue,
  adjustValue,
  clearValue,
  setReach,
  reverseOrder,
  takeColumns,
  addElement,
  duplicateElement,
  removeElements,
  setContent,
  rename,
  clearOverrides,
  pasteValues,
  matchSiblings,
  carryOver,
  setTextStyle,
  setColour,
  setSpacing,
  addFont,
  removeFromTheme,
  applyChanges,
};

export type CommandName = keyof typeof COMMANDS;
export type Arguments<N extends CommandName> = (typeof COMMANDS)[N] extends Command<infer A> ? A : never;

/** A change that was made: what is there after it, how to make it again and how to take it back, and its sentence. */
export interface Step {
  /** The document that was changed. */
  on: Document;
  site: SiteFrame;
  page: Page;
  operations: Operation[];
  inverse: Operation[];
  sentence: string;
}

/**
 * Runs a command on a page and its site. What is given is left as it is; what the command does not touch stays the same
 * objects in the new state. A step without operations changed nothing.
 */
export function perform<N extends CommandName>(
  site: SiteFrame,
  page: Page,
  name: N,
  args: Arguments<N>,
): Outcome<Step> {
  const command = COMMANDS[name] as unknown as Command<Arguments<N>>;
  const on = command.on?.(args) ?? 'page';
  if (on === 'page') {
    const { draft, finish } = draftPage(page);
    const outcome = command.run(site, draft, args);
    if (!outcome.ok) return refused(outcome.sentence);
    const { page: next, patches, inverse } = finish();
    return done({ on, site, page: next, ...asOperations(patches, inverse), sentence: outcome.value });
  }
  const draft = createDraft(site);
  const outcome = command.run(draft, page, args);
  if (!outcome.ok) return refused(outcome.sentence);
  let made: ReturnType<typeof asOperations> = { operations: [], inverse: [] };
  const next = finishDraft(draft, (patches, inverse) => {
    made = asOperations(patches, inverse);
  });
  return done({ on, site: next, page, ...made, sentence: outcome.value });
}

const asOperations = (patches: readonly Patch[], inverse: readonly Patch[]) => ({
  operations: toJsonPatch(patches),
  inverse: toJsonPatch(inverse),
});
