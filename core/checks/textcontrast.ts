import { differenceCiede2000 } from 'culori';
import { callOf } from '../edits/perform.ts';
import { viewsNamed } from '../edits/values/textbyview.ts';
import { plainText } from '../markup/fragment.ts';
import { knownKind } from '../elements/kinds/table.ts';
import { PARTS, type Part } from '../elements/parts.ts';
import { knownProperty } from '../elements/propertytable.ts';
import { viewOf, type ViewId } from '../layered/views.ts';
import { applies } from '../site/applies.ts';
import type { Node } from '../site/node.ts';
import type { Page, SiteFrame } from '../site/site.ts';
import { sourceOrder } from '../site/sourceorder.ts';
import { aliasTo } from '../theme/alias.ts';
import { hiddenBy } from '../values/visibility.ts';
import { linksShownIn } from '../values/links.ts';
import { textIn } from '../values/textbyview.ts';
import { resolve } from '../values/trace.ts';
import { colourOf, contrasts, tenths, type Contrast, type Contrasts } from './contrast.ts';
import type { Fix, Found } from './finding.ts';
import type { Rule } from './rule.ts';
import { viewWidths } from './widths.ts';

const colour = knownProperty('colour');
const difference = differenceCiede2000();

/** The colour of the site that is nearest to one that fails, and stands out enough. */
function nearest(
  site: SiteFrame,
  page: Page,
  node: Node,
  part: Part,
  view: ViewId,
  of: Contrasts,
): string | undefined {
  const own = colourOf(site, resolve(site, page, node, colour, view, part));
  if (!own) return undefined;
  const passing = site.colours.flatMap(({ id }) => {
    const candidate = colourOf(site, aliasTo(id));
    const found = candidate && of.contrastOf(node, part, view, candidate);
    return found && found.ratio >= found.needed ? [{ id, away: difference(own, candidate) }] : [];
  });
  return passing.sort((one, other) => one.away - other.away).at(0)?.id;
}

const BEFORE: Record<Contrast['over'], string> = {
  colour: '',
  gradient: ' at the worst point of the gradient behind it',
  picture: ' at the worst point of the background image',
  film: ' at the worst the background video can show',
};

/** Elements that stand in the words of others, by their tags; links are asked for as such. */
const IN_WORDS = /\b(?:h[2-4]|ul|ol|blockquote)\b/g;

/** Whether an element says nothing in a view. */
function isSilent(site: SiteFrame, node: Node, view: ViewId): boolean {
  const { words, content } = knownKind(node.kind);
  if (words !== undefined) return plainText(textIn<string>(node, site.views, words, view)).trim() === '';
  const list = content.find(({ type }) => type.editor === 'entries');
  return list !== undefined && textIn<unknown[]>(node, site.views, list.name, view).length === 0;
}

/** The parts of an element that have words in a view. */
function partsWithWords(site: SiteFrame, node: Node, view: ViewId): Part[] {
  const kind = knownKind(node.kind);
  if (isSilent(site, node, view)) return [];
  const said = kind.words === undefined ? undefined : textIn<string>(node, site.views, kind.words, view);
  return PARTS.filter((part) => {
    if (part === 'self') return kind.traits.includes('words') && !kind.allInParts;
    const known = kind.parts?.[part];
    if (!known || !applies(colour, node.kind, undefined, part)) return false;
    if (part === 'link') return linksShownIn(node, site.views, view).length > 0;
    const tags = known.selector.match(IN_WORDS) ?? [];
    return said === undefined || tags.length === 0 || tags.some((tag) => said.includes(`<${tag}`));
  });
}

/** The name of the rule about the contrast of text. */
export const TEXT_CONTRAST = 'text contrast too low';

/** Text stands out from what is behind it: by 4.5 to 1, large text by 3 to 1 (https://www.w3.org/TR/WCAG22/#contrast-minimum). */
export const textContrast: Rule = {
  name: TEXT_CONTRAST,
  clause: 'WCAG 2.2, 1.4.3',
  severity: 'barrier',
  find({ site, page, facts }) {
    const of = contrasts(site, page, facts.tones);
    return sourceOrder(page).flatMap((node) => {
      const byPart = new Map<Part, { view: ViewId; found: Contrast }[]>();
      for (const { id: view } of site.views.list) {
        if (hiddenBy(site, page, node, view) !== undefined) continue;
        for (const part of partsWithWords(site, node, view)) {
          const own = (each: Part) => resolve(site, page, node, colour, view, each);
          // What has the colour of the whole is mended with it.
          const whole = part !== 'self' && own(part) === own('self');
          if (whole && byPart.get('self')?.some((each) => each.view === view)) continue;
          const found = of.contrastIn(node, part, view);
          if (found && found.ratio < found.needed)
            byPart.set(part, [...(byPart.get(part) ?? []), { view, found }]);
        }
      }
      return [...byPart].map(([part, failing]): Found => {
        const [{ view, found }] = failing;
        const names = viewsNamed(
          site,
          failing.map((each) => each.view),
        );
        const label = knownKind(node.kind).parts?.[part]?.label;
        const name = label ? `${node.name}, ${label.toLowerCase()}` : node.name;
        const id = nearest(site, page, node, part, view, of);
        const fixes = site.colours
          .filter((each) => each.id === id)
          .map((each): Fix => ({
            label: `Give it ${each.name} in ${viewOf(site.views, view).name}`,
            call: callOf('setValue', {
              ...{ nodes: [node.id], part, property: 'colour', view },
              ...{ value: aliasTo(each.id), reach: 'here' as const },
            }),
          }));
        return {
          of: part === 'self' ? { node: node.id } : { node: node.id, part },
          widths: failing.map((each) => viewWidths(site, each.view)),
          sentence: `${name} has a contrast of ${tenths(found.ratio)} : 1${BEFORE[found.over]} in ${names}; text of its size needs ${found.needed} : 1.`,
          cure: id
            ? 'Change its colour, or the background.'
            : 'No colour of the site has enough contrast here: change the background, or add a colour.',
          ...(fixes.length > 0 && { fixes }),
        };
      });
    });
  },
};
