import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api, ask, type Listing, type PlaceSheet } from '../data/client';
import { revise, usePlaceChange } from '../data/place';
import { warn } from '../data/told';
import { KeptField } from '../parts/KeptField';
import { OnOff } from '../parts/OnOff';
import { Part } from '../parts/Part';

/** What search engines are told, and how they would show it. */
export function ListingPart({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const { listing } = sheet;
  const change = usePlaceChange(sheet);
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
  const put = (part: Partial<Pick<Listing, 'listed' | 'title' | 'description'>>, says = '') =>
    change(revise(id, { listing: { listed: listing.listed, title: listing.title, description: listing.description, ...part } }), says);
  return (
    <Part name="Search listing">
      <OnOff
        label="Search engines may list it"
        on={listing.listed}
        disabled={!canEdit}
        onChange={(listed) =>
          void put({ listed }, listed ? 'Search engines may list it.' : 'It is kept out of search engines.').then(
            (problem) => problem && warn(problem),
          )
        }
      />
      <p className="mt-1 text-sm text-soft">
        {listing.listed
          ? 'It stands in the sitemap as long as it opens.'
          : 'Its page and its answer say noindex, and the sitemap leaves it out. Visitors notice nothing.'}
      </p>
      <div className="mt-3 grid gap-3">
        <KeptField
          label="Title for search engines; empty: the title of the place"
          value={listing.title}
          draftKey={`place ${id} listing title`}
          disabled={!canEdit}
          onType={setTitle}
          onKeep={(next) => put({ title: next })}
        />
        <KeptField
          label="Description for search engines; empty: the short description"
          value={listing.description}
          kind="long"
          draftKey={`place ${id} listing description`}
          disabled={!canEdit}
          onType={setDescription}
          onKeep={(next) => put({ description: next })}
        />
      </div>
      <div className={`mt-3 border-l-2 py-1 pl-4 ${listing.listed ? 'border-tide' : 'border-line text-soft'}`}>
        <p className="text-sm text-soft">
          {listing.listed ? 'As a search engine would show it' : 'No search engine shows it. It would read'}
        </p>
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
