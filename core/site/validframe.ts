import { sure } from '../sure.ts';
import { stepType } from '../elements/valuetypes/space.ts';
import { isImage, isVideo, type StepSize } from '../theme/resources.ts';
import { leftOut, type SystemMessage } from '../elements/content/systemmessages.ts';
import { propertyOf } from '../elements/propertytable.ts';
import type { Fault } from '../faults.ts';
import { pointer } from '../pointer.ts';
import type { Views } from '../layered/views.ts';
import { FAMILIES } from '../theme/families.ts';
import type { Page, SiteFrame, TreeName } from './site.ts';
import { sharedRules } from './validpage.ts';
import { layeredFaults, styleFaults } from './validvalues.ts';

/** Names that the host has for its own; a site of such a name could not be reached. */
const OF_THE_HOST = new Set(['preview']);

/** What a frame of the right shape breaks of the rules. */
export function frameRules(frame: SiteFrame): Fault[] {
  const faults = [...viewFaults(frame.views), ...headFaults(frame)];
  if (OF_THE_HOST.has(frame.id))
    faults.push({
      path: '/id',
      sentence: `“${frame.id}” is an address of the host itself; a site needs another.`,
    });
  const ids = (list: 'colours' | 'textStyles' | 'spacing' | 'assets' | 'fonts') =>
    frame[list].map(({ id }) => id);
  for (const [lang, words] of Object.entries(frame.words ?? {}))
    for (const [id, says] of Object.entries(words)) {
      const wanted = leftOut(id as SystemMessage, says);
      if (wanted)
        faults.push({ path: pointer('/words', lang, id), sentence: `This text must contain ${wanted}.` });
    }
  for (const list of ['colours', 'textStyles', 'spacing', 'assets'] as const) {
    faults.push(...repeats(ids(list), `/${list}`, 'id'));
  }
  // Files are kept by the ids of both, and a family is named by its id.
  faults.push(
    ...repeats([...ids('assets'), ...FAMILIES.map(({ id }) => id), ...ids('fonts')], '/fonts', 'id'),
  );
  frame.assets.forEach((asset, index) => {
    const sized = asset.width !== undefined && asset.height !== undefined;
    const none = asset.width === undefined && asset.height === undefined;
    if (isImage(asset) || isVideo(asset) ? !sized : !none)
      faults.push({
        path: pointer('/assets', index, 'width'),
        sentence: 'Images and videos have a width and a height; other files have none.',
      });
  });
  if (faults.length > 0) return faults;
  frame.spacing.forEach(({ size }, index) => {
    faults.push(
      ...layeredFaults(size, pointer('/spacing', index, 'size'), frame, (value) =>
        sure(stepType.fault, 'fault')(value as StepSize, frame),
      ),
    );
    if (size.base === undefined) {
      faults.push({
        path: pointer('/spacing', index, 'size'),
        sentence: 'A step of the spacing scale has a size.',
      });
    }
  });
  frame.colours.forEach((colour, index) => {
    const fault = sure(sure(propertyOf('colour')).type.fault)(colour.value, { ...frame, colours: [] });
    if (fault) faults.push({ path: pointer('/colours', index, 'value'), sentence: fault });
  });
  frame.textStyles.forEach((style, index) => {
    const path = pointer('/textStyles', index, 'style', 'self');
    faults.push(...styleFaults(style.style.self ?? {}, path, frame, (property) => property.group === 'text'));
  });
  frame.pages.forEach(({ offered }, index) => {
    if (!offered) return;
    const path = pointer('/pages', index, 'offered');
    faults.push(...layeredFaults(offered, path, frame, () => undefined));
    if (offered.base === undefined)
      faults.push({ path, sentence: 'Where a page appears must also be set for the base view.' });
  });
  if (faults.length > 0) return faults;
  for (const [place, tree] of Object.entries(frame.shared ?? {}) as [TreeName, Page][]) {
    faults.push(...sharedRules(tree, frame, place, pointer('/shared', place)));
  }
  return faults;
}

function repeats(values: readonly string[], path: string, key: string): Fault[] {
  return values.flatMap((value, index) =>
    values.indexOf(value) < index
      ? [{ path: pointer(path, index, key), sentence: `“${value}” is used twice.` }]
      : [],
  );
}

const imageFaults = (id: string | undefined, { assets }: SiteFrame, path: string): Fault[] =>
  id === undefined || assets.some((asset) => asset.id === id && isImage(asset))
    ? []
    : [{ path, sentence: `The site has no image “${id}”.` }];

/** Pages are known by their ids, and stand at addresses of their own. */
const headFaults = (frame: SiteFrame): Fault[] => [
  ...imageFaults(frame.icon, frame, '/icon'),
  ...repeats(
    frame.pages.map(({ id }) => id),
    '/pages',
    'id',
  ),
  ...repeats(
    frame.pages.map(({ slug }) => slug),
    '/pages',
    'slug',
  ),
  ...frame.pages.flatMap(({ picture, missing, slug }, index) => {
    const faults = imageFaults(picture, frame, pointer('/pages', index, 'picture'));
    if (missing && (slug === '' || frame.pages.findIndex((each) => each.missing) < index))
      faults.push({
        path: pointer('/pages', index, 'missing'),
        sentence: 'One page is shown for missing pages, and it cannot be the home page.',
      });
    return faults;
  }),
];

function viewFaults({ list, base }: Views): Fault[] {
  const faults = repeats(
    list.map((view) => view.id),
    '/views/list',
    'id',
  );
  if (list[0].from !== 0) {
    faults.push({ path: '/views/list/0/from', sentence: 'The narrowest view starts at 0.' });
  }
  list.forEach((view, index) => {
    const path = pointer('/views/list', index);
    const next = list[index + 1];
    if (index > 0 && view.from <= list[index - 1].from) {
      faults.push({
        path: `${path}/from`,
        sentence: 'Views go from narrow to wide, each starting at a larger width.',
      });
    }
    if (view.sheet.width < view.from || (next && view.sheet.width >= next.from)) {
      faults.push({
        path: `${path}/sheet/width`,
        sentence: `A sheet of ${view.name} is as wide as the view allows.`,
      });
    }
  });
  if (!list.some((view) => view.id === base)) {
    faults.push({ path: '/views/base', sentence: `There is no view “${base}” to be the base.` });
  }
  return faults;
}
