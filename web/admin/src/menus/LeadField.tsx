import { keepPreviousData, queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { type RefObject, useState } from 'react';
import { api, ask, type Parts, type PlaceRow } from '../api/client';
import { Lantern } from '../parts/Lantern';
import { useSession } from '../shell/queries';
import { type Lead, leadsFromWords, type Option } from './leads';

const leadToPlace = ({ place, menus }: PlaceRow): Option => ({
  key: place.id,
  place,
  lead: { target: { kind: 'place', placeId: place.id }, label: null, name: place.title },
  says: `${place.kindWords} · ${place.address}${menus.length === 0 ? ' · in no menu yet' : ''}`,
});

/** What an entry can lead to within a place: the whole of it, its parts by name, or some of its products. */
function partsOf(option: Option, parts: Parts | undefined): Option[] {
  const { place, lead } = option;
  if (!place) return [];
  const one = (key: string, name: string, says: string, more: Partial<Lead['target']>, label: string | null): Option => ({
    key: `${place.id} ${key}`,
    place,
    lead: { target: { ...lead.target, ...more }, label, name },
    says,
  });
  const inStock = { tag: '', priceFrom: null, priceTo: null, inStock: true, option: '', choice: '' };
  return [
    one('', place.title, 'the whole place', {}, null),
    ...(parts?.anchors ?? []).map(({ name, heading }) => one(`#${name}`, heading, `a part of ${place.title}`, { part: name }, heading.slice(0, 200))),
    ...(parts?.canBeNarrowed
      ? [
          one('stock', `${place.title}, in stock`, 'only products that are in stock', { narrowing: inStock }, `${place.title} in stock`),
          ...parts.tags.map((tag) =>
            one(
              `tag ${tag}`,
              `${place.title}, ${tag}`,
              `only products tagged “${tag}”`,
              { narrowing: { ...inStock, inStock: false, tag } },
              `${place.title}, ${tag}`.slice(0, 200),
            ),
          ),
        ]
      : []),
  ];
}

/** The one field that finds any place by a few letters. Several picked go in together. */
export function LeadField({
  field,
  current,
  disabled,
  onAdd,
  onPaste,
  onWalk,
  onLeave,
}: {
  field: RefObject<HTMLInputElement | null>;
  /** The label of the line that new ones are added to. */
  current: string | null;
  disabled: boolean;
  onAdd: (leads: Lead[], inside: boolean) => Promise<boolean>;
  /** Several lines were pasted. */
  onPaste: (text: string) => void;
  /** Another line becomes the one that new ones are added to. */
  onWalk: (key: 'ArrowUp' | 'ArrowDown' | 'ArrowLeft' | 'ArrowRight') => void;
  onLeave: () => void;
}) {
  const [words, setWords] = useState('');
  const [active, setActive] = useState(-1);
  const [picked, setPicked] = useState<Option[]>([]);
  const [open, setOpen] = useState(false);
  const session = useSession();
  const shop = session.data?.storefrontUrl ?? '';
  // An address of this shop stands for its place.
  const asked = shop && words.trim().startsWith(shop) ? words.trim().slice(shop.length) || '/' : words.trim();
  const queries = useQueryClient();
  const search = queryOptions({ queryKey: ['places', 'find', asked], queryFn: () => ask(api.GET('/api/places/find', { params: { query: { q: asked } } })) });
  const places = useQuery({ ...search, enabled: open, placeholderData: keepPreviousData });
  const optionsOf = (rows: PlaceRow[]): Option[] => [...rows.map(leadToPlace), ...(asked === words.trim() ? leadsFromWords(words) : [])];
  const [within, setWithin] = useState<Option | null>(null);
  const parts = useQuery({
    queryKey: ['parts', within?.place?.id],
    queryFn: () => ask(api.GET('/api/places/{id}/parts', { params: { path: { id: within?.place?.id ?? '' } } })),
    enabled: within !== null,
  });
  const options = within ? partsOf(within, parts.data) : optionsOf(places.data?.rows ?? []);
  const at = active === -1 && words.trim() !== '' ? 0 : active;
  const isPicked = (option: Option) => picked.some(({ key }) => key === option.key);
  const toggle = (option: Option) => setPicked((all) => (isPicked(option) ? all.filter(({ key }) => key !== option.key) : [...all, option]));

  // Who types faster than the answer comes means what the words find, not what still stands there.
  const foundNow = async () => (within ? options : optionsOf((await queries.fetchQuery({ ...search, staleTime: 2000 })).rows));

  const add = async (inside: boolean, only?: Option) => {
    const found = only || picked.length > 0 ? [] : await foundNow();
    const chosen = only ? [only] : picked.length > 0 ? picked : found[at] ? [found[at]] : [];
    if (chosen.length === 0) return;
    if (
      await onAdd(
        chosen.map(({ lead }) => lead),
        inside,
      )
    ) {
      setWords('');
      setWithin(null);
      // The outline is seen again; the next letter opens the list.
      setOpen(false);
      setPicked([]);
      setActive(-1);
    }
  };

  return (
    <div className="relative border-t border-line bg-paper px-4 py-3">
      {picked.length > 0 && (
        <ul className="mb-2 flex flex-wrap gap-1.5" aria-label="Picked">
          {picked.map((option) => (
            <li key={option.key}>
              <button
                type="button"
                className="flex min-h-6 items-center gap-1 rounded bg-tide-wash px-2 text-sm"
                onClick={() => toggle(option)}
                aria-label={`Do not add ${option.lead.name}`}
              >
                {option.lead.name} <span aria-hidden="true">✕</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <label htmlFor="lead" className="flex items-baseline justify-between font-semibold">
        Where should it lead? <span className="key">/</span>
      </label>
      <input
        id="lead"
        ref={field}
        className="field mt-1"
        placeholder="A few letters of a place, an address, or words for a heading"
        disabled={disabled}
        autoComplete="off"
        role="combobox"
        aria-expanded={open && options.length > 0}
        aria-controls="leads"
        aria-activedescendant={open && options[at] ? `lead-${at}` : undefined}
        aria-describedby="lead-hint"
        value={words}
        onFocus={() => setOpen(true)}
        onBlur={() => setOpen(false)}
        onChange={(event) => {
          setWords(event.target.value);
          setWithin(null);
          setActive(-1);
          setOpen(true);
        }}
        onPaste={(event) => {
          const text = event.clipboardData.getData('text/plain');
          if (!/\S.*[\r\n]+.*\S/s.test(text)) return;
          event.preventDefault();
          onPaste(text);
        }}
        onKeyDown={(event) => {
          const under = options[at];
          if (event.altKey && /^Arrow/.test(event.key)) {
            event.preventDefault();
            onWalk(event.key as 'ArrowUp');
          } else if (event.key === 'ArrowRight' && under?.place && within === null && event.currentTarget.selectionStart === words.length) {
            event.preventDefault();
            setWithin(under);
            setActive(0);
          } else if (event.key === 'ArrowLeft' && within) {
            event.preventDefault();
            setWithin(null);
          } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            setOpen(true);
            setActive(Math.max(-1, Math.min(options.length - 1, (active === -1 ? at : active) + (event.key === 'ArrowDown' ? 1 : -1))));
          } else if (event.key === ' ' && active >= 0 && options[active]) {
            event.preventDefault();
            void foundNow().then((found) => found[active] && toggle(found[active]));
          } else if (event.key === 'Enter') {
            event.preventDefault();
            void add(event.shiftKey);
          } else if (event.key === 'Escape') {
            event.preventDefault();
            if (within) setWithin(null);
            else {
              setOpen(false);
              onLeave();
            }
          }
        }}
      />
      {picked.length > 0 && (
        <p className="mt-2 flex flex-wrap gap-2">
          <button type="button" className="button button--tide" onPointerDown={(event) => event.preventDefault()} onClick={() => void add(false)}>
            {current ? `Add ${picked.length} below “${current}”` : `Add ${picked.length} to the menu`}
          </button>
          {current && (
            <button type="button" className="button" onPointerDown={(event) => event.preventDefault()} onClick={() => void add(true)}>
              Inside “{current}”
            </button>
          )}
        </p>
      )}
      <p id="lead-hint" className="mt-2 text-sm text-soft">
        {current ? (
          <>
            <span className="key">Enter</span> below “{current}”, <span className="key">Shift Enter</span> inside · <span className="key">Space</span> picks
            several as you walk · <span className="key">→</span> a part of it · <span className="key">Alt ↑↓←→</span> another line
          </>
        ) : (
          'Enter adds it to the menu.'
        )}
      </p>
      {open && options.length > 0 && (
        <div
          id="leads"
          role="listbox"
          aria-label="Places found"
          aria-multiselectable="true"
          className="absolute right-4 bottom-full left-4 z-10 max-h-64 overflow-auto rounded-md border border-line bg-sheet py-1 shadow-xl"
        >
          {options.map((option, index) => (
            // biome-ignore lint/a11y/useKeyWithClickEvents: the field takes the keys
            // biome-ignore lint/a11y/useFocusableInteractive: the focus stays in the field
            <div
              key={option.key}
              id={`lead-${index}`}
              role="option"
              aria-selected={isPicked(option)}
              ref={index === at ? (element) => element?.scrollIntoView({ block: 'nearest' }) : undefined}
              onPointerDown={(event) => event.preventDefault()}
              onClick={(event) => (event.ctrlKey || event.metaKey ? toggle(option) : void add(event.shiftKey, picked.length === 0 ? option : undefined))}
              className={`flex cursor-pointer items-center gap-2 px-3 py-1.5 ${index === at ? 'bg-tide-wash' : ''}`}
            >
              {/* biome-ignore lint/a11y/useKeyWithClickEvents: Space in the field picks */}
              {/* biome-ignore lint/a11y/noStaticElementInteractions: Space in the field picks */}
              <span
                title="Pick it, and more"
                className={`grid size-6 shrink-0 place-items-center rounded border text-sm ${isPicked(option) ? 'border-tide bg-tide text-sheet' : 'border-line hover:border-tide'}`}
                onClick={(event) => {
                  event.stopPropagation();
                  toggle(option);
                }}
              >
                {isPicked(option) ? '✓' : ''}
              </span>
              {option.place ? (
                <Lantern light={option.place.light} words={option.place.lightWords} />
              ) : (
                <span className="w-[18px] text-center text-soft">¶</span>
              )}
              <span className="min-w-0">
                <span className="block truncate font-medium">{option.lead.name}</span>
                <span className="block truncate text-sm text-soft">{option.says}</span>
              </span>
            </div>
          ))}
        </div>
      )}
    </div>
  );
}
