import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { api, ask } from '../api/client';
import { Lantern } from '../parts/Lantern';

const isAddress = (typed: string) => /^(\/|[a-z][a-z0-9+.-]*:)/i.test(typed.trim());

/** Where a redirect leads: an address that is typed, or a place that is found by a few letters. */
export function TargetField({
  label,
  value,
  disabled = false,
  placeholder = 'letters of a place, /new, /new/* or https://…',
  onChange,
}: {
  label: string;
  value: string;
  disabled?: boolean;
  placeholder?: string;
  onChange: (value: string) => void;
}) {
  const id = useId();
  const [at, setAt] = useState(0);
  const [focused, setFocused] = useState(false);
  const words = value.trim();
  const searching = focused && words.length > 0 && !isAddress(words);
  const found = useQuery({
    queryKey: ['places', 'find', words, ''],
    queryFn: () => ask(api.GET('/api/places/find', { params: { query: { q: words } } })),
    enabled: searching,
    placeholderData: keepPreviousData,
  });
  const places = searching ? (found.data?.rows ?? []).map(({ place }) => place) : [];
  const choose = (index: number) => {
    const place = places[index];
    if (place) onChange(place.address);
  };
  return (
    <div className="relative">
      <input
        className={`field ${isAddress(words) || !words ? 'font-mono text-[12.5px]' : ''}`}
        role="combobox"
        aria-label={label}
        aria-expanded={places.length > 0}
        aria-controls={`${id}-found`}
        aria-activedescendant={places.length > at ? `${id}-${at}` : undefined}
        autoComplete="off"
        spellCheck={false}
        placeholder={placeholder}
        disabled={disabled}
        value={value}
        onFocus={() => setFocused(true)}
        onBlur={() => setFocused(false)}
        onChange={(event) => {
          onChange(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (places.length === 0) return;
          if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            setAt(Math.max(0, Math.min(places.length - 1, at + (event.key === 'ArrowDown' ? 1 : -1))));
          } else if (event.key === 'Enter') {
            event.preventDefault();
            choose(at);
          }
        }}
      />
      {searching && (
        <div
          id={`${id}-found`}
          role="listbox"
          aria-label={`Places for ${label}`}
          className="absolute left-0 top-full z-20 mt-1 max-h-64 w-[max(100%,22rem)] overflow-auto rounded-md border border-line bg-sheet py-1 shadow-xl"
        >
          {places.map((place, index) => (
            // biome-ignore lint/a11y/useKeyWithClickEvents: the field takes the keys
            // biome-ignore lint/a11y/useFocusableInteractive: the focus stays in the field
            <div
              key={place.id}
              id={`${id}-${index}`}
              role="option"
              aria-selected={index === at}
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => choose(index)}
              className={`flex cursor-pointer items-center gap-2 px-3 py-1.5 text-base ${index === at ? 'bg-tide-wash' : 'hover:bg-paper'}`}
            >
              <Lantern light={place.light} words={place.lightWords} />
              <span className="truncate font-medium">{place.title}</span>
              <span className="ml-auto truncate text-sm text-soft">{place.address}</span>
            </div>
          ))}
          {places.length === 0 && !found.isPending && <p className="px-3 py-1.5 text-soft">No place has these letters. An address begins with a slash.</p>}
        </div>
      )}
    </div>
  );
}
