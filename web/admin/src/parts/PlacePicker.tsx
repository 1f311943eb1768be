import type { PlaceBrief, PlacesQuery } from '../data/client';
import { findPlaces } from '../data/queries';
import { Choose } from './Choose';
import { Lantern } from './Lantern';

/** A field that finds one place by a few letters. */
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
  kind?: PlacesQuery['kind'];
  chosen: PlaceBrief | null;
  /** What choosing nothing is called; without it something has to be chosen. */
  none?: string;
  disabled?: boolean;
  autoFocus?: boolean;
  accept?: (place: PlaceBrief) => boolean;
  onChoose: (place: PlaceBrief | null) => void;
}) {
  return (
    <Choose
      label={label}
      ask={async (words, signal) => (await findPlaces(words, signal, kind)).rows.map(({ place }) => place).filter(accept)}
      keyOf={({ id }) => id}
      show={(place) => <PlaceFound place={place} />}
      chosen={chosen?.title ?? ''}
      none={none}
      disabled={disabled}
      autoFocus={autoFocus}
      onChoose={onChoose}
    />
  );
}

export function PlaceFound({ place }: { place: PlaceBrief }) {
  return (
    <>
      <Lantern light={place.light} words={place.lightWords} />
      <span className="truncate font-medium">{place.title}</span>
      <span className="ml-auto truncate text-sm text-soft">
        {place.kindWords} · {place.address}
      </span>
    </>
  );
}
