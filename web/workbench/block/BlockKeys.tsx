import {
  directionOf,
  headOf,
  keysOf,
  type Page,
  type SiteFrame,
  sure,
  type ViewId,
} from '../../../core/index.ts';
import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { copySelected, cutSelected, pasteBeside } from '../../state/clipboard.ts';
import { isPart, moveParts, shiftParts, sizeParts } from '../../state/areas.ts';
import { inEveryView } from '../../state/everyview.ts';
import { undo } from '../../state/traversal.ts';
import { isElsewhere, isNoShortcut } from '../../ui/keytarget.ts';
import { useOffer } from '../../ui/useOffer.tsx';
import { useAppDispatch, useAppSelector, type Thunk } from '../../state/store.ts';
import { moveInOrder, widen } from '../../state/sequence.ts';
import { duplicate, group, hideOrShow } from '../../state/structure.ts';

interface BlockKeysProps {
  site: SiteFrame;
  page: Page;
  active: ViewId;
}

/** What was said of the last step. */
const lastSaid: Thunk<string> = (_dispatch, getState) => getState().documents.announcement.sentence;

/** The keys that act on what is selected, wherever the keyboard is in the workbench. */
export function BlockKeys({ site, page, active }: BlockKeysProps) {
  const dispatch = useAppDispatch();
  const selected = useAppSelector((state) => state.desk.selected).filter((id) => page.nodes[id]);
  const lead = selected.at(-1);
  const options = {
    enabled: lead !== undefined,
    preventDefault: true,
    ignoreEventWhen: ({ target }: KeyboardEvent) => isElsewhere(target),
  };
  const characters = useAppSelector((state) => state.desk.characterKeys);
  const lettersOnly = { ...options, enabled: options.enabled && characters, ignoreEventWhen: isNoShortcut };
  const offer = useOffer();
  /** Does what a letter stands for, which is easily typed by mistake: it is said, with the way back. */
  const byLetter = (run: Thunk<boolean>) => {
    if (!dispatch(run)) return;
    const took = dispatch(lastSaid);
    offer(took, { label: 'Undo', run: () => dispatch(undo()) });
  };
  useHotkeys('h', () => byLetter(hideOrShow(selected, active)), lettersOnly, [selected, active]);
  useHotkeys('mod+g', () => void dispatch(group(selected)), options, [selected]);
  useHotkeys('mod+shift+g', () => void dispatch(inEveryView('take apart', [sure(lead, 'lead')])), options, [
    lead,
  ]);
  useHotkeys('alt+up', () => void dispatch(moveInOrder(sure(lead, 'lead'), active, -1)), options, [
    lead,
    active,
  ]);
  useHotkeys('alt+down', () => void dispatch(moveInOrder(sure(lead, 'lead'), active, 1)), options, [
    lead,
    active,
  ]);
  useHotkeys(['equal', 'shift+equal', 'add'], () => void dispatch(widen(selected, active, 1)), lettersOnly, [
    selected,
    active,
  ]);
  useHotkeys(['minus', 'subtract'], () => void dispatch(widen(selected, active, -1)), lettersOnly, [
    selected,
    active,
  ]);
  const mirrored = directionOf(headOf(site, page.id).lang ?? site.lang) === 'rtl';
  const part = lead !== undefined && isPart(page, page.nodes[lead]);
  const arrows = {
    ...options,
    enabled: options.enabled && part,
    // Where arrows have a meaning of their own, they keep it.
    ignoreEventWhen: ({ target }: KeyboardEvent) =>
      isElsewhere(target) ||
      (target instanceof Element && target.closest('[role=treegrid],[role=grid],[role=slider]') !== null),
  };
  useHotkeys(
    ['left', 'right', 'up', 'down'].flatMap((key) => [key, `shift+${key}`, `mod+${key}`]),
    ({ key, shiftKey, ctrlKey, metaKey }) => {
      const across = key === 'ArrowLeft' || key === 'ArrowRight';
      const on = across ? (mirrored ? 'ArrowLeft' : 'ArrowRight') : 'ArrowDown';
      const by = key === on ? 1 : -1;
      if (ctrlKey || metaKey) dispatch(shiftParts(selected, active, across ? 'across' : 'down', by));
      else if (shiftKey) dispatch(sizeParts(selected, active, across ? by : 0, across ? 0 : by));
      else dispatch(moveParts(selected, active, across ? by : 0, across ? 0 : by));
    },
    arrows,
    [selected, active, part, mirrored],
  );
  // The outline acts on its own row with these, wherever its cursor is.
  const apart = {
    ...options,
    ignoreEventWhen: ({ target }: KeyboardEvent) =>
      isElsewhere(target) || (target instanceof Element && target.closest('[role=treegrid]') !== null),
  };
  useHotkeys('delete', () => void dispatch(inEveryView('delete', selected)), apart, [selected]);
  useHotkeys('mod+d', () => void dispatch(duplicate(selected)), apart, [selected]);

  useEffect(() => {
    const on =
      (run: typeof copySelected | typeof cutSelected | typeof pasteBeside) => (event: ClipboardEvent) => {
        // Words that are marked are copied as words.
        const words = event.type !== 'paste' && !document.getSelection()?.isCollapsed;
        if (words || isElsewhere(event.target)) return;
        void dispatch(run(event));
      };
    const handlers = { copy: on(copySelected), cut: on(cutSelected), paste: on(pasteBeside) };
    const names = keysOf(handlers);
    names.forEach((name) => document.addEventListener(name, handlers[name]));
    return () => names.forEach((name) => document.removeEventListener(name, handlers[name]));
  }, [dispatch]);
  return null;
}
