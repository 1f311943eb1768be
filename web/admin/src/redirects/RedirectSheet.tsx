import { useState } from 'react';
import { followed, type Schemas, uploadInSteps } from '../data/client';
import { useDone } from '../data/edits';
import { Dialog } from '../parts/Dialog';
import { Notice } from '../parts/Notice';

type Judgement = Schemas['JudgementView'];

const fates = { added: 'goes in', already: 'is there already', refused: 'refused' } as const;

/** Redirects from a CSV file: the fate of every line first, then one button. */
export function RedirectSheet({ onClose }: { onClose: () => void }) {
  const edit = useDone();
  const [file, setFile] = useState<File | null>(null);
  const [judged, setJudged] = useState<Judgement | null>(null);
  const [working, setWorking] = useState<Schemas['SheetProgress'] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const send = async (chosen: File, take: boolean) => {
    setWorking({ step: 'Sending the file', done: 0, of: 0, judgement: null, edit: null, job: null, problem: null });
    setProblem(null);
    try {
      const last = await uploadInSteps<Schemas['SheetProgress']>(`/api/redirects/sheet${take ? '?take=yes' : ''}`, chosen, setWorking);
      if (last.problem) throw new Error(last.problem);
      const taken = last.job
        ? (
            await followed(last.job, ({ step, done, of }) =>
              setWorking((before) => before && { ...before, step: step || 'Waiting', done, of }),
            )
          ).edit
        : last.edit;
      if (take && taken) {
        await edit(async () => ({ data: taken, response: new Response() }), 'redirect');
        onClose();
      } else setJudged(last.judgement ?? null);
    } catch (error) {
      setJudged(null);
      setProblem(error instanceof Error ? error.message : String(error));
    }
    setWorking(null);
  };
  return (
    <Dialog open onClose={onClose} title="From a file" width="wide">
      <p className="text-soft">
        A CSV file with the old address and the new one on each line; status, end date and note where there are any. Nothing is stored
        before you have seen what becomes of each line.
      </p>
      <label className="text-sm">
        The file:{' '}
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (!chosen) return;
            setFile(chosen);
            void send(chosen, false);
          }}
        />
      </label>
      {working && (
        <div aria-live="polite">
          <p>
            {working.step}
            {working.of > 0 ? `: ${working.done.toLocaleString('en-GB')} of ${working.of.toLocaleString('en-GB')}` : '…'}
          </p>
          <progress
            className="mt-1 h-2 w-full accent-tide"
            aria-label={working.step}
            max={working.of || undefined}
            value={working.of ? working.done : undefined}
          />
        </div>
      )}
      {problem && <Notice>{problem}</Notice>}
      {judged && file && (
        <>
          <p aria-live="polite">
            <strong>{judged.added}</strong> go in, <strong>{judged.already}</strong> are there already, <strong>{judged.refused}</strong>{' '}
            are refused.
            {judged.changed > 0 && ` ${judged.changed} redirects of the shop will lead straight to the new ends.`}{' '}
            {judged.refusedCsv && (
              <a download="refused.csv" href={`data:text/csv;charset=utf-8,${encodeURIComponent(judged.refusedCsv)}`}>
                The refused lines as a file
              </a>
            )}
          </p>
          {judged.lines.length < judged.added + judged.already + judged.refused && (
            <p className="text-sm text-soft">The first thousand of each fate are shown.</p>
          )}
          <ul aria-label="What becomes of the lines" className="min-h-0 flex-1 overflow-auto rounded-md border border-line text-sm">
            {[...judged.lines]
              .sort((a, b) => Number(b.fate === 'refused') - Number(a.fate === 'refused') || a.line - b.line)
              .map((line) => (
                <li key={line.line} className="flex flex-wrap items-baseline gap-x-2 border-b border-line px-3 py-1">
                  <span className="w-16 text-soft">line {line.line}</span>
                  <span className="font-mono text-mono">
                    {line.source} → {line.target || '(nothing)'}
                  </span>
                  <span className={line.fate === 'refused' ? 'text-brick' : 'text-soft'}>
                    {fates[line.fate]}: {line.words}
                  </span>
                </li>
              ))}
          </ul>
          <p className="flex gap-2">
            <button
              type="button"
              className="button button--tide"
              disabled={judged.added === 0 || working !== null}
              onClick={() => void send(file, true)}
            >
              Take the {judged.added} good {judged.added === 1 ? 'line' : 'lines'}
            </button>
            <button type="button" className="button" onClick={onClose}>
              Leave it
            </button>
          </p>
        </>
      )}
    </Dialog>
  );
}
