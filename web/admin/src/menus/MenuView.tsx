import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, Navigate, useParams, useSearchParams } from 'react-router';
import type { Frame, Menu } from '../data/client';
import { frameQuery, type Looking, menuQuery, sessionQuery, today } from '../data/queries';
import { useLaidPieces } from '../outline/laying';
import { Outline } from '../outline/Outline';
import { useBeside } from '../outline/useBeside';
import { useChanges } from '../outline/useChanges';
import { Trouble } from '../parts/Notice';
import { useView } from '../parts/useView';
import { ShopBeside } from '../shop/ShopBeside';

/** One menu: its outline at full height, and the shop as visitors get it. */
export default function MenuView() {
  const { id = '' } = useParams();
  const [query] = useSearchParams();
  const frame = useQuery(frameQuery);
  const session = useQuery(sessionQuery);
  const [looking, setLooking] = useState<Looking>(today);
  const menu = useQuery(menuQuery(id, looking));
  const { entry, forOutline, forShop } = useBeside();
  const heading = useView(menu.data ? `${menu.data.name} · Menus` : 'Menus');
  // Who comes by the menu means the first part of the shop where it hangs.
  const bay = query.get('bay') ?? frame.data?.bays.find(({ menuId }) => menuId === id)?.id ?? null;
  const follows = `${useChanges(menu.data)} ${useChanges(frame.data)}`;
  const canEdit = session.data?.canEdit ?? false;
  const spot = query.get('entry');
  const isPanel = menu.data?.kind === 'panel';
  const shown = useMemo(() => ({ entry: entry ?? (isPanel ? id : null), bay }), [entry, bay, isPanel, id]);
  const pieces = useLaidPieces(menu.data, canEdit);
  // A page is laid out in its sheet, beside all else that is its own.
  if (menu.data?.kind === 'page') return <Navigate to={`/places/${id}?${new URLSearchParams({ piece: spot ?? '' })}`} replace />;
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)] lg:h-full lg:grid-cols-[minmax(24rem,5fr)_minmax(0,6fr)]">
      <div className="flex min-h-120 min-w-0 flex-col bg-sheet lg:min-h-0">
        <h1 ref={heading} tabIndex={-1} className="sr-only">
          {menu.data?.name ?? 'Menu'}
        </h1>
        {menu.data ? (
          <Outline
            key={id}
            menu={menu.data}
            looking={looking}
            canEdit={canEdit}
            spot={spot}
            lost={menu.error?.message ?? null}
            {...forOutline}
          >
            {(acts) => <SlimLine frame={frame.data} menu={menu.data} bay={bay} acts={acts} />}
          </Outline>
        ) : (
          <>
            <SlimLine frame={frame.data} menu={null} bay={bay} acts={null} />
            {menu.error ? (
              <Trouble words={menu.error.message} onAgain={() => void menu.refetch()} />
            ) : (
              <p className="p-8 text-soft">Fetching the menu…</p>
            )}
          </>
        )}
      </div>
      <ShopBeside
        path={menu.data?.path ?? '/'}
        looking={looking}
        width={bay === 'drawer' ? 'phone' : null}
        onLooking={setLooking}
        shown={shown}
        pieces={pieces}
        follows={follows}
        {...forShop}
      />
    </main>
  );
}

/** Back to the whole frame, which part of it this is with the others beside it, and what is done with the menu as a whole. */
function SlimLine({ frame, menu, bay, acts }: { frame: Frame | undefined; menu: Menu | null; bay: string | null; acts: React.ReactNode }) {
  const parts = useRef<HTMLElement>(null);
  const isThere = frame !== undefined;
  // Which part this is stays in sight, however many there are.
  useEffect(() => {
    if (isThere && bay) parts.current?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [bay, isThere]);
  const short = (words: string) => words.replace('Footer column', 'Footer').replace('Phone drawer', 'Phone');
  if (menu?.kind === 'panel')
    return (
      <div className="flex h-9 shrink-0 items-center gap-2 border-b border-line px-2">
        <Link to={`/menus/${menu.ofMenu}?entry=${menu.id}`} className="choice inline-flex items-center whitespace-nowrap hover:text-ink">
          <span aria-hidden="true">‹</span>&nbsp;The menu
        </Link>
        <span className="min-w-0 flex-1 truncate">The wide panel of “{menu.name}”</span>
        {acts}
      </div>
    );
  return (
    <div className="flex h-9 shrink-0 items-center gap-1 border-b border-line px-2">
      <Link
        to={bay ? `/menus?bay=${bay}` : '/menus'}
        className="choice inline-flex items-center whitespace-nowrap hover:text-ink"
        aria-label="The whole frame"
      >
        <span aria-hidden="true">‹ Frame</span>
      </Link>
      <nav ref={parts} aria-label="Parts of the frame" className="flex min-w-0 flex-1 items-center gap-0.5 overflow-x-auto">
        {menu && menu.bays.length === 0 && (
          <span className="choice shrink-0 whitespace-nowrap" aria-current="page">
            {menu.name}, hangs nowhere
          </span>
        )}
        {frame?.bays.map((one) => (
          <Link
            key={one.id}
            to={one.menuId ? `/menus/${one.menuId}?bay=${one.id}` : `/menus?bay=${one.id}`}
            aria-current={one.id === bay ? 'page' : undefined}
            className={`choice inline-flex shrink-0 items-center whitespace-nowrap hover:text-ink hover:no-underline ${one.menuId ? '' : 'italic'}`}
            title={`${one.words}: ${frame.menus.find(({ id }) => id === one.menuId)?.name ?? 'no menu hangs here'}`}
          >
            {short(one.words)}
          </Link>
        ))}
      </nav>
      {acts}
    </div>
  );
}
