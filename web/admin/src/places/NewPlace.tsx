import { useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, type PlaceBrief, ProblemError, upload } from '../api/client';
import { Modal } from '../parts/Modal';
import { Wrong } from '../parts/Part';
import { useTell } from '../parts/toasts';
import { refreshWorkbench } from '../shell/queries';

const kinds = [
  { kind: 'page', name: 'Page', says: 'Words of your own, alone or in a page group.', above: 'page-group' },
  { kind: 'policy', name: 'Policy', says: 'Words that you are bound by. For the usual six there are texts to begin with.', above: null },
  { kind: 'page-group', name: 'Page group', says: 'A landing page that lists the pages in it.', above: null },
  { kind: 'category', name: 'Category', says: 'A shelf; products are put there by the product system.', above: 'category' },
  { kind: 'collection', name: 'Collection', says: 'Products picked by hand or by a rule.', above: null },
  { kind: 'article', name: 'Article', says: 'A piece in the journal.', above: null },
  { kind: 'file', name: 'File', says: 'PDF, picture, text or table, at most 20 MB each.', above: null },
] as const;

/** Makes a place of any kind that is made here; several files at once. */
export function NewPlace({ groups, onClose }: { groups: PlaceBrief[]; onClose: () => void }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const tell = useTell();
  const [kind, setKind] = useState<(typeof kinds)[number]['kind']>('page');
  const [title, setTitle] = useState('');
  const [parent, setParent] = useState('');
  const [files, setFiles] = useState<File[]>([]);
  const [problems, setProblems] = useState<string[]>([]);
  const [busy, setBusy] = useState(false);
  const what = kinds.find((one) => one.kind === kind) ?? kinds[0];

  const make = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    setProblems([]);
    try {
      if (kind === 'file') await send();
      else {
        const made = await ask(api.POST('/api/places', { body: { kind, title, parent: what.above && parent ? parent : null } }));
        await refreshWorkbench(queries);
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
    await refreshWorkbench(queries);
    if (made.length > 0) tell.say(`${made.length} ${made.length === 1 ? 'file is' : 'files are'} among your places now.`);
    setFiles(left);
    setProblems(wrong);
    if (wrong.length === 0) {
      onClose();
      navigate(made.length === 1 ? `/places/${made[0]}` : '/places?kind=file&order=changed&down=yes');
    }
  };

  return (
    <Modal open onClose={onClose} title="New place" className="top-[8vh] max-h-[84vh] overflow-auto p-6">
      <form onSubmit={(event) => void make(event)} className="mt-3 grid gap-4">
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
            {/* biome-ignore lint/a11y/noAutofocus: the dialog was opened to type this */}
            <input className="field" autoFocus value={title} onChange={(event) => setTitle(event.target.value)} />
          </label>
        )}
        {what.above && (
          <label className="grid gap-1">
            Below
            <select className="field" value={parent} onChange={(event) => setParent(event.target.value)}>
              <option value="">no {what.above.replace('-', ' ')}</option>
              {groups
                .filter((one) => one.kind === what.above)
                .map(({ id, title: name, address }) => (
                  <option key={id} value={id}>
                    {name} — {address}
                  </option>
                ))}
            </select>
          </label>
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
    </Modal>
  );
}
