import { useQuery } from '@tanstack/react-query';
import { type ReactNode, Suspense, useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Bay, Frame } from '../data/client';
import { marksQuery } from '../data/findings';
import { frameQuery, sessionQuery } from '../data/queries';
import { Found } from '../parts/Found';
import { afterPaint, lazily } from '../parts/lazily';
import { Trouble } from '../parts/Notice';
import { useView } from '../parts/useView';
import type { FrameDrag } from './holds';
import { Swatches } from './LooksSets';
import { NewMenu } from './NewMenu';
import { useFrameDrag } from './useFrameDrag';

// What is done with a part is fetched while one looks which part it is.
const BayCard = lazily(() => import('./BayCard').then((cards) => cards.BayCard));
const MenuCard = lazily(() => import('./BayCard').then((cards) => cards.MenuCard));
const NewBeside = lazily(() => import('./BesideCard').then((cards) => cards.NewBeside));
const NoticeCard = lazily(() => import('./BayCard').then((cards) => cards.NoticeCard));

/**
 * The shop's own frame, drawn large with its real labels. Touch the part you mean; drag a menu's name to where it should hang.
 *
 * @param onShown called a moment after it is there
 */
export default function FrameView({ onShown }: { onShown: () => void }) {
  const frame = useQuery(frameQuery);
  const session = useQuery(sessionQuery);
  const heading = useView('Menus');
  const isThere = frame.data !== undefined;
  useEffect(() => {
    if (!isThere) return;
    const idle = setTimeout(onShown, 600);
    return () => clearTimeout(idle);
  }, [isThere, onShown]);
  return (
    <main className="grid min-h-full grid-rows-[auto_minmax(0,1fr)] lg:h-full">
      <h1 ref={heading} tabIndex={-1} className="sr-only">
        Menus
      </h1>
      {frame.data ? (
        <FrameMap frame={frame.data} canEdit={session.data?.canEdit ?? false} />
      ) : frame.error ? (
        <Trouble words={frame.error.message} onAgain={() => void frame.refetch()} />
      ) : (
        <p className="p-8 text-soft">Drawing the frame of your shop…</p>
      )}
    </main>
  );
}

function FrameMap({ frame, canEdit }: { frame: Frame; canEdit: boolean }) {
  const [query, setQuery] = useSearchParams();
  const navigate = useNavigate();
  const [held, setHeld] = useState(false);
  const map = useRef<HTMLElement>(null);
  const { Around, Holder } = useFrameDrag(map);
  useEffect(() => afterPaint(() => [BayCard, MenuCard, NoticeCard].map((card) => card.fetch())), []);
  const chosen = query.get('bay');
  const choose = (id: string | null) => setQuery(id === null ? {} : { bay: id }, { replace: true });
  const header = frame.bays.find(({ id }) => id === 'header');
  const drawer = frame.bays.find(({ id }) => id === 'drawer');
  const columns = frame.bays.filter(({ id }) => id.startsWith('footer-'));
  const second = frame.bays.find(({ id }) => id === 'second-row');
  const last = frame.bays.find(({ id }) => id === 'last-line');
  const besides = frame.bays.filter((one) => one.beside !== null);
  const loose = frame.menus.filter(({ bays }) => bays.length === 0);
  const familyOf = (setting: string) => frame.looks.typefaces.find(({ id }) => id === frame.looks.values[setting])?.family;
  const marks = useQuery(marksQuery(frame.menus.map(({ id }) => id)));
  const wrong = (menuId: string | null) => (menuId !== null && marks.data?.counts[menuId]) || 0;
  const nameOf = (menuId: string | null) => frame.menus.find(({ id }) => id === menuId)?.name;
  const bay = (one: Bay, children: ReactNode, className: string, card: string, alignEnd = false) => (
    <BayBox
      key={one.id}
      bay={one}
      name={nameOf(one.menuId)}
      chosen={chosen === one.id}
      Holder={Holder}
      dragging={held}
      canEdit={canEdit}
      className={className}
      onChoose={() => (chosen === one.id && one.menuId ? navigate(`/menus/${one.menuId}?bay=${one.id}`) : choose(one.id))}
      card={
        chosen === one.id && (
          <Card className={`${card} ${alignEnd ? 'right-0' : 'left-0'}`} onLeave={() => choose(null)}>
            <h2>{one.words}</h2>
            {/* Whoever touches what is free types at once; what else there is comes when it has been fetched. */}
            {canEdit && !one.menuId && <NewMenu frame={frame} bay={one} onLeave={() => choose(null)} />}
            <Suspense fallback={null}>
              <BayCard frame={frame} bay={one} canEdit={canEdit} />
            </Suspense>
          </Card>
        )
      }
    >
      {children}
      {wrong(one.menuId) > 0 && (
        <span className="px-3 pb-1">
          <Found count={wrong(one.menuId)} broken={marks.data?.broken[one.menuId ?? ''] ?? 0} />
        </span>
      )}
    </BayBox>
  );

  const secondRow = (one: Bay) => (
    <div className="border-b border-line text-sm text-soft">
      {bay(
        one,
        <span className="block truncate px-4 py-1 text-right">
          {one.menuId ? one.entries.map(({ label }) => label).join(' · ') || 'Nothing shows here yet' : 'A second, smaller row: free'}
        </span>,
        '',
        'top-full mt-1',
        true,
      )}
    </div>
  );

  return (
    <Around frame={frame} onChoose={choose} onHeld={setHeld}>
      <section
        ref={map}
        aria-label="The frame of the shop"
        className="row-span-2 grid min-h-0 gap-5 p-4 lg:grid-cols-[minmax(0,1fr)_auto_auto]"
      >
        <div className="flex min-h-0 min-w-0 flex-col rounded-md border border-line bg-sheet">
          <NoticeLine frame={frame} chosen={chosen === 'notice'} onChoose={() => choose('notice')} />
          {chosen === 'notice' && (
            <div className="relative">
              <Card className="top-1 left-1/2 -translate-x-1/2" onLeave={() => choose(null)}>
                <NoticeCard frame={frame} canEdit={canEdit} />
              </Card>
            </div>
          )}
          {second && !frame.header.secondBelow && secondRow(second)}
          <div className="flex flex-wrap items-stretch border-b border-line max-lg:flex-col">
            <span className="flex items-center px-4 py-3 font-display text-lg whitespace-nowrap">
              {frame.header.wordmark ? (
                <em className="text-base text-soft">{frame.header.wordmarkWords || frame.shopName}, a picture</em>
              ) : (
                frame.shopName
              )}
            </span>
            {header && bay(header, <HeaderRow bay={header} shape={frame.header} />, 'min-w-0 flex-1', 'top-full mt-1')}
            <span className="flex items-center gap-4 px-4 text-sm text-soft max-lg:hidden">
              <span>Search</span>
              <span>Basket</span>
              <span>Sign in</span>
            </span>
          </div>
          {second && frame.header.secondBelow && secondRow(second)}
          {frame.fit.words && (
            <p className={`border-b border-line px-4 py-1.5 text-sm ${frame.fit.onADesk ? 'text-soft' : 'text-brick'}`}>
              <span aria-hidden="true">↔ </span>
              {frame.fit.words}
            </p>
          )}
          <div className="flex min-h-40 flex-1 max-lg:flex-col">
            <div className="flex w-40 shrink-0 flex-col border-r border-line max-lg:w-full max-lg:border-r-0 max-lg:border-b">
              {besides.map((one) =>
                bay(
                  one,
                  <Column bay={one} name={one.fills ? 'its pages' : nameOf(one.menuId)} />,
                  'border-l-0 border-b',
                  'left-full top-0 ml-1',
                ),
              )}
              {canEdit && (
                <Suspense fallback={null}>
                  <NewBeside frame={frame} onMade={choose} />
                </Suspense>
              )}
            </div>
            <Link
              to="/menus/looks"
              aria-label="Looks: typefaces, colours and buttons"
              className="grid min-h-40 min-w-0 flex-1 content-center justify-items-center gap-2 p-4 text-center text-ink hover:bg-lamp-wash/50 hover:no-underline"
            >
              <Swatches values={frame.looks.values} />
              <span>
                {familyOf('looks_heading')} for headings, {familyOf('looks_body')} for words
              </span>
              <span className="max-w-sm text-sm text-soft">
                The page. Touch it to change typefaces, colours and buttons; touch a part around it to see what can be done with it.
              </span>
            </Link>
          </div>
          <div className="flex items-stretch border-t border-line bg-paper max-lg:flex-col">
            {columns.map((one, n) =>
              bay(
                one,
                <Column bay={one} name={nameOf(one.menuId)} />,
                one.menuId ? (parts[one.share] ?? 'flex-3') : 'flex-2',
                'bottom-full mb-1',
                n > 2,
              ),
            )}
          </div>
          {last && (
            <div className="rounded-b-md border-t border-line bg-paper text-sm text-soft">
              {bay(
                last,
                <span className="flex flex-wrap justify-between gap-x-4 px-4 py-1.5">
                  <span className="min-w-0 truncate">{frame.lastLine || 'The last line: © and your company'}</span>
                  <span>{last.entries.map(({ label }) => label).join(' · ')}</span>
                </span>,
                '',
                'bottom-full mb-1',
              )}
            </div>
          )}
        </div>
        {drawer && (
          <div className="grid w-44 content-start gap-1 max-lg:w-full">
            {bay(
              drawer,
              <Phone bay={drawer} shop={frame.shopName} own={drawer.menuId !== null} />,
              '',
              'top-16 lg:right-full lg:mr-2',
              true,
            )}
            <p className="text-center text-sm text-soft">On a phone</p>
          </div>
        )}
        <div className="grid w-44 content-start gap-2 max-lg:w-full">
          <h2 className="text-soft">Hangs nowhere</h2>
          {loose.length === 0 && (
            <p className="text-sm text-soft">
              {frame.menus.length === 0
                ? 'There is no menu yet. One that you make can hang in the header, or in a column of the footer.'
                : 'Every menu hangs somewhere.'}
            </p>
          )}
          <ul className="grid gap-2">
            {loose.map(({ id, name, kind }) => (
              <li key={id} className="relative">
                <LooseMenu
                  Holder={Holder}
                  id={id}
                  name={name}
                  chosen={chosen === id}
                  canEdit={canEdit}
                  onChoose={() => (chosen === id ? navigate(`/menus/${id}`) : choose(id))}
                />
                {chosen === id && (
                  <Card className="top-full right-0 mt-1" onLeave={() => choose(null)}>
                    <MenuCard frame={frame} menu={{ id, name, kind }} canEdit={canEdit} onChoose={choose} />
                  </Card>
                )}
              </li>
            ))}
          </ul>
          {canEdit && <NewLoose frame={frame} />}
        </div>
      </section>
    </Around>
  );
}

/** The few words and acts of what is chosen; they stand beside it and nowhere else. */
function Card({ className, onLeave, children }: { className: string; onLeave: () => void; children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // Not where that would take what was touched out of sight: another touch opens it.
    if (box.current && box.current.offsetHeight < innerHeight / 2) box.current.scrollIntoView({ block: 'nearest' });
  }, []);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: Escape leaves what is chosen, wherever in it one is
    <div
      ref={box}
      data-card
      className={`absolute z-20 w-84 max-w-[calc(100vw-3rem)] rounded-md border border-lamp bg-sheet p-3 text-left shadow-xl ${className}`}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || event.defaultPrevented) return;
        box.current?.closest('[data-bay-box]')?.querySelector<HTMLElement>('button')?.focus();
        onLeave();
      }}
    >
      <div className="grid gap-3">
        <Suspense fallback={<p className="text-soft">…</p>}>{children}</Suspense>
      </div>
    </div>
  );
}

function BayBox({
  Holder,
  bay,
  name,
  chosen,
  dragging,
  canEdit,
  className,
  card,
  onChoose,
  children,
}: {
  Holder: FrameDrag['Holder'];
  bay: Bay;
  name: string | undefined;
  chosen: boolean;
  dragging: boolean;
  canEdit: boolean;
  className: string;
  card: ReactNode;
  onChoose: () => void;
  children: ReactNode;
}) {
  return (
    <Holder bay={bay} menuId={bay.menuId} disabled={!canEdit}>
      {({ drop, drag, listeners, isOver }) => (
        <div ref={drop} data-bay-box className={`relative border-l border-line first:border-l-0 max-lg:border-l-0 ${className}`}>
          <button
            ref={drag}
            type="button"
            aria-pressed={chosen}
            aria-label={`${bay.words}: ${name ?? (bay.id === 'drawer' ? 'as the header' : bay.fills ? 'its pages, by itself' : 'no menu hangs here')}`}
            {...listeners}
            onClick={onChoose}
            className={`flex size-full flex-col items-stretch justify-start text-left ${chosen ? 'bay--chosen' : isOver ? 'bay--over' : dragging ? 'outline-1 outline-lamp outline-dashed' : 'hover:bg-lamp-wash/50'}`}
          >
            {children}
          </button>
          {card}
        </div>
      )}
    </Holder>
  );
}

/** How wide a column of the footer is drawn, by its share. */
const parts: Record<number, string> = { 1: 'flex-3', 2: 'flex-6', 3: 'flex-9', 4: 'flex-12' };

const stands = { start: '', middle: 'justify-center', end: 'justify-end', stretched: 'justify-between' };
const opens = { angle: '⌄', plus: '+', dot: '•', drawn: '✎' };

function HeaderRow({ bay, shape }: { bay: Bay; shape: Frame['header'] }) {
  if (shape.form === 'drawer')
    return (
      <span className="flex min-h-12 items-center justify-end gap-3 px-4 py-2">
        <span className="truncate text-soft">
          {bay.entries.length > 0 ? bay.entries.map(({ label }) => label).join(' · ') : 'Nothing shows here yet'}
        </span>
        <span className="rounded border border-edge px-2 py-0.5">Menu</span>
      </span>
    );
  return (
    <span className={`flex min-h-12 flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2 ${stands[shape.entries]}`}>
      {!bay.menuId && (
        <span className="text-soft">
          {bay.entries.length > 0 ? 'No menu hangs here; the shop’s categories stand in for it:' : 'No menu hangs here'}
        </span>
      )}
      {bay.menuId && bay.entries.length === 0 && <span className="text-dusk">Nothing shows here yet</span>}
      {bay.entries.map((entry) => (
        <span key={entry.id} className="whitespace-nowrap">
          {entry.label}
          {entry.below > 0 && <span className="text-soft"> {opens[shape.mark]}</span>}
        </span>
      ))}
    </span>
  );
}

function Column({ bay, name }: { bay: Bay; name: string | undefined }) {
  return (
    <span className="grid min-h-28 content-start gap-0.5 px-3 py-3 text-sm">
      {bay.holds === 'column' ? null : bay.menuId || bay.fills ? (
        <span className="truncate font-semibold">{bay.heading || name}</span>
      ) : (
        <span className="text-soft">free</span>
      )}
      {bay.entries.slice(0, 8).map((entry) => (
        <span key={entry.id} className="truncate">
          {entry.label}
        </span>
      ))}
      {bay.entries.length > 8 && <span className="text-soft">and {bay.entries.length - 8} more</span>}
      {(bay.menuId || bay.fills) && bay.entries.length === 0 && <span className="text-dusk">Nothing shows here yet</span>}
    </span>
  );
}

function Phone({ bay, shop, own }: { bay: Bay; shop: string; own: boolean }) {
  return (
    <span className="grid min-h-64 content-start gap-1 rounded-xl border border-line bg-sheet px-3 pt-2 pb-4 text-sm">
      <span className="mx-auto mb-1 h-0.5 w-8 rounded bg-line" aria-hidden="true" />
      <span className="truncate font-display">{shop}</span>
      <span className="border-b border-line pb-1 text-soft">{own ? 'Menu' : 'As the header'}</span>
      {bay.entries.slice(0, 10).map((entry) => (
        <span key={entry.id} className="flex justify-between gap-2">
          <span className="truncate">{entry.label}</span>
          {entry.below > 0 && <span className="text-soft">▾</span>}
        </span>
      ))}
    </span>
  );
}

function NoticeLine({ frame, chosen, onChoose }: { frame: Frame; chosen: boolean; onChoose: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-label={`Notice line: ${frame.notice || 'empty'}`}
      onClick={onChoose}
      className={`block w-full truncate rounded-t-md px-3 text-center text-sm leading-8 ${chosen ? 'bay--chosen' : 'bg-night text-on-night hover:opacity-90'}`}
    >
      {frame.notice || 'No notice line'}
    </button>
  );
}

function LooseMenu({
  Holder,
  id,
  name,
  chosen,
  canEdit,
  onChoose,
}: {
  Holder: FrameDrag['Holder'];
  id: string;
  name: string;
  chosen: boolean;
  canEdit: boolean;
  onChoose: () => void;
}) {
  return (
    <Holder bay={null} menuId={id} disabled={!canEdit}>
      {({ drag, listeners }) => (
        <button
          ref={drag}
          type="button"
          aria-pressed={chosen}
          aria-label={`${name}, hangs nowhere`}
          {...listeners}
          onClick={onChoose}
          className={`w-full rounded-md border border-dashed border-edge px-3 py-1.5 text-left ${chosen ? 'bay--chosen' : 'hover:bg-sheet'}`}
        >
          {name}
        </button>
      )}
    </Holder>
  );
}

function NewLoose({ frame }: { frame: Frame }) {
  const [naming, setNaming] = useState(false);
  if (!naming)
    return (
      <button type="button" className="button justify-self-start" onClick={() => setNaming(true)}>
        New menu
      </button>
    );
  return <NewMenu frame={frame} bay={null} onLeave={() => setNaming(false)} />;
}
