import {
  knownIn,
  knownKind,
  type Node,
  type NodeId,
  type SiteFrame,
  sure,
  textByViewOf,
  textIn,
  variantsOfField,
  type ViewId,
  wordsClass,
} from '../../../core/index.ts';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Editor } from '@tiptap/core';
import type { SheetDocument } from '../../page/sheetdocument.ts';
import { documents } from '../../state/documents.ts';
import { useAppDispatch } from '../../state/store.ts';

const { refusedEdit } = documents.actions;

/** The text being edited in place in a sheet. `editor` is absent for one line of plain words. */
export interface TextInEditing {
  node: NodeId;
  name: string;
  property: string;
  view: ViewId;
  element: HTMLElement;
  form: 'rich' | 'inline' | 'line';
  editor?: Editor;
}

/** The editor of text with marks takes much code; it is loaded with the first sheet, which does not wait for it. */
const loadEditor = () => import('./editor.ts');

export interface TextEditing {
  editing: TextInEditing | null;
  begin(node: Node): void;
  /** Ends editing and keeps the words. */
  end(): void;
}

type TextEditor = (typeof import('./editor.ts'))['textEditor'];

/** Returns how the text of an element is edited; nothing where it has none. */
function formOf({ kind: name }: Node): TextInEditing['form'] | undefined {
  const kind = knownKind(name);
  const field = kind.content.find((candidate) => candidate.name === kind.words);
  return field && (field.type.editor as TextInEditing['form']);
}

/** Editing an element's words where they stand in a sheet: begun by a double click, ended by Escape or by leaving. */
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
  /** Keeps the words of a property of an element; answers whether the page is another then, which the sheet shows by itself. */
  write(node: Node, property: string, says: string): boolean;
}): TextEditing {
  const dispatch = useAppDispatch();
  const [editing, setEditing] = useState<TextInEditing | null>(null);
  const current = useRef<(() => void) | null>(null);

  const end = useCallback(() => current.current?.(), []);

  const start = useCallback(
    (node: Node, textEditor: TextEditor | undefined) => {
      const kind = knownKind(node.kind);
      const field = kind.content.find((candidate) => candidate.name === kind.words);
      const property = field && textByViewOf(kind.name, field.name);
      const whole = sheet?.elementOf(node.id);
      const around = kind.wordsIn ? whole?.querySelector<HTMLElement>(kind.wordsIn) : whole;
      const said = field && variantsOfField(node, site.views, field.name);
      const element = said
        ? around?.querySelector<HTMLElement>(
            `.${CSS.escape(wordsClass(node.id, field.name, knownIn(said.in, view)))}`,
          )
        : around;
      if (!sheet || !field || !property || !element) return;
      // A logo that shows an image has its name as the image's alternative; there are no words to edit.
      if (field.type.editor === 'line' && element.childElementCount > 0) return;
      current.current?.();
      const form = sure(formOf(node));
      const before = textIn<string>(node, site.views, field.name, view);
      sheet.editing = element;
      const editor = form === 'line' ? undefined : sure(textEditor, 'textEditor')(element, before, form);
      if (!editor) {
        element.contentEditable = 'plaintext-only';
        element.focus();
        sheet.document.getSelection()?.selectAllChildren(element);
      }
      const leave = (event: FocusEvent) => {
        // Focus that goes to the bar above the text, outside the frame, leaves the text in editing.
        if (event.relatedTarget) current.current?.();
        // Where it goes is known only once it is there.
        else setTimeout(() => sheet.document.hasFocus() && stop === current.current && stop());
      };
      const keys = (event: KeyboardEvent) => {
        if (event.key !== 'Escape' && !(event.key === 'Enter' && form === 'line')) return;
        event.preventDefault();
        event.stopPropagation();
        current.current?.();
      };
      element.addEventListener('focusout', leave);
      element.addEventListener('keydown', keys);
      const stop = () => {
        current.current = null;
        element.removeEventListener('focusout', leave);
        element.removeEventListener('keydown', keys);
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
        const changed = field.type.clean(words) !== before && write(node, property.name, words);
        if (!changed) sheet.restore();
      };
      current.current = stop;
      setEditing({ node: node.id, name: node.name, property: property.name, view, element, form, editor });
    },
    [sheet, site.views, view, write],
  );

  const latest = useRef(start);
  useEffect(() => {
    latest.current = start;
  }, [start]);
  useEffect(() => void loadEditor().catch(() => undefined), []);
  const begin = useCallback(
    (node: Node) => {
      const form = formOf(node);
      if (form === 'line') latest.current(node, undefined);
      else if (form)
        void loadEditor()
          .then(({ textEditor }) => latest.current(node, textEditor))
          .catch(() =>
            dispatch(
              refusedEdit('The text editor could not be loaded. Your work is safe; load the page again.'),
            ),
          );
    },
    [dispatch],
  );

  useEffect(() => () => current.current?.(), [sheet]);
  return { editing, begin, end };
}
