import { hasTrait } from '../elements/kinds/table.ts';
import { plainText } from '../markup/fragment.ts';
import { measureAt } from '../type/measure.ts';
import { viewAt } from '../layered/views.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { knownProperty } from '../elements/propertytable.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { curveAt, turnsOf } from '../type/curve.ts';
import { resolve } from './trace.ts';
import { measureTurns, textCurve } from './textcurves.ts';
import { hiddenBy } from './visibility.ts';
import { widthsIn } from './widths.ts';

/** em; how wide a character of running text is on average (common practice). */
export const CHARACTER = 0.5;

/** Characters a line that are read well (common practice). */
export const GOOD_LINE = { least: 45, most: 75 };

/** A text that runs over lines, and how long they are. */
export interface RunningText {
  node: NodeId;
  name: string;
  /** How many characters it has. */
  length: number;
  /** How many characters a full line has in a window so wide, in px; undefined where the text is not shown. */
  lineAt(width: number): number | undefined;
  /** px; the widths between which its lines get longer only, or shorter only. */
  turns: readonly number[];
}

const plainLength = ({ content }: Node): number =>
  typeof content.text === 'string' ? plainText(content.text).trim().length : 0;

/** The texts of a page that run over lines of a usual length, in source order, with how long their lines are at every width. */
export function runningTexts(site: SiteFrame, page: Page): RunningText[] {
  const widths = widthsIn(site, page);
  const columns = knownProperty('textColumns');
  return sourceOrder(page)
    .filter((node) => hasTrait(node, 'running') && plainLength(node) > GOOD_LINE.most)
    .map((node) => {
      const byView = new Map(
        site.views.list
          .filter(({ id }) => hiddenBy(site, page, node, id) === undefined)
          .map(({ id }) => {
            const beside = resolve(site, page, node, columns, id);
            return [id, { room: widths.roomIn(node.id, id), beside }];
          }),
      );
      const size = textCurve(site, page, node, 'self', widths);
      const lineAt = (width: number): number | undefined => {
        const shown = byView.get(viewAt(site.views, width).id);
        if (!shown) return undefined;
        const { room, beside } = shown;
        return measureAt(room, width) / beside / (curveAt(size, width) * CHARACTER);
      };
      const turns = [...turnsOf(size), ...measureTurns(site, (view) => widths.roomIn(node.id, view))];
      return { node: node.id, name: node.name, length: plainLength(node), lineAt, turns };
    });
}
