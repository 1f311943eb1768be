import type { PlaceBrief } from '../data/client';
import { findPlaces } from '../data/queries';
import { Choose } from '../parts/Choose';
import { PlaceFound } from '../parts/PlacePicker';

const isAddress = (typed: string) => typed === '' || /^(\/|[a-z][a-z0-9+.-]*:)/i.test(typed);

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
  return (
    <Choose<PlaceBrief>
      label={label}
      ask={async (words, signal) => (isAddress(words) ? [] : (await findPlaces(words, signal)).rows.map(({ place }) => place))}
      keyOf={({ id }) => id}
      show={(place) => <PlaceFound place={place} />}
      chosen={value}
      typed={value}
      asks={!isAddress(value.trim())}
      disabled={disabled}
      placeholder={placeholder}
      onType={onChange}
      onChoose={(place) => place && onChange(place.address)}
    />
  );
}
