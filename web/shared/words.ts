import { type Editor, Extension, Mark, mergeAttributes, Node } from '@tiptap/core';
import { Blockquote } from '@tiptap/extension-blockquote';
import { Bold } from '@tiptap/extension-bold';
import { Document } from '@tiptap/extension-document';
import { HardBreak } from '@tiptap/extension-hard-break';
import { Heading } from '@tiptap/extension-heading';
import { HorizontalRule } from '@tiptap/extension-horizontal-rule';
import { Italic } from '@tiptap/extension-italic';
import { BulletList, ListItem, ListKeymap, OrderedList } from '@tiptap/extension-list';
import { Paragraph } from '@tiptap/extension-paragraph';
import { TableKit } from '@tiptap/extension-table';
import { Text } from '@tiptap/extension-text';
import { Gapcursor, Placeholder, UndoRedo } from '@tiptap/extensions';
import { Selection } from '@tiptap/pm/state';

/** What the editor has to ask of the world around it. */
export type Surroundings = {
  /** Where a picture of one of the shop's files can be fetched for now. */
  pictureUrl: (placeId: string) => string;
  /** A blank's words, and what fills it; empty where nothing does. */
  blank: (name: string) => { words: string; value: string };
};

/** A link to a place, outside, to mail or phone; it may look like a button. */
const Lead = Mark.create({
  name: 'lead',
  inclusive: false,
  addAttributes() {
    return {
      href: { default: null },
      button: {
        default: false,
        parseHTML: (element) => element.classList.contains('button'),
        renderHTML: ({ button }) => (button ? { class: 'button' } : {}),
      },
    };
  },
  parseHTML: () => [{ tag: 'a[href]' }],
  renderHTML: ({ HTMLAttributes }) => ['a', HTMLAttributes, 0],
});

/** A heading keeps the anchor that links and menus know it by, whatever becomes of its words. */
const Anchored = Heading.extend({
  addAttributes() {
    return { ...this.parent?.(), id: { default: null, keepOnSplit: false } };
  },
}).configure({ levels: [2, 3, 4] });

const picture = (surroundings: Surroundings) =>
  Node.create({
    name: 'picture',
    group: 'block',
    draggable: true,
    addAttributes: () => ({ src: { default: '' }, alt: { default: '' } }),
    parseHTML: () => [{ tag: 'img[src]' }],
    renderHTML: ({ HTMLAttributes }) => ['img', mergeAttributes(HTMLAttributes)],
    addNodeView: () => (view) => {
      const dom = document.createElement('img');
      dom.src = surroundings.pictureUrl(String(view.node.attrs.src).replace(/^place:/, ''));
      dom.alt = String(view.node.attrs.alt || 'A picture without a description');
      return { dom };
    },
  });

/** A video of the shop’s own. It is told by its poster and its words here; it plays where visitors are. */
const video = (surroundings: Surroundings) =>
  Node.create({
    name: 'video',
    group: 'block',
    draggable: true,
    addAttributes: () => ({ src: { default: '' }, poster: { default: null }, 'aria-label': { default: null } }),
    parseHTML: () => [{ tag: 'video[src]' }],
    renderHTML: ({ HTMLAttributes }) => ['video', mergeAttributes(HTMLAttributes)],
    addNodeView: () => (view) => {
      const dom = document.createElement('video');
      const { src, poster } = view.node.attrs;
      const url = (of: unknown) => surroundings.pictureUrl(String(of).replace(/^place:/, ''));
      dom.src = url(src);
      if (poster) dom.poster = url(poster);
      dom.preload = poster ? 'none' : 'metadata';
      dom.setAttribute('aria-label', String(view.node.attrs['aria-label'] || 'A video without a description'));
      return { dom, stopEvent: () => false };
    },
  });

const blank = (surroundings: Surroundings) =>
  Node.create({
    name: 'blank',
    group: 'inline',
    inline: true,
    atom: true,
    addAttributes: () => ({
      name: { default: '', parseHTML: (element) => element.getAttribute('data-blank'), renderHTML: ({ name }) => ({ 'data-blank': name }) },
    }),
    parseHTML: () => [{ tag: 'span[data-blank]' }],
    renderHTML: ({ HTMLAttributes }) => ['span', HTMLAttributes],
    renderText: ({ node }) => surroundings.blank(String(node.attrs.name)).value,
    addNodeView: () => (view) => {
      const { words, value } = surroundings.blank(String(view.node.attrs.name));
      const dom = document.createElement('span');
      dom.className = value ? 'blank' : 'blank blank--empty';
      dom.textContent = value || `${words}: not filled`;
      dom.title = value ? `The ${words}, from the shop’s details` : `The shop’s details do not say the ${words} yet`;
      return { dom };
    },
  });

const goTo = ({ view }: Editor, selection: Selection) => {
  view.dispatch(view.state.tr.setSelection(selection).scrollIntoView());
  return true;
};

const Keys = Extension.create<{ onLead: () => void }>({
  name: 'keys',
  addOptions: () => ({ onLead: () => {} }),
  addKeyboardShortcuts() {
    return {
      'Mod-Shift-l': () => {
        this.options.onLead();
        return true;
      },
      // The browser's own way may leave the caret outside the text, in front of a table or a picture.
      'Mod-Home': ({ editor }) => goTo(editor, Selection.atStart(editor.state.doc)),
      'Mod-End': ({ editor }) => goTo(editor, Selection.atEnd(editor.state.doc)),
    };
  },
});

export const extensions = (surroundings: Surroundings, onLead: () => void) => [
  Document,
  Paragraph,
  Text,
  Bold,
  Italic,
  Anchored,
  BulletList,
  OrderedList,
  ListItem,
  ListKeymap,
  Blockquote,
  HardBreak,
  HorizontalRule,
  // Drawn as what it is: what is typed into a wrapper around it would be seen and never be part of the text.
  TableKit.configure({ table: { resizable: false, View: null } }),
  UndoRedo,
  Gapcursor,
  Placeholder.configure({ placeholder: 'Write here, or paste.' }),
  Lead,
  picture(surroundings),
  video(surroundings),
  blank(surroundings),
  Keys.configure({ onLead }),
];

/** Spaces in what is kept are those that somebody typed. */
export const asWritten = { preserveWhitespace: true } as const;

/** The title of the place is its first heading; what is pasted begins a level below. */
export const belowTheTitle = (pasted: string) => pasted.replace(/(<\/?)h1\b/gi, '$1h2').replace(/(<\/?)h[56]\b/gi, '$1h4');

/** The words as HTML; an editor with nothing in it has none. */
export const htmlOf = (editor: Editor) => (editor.isEmpty ? '' : editor.getHTML());
