import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Entry, type EntryInput, type Filling, type FillingInput, type NarrowingInput, type TargetInput } from '../api/client';
import { PlacePicker } from '../parts/PlacePicker';
import { fromLocalField, toLocalField } from '../parts/when';
import { leadsFromWords } from './leads';
import { Choices } from './ShopBeside';
import { asInput } from './tree';

const sources: { id: FillingInput['source']; says: string; of: string | null }[] = [
  { id: 'categories', says: 'categories', of: 'category' },
  { id: 'pages', says: 'pages of a group', of: 'page-group' },
  { id: 'products', says: 'products', of: '' },
  { id: 'newest', says: 'what is new', of: null },
];

/** Everything about one line besides its label: where it leads, for whom, when, and what fills it. Each change is made at once. */
export function EntryPanel({
  entry,
  onRewrite,
  onPin,
  onClose,
}: {
  entry: Entry;
  onRewrite: (entry: EntryInput) => Promise<Error | null>;
  onPin: (child: Filling['children'][number]) => Promise<boolean>;
  onClose: () => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const change = async (changes: Partial<EntryInput>) => {
    const answer = await onRewrite({ ...asInput(entry), ...changes });
    setProblem(answer?.message ?? null);
    return answer === null;
  };
  const isOutside = entry.target.kind === 'outside';
  return (
    <section
      aria-label={`Everything about ${entry.label}`}
      className="grid gap-3"
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape') onClose();
      }}
    >
      {problem && (
        <p role="alert" className="rounded bg-brick-wash px-3 py-1.5 text-sm text-[#7c2c1d]">
          {problem}
        </p>
      )}
      <Target
        entry={entry}
        onChange={(target, label) => change({ target, ...(target.kind === 'outside' ? {} : { newTab: false }), ...(label === undefined ? {} : { label }) })}
      />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 text-sm">
        <span className="flex items-center gap-1.5">
          Shown to
          <Choices
            name="Shown to"
            all={['Everyone', 'Guests', 'Customers']}
            chosen={entry.audience[0]?.toUpperCase() + entry.audience.slice(1)}
            onChoose={(one) => void change({ audience: one.toLowerCase() as EntryInput['audience'] })}
          />
        </span>
        <label className="flex items-center gap-1.5">
          from
          <input
            type="datetime-local"
            className="choice border border-line"
            value={toLocalField(entry.from)}
            onChange={(event) => void change({ from: fromLocalField(event.target.value) })}
          />
        </label>
        <label className="flex items-center gap-1.5">
          until
          <input
            type="datetime-local"
            className="choice border border-line"
            value={toLocalField(entry.until)}
            onChange={(event) => void change({ until: fromLocalField(event.target.value) })}
          />
        </label>
        <label className="flex items-center gap-1.5">
          <input type="checkbox" checked={entry.enabled} onChange={(event) => void change({ enabled: event.target.checked })} /> On
        </label>
        {isOutside && (
          <label className="flex items-center gap-1.5">
            <input type="checkbox" checked={entry.newTab} onChange={(event) => void change({ newTab: event.target.checked })} /> Opens in a new tab
          </label>
        )}
      </div>
      {entry.leftOut && <p className="text-sm text-dusk">Visitors do not get it: {entry.leftOut}</p>}
      <Kept label="Note for colleagues" value={entry.note} onKeep={(note) => change({ note })} />
      <FillingPart entry={entry} onChange={(filling) => change({ filling })} onPin={onPin} />
      <p>
        <button type="button" className="button" onClick={onClose}>
          Done
        </button>
      </p>
    </section>
  );
}

function Kept({ label, value, onKeep }: { label: string; value: string; onKeep: (words: string) => Promise<boolean> }) {
  const [words, setWords] = useState<string | null>(null);
  const keep = async () => {
    if (words !== null && (words.trim() === value || (await onKeep(words.trim())))) setWords(null);
  };
  return (
    <label className="flex items-center gap-1.5 text-sm whitespace-nowrap">
      {label}
      <input
        className="field min-w-0 py-0.5"
        value={words ?? value}
        onChange={(event) => setWords(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => event.key === 'Enter' && void keep()}
      />
    </label>
  );
}

function Target({ entry, onChange }: { entry: Entry; onChange: (target: TargetInput, label?: string | null) => Promise<boolean> }) {
  const { target, place } = entry;
  const [elsewhere, setElsewhere] = useState(target.kind === 'outside' || target.kind === 'contact');
  const parts = useQuery({
    queryKey: ['parts', place?.id],
    queryFn: () => ask(api.GET('/api/places/{id}/parts', { params: { path: { id: place?.id ?? '' } } })),
    enabled: place !== null,
  });
  const narrowing: NarrowingInput = target.narrowing ?? {};
  const narrow = (changes: NarrowingInput) => {
    const { tag = '', priceFrom = null, priceTo = null, inStock = false, option = '', choice = '' } = { ...narrowing, ...changes };
    return onChange({ kind: 'place', placeId: target.placeId, narrowing: { tag, priceFrom, priceTo, inStock, option, choice } });
  };
  const money = (typed: string) => (typed.trim() === '' ? null : Math.round(Number(typed) * 100));
  const options = Object.entries(parts.data?.options ?? {});
  const mail = target.kind === 'contact' && target.uri.startsWith('mailto:') ? target.uri.slice(7) : null;
  return (
    <div className="grid gap-2 text-sm">
      <div className="flex flex-wrap items-center gap-2">
        <span className="w-16">Leads to</span>
        <Choices
          name="Leads to"
          all={['a place', 'elsewhere', 'nowhere']}
          chosen={elsewhere ? 'elsewhere' : target.kind === 'heading' ? 'nowhere' : 'a place'}
          onChoose={(one) => {
            setElsewhere(one === 'elsewhere');
            if (one === 'nowhere') void onChange({ kind: 'heading' }, entry.label);
          }}
        />
        <span className="min-w-44 flex-1">
          {elsewhere ? (
            <Kept
              label=""
              value={decodeURI(target.uri.replace(/^(mailto|tel):/, ''))}
              onKeep={(typed) => {
                const lead = leadsFromWords(typed)[0]?.lead.target;
                return onChange(lead && lead.kind !== 'heading' ? lead : { kind: 'outside', uri: typed }, entry.label);
              }}
            />
          ) : (
            <PlacePicker
              label="The place it leads to"
              chosen={place}
              onChoose={(next) =>
                next &&
                void onChange(
                  { kind: 'place', placeId: next.id },
                  entry.ownLabel && target.kind === 'place' ? entry.ownLabel : target.kind === 'heading' ? entry.label : null,
                )
              }
            />
          )}
        </span>
      </div>
      {mail !== null && (
        <Kept
          label="Subject of the mail"
          value={decodeURIComponent(mail.split('?subject=')[1] ?? '')}
          onKeep={(subject) =>
            onChange({ kind: 'contact', uri: `mailto:${mail.split('?')[0]}${subject ? `?subject=${encodeURIComponent(subject)}` : ''}` }, entry.label)
          }
        />
      )}
      {(parts.data?.anchors.length ?? 0) > 0 && (
        <label className="flex items-center gap-1.5">
          The part
          <select
            className="field w-auto py-0.5"
            value={target.part}
            onChange={(event) => void onChange({ kind: 'place', placeId: target.placeId, part: event.target.value })}
          >
            <option value="">the whole place</option>
            {target.part && !parts.data?.anchors.some(({ name }) => name === target.part) && (
              <option value={target.part}>#{target.part}, which is no longer there</option>
            )}
            {parts.data?.anchors.map(({ name, heading }) => (
              <option key={name} value={name}>
                {heading}
              </option>
            ))}
          </select>
        </label>
      )}
      {parts.data?.canBeNarrowed && (
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
          <span>Only products</span>
          <label className="flex items-center gap-1.5">
            tagged
            <select className="field w-auto py-0.5" value={narrowing.tag ?? ''} onChange={(event) => void narrow({ tag: event.target.value })}>
              <option value="">anything</option>
              {parts.data.tags.map((tag) => (
                <option key={tag}>{tag}</option>
              ))}
            </select>
          </label>
          <label className="flex items-center gap-1.5">
            from
            <input
              className="field w-20 py-0.5"
              inputMode="decimal"
              key={`from ${narrowing.priceFrom}`}
              defaultValue={narrowing.priceFrom ? (narrowing.priceFrom / 100).toFixed(2) : ''}
              onBlur={(event) => void narrow({ priceFrom: money(event.target.value) })}
            />
          </label>
          <label className="flex items-center gap-1.5">
            to
            <input
              className="field w-20 py-0.5"
              inputMode="decimal"
              key={`to ${narrowing.priceTo}`}
              defaultValue={narrowing.priceTo ? (narrowing.priceTo / 100).toFixed(2) : ''}
              onBlur={(event) => void narrow({ priceTo: money(event.target.value) })}
            />
          </label>
          <label className="flex items-center gap-1.5">
            <input type="checkbox" checked={narrowing.inStock ?? false} onChange={(event) => void narrow({ inStock: event.target.checked })} /> in stock
          </label>
          {options.length > 0 && (
            <label className="flex items-center gap-1.5">
              with
              <select
                className="field w-auto max-w-56 py-0.5"
                value={narrowing.option ? `${narrowing.option}\n${narrowing.choice}` : ''}
                onChange={(event) => {
                  const [option = '', choice = ''] = event.target.value.split('\n');
                  void narrow({ option, choice });
                }}
              >
                <option value="">any option</option>
                {options.map(([name, choices]) => (
                  <optgroup key={name} label={name}>
                    {choices.map((choice) => (
                      <option key={choice} value={`${name}\n${choice}`}>
                        {choice}
                      </option>
                    ))}
                  </optgroup>
                ))}
              </select>
            </label>
          )}
        </div>
      )}
    </div>
  );
}

function FillingPart({
  entry,
  onChange,
  onPin,
}: {
  entry: Entry;
  onChange: (filling: FillingInput | null) => Promise<boolean>;
  onPin: (child: Filling['children'][number]) => Promise<boolean>;
}) {
  const filling = asInput(entry).filling ?? null;
  const shown = entry.filling;
  const [wanted, setWanted] = useState<FillingInput['source'] | null>(null);
  const source = wanted ?? filling?.source ?? null;
  const change = (changes: Partial<FillingInput>) => filling && onChange({ ...filling, ...changes });
  const begin = (id: FillingInput['source'] | null) => {
    const own = entry.place;
    setWanted(null);
    if (id === null) return void onChange(null);
    if (id === 'pages' && own?.kind !== 'page-group') return setWanted('pages');
    const fits =
      (id === 'categories' && own?.kind === 'category') || id === 'pages' || (id === 'products' && (own?.kind === 'category' || own?.kind === 'collection'));
    void onChange({
      source: id,
      placeId: fits ? (own?.id ?? null) : null,
      kind: id === 'newest' ? 'product' : null,
      depth: 1,
      most: id === 'newest' ? 5 : 10,
      order: id === 'newest' ? 'newest' : 'hand',
      labels: {},
      leftOut: [],
    });
  };
  return (
    <fieldset className="grid gap-2 border-t border-line pt-2 text-sm">
      <legend className="sr-only">What fills it</legend>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <span>Fills itself with</span>
        <Choices
          name="Fills itself with"
          all={['nothing', ...sources.map(({ says }) => says)]}
          chosen={sources.find(({ id }) => id === source)?.says ?? 'nothing'}
          onChoose={(says) => begin(sources.find((one) => one.says === says)?.id ?? null)}
        />
        {source && source !== 'newest' && (
          <span className="w-56">
            <PlacePicker
              label={source === 'pages' ? 'The group' : source === 'categories' ? 'Below which category' : 'Of which category or collection'}
              {...(source === 'categories'
                ? { kind: 'category', none: 'of the whole shop' }
                : source === 'pages'
                  ? { kind: 'page-group' }
                  : { none: 'of the whole shop' })}
              accept={(place) => source !== 'products' || place.kind === 'category' || place.kind === 'collection'}
              chosen={shown?.place ?? null}
              autoFocus={wanted !== null}
              onChoose={(place) => {
                setWanted(null);
                void onChange({
                  source,
                  placeId: place?.id ?? null,
                  kind: null,
                  depth: filling?.depth ?? 1,
                  most: filling?.most ?? 10,
                  order: filling?.order ?? 'hand',
                  labels: filling?.labels ?? {},
                  leftOut: filling?.leftOut ?? [],
                });
              }}
            />
          </span>
        )}
        {filling?.source === 'newest' && (
          <label className="flex items-center gap-1.5">
            of the
            <select
              className="field w-auto py-0.5"
              value={filling.kind ?? 'product'}
              onChange={(event) => void change({ kind: event.target.value as NonNullable<FillingInput['kind']> })}
            >
              <option value="product">products</option>
              <option value="article">articles</option>
              <option value="page">pages</option>
              <option value="collection">collections</option>
            </select>
          </label>
        )}
        {filling?.source === 'categories' && (
          <label className="flex items-center gap-1.5">
            levels
            <select className="field w-auto py-0.5" value={filling.depth} onChange={(event) => void change({ depth: Number(event.target.value) })}>
              <option value={1}>one</option>
              <option value={2}>two</option>
            </select>
          </label>
        )}
        {filling && (
          <label className="flex items-center gap-1.5">
            at most
            <input
              type="number"
              min={1}
              max={50}
              className="field w-16 py-0.5"
              value={filling.most}
              onChange={(event) => event.target.value && void change({ most: Number(event.target.value) })}
            />
          </label>
        )}
        {filling && filling.source !== 'newest' && (
          <label className="flex items-center gap-1.5">
            ordered by
            <select
              className="field w-auto py-0.5"
              value={filling.order}
              onChange={(event) => void change({ order: event.target.value as NonNullable<FillingInput['order']> })}
            >
              <option value="hand">hand</option>
              <option value="name">name</option>
              {filling.source === 'products' && <option value="price">price</option>}
              <option value="newest">newest</option>
            </select>
          </label>
        )}
      </div>
      {filling && shown && shown.children.length > 0 && (
        <ul aria-label="What it shows today" className="grid gap-1">
          {shown.children
            .flatMap((child) => [child, ...child.children])
            .map((child) => (
              <li key={child.id} className="flex items-center gap-2">
                <input
                  aria-label={`Label of ${child.label}`}
                  className="field max-w-56 min-w-0 py-0.5 italic"
                  key={child.label}
                  defaultValue={child.label}
                  onBlur={(event) => {
                    const words = event.target.value.trim();
                    if (words === child.label) return;
                    const { [child.placeId]: _, ...others } = filling.labels ?? {};
                    void change({ labels: words === '' ? others : { ...others, [child.placeId]: words } });
                  }}
                />
                <button type="button" className="choice" onClick={() => void onPin(child)}>
                  Pin
                </button>
                <button type="button" className="choice" onClick={() => void change({ leftOut: [...(filling.leftOut ?? []), child.placeId] })}>
                  Leave out
                </button>
              </li>
            ))}
        </ul>
      )}
      {filling && shown && shown.leftOutPlaces.length > 0 && (
        <p>
          Left out:{' '}
          {shown.leftOutPlaces.map((place) => (
            <button
              key={place.id}
              type="button"
              className="choice"
              onClick={() => void change({ leftOut: (filling.leftOut ?? []).filter((id) => id !== place.id) })}
            >
              {place.title}: show it again
            </button>
          ))}
        </p>
      )}
    </fieldset>
  );
}
