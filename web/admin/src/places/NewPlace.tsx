import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, type PlaceBrief, ProblemError, type Rules, upload } from '../data/client';
import { undo } from '../data/edits';
import { refresh } from '../data/queries';
import { say } from '../data/told';
import { Dialog } from '../parts/Dialog';
import { Wrong } from '../parts/Notice';
import { Pick } from '../parts/Pick';
import { useDraft } from '../parts/useDraft';

const kinds = [
  { kind: 'page', name: 'Page', says: 'Words of your own, alone or in a page group.' },
  { kind: 'policy', name: 'Policy', says: 'Words that you are bound by. For the usual six there are texts to begin with.' },
  { kind: 'page-group', name: 'Page group', says: 'A landing page that lists the pages in it.' },
  { kind: 'category', name: 'Category', says: 'A shelf; products are put there by the product system.' },
  { kind: 'collection', name: 'Collection', says: 'Products picked by hand or by a rule.' },
  { kind: 'article', name: 'Article', says: 'A piece in the journal.' },
  { kind: 'file', name: 'File', says: 'PDF, picture, text or table, at most 20 MB each.' },
] as const;

/** Makes a place of any kind that is made here; several files at once. */
export function NewPlace({ groups, rules, onClose }: { groups: PlaceBrief[]; rules: Rules | undefined; onClose: () => void }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [kind, setKind] = useState<(typeof kinds)[number]['kind']>('page');
  const [title, setTitle, done] = useDraft('new place title', '');
  const [parent, setParent] = useState('');
  const [files, setFiles] = useState<File[]>([]);
  const [problems, setProblems] = useState<string[]>([]);
  const [busy, setBusy] = useState(false);
  const what = kinds.find((one) => one.kind === kind) ?? kinds[0];
  const above = rules?.kinds.find((one) => one.kind === kind)?.above ?? null;
  const below = groups.filter((one) => one.kind === above);

  const make = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    setProblems([]);
    try {
      if (kind === 'file') await send();
      else {
        const made = await ask(api.POST('/api/places', { body: { kind, title, parent: above && parent ? parent : null } }));
        await refresh(queries, [{ about: 'place', id: made.id }]);
        done();
        say(`“${title.trim()}” is made.`, () => void undo(queries));
        onClose();
        navigate(`/places/${made.id}`);
      }
    } catch (error) {
      setProblems([error instanceof Error ? error.message : String(error)]);
    }
    setBusy(false);
  };

  /** One after the other: what was refused is told, the others are there. */
  const send = async () => {
    if (files.length === 0) throw new ProblemError(422, 'Choose one file or several.');
    const made: string[] = [];
    const wrong: string[] = [];
    const left: File[] = [];
    for (const file of files) {
      try {
        made.push((await upload<{ id: string }>('/api/files', file)).id);
      } catch (error) {
        wrong.push(error instanceof Error ? error.message : String(error));
        left.push(file);
      }
    }
    await refresh(queries, [{ about: 'place', id: null }]);
    if (made.length > 0) say(`${made.length} ${made.length === 1 ? 'file is' : 'files are'} among your places now.`);
    setFiles(left);
    setProblems(wrong);
    if (wrong.length === 0) {
      onClose();
      navigate(made.length === 1 ? `/places/${made[0]}` : '/places?kind=file&order=changed&down=yes');
    }
  };

  return (
    <Dialog open onClose={onClose} title="New place">
      <form onSubmit={(event) => void make(event)} className="grid min-h-0 gap-4 overflow-auto">
        <fieldset>
          <legend className="sr-only">What kind of place</legend>
          <div className="flex flex-wrap gap-1">
            {kinds.map((one) => (
              <label
                key={one.kind}
                className={`relative cursor-pointer rounded-md px-3 py-1 font-medium focus-within:outline-2 focus-within:outline-tide ${kind === one.kind ? 'bg-ink text-sheet' : 'bg-paper'}`}
              >
                <input type="radio" className="sr-only" name="kind" checked={kind === one.kind} onChange={() => setKind(one.kind)} />
                {one.name}
              </label>
            ))}
          </div>
          <p className="mt-2 text-soft">{what.says}</p>
        </fieldset>
        {kind === 'file' ? (
          <label className="grid gap-1">
            Files
            <input
              type="file"
              multiple
              accept=".pdf,.png,.jpg,.jpeg,.gif,.webp,.txt,.csv"
              className="field py-1.5"
              onChange={(event) => setFiles([...(event.target.files ?? [])])}
            />
          </label>
        ) : (
          <label className="grid gap-1">
            Title
            <input className="field" autoFocus value={title} onChange={(event) => setTitle(event.target.value)} />
          </label>
        )}
        {above && below.length > 0 && (
          <Pick
            label="Below"
            chosen={parent}
            all={[
              ['', `no ${above.replace('-', ' ')}`],
              ...below.map(({ id, title: name, address }) => [id, `${name}, ${address}`] as const),
            ]}
            onChoose={setParent}
          />
        )}
        {problems.map((problem) => (
          <Wrong key={problem} id="new-problem" problem={problem} />
        ))}
        <div className="flex gap-3">
          <button type="submit" className="button button--tide" disabled={busy}>
            {busy ? 'Working…' : kind === 'file' ? 'Upload' : `Make the ${what.name.toLowerCase()}`}
          </button>
          <button type="button" className="button" onClick={onClose}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}
