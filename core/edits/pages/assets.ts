import { sure } from '../../sure.ts';
import { schemaFaults } from '../../faults.ts';
import { knownKind } from '../../elements/kinds/table.ts';
import { knownProperty } from '../../elements/propertytable.ts';
import { NO_IMAGE } from '../../elements/valuetypes/image.ts';
import { done, refused, type Outcome } from '../../outcome.ts';
import { canonicalStyle } from '../../site/canonical.ts';
import type { Node } from '../../site/node.ts';
import { targetOf } from '../../markup/link.ts';
import { relink } from '../structure/relink.ts';
import { AssetSchema, isImage, type Asset } from '../../theme/resources.ts';
import { withAssets } from '../../values/uses.ts';
import type { Command } from '../command.ts';
import { valuesOf } from '../values/stylevalues.ts';
import { allTrees } from '../views/viewvalues.ts';
import { counted } from '../../plural.ts';
import { lookup } from '../../lookup.ts';

const GONE = refused('It is no longer on the shelf. Nothing was changed.');

const KINDS = { image: 'Image', video: 'Video', application: 'Document', text: 'Captions' } as const;
const kindOf = ({ type }: Pick<Asset, 'type'>): string => sure(lookup<string>(KINDS, type.split('/')[0]));

const cleanName = (name: string): string => name.replace(/\s+/g, ' ').trim();

/** A name that none of the shelf has yet: "Dome", "Dome 2". */
function freeName(wanted: string, taken: readonly { name: string }[]): string {
  const plain = cleanName(wanted).slice(0, 70) || 'Image';
  const isTaken = (name: string) => taken.some((each) => each.name.toLowerCase() === name.toLowerCase());
  let name = plain;
  for (let count = 2; isTaken(name); count++) name = `${plain} ${count}`;
  return name;
}

/** Puts an image or video on the shelf; its bytes are kept apart, by their hash. One of a name that is taken gets a number behind it. */
export const addAsset: Command<Asset> = {
  on: () => 'frame',
  run(site, _page, given): Outcome<string> {
    const name = freeName(given.name, site.assets);
    const asset: Asset = { ...given, name };
    if ([...site.assets, ...site.fonts].some(({ id }) => id === asset.id))
      return refused('The shelf has a file of this id already; nothing was added.');
    const [fault] = schemaFaults(AssetSchema, asset);
    if (fault) return refused(`This cannot be put on the shelf: ${fault.sentence} Nothing was changed.`);
    site.assets.push(asset);
    return done(`${kindOf(asset)} ${name} added to the shelf`);
  },
};

export interface ChangeAsset {
  asset: string;
  name?: string;
  /** Empty: none. */
  alt?: string;
  /** Null: the middle. */
  focus?: Asset['focus'] | null;
  /** px of the file; null: there is no text in it. */
  smallestText?: number | null;
}

/** Changes what an image or video of the shelf is called, what it shows in words, which point of it stays in sight, and how high its smallest text is. */
export const changeAsset: Command<ChangeAsset> = {
  on: () => 'frame',
  run(site, _page, { asset: id, name: wanted, alt, focus, smallestText }): Outcome<string> {
    const index = site.assets.findIndex((each) => each.id === id);
    if (index < 0) return GONE;
    const before = site.assets[index];
    const name = wanted === undefined ? before.name : cleanName(wanted);
    if (site.assets.some((each) => each.id !== id && each.name.toLowerCase() === name.toLowerCase()))
      return refused(`“${name}” is on the shelf already. Nothing was changed.`);
    const next: Asset = { ...before, name };
    if (alt !== undefined) {
      delete next.alt;
      if (cleanName(alt) !== '') next.alt = cleanName(alt);
    }
    if (focus !== undefined) {
      delete next.focus;
      if (focus) next.focus = focus;
    }
    if (smallestText !== undefined) {
      if (!isImage(before)) return refused(`${before.name} isn’t an image. Nothing was changed.`);
      if (smallestText !== null && !(smallestText >= 1 && smallestText <= before.height))
        return refused(
          `Text in ${before.name} is 1 to ${before.height} px high, at most as high as the image. Nothing was changed.`,
        );
      delete next.smallestText;
      if (smallestText !== null) next.smallestText = smallestText;
    }
    if (schemaFaults(AssetSchema, next).length > 0)
      return refused('A name has 1 to 80 characters, a text alternative up to 400. Nothing was changed.');
    site.assets[index] = next;
    const mapped = [
      ...(name === before.name ? [] : [`renamed to ${name}`]),
      ...(alt === undefined ? [] : ['text alternative changed']),
      ...(focus === undefined ? [] : ['focal point changed']),
      ...(smallestText === undefined
        ? []
        : [smallestText === null ? 'no text in it' : `smallest text ${smallestText} px high`]),
    ];
    return done(`${kindOf(before)} ${before.name}: ${mapped.join(', ') || 'unchanged'}`);
  },
};

/** Puts another file in place of an image or video, wherever it stands. It stays an image, or a film. */
export const replaceAsset: Command<{ asset: string } & Omit<Asset, 'id' | 'name' | 'alt' | 'focus'>> = {
  on: () => 'frame',
  run(site, _page, { asset: id, ...file }): Outcome<string> {
    const index = site.assets.findIndex((each) => each.id === id);
    if (index < 0) return GONE;
    const { name, alt, focus, ...before } = site.assets[index];
    if (kindOf(before) !== kindOf(file))
      return refused(
        `The new file is not of the same type as ${name}, which has to stay the same. Nothing was changed.`,
      );
    const next: Asset = { ...file, id, name, ...(alt !== undefined && { alt }), ...(focus && { focus }) };
    if (schemaFaults(AssetSchema, next).length > 0)
      return refused('This file cannot be saved. Nothing was changed.');
    site.assets[index] = next;
    return done(`${kindOf(before)} ${name}: replaced by another file, everywhere`);
  },
};

/** Takes an image out of an element’s values: an override falls back, and where it stood for all views there is none. */
function takenFrom(node: Node, id: string): number {
  let count = 0;
  for (const { part, name, layered } of valuesOf(node.style)) {
    const { mentions } = knownProperty(name).type;
    const isIt = (value: unknown) => mentions?.(value).some((each) => each.of === 'assets' && each.id === id);
    if (!mentions) continue;
    const required = knownKind(node.kind).required?.includes(name);
    const own = sure(node.style[part]);
    const next = { ...layered };
    const at = Object.fromEntries(Object.entries(layered.at ?? {}).filter(([, { value }]) => !isIt(value)));
    const fewer = Object.keys(layered.at ?? {}).length - Object.keys(at).length;
    const inBase = layered.base !== undefined && isIt(layered.base);
    if (fewer === 0 && !inBase) continue;
    count += 1;
    delete next.at;
    if (Object.keys(at).length > 0) next.at = at;
    if (inBase) {
      delete next.base;
      if (required) next.base = NO_IMAGE;
    }
    own[name] = next;
  }
  node.style = canonicalStyle(node.style);
  return count;
}

/** Takes an image or video off the shelf, and off all pages: where it stood there is none any more. */
export const removeAsset: Command<{ asset: string }> = {
  on: () => 'site',
  run(site, _page, { asset: id }, pages): Outcome<string> {
    const index = site.assets.findIndex((each) => each.id === id);
    if (index < 0) return GONE;
    const asset = site.assets[index];
    let count = 0;
    for (const page of allTrees(site, pages)) {
      for (const node of Object.values(page.nodes)) {
        let inContent = false;
        const mapped = withAssets(node, (each) => {
          if (each !== id) return each;
          inContent = true;
          return '';
        });
        if (inContent) Object.assign(node, mapped);
        if (relink(node, (link) => (targetOf(link)?.file === id ? undefined : link))) inContent = true;
        const inValues = takenFrom(node, id);
        if (inContent || inValues > 0) count += 1;
      }
    }
    for (const head of site.pages) if (head.picture === id) delete head.picture;
    if (site.icon === id) delete site.icon;
    site.assets.splice(index, 1);
    const from = count > 0 ? `, and removed from ${counted(count, 'element')}` : '';
    return done(`${kindOf(asset)} ${asset.name} deleted${from}`);
  },
};
