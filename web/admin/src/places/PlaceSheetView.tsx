import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, ask, type PlaceSheet } from '../api/client';
import { Trouble } from '../menus/MenusView';
import { type Looking, ShopBeside, today } from '../menus/ShopBeside';
import { Lantern } from '../parts/Lantern';
import { Part, partId, Wrong } from '../parts/Part';
import { useTell } from '../parts/toasts';
import { when } from '../parts/when';
import { useSession } from '../shell/queries';
import { AddressPart } from './AddressPart';
import { FilePart } from './FilePart';
import { LightPart } from './LightPart';
import { ListingPart } from './ListingPart';
import { MentionsPart } from './MentionsPart';
import { ProductsPart } from './ProductsPart';
import { RemovePlace } from './RemovePlace';
import { StandingPart } from './StandingPart';
import { revise, usePlace, usePlaceChange } from './usePlace';
import { WordsPart } from './WordsPart';

/** One place, with its parts in the order of the work; the shop stands beside it and follows. */
export function PlaceSheetView() {
  const { id = '' } = useParams();
  const [looking, setLooking] = useState<Looking>(today);
  const session = useSession();
  const sheet = usePlace(id);
  if (sheet.error) return <Trouble words={sheet.error.message} />;
  if (!sheet.data) return <p className="p-8 text-soft">Fetching the place…</p>;
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)] lg:h-full lg:grid-cols-[minmax(400px,1fr)_minmax(0,1fr)]">
      <div className="relative min-h-0 overflow-auto bg-sheet px-6 pb-10">
        <Sheet key={id} sheet={sheet.data} canEdit={session.data?.canEdit ?? false} />
      </div>
      <ShopBeside
        key={sheet.data.place.address}
        path={encodeURI(sheet.data.place.address)}
        place={id}
        looking={looking}
        onLooking={setLooking}
        shown={null}
        follows={`${sheet.data.version}`}
      />
    </main>
  );
}

function Sheet({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { place } = sheet;
  const [query] = useSearchParams();
  const parts = [
    ...(sheet.hasWords ? ['Words'] : ['File']),
    ...(sheet.rule ? ['Products'] : []),
    ...(sheet.parentKind ? ['Stand'] : []),
    'Address',
    'Light',
    'Search listing',
    'Mentions',
  ];
  return (
    <>
      <nav aria-label="Parts of the sheet" className="sticky top-0 z-10 -mx-6 flex flex-wrap gap-x-1 border-b border-line bg-sheet px-5 py-1.5">
        {parts.map((name) => (
          <button
            key={name}
            type="button"
            className="choice hover:text-ink"
            onClick={() => {
              const part = document.getElementById(partId(name));
              part?.scrollIntoView({ block: 'start' });
              part?.focus({ preventScroll: true });
            }}
          >
            {name}
          </button>
        ))}
      </nav>
      <p className="mt-4 text-sm text-soft">
        <Link to="/places">Places</Link> › {place.kindWords}
        {sheet.parent && (
          <>
            {' '}
            in <Link to={`/places/${sheet.parent.id}`}>{sheet.parent.title}</Link>
          </>
        )}
      </p>
      <h1 className="mt-1 flex items-center gap-2">
        <Lantern light={place.light} words={place.lightWords} size={24} />
        {place.title}
      </h1>
      <p className="mt-1 flex flex-wrap items-center gap-x-3 text-sm text-soft">
        <span>
          Changed {when(sheet.changedAt)} by {sheet.changedBy || 'nobody yet'} · {sheet.visits} visits in 30 days
        </span>
        {canEdit && sheet.isMadeHere && <Acts sheet={sheet} />}
      </p>
      {sheet.listedCount !== null && (
        <p className={`mt-2 ${sheet.listedCount === 0 ? 'font-semibold text-brick' : 'text-soft'}`}>
          {sheet.listedCount === 0
            ? 'A visitor would see nothing listed here now.'
            : `A visitor would see ${sheet.listedCount} ${sheet.listedCount === 1 ? 'thing' : 'things'} listed here now.`}
        </p>
      )}
      <TitleField sheet={sheet} disabled={!canEdit} />
      {sheet.hasWords ? <WordsPart sheet={sheet} canEdit={canEdit} pointsTo={query.get('to')} /> : <FilePart sheet={sheet} canEdit={canEdit} />}
      {sheet.rule && <ProductsPart sheet={sheet} canEdit={canEdit} />}
      {sheet.parentKind && <StandingPart sheet={sheet} canEdit={canEdit} />}
      <AddressPart sheet={sheet} disabled={!canEdit} />
      <LightPart
        key={`${sheet.light} ${sheet.opensOn} ${sheet.closesOn} ${sheet.audience} ${sheet.closedAnswer} ${sheet.closedTo?.id}`}
        sheet={sheet}
        canEdit={canEdit}
      />
      <ListingPart sheet={sheet} canEdit={canEdit} />
      <MentionsPart sheet={sheet} canEdit={canEdit} />
    </>
  );
}

/** What is done with the place as a whole. */
function Acts({ sheet }: { sheet: PlaceSheet }) {
  const navigate = useNavigate();
  const tell = useTell();
  const { place } = sheet;
  const duplicate = async () => {
    try {
      const made = await ask(api.POST('/api/places/{id}/duplicate', { params: { path: { id: place.id } } }));
      navigate(`/places/${made.id}`);
      tell.say(`This is the copy of “${place.title}”. It is quiet until you make it open.`);
    } catch (error) {
      tell.warn(error);
    }
  };
  const [removing, setRemoving] = useState(false);
  return (
    <>
      {sheet.hasWords && (
        <button type="button" className="min-h-6 text-tide underline" onClick={() => void duplicate()}>
          Duplicate
        </button>
      )}
      <button type="button" className="min-h-6 text-tide underline" onClick={() => setRemoving(true)}>
        Remove…
      </button>
      {removing && <RemovePlace sheet={sheet} onClose={() => setRemoving(false)} />}
    </>
  );
}

function TitleField({ sheet, disabled }: { sheet: PlaceSheet; disabled: boolean }) {
  const change = usePlaceChange(sheet.place.id);
  const [title, setTitle] = useState(sheet.place.title);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    if (title.trim() === sheet.place.title) return setProblem(null);
    setProblem((await change((version) => revise(sheet.place.id, version, { title })))?.message ?? null);
  };
  return (
    <Part name="Title">
      <input
        className="field"
        aria-label="Title"
        aria-invalid={problem !== null}
        aria-describedby={problem ? 'title-problem' : undefined}
        disabled={disabled}
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => event.key === 'Enter' && void keep()}
      />
      <Wrong id="title-problem" problem={problem} />
      {sheet.menus.length > 0 && <p className="mt-1 text-sm text-soft">Menu entries without a label of their own follow it.</p>}
    </Part>
  );
}
