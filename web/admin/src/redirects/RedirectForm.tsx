import { useState } from 'react';
import { api, ifMatch, type Schemas } from '../data/client';
import { useDone } from '../data/edits';
import { Pick } from '../parts/Pick';
import { useDraft } from '../parts/useDraft';
import { lastDay } from '../parts/when';
import { TargetField } from './TargetField';

export type Redirect = Schemas['RedirectRow'];
type Input = Required<Schemas['RedirectInput']>;

const inputOf = (row: Redirect | null): Input => ({
  source: row?.source ?? '',
  target: row?.goalAddress ?? '',
  status: `${row?.status ?? 301}` as Input['status'],
  until: lastDay(row?.until ?? null),
  note: row?.note ?? '',
});

/** One redirect, made or changed. What is refused stays in the fields, with the reason. */
export function RedirectForm({ row, statuses, onDone }: { row: Redirect | null; statuses: Schemas['ChoiceView'][]; onDone: () => void }) {
  // Only what was typed; the rest follows the redirect, whoever changes it.
  const [typed, setTyped, done] = useDraft<Partial<Input>>(`redirect ${row?.id ?? 'new'}`, {});
  const input: Input = { ...inputOf(row), ...typed };
  const [seen] = useState(row?.version);
  const [problem, setProblem] = useState<string | null>(null);
  const edit = useDone();
  const set = (changes: Partial<Input>) => {
    setProblem(null);
    setTyped({ ...typed, ...changes });
  };
  const gone = input.status === '410';
  const leave = () => {
    done();
    onDone();
  };
  const keep = async () => {
    // An end that is no whole day stays what it is, unless another day was chosen.
    const until = input.until === lastDay(row?.until ?? null) ? (row?.until ?? '') : input.until;
    const body = { ...input, until, ...(gone ? { target: '' } : {}) };
    const wrong = await edit(
      () =>
        row
          ? api.PUT('/api/redirects/{id}', { params: { path: { id: row.id }, header: ifMatch(seen ?? row.version) }, body })
          : api.POST('/api/redirects', { body }),
      'redirect',
    );
    if (wrong) setProblem(wrong.message);
    else {
      done();
      onDone();
    }
  };
  return (
    <form
      aria-label={row ? 'Change the redirect' : 'New redirect'}
      className="flex flex-wrap items-end gap-3 rounded-md border border-line bg-sheet p-4"
      onKeyDown={(event) => event.key === 'Escape' && !event.defaultPrevented && leave()}
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <label className="grid flex-1 basis-52 gap-1 text-sm">
        From
        <input
          // biome-ignore lint/a11y/noAutofocus: the form was just opened to type here
          autoFocus
          className="field font-mono text-mono"
          placeholder="/old, or /old/* for all below"
          spellCheck={false}
          value={input.source}
          onChange={(event) => set({ source: event.target.value })}
        />
      </label>
      <div className="grid flex-1 basis-60 gap-1 text-sm">
        <span>To</span>
        <TargetField label="To" value={gone ? '' : input.target} disabled={gone} onChange={(target) => set({ target })} />
      </div>
      <div className="grid gap-1 text-sm">
        <span aria-hidden="true">How</span>
        <Pick
          label="How"
          labelShown={false}
          chosen={input.status}
          all={statuses.map(({ id, words }) => [id, words] as const)}
          onChoose={(status) => set({ status: status as Input['status'] })}
        />
      </div>
      <label className="grid gap-1 text-sm">
        Its last day
        <input type="date" className="field w-auto" value={input.until} onChange={(event) => set({ until: event.target.value })} />
      </label>
      <label className="grid flex-1 basis-40 gap-1 text-sm">
        Note
        <input className="field" maxLength={500} value={input.note} onChange={(event) => set({ note: event.target.value })} />
      </label>
      <span className="flex gap-2">
        <button type="submit" className="button button--tide">
          {row ? 'Change it' : 'Make it'}
        </button>
        <button type="button" className="button" onClick={leave}>
          Leave it
        </button>
      </span>
      {problem && (
        <p role="alert" className="w-full text-brick">
          {problem}
        </p>
      )}
    </form>
  );
}
