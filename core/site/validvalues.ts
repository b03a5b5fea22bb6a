import { sure } from '../sure.ts';
import type { Fault } from '../faults.ts';
import { pointer } from '../pointer.ts';
import { propertyOf } from '../elements/propertytable.ts';
import type { Property } from '../elements/properties/property.ts';
import type { Layered } from '../layered/layered.ts';
import type { PartStyle } from './node.ts';
import type { SiteFrame } from './site.ts';

/** The faults of a style: properties where they do not apply, and what is wrong with their values. */
export function styleFaults(
  style: PartStyle,
  path: string,
  frame: SiteFrame,
  allowed: (property: Property) => boolean,
): Fault[] {
  return Object.entries(style).flatMap(([name, layered]) => {
    const property = sure(propertyOf(name));
    const here = pointer(path, name);
    if (!allowed(property))
      return [{ path: here, sentence: `${property.label} does not apply to this element.` }];
    return layeredFaults(layered, here, frame, (value) => property.type.fault?.(value, frame));
  });
}

/** The faults of a layered value: overrides where there is no view for them, and what is wrong with its single values. */
export function layeredFaults(
  layered: Layered<unknown>,
  path: string,
  frame: SiteFrame,
  fault: (value: unknown) => string | undefined,
): Fault[] {
  const faults: Fault[] = [];
  const check = (value: unknown, at: string) => {
    const sentence = fault(value);
    if (sentence) faults.push({ path: at, sentence });
  };
  if (layered.base !== undefined) check(layered.base, `${path}/base`);
  for (const [view, override] of Object.entries(layered.at ?? {})) {
    const at = pointer(path, 'at', view);
    if (view === frame.views.base) {
      faults.push({
        path: at,
        sentence: 'The base view has no overrides: its value is the default for all.',
      });
    } else if (!frame.views.list.some((candidate) => candidate.id === view)) {
      faults.push({ path: at, sentence: `There is no view “${view}”.` });
    }
    check(override.value, `${at}/value`);
  }
  return faults;
}
