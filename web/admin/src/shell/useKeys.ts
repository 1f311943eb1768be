import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { redo, undo } from '../data/edits';

/** Whether what is pressed is meant for the field that has the focus. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) && !/^(checkbox|radio|button|file)$/.test((target as HTMLInputElement).type)));

/** A field takes Ctrl+Z for itself, unless nothing stands in it. */
const hasOwnUndo = (target: EventTarget | null): boolean =>
  isTyping(target) && !(target instanceof HTMLInputElement && target.value === '');

/** The keys that work everywhere: in every view, panel and dialog. They are taken at the window, before anything else. */
export function useKeys({ canEdit, onFind, onKeys }: { canEdit: boolean; onFind: () => void; onKeys: () => void }): void {
  const queries = useQueryClient();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const key = event.key.toLowerCase();
      const control = event.ctrlKey || event.metaKey;
      if (control && key === 'k') onFind();
      else if (key === '?' && !control && !isTyping(event.target)) onKeys();
      else if (control && key === 'z' && canEdit && !hasOwnUndo(event.target)) void (event.shiftKey ? redo : undo)(queries);
      else return;
      event.preventDefault();
      event.stopPropagation();
    };
    addEventListener('keydown', onKey, true);
    return () => removeEventListener('keydown', onKey, true);
  }, [queries, canEdit, onFind, onKeys]);
}
