import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { api, ask, type PlaceBrief } from '../api/client';
import { Lantern } from './Lantern';

/** A field that finds one place by a few letters. Escape and leaving it keep what was chosen before. */
export function PlacePicker({
  label,
  kind,
  chosen,
  none,
  disabled = false,
  autoFocus = false,
  accept = () => true,
  onChoose,
}: {
  label: string;
  kind?: string;
  chosen: PlaceBrief | null;
  /** What choosing nothing is called; without it something has to be chosen. */
  none?: string;
  disabled?: boolean;
  autoFocus?: boolean;
  accept?: (place: PlaceBrief) => boolean;
  onChoose: (place: PlaceBrief | null) => void;
}) {
  const id = useId();
  const [words, setWords] = useState<string | null>(null);
  const [at, setAt] = useState(0);
  const found = useQuery({
    queryKey: ['places', 'find', words ?? '', kind ?? ''],
    queryFn: () => ask(api.GET('/api/places/find', { params: { query: { q: words ?? '', ...(kind ? { kind } : {}) } } })),
    enabled: words !== null,
    placeholderData: keepPreviousData,
  });
  const places = (found.data?.rows ?? []).map(({ place }) => place).filter(accept);
  const options: (PlaceBrief | null)[] = none && (words ?? '') === '' ? [null, ...places] : places;
  const open = words !== null;
  const choose = (place: PlaceBrief | null | undefined) => {
    if (place === undefined) return;
    setWords(null);
    onChoose(place);
  };
  return (
    <div className="relative">
      <input
        className="field"
        role="combobox"
        aria-label={label}
        aria-expanded={open}
        aria-controls={`${id}-found`}
        aria-activedescendant={open && options.length > at ? `${id}-${at}` : undefined}
        autoComplete="off"
        placeholder={none ?? label}
        disabled={disabled}
        // biome-ignore lint/a11y/noAutofocus: only in panels that a person has just opened to choose here
        autoFocus={autoFocus}
        value={words ?? chosen?.title ?? ''}
        onFocus={(event) => event.target.select()}
        onBlur={() => setWords(null)}
        onChange={(event) => {
          setWords(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            if (words === null) setWords('');
            else setAt(Math.max(0, Math.min(options.length - 1, at + (event.key === 'ArrowDown' ? 1 : -1))));
          } else if (event.key === 'Enter' && open) {
            event.preventDefault();
            choose(options[at]);
          } else if (event.key === 'Escape' && open) {
            event.preventDefault();
            event.stopPropagation();
            setWords(null);
          }
        }}
        onClick={() => words === null && setWords('')}
      />
      {open && (
        <div
          id={`${id}-found`}
          role="listbox"
          aria-label={label}
          className="absolute inset-x-0 top-full z-20 mt-1 max-h-64 overflow-auto rounded-md border border-line bg-sheet py-1 shadow-xl"
        >
          {options.map((place, index) => (
            // biome-ignore lint/a11y/useKeyWithClickEvents: the field takes the keys
            // biome-ignore lint/a11y/useFocusableInteractive: the focus stays in the field
            <div
              key={place?.id ?? 'none'}
              id={`${id}-${index}`}
              role="option"
              aria-selected={index === at}
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => choose(place)}
              className={`flex cursor-pointer items-center gap-2 px-3 py-1.5 ${index === at ? 'bg-tide-wash' : 'hover:bg-paper'}`}
            >
              {place ? (
                <>
                  <Lantern light={place.light} words={place.lightWords} />
                  <span className="truncate font-medium">{place.title}</span>
                  <span className="ml-auto truncate text-sm text-soft">
                    {place.kindWords} · {place.address}
                  </span>
                </>
              ) : (
                <span className="text-soft">{none}</span>
              )}
            </div>
          ))}
          {options.length === 0 && !found.isPending && <p className="px-3 py-1.5 text-soft">Nothing has these letters.</p>}
        </div>
      )}
    </div>
  );
}
