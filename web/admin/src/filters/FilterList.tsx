import { type KeyboardEvent, useLayoutEffect, useRef, useState } from 'react';
import type { Filter, Filters } from '../data/client';
import { type Chosen, moved } from '../data/filters';
import { FilterWords } from './FilterWords';

/** The filters of one listing in their order, and those that it could have, too. */
export function FilterList({
  filters,
  chosen,
  canEdit,
  onChoose,
}: {
  filters: Filters;
  chosen: readonly string[];
  canEdit: boolean;
  onChoose: (change: Chosen, says: string) => void;
}) {
  const list = useRef<HTMLOListElement>(null);
  const [open, setOpen] = useState<string | null>(null);
  const known = new Map(filters.filters.map((one) => [one.key, one]));
  const rest = filters.filters.filter(({ key }) => !chosen.includes(key));
  const nameOf = (key: string) => known.get(key)?.label || known.get(key)?.title || key;
  // Where the focus goes as soon as the list is as it was asked for.
  const wanted = useRef<string | null>(null);
  const focusOn = (key: string | undefined) =>
    list.current?.querySelector<HTMLElement>(`[data-filter-line="${CSS.escape(key ?? '')}"]`)?.focus();
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is the list that has changed
  useLayoutEffect(() => {
    if (wanted.current !== null) focusOn(wanted.current);
    wanted.current = null;
  }, [chosen]);
  const move = (at: number, by: -1 | 1) => {
    const key = chosen[at];
    if (key === undefined || at + by < 0 || at + by >= chosen.length) return;
    wanted.current = key;
    onChoose((now) => moved(now, key, by), '');
  };
  const takeOut = (at: number) => {
    const key = chosen[at];
    if (key === undefined) return;
    wanted.current = chosen[at + 1] ?? chosen[at - 1] ?? null;
    onChoose((now) => now.filter((one) => one !== key), `Visitors no longer narrow by ${nameOf(key).toLowerCase()} here.`);
  };
  const onKey = (at: number) => (event: KeyboardEvent) => {
    if (event.target !== event.currentTarget || !canEdit) return;
    const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (by !== 0 && event.altKey) move(at, by);
    else if (by !== 0) focusOn(chosen[at + by]);
    else if (event.key === 'Delete') takeOut(at);
    else return;
    event.preventDefault();
  };
  return (
    <div className="mt-2 grid gap-4">
      {chosen.length === 0 && <p className="text-soft">Visitors cannot narrow this listing. Add what they may narrow it by.</p>}
      <ol ref={list} className="grid" aria-label="Filters, in their order">
        {chosen.map((key, at) => {
          const filter = known.get(key);
          const isOpen = open === key;
          return (
            <li key={key} className="border-b border-line">
              <div className="flex min-h-9 items-center gap-2">
                <button
                  type="button"
                  data-filter-line={key}
                  className="flex min-h-8 min-w-0 flex-1 items-center gap-2 text-left hover:underline"
                  aria-expanded={isOpen}
                  onClick={() => setOpen(isOpen ? null : key)}
                  onKeyDown={onKey(at)}
                >
                  <span className="truncate font-medium">{nameOf(key)}</span>
                  <span className="truncate text-sm text-soft">{filter && told(filter)}</span>
                </button>
                {canEdit && (
                  <span className="flex shrink-0">
                    <button
                      type="button"
                      className="choice"
                      aria-label={`${nameOf(key)} earlier`}
                      disabled={at === 0}
                      onClick={() => move(at, -1)}
                    >
                      earlier
                    </button>
                    <button
                      type="button"
                      className="choice"
                      aria-label={`${nameOf(key)} later`}
                      disabled={at === chosen.length - 1}
                      onClick={() => move(at, 1)}
                    >
                      later
                    </button>
                    <button type="button" className="choice" aria-label={`Take ${nameOf(key)} out`} onClick={() => takeOut(at)}>
                      out
                    </button>
                  </span>
                )}
              </div>
              {isOpen && filter && <FilterWords filters={filters} filter={filter} canEdit={canEdit} />}
            </li>
          );
        })}
      </ol>
      {canEdit && rest.length > 0 && (
        <section aria-label="What listings could be narrowed by, too" className="grid gap-1.5">
          <h3 className="text-sm text-soft">What they could be narrowed by, too</h3>
          <div className="flex flex-wrap gap-1.5">
            {rest.map((filter) => (
              <button
                key={filter.key}
                type="button"
                className="button"
                onClick={() => {
                  onChoose(
                    (now) => [...now.filter((one) => one !== filter.key), filter.key],
                    `Visitors narrow by ${nameOf(filter.key).toLowerCase()} here.`,
                  );
                }}
              >
                Add {nameOf(filter.key)} {filter.choices > 1 && <span className="text-sm text-soft">{filter.choices}</span>}
              </button>
            ))}
          </div>
        </section>
      )}
    </div>
  );
}

/** What a filter is, in small words. */
function told({ kind, label, title, choices }: Filter): string {
  const called = label && label !== title ? `${title} · ` : '';
  if (kind === 'in-stock') return `${called}one choice: in stock`;
  if (kind === 'price') return `${called}a range`;
  return `${called}${choices === 0 ? 'no product has one' : `${choices} ${choices === 1 ? 'choice' : 'choices'}`}`;
}
