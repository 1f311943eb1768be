import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useState } from 'react';
import { api, ask, type Listing, type PlaceSheet } from '../api/client';
import { KeptField } from '../parts/KeptField';
import { Part } from '../parts/Part';
import { useTell } from '../parts/toasts';
import { revise, usePlaceChange } from './usePlace';

/** What search engines are told, and how they would show it. */
export function ListingPart({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const { listing } = sheet;
  const change = usePlaceChange(id);
  const tell = useTell();
  const [title, setTitle] = useState(listing.title);
  const [description, setDescription] = useState(listing.description);
  const typed = useDeferredValue(`${title}\n${description}`);
  const asks = title !== listing.title || description !== listing.description;
  const shown = useQuery({
    queryKey: ['place', id, 'listing', typed],
    queryFn: () => ask(api.GET('/api/places/{id}/listing', { params: { path: { id }, query: { title, description } } })),
    enabled: asks,
    placeholderData: keepPreviousData,
  });
  const seen = asks && shown.data ? shown.data : listing;
  // What is put together with the rest is the rest as it is when its turn comes.
  const put = (part: Partial<Pick<Listing, 'listed' | 'title' | 'description'>>) =>
    change((version, { listing: now }) => revise(id, version, { listing: { listed: now.listed, title: now.title, description: now.description, ...part } }));
  const [listed, setListed] = useState(listing.listed);
  useEffect(() => setListed(listing.listed), [listing.listed]);
  const list = async (wanted: boolean) => {
    setListed(wanted);
    const problem = await put({ listed: wanted });
    if (!problem) return;
    setListed(!wanted);
    tell.warn(problem);
  };
  return (
    <Part name="Search listing">
      <label className="flex min-h-6 items-center gap-2">
        <input type="checkbox" className="size-4 accent-tide" disabled={!canEdit} checked={listed} onChange={(event) => void list(event.target.checked)} />
        Search engines may list it
      </label>
      <p className="mt-1 text-sm text-soft">
        {listing.listed
          ? 'It stands in the sitemap as long as it opens.'
          : 'Its page and its answer say noindex, and the sitemap leaves it out. Visitors notice nothing.'}
      </p>
      <div className="mt-3 grid gap-3">
        <KeptField
          label="Title for search engines; empty: the title of the place"
          value={listing.title}
          disabled={!canEdit}
          onType={setTitle}
          onKeep={(next) => put({ title: next })}
        />
        <KeptField
          label="Description for search engines; empty: the short description"
          value={listing.description}
          long
          disabled={!canEdit}
          onType={setDescription}
          onKeep={(next) => put({ description: next })}
        />
      </div>
      <div className={`mt-3 border-l-2 py-1 pl-4 ${listing.listed ? 'border-tide' : 'border-line text-soft'}`}>
        <p className="text-sm text-soft">{listing.listed ? 'As a search engine would show it' : 'No search engine shows it. It would read'}</p>
        <p className="text-lg">{seen.titleShown.text}</p>
        <p className="address">{seen.address}</p>
        <p>{seen.descriptionShown.text || 'No description: a search engine would pick some words from the page.'}</p>
      </div>
      <ul className="mt-2 text-sm">
        <Length name="Title" {...seen.titleShown} />
        {seen.descriptionShown.characters > 0 && <Length name="Description" {...seen.descriptionShown} />}
      </ul>
    </Part>
  );
}

function Length({ name, characters, pixels, room, fits }: { name: string } & Listing['titleShown']) {
  return (
    <li className={fits ? 'text-soft' : 'text-brick'}>
      {name}: {characters} characters, {pixels} of {room} pixels{fits ? '.' : '; what goes beyond is cut.'}
    </li>
  );
}
