import { alternates } from './alternates.ts';
import { card } from './card.ts';
import { column } from './column.ts';
import { group } from './group.ts';
import { overlay } from './overlay.ts';
import { page } from './page.ts';
import { pageLayout } from './pagelayout.ts';
import { region } from './region.ts';
import { row } from './row.ts';
import { section } from './section.ts';
import { kinds as own } from './own.ts';
import type { Trait } from '../traits.ts';
import { strip } from './strip.ts';
import { up } from './up.ts';
import { form } from './form.ts';
import type { Kind } from './kind.ts';
import { navigation } from './navigation.ts';
import { social } from './social.ts';
import { openingHours } from './hours.ts';
import { pageList } from './pagelist.ts';
import { priceList } from './prices.ts';
import { timetable } from './timetable.ts';
import { gallery } from './gallery.ts';
import { icon } from './icon.ts';
import { logo } from './logo.ts';
import { picture } from './picture.ts';
import { video } from './video.ts';
import { openingScreen } from './splashscreen.ts';
import { questions } from './questions.ts';
import { divider } from './divider.ts';
import { spacer } from './spacer.ts';
import { button } from './button.ts';
import { heading } from './heading.ts';
import { list } from './list.ts';
import { quote } from './quote.ts';
import { text } from './text.ts';

/** Every kind of element. */
export const KINDS: readonly Kind[] = [
  page,
  pageLayout,
  region,
  section,
  row,
  column,
  card,
  overlay,
  group,
  alternates,
  heading,
  text,
  list,
  quote,
  button,
  picture,
  gallery,
  video,
  icon,
  divider,
  spacer,
  logo,
  navigation,
  social,
  pageList,
  priceList,
  openingHours,
  timetable,
  questions,
  form,
  strip,
  up,
  openingScreen,
  ...own,
];

const byName = new Map(KINDS.map((kind) => [kind.name, kind]));

/** The kind of a name; undefined where there is none. */
export const kindOf = (name: string): Kind | undefined => byName.get(name);

/** Whether an element is of a kind that has a trait; nothing, and what is of no kind, has none. */
export const hasTrait = (element: { readonly kind: string } | null | undefined, trait: Trait): boolean =>
  element !== null && element !== undefined && (kindOf(element.kind)?.traits.includes(trait) ?? false);

/** Whether elements of a kind may stand in one of another kind. */
export function takesKind(container: string, name: string): boolean {
  const [outer, inner] = [kindOf(container), kindOf(name)];
  if (!outer || !inner) return false;
  const has = (trait: Trait) => inner.traits.includes(trait);
  return outer.accepts.some(has) && !outer.refuses?.some(has);
}

/** Whether what stands in elements of a kind may lie over one another. */
export const isDeep = (kind: string): boolean => hasTrait({ kind }, 'overlaying');

/** Whether elements of a kind stay at an edge of the window, and stand in no row of the page. */
export const isAtEdge = (kind: string): boolean => hasTrait({ kind }, 'edge');

/** Whether elements of a kind stand on a page itself: in its rows, or at the edges of the window. */
export const standsOnPage = (kind: string): boolean => hasTrait({ kind }, 'section') || isAtEdge(kind);

/** A kind known to exist, after validation. */
export function knownKind(name: string): Kind {
  const kind = byName.get(name);
  if (!kind) throw new RangeError(`There is no kind of element ${name}.`);
  return kind;
}
