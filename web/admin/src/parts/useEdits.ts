import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef } from 'react';
import { api, ask, type Done } from '../api/client';
import { refreshWorkbench } from '../shell/queries';
import { useTell } from './toasts';

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) && !/^(checkbox|radio)$/.test((target as HTMLInputElement).type)));

/**
 * Edits that the server takes back as one: each is told with its undoing, and Ctrl+Z takes the last one
 * of this view back. What is refused comes back as an error.
 */
export function useEdits(): (request: Promise<Done>) => Promise<Error | null> {
  const queries = useQueryClient();
  const tell = useTell();
  const made = useRef<string[]>([]);

  const undo = useCallback(
    async (step = made.current.at(-1)) => {
      if (!step) return;
      made.current = made.current.filter((one) => one !== step);
      try {
        const { sentence } = await ask(api.POST('/api/edits/{id}/undo', { params: { path: { id: step } } }));
        tell.say(`Taken back: ${sentence}`);
        await refreshWorkbench(queries);
      } catch (error) {
        tell.warn(error);
      }
    },
    [queries, tell],
  );

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && !event.shiftKey && event.key.toLowerCase() === 'z' && !isTyping(event.target) && made.current.length > 0) {
        event.preventDefault();
        void undo();
      }
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [undo]);

  return useCallback(
    async (request) => {
      try {
        const { step, sentence } = await request;
        made.current.push(step);
        // Told when it is shown, and not while what was typed still stands there.
        await refreshWorkbench(queries);
        tell.say(sentence, () => void undo(step));
        return null;
      } catch (error) {
        return error instanceof Error ? error : new Error(String(error));
      }
    },
    [queries, tell, undo],
  );
}
