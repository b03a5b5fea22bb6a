import { Editor, Node } from '@tiptap/core';
import StarterKit from '@tiptap/starter-kit';
import { cleanLink } from '../../../core/index.ts';

/** A document that is one run of text, as a heading is. */
const InlineDocument = Node.create({ name: 'doc', topNode: true, content: 'inline*' });

const PLAIN = {
  blockquote: false,
  code: false,
  codeBlock: false,
  heading: false,
  horizontalRule: false,
  strike: false,
  underline: false,
  dropcursor: false,
  gapcursor: false,
  trailingNode: false,
} as const;

/** What running text may hold beside paragraphs and lists, as core keeps it. */
const RICH = { ...PLAIN, blockquote: {}, heading: { levels: [2, 3, 4] } } as const;

const LINK = {
  openOnClick: false,
  autolink: false,
  protocols: ['page', 'tel', 'mailto'],
  HTMLAttributes: { target: null, rel: null, class: null },
  isAllowedUri: (url: string) => cleanLink(url) !== undefined,
};

/** Makes the text in an element editable, with the marks that text may have. */
export function textEditor(
  element: HTMLElement,
  html: string,
  form: 'rich' | 'inline',
  { autofocus = true } = {},
): Editor {
  const extensions =
    form === 'inline'
      ? [
          InlineDocument,
          StarterKit.configure({
            ...PLAIN,
            document: false,
            paragraph: false,
            bulletList: false,
            orderedList: false,
            listItem: false,
            listKeymap: false,
            link: LINK,
          }),
        ]
      : [StarterKit.configure({ ...RICH, heading: { levels: [...RICH.heading.levels] }, link: LINK })];
  element.replaceChildren();
  return new Editor({
    element: { mount: element },
    extensions,
    content: html,
    injectCSS: false,
    autofocus: autofocus ? 'end' : false,
  });
}
