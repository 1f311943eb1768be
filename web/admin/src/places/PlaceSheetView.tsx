import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, ask, type PlaceSheet } from '../data/client';
import { useEdit } from '../data/edits';
import { withinQuery } from '../data/findings';
import { revise, usePlaceChange } from '../data/place';
import { type Looking, menuQuery, placeQuery, sessionQuery, today } from '../data/queries';
import { warn } from '../data/told';
import { useLaidPieces } from '../outline/laying';
import { useBeside } from '../outline/useBeside';
import { useChanges } from '../outline/useChanges';
import { KeptField } from '../parts/KeptField';
import { Lantern } from '../parts/Lantern';
import { Trouble } from '../parts/Notice';
import { Part, partId } from '../parts/Part';
import { useView } from '../parts/useView';
import { when } from '../parts/when';
import { ShopBeside } from '../shop/ShopBeside';
import { AddressPart } from './AddressPart';
import { FilePart } from './FilePart';
import { FiltersPart } from './FiltersPart';
import { LayoutPart } from './LayoutPart';
import { LightPart } from './LightPart';
import { ListingPart } from './ListingPart';
import { MentionsPart } from './MentionsPart';
import { MenusPart } from './MenusPart';
import { ProductsPart } from './ProductsPart';
import { RemovePlace } from './RemovePlace';
import { StandingPart } from './StandingPart';
import { WordsPart } from './WordsPart';

/** One place, with its parts in the order of the work, its layout among them; the shop stands beside it and follows. */
export default function PlaceSheetView() {
  const { id = '' } = useParams();
  const [looking, setLooking] = useState<Looking>(today);
  const session = useQuery(sessionQuery);
  const sheet = useQuery(placeQuery(id));
  const laidOut = sheet.data?.laidOut ?? false;
  const layout = useQuery({ ...menuQuery(id, looking), enabled: laidOut });
  const changes = useChanges(layout.data);
  const { entry, forOutline, forShop } = useBeside();
  const canEdit = session.data?.canEdit ?? false;
  const pieces = useLaidPieces(laidOut ? layout.data : undefined, canEdit);
  const shown = useMemo(() => ({ entry: laidOut ? entry : null, bay: null }), [laidOut, entry]);
  // What was typed stays on the screen, whatever becomes of asking again.
  if (sheet.error && !sheet.data) return <Trouble words={sheet.error.message} onAgain={() => void sheet.refetch()} />;
  if (!sheet.data) return <p className="p-8 text-soft">Fetching the place…</p>;
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)] lg:h-full lg:grid-cols-[minmax(400px,1fr)_minmax(0,1fr)]">
      <div className="relative min-h-0 overflow-auto bg-sheet px-6 pb-10">
        <Sheet
          key={id}
          sheet={sheet.data}
          canEdit={canEdit}
          layout={laidOut && <LayoutPart layout={layout} looking={looking} canEdit={canEdit} forOutline={forOutline} />}
        />
      </div>
      <ShopBeside
        key={sheet.data.place.address}
        path={encodeURI(sheet.data.place.address)}
        place={id}
        looking={looking}
        onLooking={setLooking}
        shown={shown}
        follows={`${sheet.data.version} ${changes}`}
        pieces={pieces}
        {...(laidOut ? forShop : {})}
      />
    </main>
  );
}

function Sheet({ sheet, canEdit, layout }: { sheet: PlaceSheet; canEdit: boolean; layout: ReactNode }) {
  const { place } = sheet;
  const [query] = useSearchParams();
  const heading = useView(`${place.title} · Places`);
  const parts = [
    ...(layout ? ['Layout'] : []),
    ...(sheet.hasWords ? ['Words'] : ['File']),
    ...(sheet.rule ? ['Products'] : []),
    ...(sheet.canBeNarrowed ? ['Filters'] : []),
    ...(sheet.parentKind ? ['Stand'] : []),
    'Address',
    'Light',
    ...(canEdit ? ['Menus'] : []),
    'Search listing',
    'Mentions',
  ];
  return (
    <>
      <nav
        aria-label="Parts of the sheet"
        className="sticky top-0 z-10 -mx-6 flex flex-wrap gap-x-1 border-b border-line bg-sheet px-5 py-1.5"
      >
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
      <BackToLine menu={query.get('menu')} entry={query.get('entry')} />
      <p className="mt-4 text-sm text-soft">
        <Link to="/places">Places</Link> › {place.kindWords}
        {sheet.parent && (
          <>
            {' '}
            in <Link to={`/places/${sheet.parent.id}`}>{sheet.parent.title}</Link>
          </>
        )}
      </p>
      <h1 ref={heading} tabIndex={-1} className="mt-1 flex items-center gap-2 outline-none">
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
      <FoundHere id={place.id} />
      {layout}
      <TitleField sheet={sheet} disabled={!canEdit} />
      {sheet.hasWords ? (
        <WordsPart sheet={sheet} canEdit={canEdit} pointsTo={query.get('to')} />
      ) : (
        <FilePart sheet={sheet} canEdit={canEdit} />
      )}
      {sheet.rule && <ProductsPart sheet={sheet} canEdit={canEdit} />}
      {sheet.canBeNarrowed && <FiltersPart sheet={sheet} />}
      {sheet.parentKind && <StandingPart sheet={sheet} canEdit={canEdit} />}
      <AddressPart sheet={sheet} disabled={!canEdit} />
      <LightPart sheet={sheet} canEdit={canEdit} />
      {canEdit && <MenusPart sheet={sheet} />}
      <ListingPart sheet={sheet} canEdit={canEdit} />
      <MentionsPart sheet={sheet} canEdit={canEdit} />
    </>
  );
}

/** What the link check says of the place, its words and its page. */
function FoundHere({ id }: { id: string }) {
  const found = useQuery(withinQuery(id));
  const findings = found.data?.findings ?? [];
  if (findings.length === 0) return null;
  return (
    <ul className="mt-2 grid gap-0.5" aria-label="Findings">
      {findings.slice(0, 4).map((finding) => (
        <li key={finding.id} className={finding.broken ? 'text-brick' : ''}>
          <span aria-hidden="true">{finding.broken ? '✕ ' : '◦ '}</span>
          {finding.says}
        </li>
      ))}
      <li>
        <Link to={`/link-check?${new URLSearchParams({ q: findings[0]?.subject.name ?? '' })}`}>
          {findings.length > 4 ? `${findings.length - 4} more, and the mends` : findings.length === 1 ? 'Mend it' : 'Mend them'}
        </Link>
      </li>
    </ul>
  );
}

/** What is done with the place as a whole. */
function Acts({ sheet }: { sheet: PlaceSheet }) {
  const navigate = useNavigate();
  const edit = useEdit();
  const { place } = sheet;
  const duplicate = async () => {
    const result = await edit({
      run: () => ask(api.POST('/api/places/{id}/duplicate', { params: { path: { id: place.id } } })),
      changes: ({ id }) => [{ about: 'place', id }],
      says: `This is the copy of “${place.title}”. It is quiet until you make it open.`,
    });
    if ('made' in result) navigate(`/places/${result.made.id}`);
    else warn(result.problem);
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
  const { id } = sheet.place;
  const change = usePlaceChange(sheet);
  return (
    <Part name="Title">
      <KeptField
        label="Title"
        labelShown="no"
        value={sheet.place.title}
        draftKey={`place ${id} title`}
        disabled={disabled}
        onKeep={(title) => change(revise(id, { title }))}
      />
      {sheet.menus.length > 0 && <p className="mt-1 text-sm text-soft">Menu entries without a label of their own follow it.</p>}
    </Part>
  );
}

/** Who came from a line of a menu goes back to it: by this, or by Escape where no field has the focus. */
function BackToLine({ menu, entry }: { menu: string | null; entry: string | null }) {
  const navigate = useNavigate();
  const to = menu && entry ? `/menus/${menu}?entry=${entry}` : null;
  useEffect(() => {
    if (!to) return;
    const onKey = (event: KeyboardEvent) => {
      const within =
        event.target instanceof HTMLElement &&
        event.target.closest('input, textarea, [contenteditable="true"], [role="dialog"], [role="menu"], [role="listbox"]');
      if (event.key === 'Escape' && !event.defaultPrevented && !within) navigate(to);
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [to, navigate]);
  if (!to) return null;
  return (
    <p className="mt-3 text-sm">
      <Link to={to}>‹ Back to the line in the menu</Link> <span className="key">Escape</span>
    </p>
  );
}
