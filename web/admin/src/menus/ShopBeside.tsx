import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, ask } from '../api/client';
import type { Audience } from './useMenu';

const widths = { Desk: 1280, Tablet: 820, Phone: 390 } as const;
type Width = keyof typeof widths;

type Told = { type: 'pointed'; entry: string | null } | { type: 'refreshed' | 'arrived' };

/** The shop from the workbench, as a visitor gets it. It follows each edit, and shows the entry that is worked on. */
export function ShopBeside({
  path,
  audience,
  onAudience,
  shown,
  onPoint,
  follows,
}: {
  path: string;
  audience: Audience;
  onAudience: (audience: Audience) => void;
  shown: string | null;
  onPoint?: (entry: string | null) => void;
  /** Changes when the workbench did. */
  follows: string;
}) {
  const [width, setWidth] = useState<Width>('Desk');
  const [room, setRoom] = useState({ width: 600, height: 500 });
  const [arrived, setArrived] = useState(0);
  const place = useRef<HTMLDivElement>(null);
  const shop = useRef<HTMLIFrameElement>(null);
  const preview = useQuery({
    queryKey: ['preview', audience],
    queryFn: () => ask(api.POST('/api/previews', { body: { copy: 'workbench', audience } })),
    staleTime: 60 * 60 * 1000,
    refetchOnWindowFocus: false,
  });

  useEffect(() => {
    const box = place.current;
    if (!box) return;
    const watch = new ResizeObserver(() => setRoom({ width: box.clientWidth, height: box.clientHeight }));
    watch.observe(box);
    return () => watch.disconnect();
  }, []);

  useEffect(() => {
    const onTold = (event: MessageEvent<Told>) => {
      if (event.source !== shop.current?.contentWindow) return;
      if (event.data.type === 'pointed') onPoint?.(event.data.entry);
      if (event.data.type === 'arrived') setArrived((times) => times + 1);
    };
    addEventListener('message', onTold);
    return () => removeEventListener('message', onTold);
  }, [onPoint]);

  const origin = preview.data ? new URL(preview.data.url).origin : null;
  // What the page was asked for before is shown to be old when it arrives, as well as later.
  const fetched = useRef<string | null>(null);
  if (origin && fetched.current === null) fetched.current = follows;
  useEffect(() => {
    if (!origin || arrived === 0 || fetched.current === follows) return;
    fetched.current = follows;
    shop.current?.contentWindow?.postMessage({ type: 'refresh' }, origin);
  }, [follows, origin, arrived]);
  useEffect(() => {
    if (origin && arrived > 0) shop.current?.contentWindow?.postMessage({ type: 'mark', entry: shown, open: true }, origin);
  }, [shown, origin, arrived]);

  const scale = Math.min(1, room.width / widths[width]);
  const url = preview.data && preview.data.url + path;
  return (
    <section aria-label="The shop as visitors get it" className="grid min-h-[520px] grid-rows-[auto_minmax(0,1fr)] border-line lg:min-h-0 lg:border-l">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-4 py-2">
        <h2>The shop</h2>
        <Choices name="Width" all={['Desk', 'Tablet', 'Phone']} chosen={width} onChoose={(chosen) => setWidth(chosen as Width)} />
        <Choices
          name="Visitor"
          all={['Guest', 'Customer']}
          chosen={audience === 'guest' ? 'Guest' : 'Customer'}
          onChoose={(chosen) => onAudience(chosen === 'Guest' ? 'guest' : 'customer')}
        />
        {url && (
          <a className="ml-auto text-sm" href={url} target="_blank" rel="noopener">
            In a tab of its own ↗
          </a>
        )}
      </div>
      <div ref={place} className="min-h-0 overflow-hidden bg-line/50">
        {preview.error && <p className="p-6 text-brick">{preview.error.message}</p>}
        {url && (
          <iframe
            ref={shop}
            title="The shop, from the workbench"
            src={url}
            className="mx-auto block origin-top-left border-0 bg-sheet"
            style={{
              width: widths[width],
              height: room.height / scale,
              transform: `scale(${scale})`,
              marginLeft: scale === 1 ? (room.width - widths[width]) / 2 : 0,
            }}
          />
        )}
      </div>
    </section>
  );
}

export function Choices({ name, all, chosen, onChoose }: { name: string; all: string[]; chosen: string; onChoose: (chosen: string) => void }) {
  return (
    <fieldset className="flex gap-0.5">
      <legend className="sr-only">{name}</legend>
      {all.map((one) => (
        <button key={one} type="button" className="choice" aria-pressed={one === chosen} onClick={() => onChoose(one)}>
          {one}
        </button>
      ))}
    </fieldset>
  );
}
