import { useQueryClient } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { asProblem } from '../data/client';
import { askForRelease, requestsQuery } from '../data/people';
import { say } from '../data/told';
import { keepAll } from '../data/unkept';
import { Dialog } from '../parts/Dialog';
import { Wrong } from '../parts/Notice';

/** Whoever edits but does not publish says what is ready. */
export function AskForRelease({ onClose }: { onClose: () => void }) {
  const queries = useQueryClient();
  const id = useId();
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <Dialog open onClose={onClose} title="Ask for a release" says="Those who may publish see it beside what waits." place="foot">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void keepAll()
            .then(() => askForRelease(note))
            .then(
              () => {
                void queries.invalidateQueries({ queryKey: requestsQuery.queryKey });
                onClose();
                say('Asked. Those who may publish see it now.');
              },
              (error: unknown) => setProblem(asProblem(error).message),
            );
        }}
      >
        <span>
          <label htmlFor={id} className="mb-1 block text-sm text-soft">
            What should they know?
          </label>
          <textarea
            id={id}
            autoFocus
            className="field min-h-20 w-full py-1.5"
            maxLength={300}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
          <Wrong id={`${id}-wrong`} problem={problem} />
        </span>
        <p className="flex justify-end gap-3">
          <button type="button" className="button" onClick={onClose}>
            Back
          </button>
          <button type="submit" className="button button--lamp">
            Ask
          </button>
        </p>
      </form>
    </Dialog>
  );
}
