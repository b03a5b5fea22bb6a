import { doInEveryView, inEveryView } from './everyview.ts';
import {
  type CopiedElements,
  copyElements,
  elementsMarkup,
  print,
  readElements,
  sure,
} from '../../core/index.ts';
import { bringAlong, missingHere } from './uploading.ts';
import { documents, openPage } from './documents.ts';
import type { Thunk } from './store.ts';
import { placeCopy, placeFor } from './structure.ts';

const { refusedEdit } = documents.actions;

/** Where a copy lies that the system's clipboard would not take, as where that is not allowed. */
const KEY = 'dimorphe copied elements';

/** The selected elements as a copy, as text and as HTML; undefined where nothing that can be copied is selected. */
export function copied(): Thunk<{ json: string; html: string } | undefined> {
  return (_dispatch, getState) => {
    const open = openPage(getState());
    const ids = getState().desk.selected.filter((id) => open?.page.nodes[id]?.parent);
    if (!open || ids.length === 0) return undefined;
    const { site, page } = open;
    const copy = copyElements(site, page, ids);
    const addresses = { page: (id: string) => `#${id}`, picture: () => '' };
    const html = elementsMarkup(site, page, addresses, copy.roots).map(print).join('');
    return { json: JSON.stringify(copy), html };
  };
}

function remember(json: string): void {
  try {
    localStorage.setItem(KEY, json);
  } catch {
    // A browser that keeps nothing: the system's clipboard has it still.
  }
}

/** Puts the selected elements on the clipboard: as JSON for other pages, sites and windows, as HTML for other programs. */
export function copySelected(event?: ClipboardEvent): Thunk<boolean> {
  return (dispatch) => {
    const copy = dispatch(copied());
    if (!copy) return false;
    remember(copy.json);
    if (event?.clipboardData) {
      event.clipboardData.setData('text/plain', copy.json);
      event.clipboardData.setData('text/html', copy.html);
      event.preventDefault();
    } else void navigator.clipboard?.writeText(copy.json).catch(() => undefined);
    return true;
  };
}

/** Copies the selected elements and takes them off the page. */
export function cutSelected(event?: ClipboardEvent): Thunk<boolean> {
  return (dispatch, getState) => {
    if (!dispatch(copySelected(event))) return false;
    const nodes = [...getState().desk.selected];
    dispatch(event ? inEveryView('cut', nodes) : doInEveryView('cut', nodes));
    return true;
  };
}

/** Puts copied elements into the selected one, or below it. */
function put(copy: CopiedElements): Thunk<boolean> {
  return (dispatch, getState) => {
    const { page } = sure(openPage(getState()));
    const from = getState().desk.selected.at(-1) ?? page.root;
    const { kind } = copy.nodes[copy.roots[0]];
    const place =
      placeFor(page, kind, from, copy.roots.includes(from) ? 'below' : 'inside') ??
      placeFor(page, kind, page.root, 'inside');
    if (!place) {
      dispatch(refusedEdit(`Nothing near ${page.nodes[from].name} can hold what was copied.`));
      return false;
    }
    const { format: _format, version: _version, files: _files, ...meant } = copy;
    return dispatch(placeCopy(meant, place));
  };
}

/** Puts copied elements in, and before them on the shelf what they show and this site has not. */
function putWithAll(copy: CopiedElements): Thunk<boolean | Promise<boolean>> {
  return (dispatch, getState) => {
    const { site, page } = sure(openPage(getState()));
    if (missingHere(site, copy).length === 0) return dispatch(put(copy));
    return dispatch(bringAlong(copy)).then((meant) => {
      // It was meant for the page that was looked at.
      const now = openPage(getState());
      return now?.site.id === site.id && now.page.id === page.id && dispatch(put({ ...copy, ...meant }));
    });
  };
}

/** Pastes elements that were copied here or in another window, from what the clipboard holds or, without it, what was copied last. */
export function pasteBeside(event?: ClipboardEvent): Thunk<boolean | Promise<boolean>> {
  return (dispatch) => {
    const paste = (text: string): boolean | Promise<boolean> => {
      const read = readElements(text);
      if (read.ok) return dispatch(putWithAll(read.value));
      dispatch(refusedEdit(read.sentence));
      return false;
    };
    const last = () => paste(localStorage.getItem(KEY) ?? '');
    if (event?.clipboardData) {
      event.preventDefault();
      return paste(event.clipboardData.getData('text/plain'));
    }
    if (!navigator.clipboard?.readText) return last();
    return navigator.clipboard.readText().then(
      (text) => paste(text),
      () => last(),
    );
  };
}
