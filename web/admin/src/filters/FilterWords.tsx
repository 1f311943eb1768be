import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Filter, Filters } from '../data/client';
import { choicesQuery, moved, useFiltersChange, wordFilter } from '../data/filters';
import { Choices } from '../parts/Choices';
import { KeptField } from '../parts/KeptField';
import { Wrong } from '../parts/Notice';
import { Pick } from '../parts/Pick';

const orders = [
  ['name', 'by name'],
  ['count', 'most products first'],
  ['hand', 'by hand'],
] as const;

const SOME = 60;

/** What a filter and its choices are called, in which order they stand, and which of them mean the same. */
export function FilterWords({ filters, filter, canEdit }: { filters: Filters; filter: Filter; canEdit: boolean }) {
  const change = useFiltersChange(filters.version);
  const hasChoices = filter.kind !== 'price' && filter.kind !== 'in-stock';
  const known = useQuery({ ...choicesQuery(filter.key), enabled: hasChoices });
  const [problem, setProblem] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const put = async (body: Omit<Parameters<typeof wordFilter>[0], 'filter'>, says = '') =>
    setProblem((await change(wordFilter({ filter: filter.key, ...body }), says))?.message ?? null);
  const choices = known.data?.choices ?? [];
  const own = choices.filter(({ standsAs }) => standsAs === null);
  const rank = new Map(filter.byHand.map((value, at) => [value, at]));
  const ordered =
    filter.order === 'hand' ? [...own].sort((a, b) => (rank.get(a.value) ?? choices.length) - (rank.get(b.value) ?? choices.length)) : own;
  const shown = all ? ordered : ordered.slice(0, SOME);
  const move = (at: number, by: -1 | 1) => {
    const value = ordered[at]?.value;
    if (value === undefined) return;
    const shown = ordered.map((one) => one.value);
    const next = wordFilter((now) => {
      const byHand = now?.filters.find(({ key }) => key === filter.key)?.byHand ?? [];
      return {
        filter: filter.key,
        byHand: moved([...byHand.filter((one) => shown.includes(one)), ...shown.filter((one) => !byHand.includes(one))], value, by),
      };
    });
    void change(next).then((wrong) => setProblem(wrong?.message ?? null));
  };
  return (
    <div className="grid gap-3 pb-4 pl-3">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <KeptField
          label="It is called"
          value={filter.label}
          placeholder={filter.title}
          disabled={!canEdit}
          draftKey={`filter ${filter.key} label`}
          className="w-56"
          onKeep={(label) => change(wordFilter({ filter: filter.key, label }))}
        />
        {hasChoices && (
          <div className="grid gap-0.5">
            <span className="text-sm text-soft">Its choices stand</span>
            <Choices
              name="Its choices stand"
              all={orders}
              chosen={filter.order}
              disabled={!canEdit}
              onChoose={(order) =>
                void put({ order, ...(order === 'hand' && filter.byHand.length === 0 ? { byHand: own.map(({ value }) => value) } : {}) })
              }
            />
          </div>
        )}
      </div>
      <Wrong id={`filter-${filter.key}-problem`} problem={problem} />
      {known.data?.alike.map((group) => (
        <p key={group.join()} className="flex flex-wrap items-center gap-x-2 rounded-md bg-lamp-wash px-3 py-1.5">
          <span>{group.map((value) => `“${value}”`).join(' and ')} look the same.</span>
          {canEdit &&
            group.map((value) => (
              <button
                key={value}
                type="button"
                className="choice"
                onClick={async () => {
                  for (const other of group)
                    if (other !== value) await put({ choice: other, standsAs: value }, `“${other}” is shown as “${value}”.`);
                }}
              >
                put together as “{value}”
              </button>
            ))}
        </p>
      ))}
      {hasChoices && (
        <ul className="grid gap-1" aria-label={`Choices of ${filter.label || filter.title}`}>
          {shown.map(({ value, title, label, products }, at) => (
            <li key={value} className="flex flex-wrap items-center gap-x-2">
              <KeptField
                label={`${title} is called`}
                labelShown="no"
                value={label}
                placeholder={title}
                disabled={!canEdit}
                draftKey={`filter ${filter.key} ${value}`}
                className="w-48"
                onKeep={(called) => change(wordFilter({ filter: filter.key, choice: value, called }))}
              />
              <span className="min-w-24 text-sm text-soft tabular-nums">
                {label && `${title} · `}
                {products} {products === 1 ? 'product' : 'products'}
              </span>
              {canEdit && filter.order === 'hand' && (
                <span className="flex">
                  <button type="button" className="choice" aria-label={`${title} earlier`} disabled={at === 0} onClick={() => move(at, -1)}>
                    earlier
                  </button>
                  <button
                    type="button"
                    className="choice"
                    aria-label={`${title} later`}
                    disabled={at === ordered.length - 1}
                    onClick={() => move(at, 1)}
                  >
                    later
                  </button>
                </span>
              )}
              {canEdit && filter.kind !== 'category' && own.length > 1 && (
                <Pick
                  label={`${title} means the same as`}
                  labelShown={false}
                  chosen=""
                  placeholder="means the same as…"
                  all={own.filter((one) => one.value !== value).map((one) => [one.value, one.label || one.title] as const)}
                  onChoose={(standsAs) => standsAs && void put({ choice: value, standsAs }, `“${title}” is shown as “${standsAs}”.`)}
                />
              )}
              <Together
                values={choices.filter(({ standsAs }) => standsAs === value).map((one) => one.value)}
                canEdit={canEdit}
                onSeparate={(other) => void put({ choice: other, standsAs: '' }, `“${other}” is a choice of its own again.`)}
              />
            </li>
          ))}
        </ul>
      )}
      {shown.length < ordered.length && (
        <button type="button" className="choice justify-self-start" onClick={() => setAll(true)}>
          {ordered.length - shown.length} more
        </button>
      )}
    </div>
  );
}

function Together({ values, canEdit, onSeparate }: { values: string[]; canEdit: boolean; onSeparate: (value: string) => void }) {
  if (values.length === 0) return null;
  return (
    <span className="flex basis-full flex-wrap items-center gap-x-2 pl-3 text-sm text-soft">
      with
      {values.map((value) => (
        <span key={value} className="inline-flex items-center gap-1">
          “{value}”
          {canEdit && (
            <button type="button" className="choice" aria-label={`Separate ${value} again`} onClick={() => onSeparate(value)}>
              separate
            </button>
          )}
        </span>
      ))}
    </span>
  );
}
