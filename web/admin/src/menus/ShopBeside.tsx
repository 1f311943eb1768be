import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, ask } from '../api/client';
import { fromLocalField, toLocalField } from '../parts/when';

/** Whose eyes the shop is looked at with, and when; null: now. */
export type Looking = { audience: 'guest' | 'customer'; at: string | null };

export const today: Looking = { audience: 'guest', at: null };

/** The shop from the workbench, opened for a while for one visitor. */
export const usePreview = ({ audience, at }: Looking) =>
  useQuery({
    queryKey: ['preview', audience, at],
    queryFn: () => ask(api.POST('/api/previews', { body: { copy: 'workbench', audience, at } })),
    staleTime: 60 * 60 * 1000,
    refetchOnWindowFocus: false,
  });

const widths = { Desk: 1280, Tablet: 820, Phone: 390 } as const;
type Width = keyof typeof widths;

type Told = { type: 'pointed'; entry: string | null } | { type: 'refreshed' | 'arrived' };

/** The shop from the workbench, as a visitor gets it. It follows each edit, and shows the entry that is worked on. */
export function ShopBeside({
  path,
  place,
  looking,
  onLooking,
  shown,
  hovered = null,
  onPoint,
  follows,
}: {
  path: string;
  /** Id of the place that is looked at, if it is one. */
  place?: string;
  looking: Looking;
  onLooking: (looking: Looking) => void;
  shown: string | null;
  /** The entry under the pointer on the other side: it is marked, but nothing opens for it. */
  hovered?: string | null;
  onPoint?: (entry: string | null) => void;
  /** Changes when the workbench did. */
  follows: string;
}) {
  const [width, setWidth] = useState<Width>('Desk');
  const [room, setRoom] = useState({ width: 600, height: 500 });
  const [arrived, setArrived] = useState(0);
  const box = useRef<HTMLDivElement>(null);
  const shop = useRef<HTMLIFrameElement>(null);
  const preview = usePreview(looking);
  const other = looking.audience !== 'guest' || looking.at !== null;

  useEffect(() => {
    const around = box.current;
    if (!around) return;
    const watch = new ResizeObserver(() => setRoom({ width: around.clientWidth, height: around.clientHeight }));
    watch.observe(around);
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
  const wasHovered = useRef(false);
  useEffect(() => {
    if (!origin || arrived === 0 || (hovered === null && !wasHovered.current)) return;
    wasHovered.current = hovered !== null;
    shop.current?.contentWindow?.postMessage({ type: 'mark', entry: hovered ?? shown, open: hovered === null }, origin);
  }, [hovered, shown, origin, arrived]);

  const scale = Math.min(1, room.width / widths[width]);
  const url = preview.data && preview.data.url + path;
  return (
    <section aria-label="The shop as visitors get it" className="grid min-h-[520px] grid-rows-[auto_auto_minmax(0,1fr)] border-line lg:min-h-0 lg:border-l">
      <div className="flex flex-wrap items-center gap-x-2.5 gap-y-1 border-b border-line px-4 py-2">
        <h2>The shop</h2>
        <Choices name="Width" all={['Desk', 'Tablet', 'Phone']} chosen={width} onChoose={(chosen) => setWidth(chosen as Width)} />
        <Choices
          name="Visitor"
          all={['Guest', 'Customer']}
          chosen={looking.audience === 'guest' ? 'Guest' : 'Customer'}
          onChoose={(chosen) => onLooking({ ...looking, audience: chosen === 'Guest' ? 'guest' : 'customer' })}
        />
        <span className="flex items-center gap-1">
          <Choices name="Time" all={['Now']} chosen={looking.at === null ? 'Now' : ''} onChoose={() => onLooking({ ...looking, at: null })} />
          <input
            type="datetime-local"
            className={`choice w-38 border ${looking.at === null ? 'border-line' : 'border-ink text-ink'}`}
            aria-label="Look at another date"
            value={toLocalField(looking.at)}
            onChange={(event) => onLooking({ ...looking, at: fromLocalField(event.target.value) })}
          />
        </span>
        {url && (
          <a className="ml-auto text-sm" href={url} target="_blank" rel="noopener">
            In a tab ↗
          </a>
        )}
      </div>
      {other ? <Differences looking={looking} place={place} follows={follows} /> : <div />}
      <div ref={box} className="min-h-0 overflow-hidden bg-line/50">
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

/** What this visitor sees otherwise than a guest does now, in words. */
function Differences({ looking, place, follows }: { looking: Looking; place: string | undefined; follows: string }) {
  const seen = useQuery({
    queryKey: ['seen', looking.audience, looking.at, place ?? '', follows],
    queryFn: () =>
      ask(api.GET('/api/seen', { params: { query: { audience: looking.audience, ...(looking.at ? { at: looking.at } : {}), ...(place ? { place } : {}) } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <div className="max-h-32 overflow-auto border-b border-line bg-tide-wash px-4 py-2" aria-live="polite">
      {seen.error ? (
        <p className="text-brick">{seen.error.message}</p>
      ) : seen.data?.differences.length === 0 ? (
        <p>The same as a guest sees now.</p>
      ) : (
        <ul>
          {seen.data?.differences.map((difference) => (
            <li key={difference}>{difference}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

export function Choices({
  name,
  all,
  chosen,
  disabled = false,
  onChoose,
}: {
  name: string;
  all: string[];
  chosen: string;
  disabled?: boolean;
  onChoose: (chosen: string) => void;
}) {
  return (
    <fieldset className="flex gap-0.5" disabled={disabled}>
      <legend className="sr-only">{name}</legend>
      {all.map((one) => (
        <button key={one} type="button" className="choice" aria-pressed={one === chosen} onClick={() => onChoose(one)}>
          {one}
        </button>
      ))}
    </fieldset>
  );
}
