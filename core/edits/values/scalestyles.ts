import { done, refused, type Outcome } from '../../outcome.ts';
import { scaleFault, scaleSize, type Scale } from '../../type/scale.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { same } from '../../layered/express.ts';
import { decimals } from '../../type/fluid.ts';
import { store, valueFault } from './aim.ts';
import type { Command } from '../command.ts';
import { counted } from '../../plural.ts';

export interface ScaleStyles {
  scale: Scale;
  /** Text styles, each with how many steps it is from the size of the scale's ends; the others are held back. */
  steps: { textStyle: string; step: number }[];
}

/** Gives text styles the sizes of a scale, fluid between its ends, in all views, in one step. */
export const scaleStyles: Command<ScaleStyles> = {
  on: () => 'frame',
  run(site, _page, { scale, steps }): Outcome<string> {
    const fault = scaleFault(scale);
    if (fault) return refused(`${fault} Nothing was changed.`);
    if (steps.length === 0) return refused('No text style follows the scale. Nothing was changed.');
    const size = knownProperty('size');
    let changed = 0;
    for (const { textStyle, step } of steps) {
      const style = site.textStyles.find(({ id }) => id === textStyle);
      if (!style) return refused('The text style is no longer in the theme.');
      const made = scaleSize(scale, step);
      if (!made.ok) return refused(`${style.name}: ${made.sentence} Nothing was changed.`);
      const wrong = valueFault(size, made.value, site);
      if (wrong) return refused(`${style.name}: ${wrong} Nothing was changed.`);
      if (same(style.style.self?.size, { base: made.value })) continue;
      store(style, 'self', 'size', { base: made.value });
      changed += 1;
    }
    if (changed === 0) return refused('They have these sizes already; nothing was changed.');
    const end = ({ base, ratio, width }: Scale['narrow']) =>
      `${decimals(base)} px × ${decimals(ratio)} at ${decimals(width)} px`;
    return done(
      `${counted(changed, 'text style')} on a scale, from ${end(scale.narrow)} to ${end(scale.wide)}`,
    );
  },
};
