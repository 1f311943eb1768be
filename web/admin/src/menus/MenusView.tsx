import { useCallback, useState } from 'react';
import { Navigate, useParams, useSearchParams } from 'react-router';
import { useSession } from '../shell/queries';
import { FrameMap } from './FrameMap';
import { Outline } from './Outline';
import { type Looking, ShopBeside, today } from './ShopBeside';
import { useFrame, useMenu } from './useMenu';

/** The map of the shop's frame above; below it the outline of one menu, and the shop as visitors get it. */
export function MenusView() {
  const { id } = useParams();
  const frame = useFrame();
  const session = useSession();
  const [looking, setLooking] = useState<Looking>(today);
  const [query] = useSearchParams();
  const [shown, setShown] = useState<string | null>(null);
  const [pointed, setPointed] = useState<string | null>(null);
  const menu = useMenu(id, looking);
  const point = useCallback((entry: string | null) => setPointed(entry), []);

  if (frame.error) return <Trouble words={frame.error.message} />;
  if (!frame.data) return <p className="p-8 text-soft">Drawing the frame of your shop…</p>;
  if (!id) {
    const first = frame.data.bays.find((bay) => bay.menuId)?.menuId ?? frame.data.menus[0]?.id;
    return first ? <Navigate to={`/menus/${first}`} replace /> : <Trouble words="This shop has no menu yet." />;
  }
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)] lg:h-full">
      <h1 className="sr-only">Menus</h1>
      <FrameMap frame={frame.data} chosen={id} />
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(380px,5fr)_minmax(0,6fr)]">
        {menu.error ? (
          <Trouble words={menu.error.message} />
        ) : menu.data ? (
          <Outline
            key={id}
            menu={menu.data}
            looking={looking}
            canEdit={session.data?.canEdit ?? false}
            pointed={pointed}
            spot={query.get('entry')}
            onShow={setShown}
          />
        ) : (
          <p className="p-8 text-soft">Fetching the menu…</p>
        )}
        <ShopBeside path="/" looking={looking} onLooking={setLooking} shown={shown} onPoint={point} follows={`${menu.dataUpdatedAt}`} />
      </div>
    </main>
  );
}

export function Trouble({ words }: { words: string }) {
  return (
    <div className="p-8">
      <p role="alert" className="inline-block rounded-md bg-brick-wash px-4 py-2 text-[#7c2c1d]">
        {words}
      </p>
    </div>
  );
}
