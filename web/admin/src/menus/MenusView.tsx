import { useCallback, useRef, useState } from 'react';
import { Navigate, useParams, useSearchParams } from 'react-router';
import { useSession } from '../shell/queries';
import { FrameMap } from './FrameMap';
import { FrameStrip } from './FrameStrip';
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
  const [hovered, setHovered] = useState<string | null>(null);
  const bay = query.get('bay');
  const follows = `${useChanges(menu.data)} ${useChanges(frame.data)}`;

  if (frame.error && !frame.data) return <Trouble words={frame.error.message} />;
  if (!frame.data) return <p className="p-8 text-soft">Drawing the frame of your shop…</p>;
  if (!id && !bay) {
    const first = frame.data.bays.find((one) => one.menuId)?.menuId ?? frame.data.menus[0]?.id;
    return <Navigate to={first ? `/menus/${first}` : '/menus?bay=header'} replace />;
  }
  const canEdit = session.data?.canEdit ?? false;
  // Who comes by the menu means the first part of the shop where it hangs.
  const part = bay ?? frame.data.bays.find((one) => one.menuId !== null && one.menuId === id)?.id ?? null;
  const drawerMenu = frame.data.bays.find((one) => one.id === 'drawer')?.menuId;
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_minmax(0,1fr)] lg:h-full">
      <h1 className="sr-only">Menus</h1>
      <FrameMap frame={frame.data} chosen={id} bay={bay} />
      <FrameStrip key={`${part} ${id}`} frame={frame.data} bay={part} menuId={part === 'drawer' ? (drawerMenu ?? null) : (id ?? null)} canEdit={canEdit} />
      <div className="grid min-h-0 grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(380px,5fr)_minmax(0,6fr)]">
        {!id ? (
          <p className="p-8 text-soft">
            No menu hangs here. Hang one that you have, or make a new one: both stand above, beside the name of this part of the shop.
          </p>
        ) : menu.error && !menu.data ? (
          <Trouble words={menu.error.message} />
        ) : menu.data ? (
          <Outline
            key={id}
            menu={menu.data}
            looking={looking}
            canEdit={canEdit}
            pointed={pointed}
            spot={query.get('entry')}
            lost={menu.error?.message ?? null}
            onShow={setShown}
            onPoint={setHovered}
          />
        ) : (
          <p className="p-8 text-soft">Fetching the menu…</p>
        )}
        <ShopBeside path="/" looking={looking} onLooking={setLooking} shown={shown} hovered={hovered} onPoint={point} follows={follows} />
      </div>
    </main>
  );
}

/** Counts how often something became different; asking for it again and getting the same does not count. */
function useChanges(data: unknown): number {
  const last = useRef({ data, times: 0 });
  if (last.current.data !== data) last.current = { data, times: last.current.times + 1 };
  return last.current.times;
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
