import { type EditReach } from '../../layered/change.ts';
import { same } from '../../layered/express.ts';
import type { ViewId } from '../../layered/views.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { TextSize } from '../../type/textsize.ts';
import { styleValueIn } from '../../values/textcurves.ts';
import { valueFault, setIn } from './aim.ts';
import type { Command } from '../command.ts';
import { counted } from '../../plural.ts';
import { describeReach } from './textbyview.ts';

export interface SetStyleSizes {
  sizes: { textStyle: string; size: TextSize }[];
  view: ViewId;
  reach: EditReach;
}

/** Gives text styles sizes in a view, with a reach, in one step. What they have there already is left alone. */
export const setStyleSizes: Command<SetStyleSizes> = {
  on: () => 'frame',
  run(site, page, { sizes, view, reach }): Outcome<string> {
    const property = knownProperty('size');
    let changed = 0;
    for (const { textStyle, size } of sizes) {
      const style = site.textStyles.find(({ id }) => id === textStyle);
      if (!style) return refused('The text style is no longer in the theme.');
      const fault = valueFault(property, size, site);
      if (fault) return refused(`${style.name}: ${fault} Nothing was changed.`);
      if (same(styleValueIn(site, style, 'size', view), size)) continue;
      setIn(site, page, style, 'self', property, { view, value: size, reach });
      changed += 1;
    }
    if (changed === 0) return refused('They have these sizes already; nothing was changed.');
    return done(`${counted(changed, 'text style')}: sizes ${describeReach(site, view, reach)}`);
  },
};
