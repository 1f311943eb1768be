import { useId, useState } from 'react';
import type { ProblemError } from '../data/client';
import { Wrong } from '../parts/Notice';

/** Why a finding may stay as it is, and until when. */
export function AsideForm({
  onAside,
  onBack,
}: {
  /** @returns null where it is set aside */
  onAside: (aside: { reason: string; until: string | null }) => Promise<ProblemError | null>;
  onBack: () => void;
}) {
  const id = useId();
  const [reason, setReason] = useState('');
  const [until, setUntil] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <form
      className="mt-2 flex max-w-2xl flex-wrap items-end gap-2 rounded-md bg-paper p-2"
      onSubmit={(event) => {
        event.preventDefault();
        void onAside({ reason, until: until || null }).then((wrong) => setProblem(wrong?.message ?? null));
      }}
    >
      <span className="min-w-0 flex-1 basis-64">
        <label htmlFor={`${id}-reason`} className="mb-1 block text-sm text-soft">
          Why may it stay as it is?
        </label>
        <input
          id={`${id}-reason`} // biome-ignore lint/a11y/noAutofocus: a person has just opened it
          autoFocus
          className="field w-full"
          maxLength={300}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </span>
      <span>
        <label htmlFor={`${id}-until`} className="mb-1 block text-sm text-soft">
          Until (empty: for good)
        </label>
        <input id={`${id}-until`} type="date" className="field" value={until} onChange={(event) => setUntil(event.target.value)} />
      </span>
      <button type="submit" className="button button--tide" disabled={reason.trim() === ''}>
        Set aside
      </button>
      <button type="button" className="button" onClick={onBack}>
        Back
      </button>
      <Wrong id={`${id}-wrong`} problem={problem} />
    </form>
  );
}
