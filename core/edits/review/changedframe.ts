import { nodeId } from '../../elements/nodeid.ts';
import { sure } from '../../sure.ts';
import { wordIn, type SystemMessage } from '../../elements/content/systemmessages.ts';
import { viewOf } from '../../layered/views.ts';
import { languageName } from '../../markup/language.ts';
import type { TextStyle } from '../../site/site.ts';
import type { SpacingStep } from '../../theme/resources.ts';
import type { Change } from './changed.ts';
import { both, ofStep, ofValue, formatted, STEP, type State } from './changedvalues.ts';
import { lookup } from '../../lookup.ts';

const LISTS = {
  colours: 'colour',
  textStyles: 'text style',
  spacing: STEP,
  fonts: 'font',
  assets: 'file',
  pages: 'page',
} as const;

const HEAD: Record<string, string> = {
  slug: 'address',
  title: 'title',
  description: 'description',
  lang: 'language',
  picture: 'image for sharing',
  missing: 'shown for missing pages',
  without: 'what it leaves out',
  notice: 'notice',
  date: 'date',
  author: 'author',
  tags: 'tags',
};

interface Entry {
  id: string;
  name?: string;
  title?: string;
}

/** What of a view is another. */
const VIEW: Record<string, string> = {
  name: 'name of the view',
  from: 'where the view begins',
  sheet: 'size of its sheet',
  grid: 'grid of the view',
};

/** A change of the views of a site; nothing where they only stand in another order. */
function ofViews(
  [key, id, field]: (string | undefined)[],
  [before, after]: [State, State],
): Change | undefined {
  const [was, is] = [before, after].map(({ frame }) => frame.views.list.find((each) => each.id === id));
  if (key === 'base') {
    const [one, other] = [before, after].map(({ frame }) => viewOf(frame.views, frame.views.base).name);
    return { name: 'Views', what: 'base', before: one, after: other };
  }
  const some = is ?? was;
  if (!some) return undefined;
  if (field === undefined) return { name: some.name, what: was ? 'view removed' : 'view added' };
  const value = (view: typeof was) =>
    formatted(lookup(view as unknown as Record<string, unknown> | undefined, field));
  return { name: some.name, what: lookup(VIEW, field) ?? 'view', ...both(value(was), value(is)) };
}

/** A change of what the whole site has. */
export function inFrame([list, id, field, ...rest]: string[], states: [State, State]): Change | undefined {
  if (list === 'name' || list === 'lang') {
    const [before, after] = states.map(({ frame }) =>
      list === 'lang' ? languageName(frame.lang) : frame.name,
    );
    return { name: 'Site', what: list === 'name' ? 'name' : 'language', before, after };
  }
  if (list === 'icon') {
    const [before, after] = states.map(
      ({ frame }) => frame.assets.find((asset) => asset.id === frame.icon)?.name,
    );
    return { name: 'Site', what: 'icon', ...both(before, after) };
  }
  if (list === 'words') {
    const what = `system messages, in ${languageName(id)}`;
    if (field === undefined) return { name: 'Site', what };
    const [before, after] = states.map(({ frame }) => wordIn(id, field as SystemMessage, frame.words));
    return { name: 'Site', what, ...both(before, after) };
  }
  if (list === 'views') return ofViews([id, field, ...rest], states);
  if (!(list in LISTS) || id === undefined) return undefined;
  const [was, is] = states.map(({ frame }) =>
    (lookup(frame, list as keyof typeof LISTS) as Entry[]).find((each) => each.id === id),
  );
  const some = is ?? was;
  if (!some) return undefined;
  const kind = sure(lookup(LISTS, list));
  const name = some.name ?? some.title ?? kind;
  const page = list === 'pages' ? { page: nodeId(id) } : {};
  if (field === undefined) {
    // A page is told with its elements.
    if (list === 'pages') return undefined;
    if (was && is) return { name, what: kind };
    return { name, what: `${kind} ${was ? 'removed' : 'added'}` };
  }
  if (field === 'style')
    return { name, ...ofValue(rest, [was as TextStyle | undefined, is as TextStyle | undefined], states) };
  if (field === 'aside' || field === 'earlier') return undefined;
  if (list === 'spacing' && field === 'size')
    return { name, ...ofStep(rest, [was, is] as SpacingStep[], states) };
  const value = (entry: Entry | undefined) => {
    const own = lookup(entry as unknown as Record<string, unknown> | undefined, field);
    return list === 'pages' && field === 'lang' && typeof own === 'string'
      ? languageName(own)
      : formatted(own);
  };
  const what =
    list === 'pages' ? (lookup(HEAD, field) ?? 'where it appears') : field === 'value' ? kind : field;
  return { ...page, name, what, ...both(value(was), value(is)) };
}
