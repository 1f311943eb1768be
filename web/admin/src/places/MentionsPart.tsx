import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { api, ask, askDone, type Mention, type PlaceSheet } from '../data/client';
import { useEdit } from '../data/edits';
import { mentionsQuery } from '../data/queries';
import { warn } from '../data/told';
import { Wrong } from '../parts/Notice';
import { Part } from '../parts/Part';
import { useDraft } from '../parts/useDraft';

const groups: { kind: Mention['kind']; name: string }[] = [
  { kind: 'entry', name: 'Menus' },
  { kind: 'text', name: 'Texts' },
  { kind: 'list', name: 'Lists' },
  { kind: 'redirect', name: 'Redirects' },
  { kind: 'closed-place', name: 'Closed places' },
  { kind: 'outside', name: 'Outside the shop' },
];

/** Everything that leads to the place, each line opening at the spot. */
export function MentionsPart({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const mentions = useQuery(mentionsQuery(id));
  if (!mentions.data)
    return (
      <Part name="Mentions">
        {mentions.error ? <p className="text-brick">{mentions.error.message}</p> : <p className="text-soft">Looking…</p>}
      </Part>
    );
  const { steps } = mentions.data;
  return (
    <Part name="Mentions">
      <p className={steps === null && sheet.place.light !== 'closed' ? 'font-semibold text-brick' : 'text-soft'}>
        {steps === null
          ? 'No links lead here from the front page.'
          : steps === 0
            ? 'This is the front page.'
            : `${steps} ${steps === 1 ? 'step' : 'steps'} from the front page.`}
      </p>
      {mentions.data.mentions.length === 0 && (
        <p className="mt-1 text-soft">Led to from nowhere: no menu, no text, no list, nothing outside.</p>
      )}
      <dl className="mt-2 grid grid-cols-[108px_minmax(0,1fr)] gap-x-3 gap-y-2">
        {groups.map(({ kind, name }) => {
          const some = mentions.data.mentions.filter((one) => one.kind === kind);
          return some.length === 0 ? null : (
            <div key={kind} className="contents">
              <dt className="text-sm text-soft">{name}</dt>
              <dd>
                <ul>
                  {some.map((one) => (
                    <li key={`${one.id} ${one.spot} ${one.says}`} className="flex flex-wrap items-baseline gap-x-2">
                      <Where mention={one} place={id} />
                      <span className="text-sm text-soft">{one.says}</span>
                      {kind === 'outside' && canEdit && <TakeOff id={one.id ?? ''} name={one.where} />}
                    </li>
                  ))}
                </ul>
              </dd>
            </div>
          );
        })}
      </dl>
      {canEdit && <Outside sheet={sheet} />}
    </Part>
  );
}

function Where({ mention, place }: { mention: Mention; place: string }) {
  const to = {
    entry: `/menus/${mention.id}?entry=${mention.spot}`,
    text: `/places/${mention.id}?to=${place}`,
    list: `/places/${mention.id}`,
    'closed-place': `/places/${mention.id}`,
    redirect: `/redirects?q=${encodeURIComponent(mention.where)}`,
    outside: null,
  }[mention.kind];
  if (to)
    return (
      <Link to={to} className="inline-block min-h-6 py-0.5">
        {mention.where}
      </Link>
    );
  return <span className={mention.kind === 'redirect' ? 'font-mono text-mono' : ''}>{mention.where}</span>;
}

function TakeOff({ id, name }: { id: string; name: string }) {
  const edit = useEdit();
  const off = async () => {
    const result = await edit({
      run: () => askDone(api.DELETE('/api/outside-mentions/{id}', { params: { path: { id } } })),
      changes: () => [{ about: 'mention', id: null }],
      says: `“${name}” is off the list.`,
    });
    if ('problem' in result) warn(result.problem);
  };
  return (
    <button
      type="button"
      className="min-h-6 text-sm text-tide underline"
      aria-label={`Take “${name}” off the list`}
      onClick={() => void off()}
    >
      take off
    </button>
  );
}

/** Notes an advertisement, a printed code or a profile that has the address of this place. */
function Outside({ sheet }: { sheet: PlaceSheet }) {
  const queries = useQueryClient();
  const edit = useEdit();
  const [open, setOpen] = useState(false);
  const [kind, setKind, kindDone] = useDraft(`outside ${sheet.place.id} kind`, '');
  const [name, setName, nameDone] = useDraft(`outside ${sheet.place.id} name`, '');
  const [problem, setProblem] = useState<string | null>(null);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const result = await edit({
      run: () => ask(api.POST('/api/places/{id}/outside-mentions', { params: { path: { id: sheet.place.id } }, body: { kind, name } })),
      changes: () => [],
      says: `“${name.trim()}” is noted.`,
      show: (after) => queries.setQueryData(mentionsQuery(sheet.place.id).queryKey, after),
    });
    if ('problem' in result) return setProblem(result.problem.message);
    setKind('');
    setName('');
    kindDone();
    nameDone();
    setProblem(null);
    setOpen(false);
  };
  if (!open) {
    return (
      <button type="button" className="button mt-3" onClick={() => setOpen(true)}>
        Its address stands somewhere outside…
      </button>
    );
  }
  return (
    <form className="mt-3 grid gap-2 rounded-md border border-line bg-paper p-3 sm:grid-cols-2" onSubmit={(event) => void add(event)}>
      <label className="text-sm text-soft">
        What it is
        <input
          className="field mt-1 text-base text-ink"
          list="outside-kinds"
          value={kind}
          onChange={(event) => setKind(event.target.value)}
        />
      </label>
      <datalist id="outside-kinds">
        {['advertisement', 'printed code', 'profile', 'newspaper', 'partner’s site', 'mail'].map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <label className="text-sm text-soft">
        The name you know it by
        <input className="field mt-1 text-base text-ink" value={name} onChange={(event) => setName(event.target.value)} />
      </label>
      <div className="flex gap-2 sm:col-span-2">
        <button type="submit" className="button button--tide">
          Note it
        </button>
        <button type="button" className="button" onClick={() => setOpen(false)}>
          Leave it
        </button>
      </div>
      <div className="sm:col-span-2">
        <Wrong id="outside-problem" problem={problem} />
      </div>
    </form>
  );
}
