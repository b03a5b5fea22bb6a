import { createDraft, finishDraft, type Patch } from 'immer';
import { done, refused, type Outcome } from '../site/outcome.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import type { Command } from './command.ts';
import { rename, setContent } from './content.ts';
import { carryOver, clearOverrides, matchSiblings, pasteValues } from './many.ts';
import { reverseOrder } from './order.ts';
import { toJsonPatch, type Operation } from './patch.ts';
import { clearValue, setReach, setValue } from './values.ts';

/** Every change that can be made to a page, by name. */
export const COMMANDS = {
  setValue,
  clearValue,
  setReach,
  reverseOrder,
  setContent,
  rename,
  clearOverrides,
  pasteValues,
  matchSiblings,
  carryOver,
};

export type CommandName = keyof typeof COMMANDS;
export type Arguments<N extends CommandName> = (typeof COMMANDS)[N] extends Command<infer A> ? A : never;

/** A change that was made: the page after it, how to make it again and how to take it back, and its sentence. */
export interface Step {
  page: Page;
  operations: Operation[];
  inverse: Operation[];
  sentence: string;
}

/**
 * Runs a command on a page. The page given is left as it is; what the command does not touch stays the same objects in
 * the new one. A step without operations changed nothing.
 */
export function perform<N extends CommandName>(
  site: SiteFrame,
  page: Page,
  name: N,
  args: Arguments<N>,
): Outcome<Step> {
  const draft = createDraft(page);
  const outcome = (COMMANDS[name] as unknown as Command<Arguments<N>>).run(site, draft, args);
  if (!outcome.ok) return refused(outcome.sentence);
  let forward: Patch[] = [];
  let backward: Patch[] = [];
  const next = finishDraft(draft, (patches, inverse) => {
    forward = patches;
    backward = inverse;
  }) as Page;
  return done({
    page: next,
    operations: toJsonPatch(forward),
    inverse: toJsonPatch(backward),
    sentence: outcome.value,
  });
}
