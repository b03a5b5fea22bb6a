import { done, refused, type Outcome } from '../../outcome.ts';
import { dismissalKey, likenessOf, type Place } from '../../site/dismissals.ts';
import type { Node } from '../../site/node.ts';
import type { Command } from '../command.ts';
import { lookup } from '../../lookup.ts';

const LONGEST = 300;

/** Sets a finding of a rule aside, with the reason; without one takes it up again. It comes back by itself when its element changes. */
export const setAside: Command<{ of: Place; rule: string; reason: string }> = {
  on: ({ of }) => ('textStyle' in of ? 'frame' : 'page'),
  run(site, page, { of, rule, reason }): Outcome<string> {
    const holder =
      'textStyle' in of
        ? site.textStyles.find(({ id }) => id === of.textStyle)
        : (page.nodes[of.node] as Node | undefined);
    if (!holder) return refused('The finding is about something that no longer exists.');
    const why = reason.trim();
    if (why.length > LONGEST)
      return refused(
        `The reason has ${why.length} characters; at most ${LONGEST} are allowed. Nothing was changed.`,
      );
    const key = dismissalKey(rule, of);
    if (why === '') {
      if (!holder.aside || !lookup(holder.aside, key))
        return refused(`It is not dismissed. Nothing was changed.`);
      delete holder.aside[key];
      if (Object.keys(holder.aside).length === 0) delete holder.aside;
      return done(`${holder.name}: “${rule}” is reopened`);
    }
    const head = holder.id === page.root ? site.pages.find(({ id }) => id === page.id) : undefined;
    holder.aside = { ...holder.aside, [key]: { reason: why, of: likenessOf(holder, head) } };
    return done(`${holder.name}: “${rule}” is dismissed`);
  },
};
