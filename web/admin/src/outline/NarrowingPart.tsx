import { useQuery } from '@tanstack/react-query';
import { useEffect, useId, useState } from 'react';
import type { Entry, NarrowingInput, OfferedFilter, ProblemError, TargetInput } from '../data/client';
import { chosenQuery, narrowedQuery } from '../data/filters';
import { KeptField } from '../parts/KeptField';

const SOME = 12;

/** Some of the products of a place, by the filters that visitors have. Each choice says how many products it would leave. */
export function NarrowingPart({
  entry,
  onKeep,
  onChange,
}: {
  entry: Entry;
  onKeep: (target: TargetInput) => Promise<ProblemError | null>;
  onChange: (target: TargetInput) => Promise<boolean>;
}) {
  const { target } = entry;
  const id = useId();
  const [open, setOpen] = useState(false);
  const { words = '', ...chosen } = target.narrowing ?? {};
  const narrowing: NarrowingInput = chosen;
  const offered = useQuery(narrowedQuery(target.placeId ?? '', chosenQuery(narrowing), true));
  const to = (changes: NarrowingInput): TargetInput => {
    const { choices = {}, priceFrom = null, priceTo = null, inStock = false } = { ...narrowing, ...changes };
    return { kind: 'place', placeId: target.placeId, narrowing: { choices, priceFrom, priceTo, inStock } };
  };
  const toggled = (key: string, value: string, on: boolean): TargetInput => {
    if (key === 'in-stock') return to({ inStock: on });
    const values = (narrowing.choices?.[key] ?? []).filter((one) => one !== value);
    return to({ choices: { ...narrowing.choices, [key]: on ? [...values, value] : values } });
  };
  const count = offered.data?.products;
  // What was touched stands so at once, and as it came to be when that is known.
  const [touched, setTouched] = useState<Record<string, boolean>>({});
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is the answer that counts
  useEffect(() => setTouched({}), [offered.data, target.narrowing]);
  const toggle = (key: string) => (value: string, on: boolean) => {
    setTouched((before) => ({ ...before, [`${key} ${value}`]: on }));
    void onChange(toggled(key, value, on)).then((made) => made || setTouched({}));
  };
  return (
    <div className="grid gap-1.5">
      <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
        <span className="w-16 text-soft">Only</span>
        <span>{words || 'all of its products'}</span>
        {words && count !== undefined && (
          <span className={count === 0 ? 'text-brick' : 'text-soft'}>
            {count} {count === 1 ? 'product' : 'products'}
          </span>
        )}
        <button type="button" className="choice" aria-expanded={open} aria-controls={id} onClick={() => setOpen(!open)}>
          {open ? 'done' : words ? 'other choices' : 'narrow it down'}
        </button>
        {words && (
          <button
            type="button"
            className="choice"
            onClick={() =>
              void onChange({
                kind: 'place',
                placeId: target.placeId,
                narrowing: { choices: {}, priceFrom: null, priceTo: null, inStock: false },
              })
            }
          >
            take all out
          </button>
        )}
      </div>
      {open && (
        <div id={id} className="grid max-h-80 gap-2 overflow-y-auto rounded-md border border-line p-3">
          {offered.data?.filters.map((filter) =>
            filter.key === 'price' ? (
              <fieldset key="price" className="flex flex-wrap items-center gap-x-3">
                <legend className="float-left mr-3 w-24 text-soft">{filter.label}</legend>
                {(['priceFrom', 'priceTo'] as const).map((end) => (
                  <KeptField
                    key={end}
                    label={end === 'priceFrom' ? 'from' : 'to'}
                    labelShown="beside"
                    kind="money"
                    className="w-20"
                    value={narrowing[end] === null || narrowing[end] === undefined ? '' : String(narrowing[end])}
                    draftKey={`entry ${entry.id} ${end}`}
                    onKeep={(price) => onKeep(to({ [end]: price === '' ? null : Number(price) }))}
                  />
                ))}
              </fieldset>
            ) : (
              <Offered key={filter.key} filter={filter} touched={touched} onToggle={toggle(filter.key)} />
            ),
          ) ?? <p className="text-soft">Fetching what there is…</p>}
        </div>
      )}
    </div>
  );
}

function Offered({
  filter,
  touched,
  onToggle,
}: {
  filter: OfferedFilter;
  touched: Record<string, boolean>;
  onToggle: (value: string, on: boolean) => void;
}) {
  const [all, setAll] = useState(false);
  const shown = all ? filter.choices : filter.choices.filter(({ chosen }, at) => at < SOME || chosen);
  return (
    <fieldset className="flex items-start gap-x-3">
      <legend className="float-left mr-3 w-24 py-0.5 text-soft">{filter.label}</legend>
      <span className="flex flex-1 flex-wrap gap-x-3 gap-y-0.5">
        {shown.map(({ value, label, products, chosen }) => (
          <label key={value} className="flex min-h-6 items-center gap-1.5">
            <input
              type="checkbox"
              checked={touched[`${filter.key} ${value}`] ?? chosen}
              onChange={(event) => onToggle(value, event.target.checked)}
            />
            <span>{label}</span>
            <span className="text-sm text-soft tabular-nums">{products}</span>
          </label>
        ))}
        {shown.length < filter.choices.length && (
          <button type="button" className="choice" onClick={() => setAll(true)}>
            {filter.choices.length - shown.length} more
          </button>
        )}
      </span>
    </fieldset>
  );
}
