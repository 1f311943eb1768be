import type { Editor } from '@tiptap/react';
import type { PlaceBrief } from '../data/client';
import { LeadPanel } from './LeadPanel';

/** The link under the caret, or one to be made of what is chosen. */
export function LeadAtCaret({ editor, known, onClose }: { editor: Editor; known: Map<string, PlaceBrief>; onClose: () => void }) {
  const { href = null, button = false } = editor.getAttributes('lead') as { href?: string | null; button?: boolean };
  return (
    <LeadPanel
      href={href}
      button={button}
      known={known}
      onClose={onClose}
      onRemove={() => {
        editor.chain().focus().extendMarkRange('lead').unsetMark('lead').run();
        onClose();
      }}
      onLead={(to, asButton, place) => {
        if (place) known.set(place.id, place);
        const chain = editor.chain().focus();
        if (href) chain.extendMarkRange('lead').setMark('lead', { href: to, button: asButton }).run();
        else if (editor.state.selection.empty) {
          chain
            .insertContent({
              type: 'text',
              text: place?.title ?? to.replace(/^(mailto|tel):/, ''),
              marks: [{ type: 'lead', attrs: { href: to, button: asButton } }],
            })
            .run();
        } else chain.setMark('lead', { href: to, button: asButton }).run();
        onClose();
      }}
    />
  );
}
