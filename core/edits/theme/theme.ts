import { sure } from '../../sure.ts';
import { plural } from '../../plural.ts';
import {
  ColourSchema,
  FontSchema,
  STEP_SIZES,
  StepSizeSchema,
  type Colour,
  type Font,
  type StepSize,
} from '../../theme/resources.ts';
import { stepType } from '../../elements/valuetypes/space.ts';
import { writeFluid } from '../../elements/valuetypes/fluid.ts';
import { isFluid } from '../../type/fluid.ts';
import { schemaFaults } from '../../faults.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import type { Style } from '../../site/node.ts';
import { isSavedBlock, treesBeside } from '../../site/shared.ts';
import { pagesOf, type Site } from '../../site/site.ts';
import { sourceOrder } from '../../site/sourceorder.ts';
import { settings } from '../../layered/layered.ts';
import { cssColour } from '../../theme/csscolour.ts';
import { withValue, withoutValue, type EditReach } from '../../layered/change.ts';
import { viewOf, type ViewId } from '../../layered/views.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { isOfEveryObject } from '../../lookup.ts';
import type { Command } from '../command.ts';
import { valuesOf } from '../values/stylevalues.ts';
import { describeReach } from '../values/textbyview.ts';

/** An id for a new thing of the theme or the shelf, made from its name: "Dark blue" → "dark-blue", or "dark-blue-2" where that is taken. */
export function idFrom(name: string, taken: readonly { id: string }[]): string {
  const plain = name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[-0-9]+|-$/g, '')
    .slice(0, 30);
  const first = plain || 'own';
  let id = first;
  for (let count = 2; isOfEveryObject(id) || taken.some((each) => each.id === id); count++)
    id = `${first}-${count}`;
  return id;
}

const cleanName = (name: string): string => name.replace(/\s+/g, ' ').trim();

function nameFault(name: string, taken: readonly { name: string }[]): string | undefined {
  if (name === '' || name.length > 40) return 'A name has 1 to 40 characters.';
  if (taken.some((each) => each.name.toLowerCase() === name.toLowerCase()))
    return `“${name}” is there already.`;
  return undefined;
}

/** Changes a colour of the site, or adds one where no id is given. Everything that takes the colour follows. */
export const setColour: Command<{ id?: string; name: string; value: string }> = {
  on: () => 'frame',
  run(site, _page, { id, name: given, value }): Outcome<string> {
    const name = cleanName(given);
    const others = site.colours.filter((colour) => colour.id !== id);
    const fault = nameFault(name, others);
    if (fault) return refused(`${fault} The colours were not changed.`);
    if (!cssColour(value))
      return refused(`“${value}” isn’t a CSS colour such as #1b2a49 or oklch(70% 0.1 80).`);
    const before = site.colours.find((colour) => colour.id === id);
    if (id !== undefined && !before) return refused('The colour is no longer in the theme.');
    if (before) {
      const sentence =
        before.value === value
          ? `Colour ${before.name}: renamed to ${name}`
          : `Colour ${name}: ${before.value} → ${value}`;
      Object.assign(before, { name, value });
      return done(sentence);
    }
    const made: Colour = { id: idFrom(name, site.colours), name, value };
    if (schemaFaults(ColourSchema, made).length > 0)
      return refused('This colour cannot be saved; try another name.');
    site.colours.push(made);
    return done(`Colour ${name} added: ${value}`);
  },
};

export interface SetSpacing {
  /** Absent: a new step. */
  id?: string;
  name: string;
  view: ViewId;
  /** px, or fluid between two sizes; absent: what the step has at the view is cleared. */
  size?: StepSize;
  reach: EditReach;
}

/** Changes a step of the spacing scale in a view, or adds one. */
export const setSpacing: Command<SetSpacing> = {
  on: () => 'frame',
  run(site, _page, { id, name: given, view, size, reach }): Outcome<string> {
    const name = cleanName(given);
    const fault = nameFault(
      name,
      site.spacing.filter((step) => step.id !== id),
    );
    if (fault) return refused(`${fault} The spacing scale was not changed.`);
    const before = site.spacing.find((step) => step.id === id);
    if (id !== undefined && !before) return refused('The step is no longer in the spacing scale.');
    if (size === undefined) {
      if (!before || view === site.views.base)
        return refused('A step of the spacing scale has a size in the base view.');
      before.size = withoutValue(before.size, site.views, view);
      return done(`Space ${name}: ${viewOf(site.views, view).name} cleared`);
    }
    const made = before
      ? { ...before, name, size: withValue(before.size, site.views, view, size, reach, () => size) }
      : { id: idFrom(name, site.spacing), name, size: { base: size } };
    const { minimum, maximum } = STEP_SIZES;
    if (schemaFaults(StepSizeSchema, size).length > 0)
      return refused(`A step of the spacing scale has ${minimum} to ${maximum} px. It was not changed.`);
    const odd = sure(stepType.fault, 'fault')(size, site);
    if (odd) return refused(`${odd} The step was not changed.`);
    if (before) Object.assign(before, made);
    else site.spacing.push(made);
    const where = before ? describeReach(site, view, reach) : 'in every view';
    return done(`Space ${name}: ${isFluid(size) ? writeFluid(size) : size} px ${where}`);
  },
};

/** Gives a step of the spacing scale another name; what takes it goes on taking it. */
export const nameSpacing: Command<{ id: string; name: string }> = {
  on: () => 'frame',
  run(site, _page, { id, name: given }): Outcome<string> {
    const step = site.spacing.find((each) => each.id === id);
    if (!step) return refused('The step is no longer in the spacing scale.');
    const name = cleanName(given);
    const fault = nameFault(
      name,
      site.spacing.filter((each) => each !== step),
    );
    if (fault) return refused(`${fault} The step was not changed.`);
    const before = step.name;
    step.name = name;
    return done(`Space ${before}: renamed to ${name}`);
  },
};

/** Takes up a font of the site's own; its bytes are kept apart, by their hash. */
export const addFont: Command<Omit<Font, 'id'>> = {
  on: () => 'frame',
  run(site, _page, { name: given, ...rest }): Outcome<string> {
    const name = cleanName(given);
    const fault = nameFault(name, site.fonts);
    if (fault) return refused(`${fault} The fonts were not changed.`);
    const font: Font = { id: idFrom(`font ${name}`, [...site.fonts, ...site.assets]), name, ...rest };
    if (schemaFaults(FontSchema, font).length > 0)
      return refused('This font cannot be saved: its weights cannot be read.');
    site.fonts.push(font);
    return done(`Font ${name} added`);
  },
};

const LISTS = { colours: 'Colour', spacing: 'Space', fonts: 'Font' } as const;
const ONE = { colours: 'colour', spacing: 'step', fonts: 'font' } as const;

/** Takes a colour, a step of the spacing scale or a font out of the theme; refused while something takes it, which is told by name. */
export const removeFromTheme: Command<{ list: keyof typeof LISTS; id: string }> = {
  on: () => 'site',
  run(site, _page, { list, id }, pages): Outcome<string> {
    const index = site[list].findIndex((each) => each.id === id);
    if (index < 0) return refused('It is no longer in the theme.');
    const { name } = site[list][index];
    const users = usersOf({ frame: site, pages }, list, id);
    if (users.length > 0) {
      const more = users.length - NAMED;
      const notes = more > 0 ? [...users.slice(0, NAMED), `${more} more`] : users;
      return refused(
        `${name} is used by ${inSentence(notes)}; give ${plural(users.length, 'it', 'them')} another ${ONE[list]} first. Nothing was removed.`,
      );
    }
    site[list].splice(index, 1);
    return done(`${LISTS[list]} ${name} removed`);
  },
};

/** So many of what takes something are told by name. */
const NAMED = 3;

const inSentence = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** What of a site takes something of its theme, by name: text styles, then elements, each with where it stands. */
function usersOf(site: Site, of: keyof typeof LISTS, id: string): string[] {
  const takes = ({ style }: { style: Style }): boolean =>
    valuesOf(style).some(({ name, layered }) =>
      settings(layered).some((value) =>
        knownProperty(name)
          .type.mentions?.(value)
          .some((each) => each.of === of && each.id === id),
      ),
    );
  return [
    ...site.frame.textStyles.filter(takes).map(({ name }) => `the text style ${name}`),
    ...pagesOf(site).flatMap((page) => {
      const on = page.nodes[page.root].name;
      return sourceOrder(page).flatMap((node) => (takes(node) ? [`${node.name} on ${on}`] : []));
    }),
    ...treesBeside(site.frame).flatMap((tree) =>
      sourceOrder(tree).flatMap((node) =>
        takes(node)
          ? [
              isSavedBlock(tree.id)
                ? `${node.name} in the block ${tree.nodes[tree.root].name}`
                : `${node.name} on all pages`,
            ]
          : [],
      ),
    ),
  ];
}
