import {
  type Node,
  type NodeId,
  type SiteFrame,
  sure,
  textByViewOf,
  type ViewId,
} from '../../../core/index.ts';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Editor } from '@tiptap/core';
import type { SheetDocument } from '../../page/sheetdocument.ts';
import { documents } from '../../state/documents.ts';
import type { Written } from '../../state/edits.ts';
import { useAppDispatch } from '../../state/store.ts';
import { clickedText, textAt, withText, type TextPlace } from './clickedtext.ts';

const { refusedEdit } = documents.actions;

/** The text being edited in place in a sheet. `editor` is absent for one line of plain words. */
export interface TextInEditing {
  node: NodeId;
  name: string;
  /** The property for text by view; absent if the text is the same in every view. */
  property?: string;
  /** The text in the base view. */
  base: string;
  view: ViewId;
  element: HTMLElement;
  form: 'rich' | 'inline' | 'line';
  editor?: Editor;
}

/** The editor of text with marks takes much code; it is loaded with the first sheet, which does not wait for it. */
const loadEditor = () => import('./editor.ts');

export interface TextEditing {
  editing: TextInEditing | null;
  /** Starts editing the text at the clicked target. */
  begin(node: Node, target: EventTarget | null): void;
  /** Ends editing and keeps the words. */
  end(): void;
}

const KEYS = ['keydown', 'keyup'] as const;

/** Elements that the Space key activates (HTML Standard, §6.5.3). */
const ACTIVATED_BY_SPACE = new Set(['summary', 'button']);

/** Inserts a space at the caret and replaces the selection. */
function insertSpace(document: Document): void {
  const selection = document.getSelection();
  if (!selection?.rangeCount) return;
  const range = selection.getRangeAt(0);
  range.deleteContents();
  const space = document.createTextNode('\u00a0');
  range.insertNode(space);
  selection.collapse(space, 1);
}

type TextEditor = (typeof import('./editor.ts'))['textEditor'];

/** In-place text editing in a sheet: a double click starts it, leaving the text saves it, Escape cancels it. */
export function useTextEditing({
  sheet,
  site,
  view,
  write,
}: {
  sheet: SheetDocument | null;
  site: SiteFrame;
  /** The view whose words are edited. */
  view: ViewId;
  /** Saves the text; returns whether the page changed, in which case the sheet updates itself. */
  write(node: Node, written: Written): boolean;
}): TextEditing {
  const dispatch = useAppDispatch();
  const [editing, setEditing] = useState<TextInEditing | null>(null);
  const current = useRef<((keeps: boolean) => void) | null>(null);

  const end = useCallback(() => current.current?.(true), []);

  const start = useCallback(
    (node: Node, { element, ...place }: TextPlace, textEditor: TextEditor | undefined) => {
      const { field, of } = place;
      const form = of.type.editor as TextInEditing['form'];
      // A logo that shows an image has its name as the image's alternative; there are no words to edit.
      if (!sheet?.document.contains(element) || (form === 'line' && element.childElementCount > 0)) return;
      current.current?.(true);
      const before = textAt(place, node, site, view);
      const property = textByViewOf(node.kind, field.name)?.name;
      sheet.editing = element;
      const editor = form === 'line' ? undefined : sure(textEditor, 'textEditor')(element, before, form);
      if (!editor) {
        element.contentEditable = 'plaintext-only';
        element.focus();
        sheet.document.getSelection()?.selectAllChildren(element);
      }
      const leave = (event: FocusEvent) => {
        // Focus that goes to the bar above the text, outside the frame, leaves the text in editing.
        if (event.relatedTarget) current.current?.(true);
        // Where it goes is known only once it is there.
        else setTimeout(() => sheet.document.hasFocus() && stop === current.current && stop(true));
      };
      const keys = (event: KeyboardEvent) => {
        // During composition, Enter and Escape belong to the input method.
        if (event.isComposing) return;
        // Space would activate the element instead of being typed.
        if (event.key === ' ' && form === 'line' && ACTIVATED_BY_SPACE.has(element.localName)) {
          event.preventDefault();
          if (event.type === 'keydown') insertSpace(sheet.document);
          return;
        }
        if (event.type === 'keyup') return;
        if (
          event.key !== 'Escape' &&
          !(event.key === 'Enter' && (form === 'line' || event.ctrlKey || event.metaKey))
        )
          return;
        event.preventDefault();
        event.stopPropagation();
        current.current?.(event.key === 'Enter');
      };
      element.addEventListener('focusout', leave);
      for (const type of KEYS) element.addEventListener(type, keys, { capture: true });
      const stop = (keeps: boolean) => {
        current.current = null;
        element.removeEventListener('focusout', leave);
        for (const type of KEYS) element.removeEventListener(type, keys, { capture: true });
        const words = editor ? editor.getHTML() : (element.textContent ?? '');
        if (editor) editor.destroy();
        for (const name of ['contenteditable', 'tabindex', 'translate', 'role', 'aria-multiline'])
          element.removeAttribute(name);
        element.classList.remove('ProseMirror', 'ProseMirror-focused', 'tiptap');
        if (editor) element.innerHTML = before;
        else element.textContent = before;
        sheet.editing = null;
        setEditing(null);
        // Words that were only looked at are nobody’s edit.
        const changed =
          keeps &&
          of.type.clean(words) !== before &&
          write(node, {
            field: field.name,
            property,
            says: (now) => withText(place, before, words, now, site, view),
            text: words,
          });
        if (!changed) sheet.restore();
      };
      current.current = stop;
      const base = textAt(place, node, site, site.views.base);
      setEditing({ node: node.id, name: node.name, property, base, view, element, form, editor });
    },
    [sheet, site, view, write],
  );

  const latest = useRef({ start, sheet, site, view });
  useEffect(() => {
    latest.current = { start, sheet, site, view };
  });
  useEffect(() => void loadEditor().catch(() => undefined), []);
  const begin = useCallback(
    (node: Node, target: EventTarget | null) => {
      const { sheet: on, site: frame, view: of } = latest.current;
      const whole = on?.elementOf(node.id);
      const found = whole && clickedText(node, whole, target as globalThis.Node | null, frame, of);
      if (!found) return;
      if (found.of.type.editor === 'line') latest.current.start(node, found, undefined);
      else
        void loadEditor()
          .then(({ textEditor }) => latest.current.start(node, found, textEditor))
          .catch(() =>
            dispatch(
              refusedEdit('The text editor could not be loaded. Your work is safe; load the page again.'),
            ),
          );
    },
    [dispatch],
  );

  useEffect(() => () => current.current?.(true), [sheet]);
  // Saves the text when the page is reloaded or closed.
  useEffect(() => {
    addEventListener('pagehide', end);
    return () => removeEventListener('pagehide', end);
  }, [end]);
  return { editing, begin, end };
}
