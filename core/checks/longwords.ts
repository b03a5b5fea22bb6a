import type { PropertyName } from '../elements/propertyvalues.ts';
import { knownIn, sure } from '../sure.ts';
import { hasTrait, knownKind } from '../elements/kinds/table.ts';
import LineBreaker from 'linebreak';
import { callOf } from '../edits/perform.ts';
import type { NodeId } from '../elements/nodeid.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { viewAt, viewOf, type ViewId } from '../layered/views.ts';
import { plainText } from '../markup/fragment.ts';
import { cased } from '../markup/language.ts';
import type { Node } from '../site/node.ts';
import { headOf, type Page, type SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { curveAt, turnsOf } from '../type/curve.ts';
import { stretchesWhere } from '../type/stretches.ts';
import { SMALLEST_BODY, SMALLEST_READ } from '../type/limits.ts';
import { measureAt } from '../type/measure.ts';
import { measureTurns, textCurve } from '../values/textcurves.ts';
import { resolve } from '../values/trace.ts';
import { hiddenBy } from '../values/visibility.ts';
import { widthsIn } from '../values/widths.ts';
import { textIn } from '../values/textbyview.ts';
import { wide, type Fix, type Found } from './finding.ts';
import { PRACTICE, type Rule } from './rule.ts';
import type { LongWord } from './browserfacts.ts';
import { NARROWEST, px, WIDEST } from './widths.ts';

/** The pieces of a text that no line breaks (Unicode Line Breaking Algorithm, UAX #14 https://www.unicode.org/reports/tr14/), without what ends a line unseen. */
export function unbreakable(text: string): string[] {
  const breaker = new LineBreaker(text);
  const pieces: string[] = [];
  let from = 0;
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
    pieces.push(
      text
        .slice(from, next.position)
        .trimEnd()
        .replace(/[\u00ad\u200b]$/u, ''),
    );
    from = next.position;
  }
  return pieces.filter((piece) => piece !== '');
}

/** Words of an element, as they are drawn, that are candidates for its widest one in a view, and the font that they are set in. */
export interface WordsToMeasure {
  node: NodeId;
  view: ViewId;
  words: string[];
  family: string;
  weight: number;
  slant: string;
  /** em */
  spacing: number;
}

/** How many of the longest words are measured: the widest is hardly ever another one. */
const CANDIDATES = 4;

const isProse = ({ kind }: Node): boolean =>
  knownKind(kind).traits.includes('prose') && knownKind(kind).words !== undefined;

const longest = (text: string): string[] =>
  [...new Set(unbreakable(text))].sort((one, other) => other.length - one.length).slice(0, CANDIDATES);

/** The words of a page that may be too wide for their place, by view, as a browser has to draw them. */
export function wordsToMeasure(site: SiteFrame, page: Page): WordsToMeasure[] {
  const lang = headOf(site, page.id).lang ?? site.lang;
  return sourceOrder(page)
    .filter(isProse)
    .flatMap((node) =>
      site.views.list.flatMap(({ id: view }): WordsToMeasure[] => {
        const words = longest(
          plainText(textIn<string>(node, site.views, sure(knownKind(node.kind).words), view)),
        );
        if (words.length === 0 || hiddenBy(site, page, node, view) !== undefined) return [];
        const value = <Name extends PropertyName>(name: Name) =>
          resolve(site, page, node, knownProperty(name), view);
        if (value('hyphenation') === 'auto') return [];
        const spacing = value('letterSpacing');
        const drawn = (word: string) => cased(word, value('case'), lang);
        return [
          {
            node: node.id,
            view,
            words: words.map(drawn),
            family: value('family'),
            weight: value('weight'),
            slant: value('slant'),
            spacing: typeof spacing === 'number' ? spacing : 0,
          },
        ];
      }),
    );
}

/** px; a word that is so much wider is not: browsers round. */
const SAME = 0.5;

function fixesFor(site: SiteFrame, node: Node, view: ViewId, fitting: number): Fix[] {
  const { name } = viewOf(site.views, view);
  const least = hasTrait(node, 'running') ? SMALLEST_BODY : SMALLEST_READ;
  const set = (property: string, value: unknown) =>
    callOf('setValue', { nodes: [node.id], property, view, value, reach: 'here' });
  const hyphenate = { label: `Hyphenate it in ${name}`, call: set('hyphenation', 'auto') };
  if (fitting < least) return [hyphenate];
  return [{ label: `Make it ${px(fitting)} in ${name}`, call: set('size', fitting) }, hyphenate];
}

function found(site: SiteFrame, page: Page, words: readonly LongWord[]): Found[] {
  const node = page.nodes[words[0].node] as Node | undefined;
  if (!node) return [];
  const [widths, curve] = [widthsIn(site, page), textCurve(site, page, node)];
  const byView = new Map(words.map((each) => [each.view, each]));
  const room = (width: number) => measureAt(widths.roomIn(node.id, viewAt(site.views, width).id), width);
  const turns = [...turnsOf(curve), ...measureTurns(site, (id) => widths.roomIn(node.id, id))];
  const too = stretchesWhere(NARROWEST, WIDEST, turns, (width) => {
    const word = byView.get(viewAt(site.views, width).id);
    return word !== undefined && word.ems * curveAt(curve, width) > room(width) + SAME;
  });
  if (too.length === 0) return [];
  const [first] = too;
  const view = viewAt(site.views, first.from).id;
  const { word, ems } = knownIn(byView, view);
  const fitting = Math.floor((room(first.from) / ems) * 2) / 2;
  return [
    {
      of: { node: node.id },
      widths: too,
      sentence: `“${word}” in ${node.name} is wider than its container ${wide(first)}: ${Math.ceil(ems * curveAt(curve, first.from))} of ${Math.floor(room(first.from))} px.`,
      cure: 'It breaks at any letter there. Make it smaller, or hyphenate it.',
      fixes: fixesFor(site, node, view, fitting),
    },
  ];
}

/** The longest word of a text that no line breaks has room in its place, at every width. What is hyphenated is left out. */
export const longWords: Rule = {
  name: 'word wider than its container',
  clause: PRACTICE,
  severity: 'advice',
  find({ site, page, facts: { words = [] } }) {
    const byNode = new Map<NodeId, LongWord[]>();
    for (const word of words) byNode.set(word.node, [...(byNode.get(word.node) ?? []), word]);
    return [...byNode.values()].flatMap((each) => found(site, page, each));
  },
};
