import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, ask, type Frame, type PaleBand } from '../data/client';
import { frameQuery, type Looking, sessionQuery, today } from '../data/queries';
import { useChanges } from '../outline/useChanges';
import { Choices } from '../parts/Choices';
import { KeptField } from '../parts/KeptField';
import { Trouble } from '../parts/Notice';
import { useView } from '../parts/useView';
import { ShopBeside } from '../shop/ShopBeside';
import { LooksSets, type TriedLooks } from './LooksSets';
import { useFrameChange, useFrameField } from './useFrame';

const nothing = { entry: null, bay: null };
const sizes = ['0.9', '0.95', '1', '1.05', '1.1', '1.15', '1.2', '1.25'] as const;
const corners = ['0', '3', '6', '10', '14', '18', '24'] as const;
const colours = [
  ['looks_ground', 'Ground', 'The ground'],
  ['looks_sheet', 'Sheet', 'The sheet'],
  ['looks_ink', 'Words', 'The colour of words'],
  ['looks_soft', 'Soft words', 'The colour of soft words'],
  ['looks_accent', 'Accent', 'The accent'],
  ['looks_wash', 'Wash under the pointer', 'The wash'],
] as const;

/** How the shop looks: typefaces, size of type, colours and buttons, with the shop beside that wears what is under the pointer. */
export default function LooksView() {
  const frame = useQuery(frameQuery);
  const session = useQuery(sessionQuery);
  const heading = useView('Looks · Menus');
  const [looking, setLooking] = useState<Looking>(today);
  const [tried, setTried] = useState<TriedLooks>(null);
  const follows = `looks ${useChanges(frame.data)}`;
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)] lg:h-full lg:grid-cols-[minmax(24rem,5fr)_minmax(0,6fr)]">
      <div className="flex min-h-120 min-w-0 flex-col bg-sheet lg:min-h-0">
        <h1 ref={heading} tabIndex={-1} className="sr-only">
          Looks
        </h1>
        <div className="flex h-9 shrink-0 items-center gap-1 border-b border-line px-2">
          <Link to="/menus" className="choice inline-flex items-center whitespace-nowrap hover:text-ink" aria-label="The whole frame">
            <span aria-hidden="true">‹ Frame</span>
          </Link>
          <span>Looks of the shop</span>
        </div>
        {frame.data ? (
          <Looks frame={frame.data} canEdit={session.data?.canEdit ?? false} onTry={setTried} />
        ) : frame.error ? (
          <Trouble words={frame.error.message} onAgain={() => void frame.refetch()} />
        ) : (
          <p className="p-8 text-soft">Fetching the looks of your shop…</p>
        )}
      </div>
      <ShopBeside path="/" looking={looking} onLooking={setLooking} shown={nothing} tried={tried} follows={follows} />
    </main>
  );
}

/** Parts of the shop with a ground of their own, on which these looks are not read. */
function PaleBands({ follows }: { follows: object }) {
  const pale = useQuery({
    queryKey: ['looks', 'pale', follows],
    queryFn: ({ signal }) => ask(api.GET('/api/looks/pale', { signal })),
    placeholderData: keepPreviousData,
  });
  const places = new Map<string, PaleBand[]>();
  for (const one of pale.data?.bands ?? []) places.set(one.menuId, [...(places.get(one.menuId) ?? []), one]);
  if (places.size === 0) return null;
  return (
    <ul
      className="grid gap-1 rounded-md bg-brick-wash px-3 py-2 text-brick-ink"
      aria-label="Where a ground of its own does not go with these looks"
    >
      {[...places].slice(0, 8).map(([menuId, [first, ...more]]) => (
        <li key={menuId}>
          <Link to={`/menus/${menuId}?entry=${first?.bandId}`}>{first?.name}</Link>: {first?.words}
          {more.length > 0 && ` And ${more.length} more there.`}
        </li>
      ))}
      {places.size > 8 && <li>And {places.size - 8} more places.</li>}
    </ul>
  );
}

function Looks({ frame, canEdit, onTry }: { frame: Frame; canEdit: boolean; onTry: (looks: TriedLooks) => void }) {
  const change = useFrameChange();
  const field = useFrameField();
  const { values, typefaces, advice } = frame.looks;
  const set = (setting: string, words: string, says: string) => {
    onTry(null);
    void change({ type: 'look', setting, words }, says);
  };
  const trial = (setting: string) => (value: string | null) => onTry(value === null ? null : { ...values, [setting]: value });
  const faces = typefaces.map(({ id, family }) => [id, family] as const);
  const family = (id: string) => typefaces.find((one) => one.id === id)?.family ?? id;
  const choose = (name: string, setting: string, all: readonly (readonly [string, string])[], says: (chosen: string) => string) => (
    <div className="grid gap-0.5">
      <span className="text-sm text-soft">{name}</span>
      <Choices
        name={name}
        all={all}
        chosen={values[setting] ?? null}
        disabled={!canEdit}
        onPoint={trial(setting)}
        onChoose={(chosen) => set(setting, chosen, says(chosen))}
      />
    </div>
  );
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <div className="grid gap-3 p-4">
        {frame.fit.words && frame.fit.onADesk && <p className="text-sm text-soft">{frame.fit.words}</p>}
        {(advice.length > 0 || !frame.fit.onADesk) && (
          <ul
            className="grid gap-1 rounded-md bg-brick-wash px-3 py-2 text-brick-ink"
            aria-label="What would be hard to read or no longer fits"
          >
            {advice.map(({ words, name, colour }) => (
              <li key={name} className="flex flex-wrap items-center gap-x-2">
                <span>{words}</span>
                {colour && canEdit && (
                  <button
                    type="button"
                    className="button"
                    onPointerEnter={() => trial(name)(colour)}
                    onPointerLeave={() => onTry(null)}
                    onClick={() => set(name, colour, `${colours.find(([id]) => id === name)?.[2] ?? 'The colour'} is ${colour}.`)}
                  >
                    Take {colour}
                  </button>
                )}
              </li>
            ))}
            {!frame.fit.onADesk && <li>{frame.fit.words}</li>}
          </ul>
        )}
        <PaleBands follows={values} />
        <LooksSets looks={frame.looks} canEdit={canEdit} onTry={onTry} />
        {choose('Headings are set in', 'looks_heading', faces, (chosen) => `Headings are set in ${family(chosen)}.`)}
        {choose('Words are set in', 'looks_body', faces, (chosen) => `Words are set in ${family(chosen)}.`)}
        {choose(
          'Size of all type',
          'looks_scale',
          sizes.map((size) => [size, size === '1' ? 'usual' : `× ${size}`] as const),
          (chosen) => (chosen === '1' ? 'Type has its usual size.' : `Type is ${chosen} times as large as usual.`),
        )}
        <fieldset className="grid gap-2 sm:grid-cols-3">
          <legend className="mb-0.5 text-sm text-soft">Colours</legend>
          {colours.map(([setting, label, says]) => (
            <div key={setting} className="flex items-end gap-2">
              <input
                type="color"
                aria-label={`${label}, from all colours`}
                className="mb-1 size-7 shrink-0 cursor-pointer rounded border border-edge bg-sheet p-0.5"
                disabled={!canEdit}
                key={values[setting]}
                defaultValue={values[setting]}
                onInput={(event) => trial(setting)(event.currentTarget.value)}
                // Not while one still drags over the colours.
                ref={(input) => {
                  if (input) input.onchange = () => set(setting, input.value, `${says} is ${input.value}.`);
                }}
              />
              <KeptField
                label={label}
                value={values[setting] ?? ''}
                draftKey={setting}
                disabled={!canEdit}
                onKeep={(words) => field({ type: 'look', setting, words })}
              />
            </div>
          ))}
        </fieldset>
        {choose(
          'Corners of buttons',
          'looks_corners',
          corners.map((one) => [one, one === '0' ? 'sharp' : `${one} px`] as const),
          (chosen) => (chosen === '0' ? 'Buttons have sharp corners.' : `Buttons have corners of ${chosen} px.`),
        )}
        {choose(
          'Edge of buttons',
          'looks_edge',
          [
            ['none', 'none'],
            ['thin', 'thin'],
            ['strong', 'strong'],
          ],
          (chosen) => (chosen === 'none' ? 'Buttons have no edge.' : `Buttons have a ${chosen} edge.`),
        )}
        {choose(
          'Shadow of buttons',
          'looks_shadow',
          [
            ['none', 'none'],
            ['soft', 'soft'],
            ['deep', 'deep'],
          ],
          (chosen) => (chosen === 'none' ? 'Buttons throw no shadow.' : `Buttons throw a ${chosen} shadow.`),
        )}
      </div>
    </div>
  );
}
