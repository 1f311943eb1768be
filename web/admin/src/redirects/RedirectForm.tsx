import { useState } from 'react';
import { api, ask, ifMatch, type Schemas } from '../api/client';
import { useEdits } from '../parts/useEdits';
import { type Status, statuses } from './statuses';
import { TargetField } from './TargetField';

export type Redirect = Schemas['RedirectRow'];
type Input = Required<Schemas['RedirectInput']>;

const inputOf = (row: Redirect | null): Input => ({
  source: row?.source ?? '',
  target: row?.goalAddress ?? '',
  status: `${row?.status ?? 301}` as Status,
  until: row?.until?.slice(0, 10) ?? '',
  note: row?.note ?? '',
});

/** One redirect, made or changed. What is refused stays in the fields, with the reason. */
export function RedirectForm({ row, onDone }: { row: Redirect | null; onDone: () => void }) {
  const [input, setInput] = useState(() => inputOf(row));
  const [problem, setProblem] = useState<string | null>(null);
  const edit = useEdits();
  const set = (changes: Partial<Input>) => {
    setProblem(null);
    setInput({ ...input, ...changes });
  };
  const gone = input.status === '410';
  const keep = async () => {
    const body = gone ? { ...input, target: '' } : input;
    const wrong = await edit(
      ask(
        row
          ? api.PUT('/api/redirects/{id}', { params: { path: { id: row.id }, header: ifMatch(row.version) } as never, body })
          : api.POST('/api/redirects', { body }),
      ),
    );
    if (wrong) setProblem(wrong.message);
    else onDone();
  };
  return (
    <form
      aria-label={row ? 'Change the redirect' : 'New redirect'}
      className="flex flex-wrap items-end gap-3 rounded-md border border-line bg-sheet p-4"
      onKeyDown={(event) => event.key === 'Escape' && onDone()}
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
          className="field font-mono text-[12.5px]"
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
      <label className="grid gap-1 text-sm">
        How
        <select className="field w-auto" value={input.status} onChange={(event) => set({ status: event.target.value as Status })}>
          {statuses.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <label className="grid gap-1 text-sm">
        Ends on
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
        <button type="button" className="button" onClick={onDone}>
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
