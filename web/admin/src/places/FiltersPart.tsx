import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { PlaceSheet } from '../data/client';
import { filtersQuery } from '../data/filters';
import { Part } from '../parts/Part';

/** By what visitors narrow the listing of a place. */
export function FiltersPart({ sheet }: { sheet: PlaceSheet }) {
  const filters = useQuery(filtersQuery);
  const keys = sheet.ownFilters ?? filters.data?.everywhere ?? [];
  const names = keys
    .map((key) => filters.data?.filters.find((one) => one.key === key))
    .map((one) => one?.label || one?.title)
    .filter(Boolean)
    .join(', ');
  return (
    <Part name="Filters">
      <p>
        {sheet.ownFilters ? 'Filters of its own: ' : 'As in all listings: '}
        {names || 'none'}.{' '}
        <Link to={`/filters?of=${sheet.place.id}`}>
          {sheet.ownFilters ? 'Change them, with the shop beside' : 'Give it filters of its own'}
        </Link>
      </p>
    </Part>
  );
}
