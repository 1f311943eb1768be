import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, ask } from '../data/client';
import { type Looking, lookingQuery, previewQuery } from '../data/queries';
import { leftShop, shopIsThere, type Typed, typedInShop, writtenInShop } from '../data/writing';
import { Choices } from '../parts/Choices';
import { fromLocalField, toLocalField } from '../parts/when';

const widths = { desk: 1280, tablet: 820, phone: 390 } as const;
export type Width = keyof typeof widths;

type Told =
  | { type: 'pointed' | 'chosen'; entry: string | null }
  | { type: 'arrived' }
  | { type: 'widths'; entry: string; shares: number[] }
  | { type: 'renamed'; entry: string; label: string }
  /** writes: somebody is about to write there; stopped: no more; left: by a key, back to where it came from */
  | { type: 'writes' | 'stopped' | 'left'; entry: string }
  | ({ type: 'written' } & Typed)
  /** status: of the answer; 0: there was none */
  | { type: 'refreshed'; status: number };

/** What the shop is asked to show: an entry, with what opens for it, and the bay it stands in. */
export type Shown = { entry: string | null; bay: string | null };

/** A band, column or piece that may be changed where it stands: what it is in words, and for a band the shares of its columns. */
export type LaidPiece = { id: string; kind: string; words: string; shares: number[] };

/** What is done in the shop to what is laid out there. */
export type Laying = {
  onWidths: (band: string, shares: number[]) => void;
  onRename: (piece: string, label: string) => void;
  /** Somebody is about to write in a piece where it stands. */
  onWrites: (piece: string) => void;
  /** Somebody left the shop by a key. */
  onLeave: (piece: string) => void;
};

const none: LaidPiece[] = [];

/** The shop from the workbench, as a visitor gets it. It follows each edit, and shows what is worked on. */
export function ShopBeside({
  path,
  place,
  looking,
  width: asked = null,
  onLooking,
  shown,
  hovered = null,
  onPoint,
  onChoose,
  pieces = none,
  laying,
  tried = null,
  follows,
}: {
  path: string;
  /** Id of the place that is looked at, if it is one. */
  place?: string;
  looking: Looking;
  /** The width that what is worked on needs; null: as the person likes it. */
  width?: Width | null;
  onLooking: (looking: Looking) => void;
  shown: Shown;
  /** The entry under the pointer on the other side: it is marked, but nothing opens for it. */
  hovered?: string | null;
  onPoint?: (entry: string | null) => void;
  /** An entry was touched in the shop. Without this, links lead on. */
  onChoose?: (entry: string) => void;
  /** What may be changed where it stands. */
  pieces?: LaidPiece[];
  laying?: Laying;
  /** Looks that the shop wears for the moment, by setting; null: its own. */
  tried?: Record<string, string> | null;
  /** Changes when the workbench did. */
  follows: string;
}) {
  const queries = useQueryClient();
  const [liked, setLiked] = useState<Width>('desk');
  const [room, setRoom] = useState({ width: 600, height: 500 });
  const [arrived, setArrived] = useState(0);
  const [lost, setLost] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  const shop = useRef<HTMLIFrameElement>(null);
  const preview = useQuery(previewQuery(looking));
  const other = looking.audience !== 'guest' || looking.at !== null;
  const width = asked ?? liked;

  useEffect(() => {
    const around = box.current;
    if (!around) return;
    const watch = new ResizeObserver(() => setRoom({ width: around.clientWidth, height: around.clientHeight }));
    watch.observe(around);
    return () => watch.disconnect();
  }, []);
  const telling = useRef<(message: object) => void>(() => {});
  const writeIn = useRef((entry: string) =>
    writtenInShop({ entry, show: (words) => telling.current({ type: 'write', ...words }), end: () => telling.current({ type: 'stop' }) }),
  );
  const heard = useRef({ onPoint, onChoose, laying });
  heard.current = { onPoint, onChoose, laying };
  const { audience, at } = looking;
  useEffect(() => {
    const onTold = ({ source, data }: MessageEvent<Told>) => {
      if (source !== shop.current?.contentWindow) return;
      if (data.type === 'pointed') heard.current.onPoint?.(data.entry);
      if (data.type === 'chosen' && data.entry) heard.current.onChoose?.(data.entry);
      const { laying: laid } = heard.current;
      if (data.type === 'widths') laid?.onWidths(data.entry, data.shares);
      if (data.type === 'renamed') laid?.onRename(data.entry, data.label);
      if (data.type === 'writes') {
        writeIn.current(data.entry);
        laid?.onWrites(data.entry);
      }
      if (data.type === 'written' && !typedInShop(data)) telling.current({ type: 'stop' });
      if (data.type === 'stopped' || data.type === 'left') leftShop(data.entry);
      if (data.type === 'left') {
        telling.current({ type: 'stop' });
        laid?.onLeave(data.entry);
      }
      if (data.type === 'arrived') {
        setArrived((times) => times + 1);
        setLost(false);
      }
      if (data.type === 'refreshed') {
        // The token has ended: another one is asked for, and the shop opened anew with it.
        if (data.status === 401 || data.status === 403) void queries.invalidateQueries({ queryKey: ['preview', audience, at] });
        setLost(data.status === 0 || data.status >= 500);
      }
    };
    addEventListener('message', onTold);
    return () => removeEventListener('message', onTold);
  }, [queries, audience, at]);

  const origin = preview.data ? new URL(preview.data.url).origin : null;
  const tell = (message: object) => origin && shop.current?.contentWindow?.postMessage(message, origin);
  telling.current = tell;
  // What the page was asked for before is shown to be old when it arrives, as well as later.
  const fetched = useRef<string | null>(null);
  if (origin && fetched.current === null) fetched.current = follows;
  useEffect(() => {
    if (!origin || arrived === 0 || fetched.current === follows) return;
    fetched.current = follows;
    telling.current({ type: 'refresh' });
  }, [follows, origin, arrived]);
  const chooses = onChoose !== undefined;
  useEffect(() => {
    if (origin && arrived > 0) telling.current({ type: 'choosing', on: chooses });
  }, [chooses, origin, arrived]);
  useEffect(() => {
    if (origin && arrived > 0) telling.current({ type: 'laying', pieces });
  }, [pieces, origin, arrived]);
  useEffect(
    () =>
      shopIsThere((piece) => {
        shop.current?.focus();
        writeIn.current(piece);
      }),
    [],
  );
  const { entry, bay } = shown;
  useEffect(() => {
    if (origin && arrived > 0) telling.current({ type: 'look', bay });
  }, [bay, origin, arrived]);
  useEffect(() => {
    if (origin && arrived > 0) telling.current({ type: 'mark', entry, open: true });
  }, [entry, origin, arrived]);
  useEffect(() => {
    if (origin && arrived > 0) telling.current({ type: 'try', looks: tried });
  }, [tried, origin, arrived]);
  const wasHovered = useRef(false);
  useEffect(() => {
    if (!origin || arrived === 0 || (hovered === null && !wasHovered.current)) return;
    wasHovered.current = hovered !== null;
    telling.current({ type: 'mark', entry: hovered ?? entry, open: hovered === null });
  }, [hovered, entry, origin, arrived]);

  const scale = Math.min(1, room.width / widths[width]);
  const url = preview.data && preview.data.url + path;
  return (
    <section
      aria-label="The shop as visitors get it"
      className="grid min-h-130 grid-rows-[auto_auto_minmax(0,1fr)] border-line lg:min-h-0 lg:border-l"
    >
      <div className="flex min-h-9 flex-wrap items-center gap-x-2 border-b border-line px-3 py-0.5">
        <Choices
          name="Width"
          all={[
            ['desk', 'Desk'],
            ['tablet', 'Tablet'],
            ['phone', 'Phone'],
          ]}
          chosen={width}
          onChoose={setLiked}
        />
        <Choices
          name="Visitor"
          all={[
            ['guest', 'Guest'],
            ['customer', 'Customer'],
          ]}
          chosen={looking.audience}
          onChoose={(chosen) => onLooking({ ...looking, audience: chosen })}
        />
        <span className="flex items-center gap-1">
          <Choices
            name="Time"
            all={[['now', 'Now']]}
            chosen={looking.at === null ? 'now' : null}
            onChoose={() => onLooking({ ...looking, at: null })}
          />
          <input
            type="datetime-local"
            className={`choice w-36 border ${looking.at === null ? 'border-line' : 'border-ink text-ink'}`}
            aria-label="Look at another date"
            value={toLocalField(looking.at)}
            onChange={(event) => onLooking({ ...looking, at: fromLocalField(event.target.value) })}
          />
        </span>
        {url && (
          <a className="ml-auto text-sm whitespace-nowrap" href={url} target="_blank" rel="noopener">
            In a tab ↗
          </a>
        )}
      </div>
      <div>
        {lost && (
          <p role="status" className="flex flex-wrap items-center gap-2 border-b border-line bg-brick-wash px-4 py-1.5 text-brick-ink">
            The shop beside could not follow; what it shows is how it was.
            <button type="button" className="font-semibold underline" onClick={() => tell({ type: 'refresh' })}>
              Try again
            </button>
          </p>
        )}
        {other && <Differences looking={looking} place={place} follows={follows} />}
      </div>
      <div ref={box} className="min-h-0 overflow-hidden bg-line/50">
        {preview.error && !preview.data && <p className="p-6 text-brick">{preview.error.message}</p>}
        {url && (
          <iframe
            ref={shop}
            title="The shop, from the workbench"
            src={url}
            className="mx-auto block origin-top-left border-0 bg-white"
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
    queryFn: ({ signal }) =>
      ask(api.GET('/api/seen', { params: { query: { ...lookingQuery(looking), ...(place ? { place } : {}) } }, signal })),
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
