import { useState } from 'react';
import { Link } from 'react-router';
import { api, ask, ifMatch, type PlaceSheet, type Spot } from '../data/client';
import { useEdit } from '../data/edits';
import { findSpots } from '../data/queries';
import { warn } from '../data/told';
import { Choose } from '../parts/Choose';
import { Part } from '../parts/Part';
import { uuidv7 } from '../parts/uuid';

/** Which menus lead to the place, and how it gets into another: a few letters find the spot. */
export function MenusPart({ sheet }: { sheet: PlaceSheet }) {
  const { place } = sheet;
  const edit = useEdit();
  const [put, setPut] = useState<{ spot: Spot; entry: string } | null>(null);
  const choose = async (spot: Spot) => {
    const entry = uuidv7();
    const result = await edit({
      run: () =>
        ask(
          api.POST('/api/menus/{id}/moves', {
            params: { path: { id: spot.menuId }, header: ifMatch(spot.version) },
            body: {
              type: 'insert',
              entry: { id: entry, target: { kind: 'place', placeId: place.id }, label: null },
              at: { parentId: spot.parentId, index: spot.index },
            },
          }),
        ),
      changes: () => [
        { about: 'menu', id: spot.menuId },
        { about: 'mention', id: null },
      ],
      says: `“${place.title}” stands in ${spot.words}.`,
    });
    if ('made' in result) setPut({ spot, entry });
    else warn(result.problem);
  };
  return (
    <Part name="Menus">
      <p className="text-soft">{sheet.menus.length > 0 ? `In ${sheet.menus.join(', ')}.` : 'In no menu yet.'}</p>
      <div className="mt-2">
        <Choose<Spot>
          label="Put into a menu"
          placeholder="Put into a menu: letters of the spot, such as header threads"
          ask={(words, signal) => findSpots(place.id, words, signal)}
          keyOf={({ menuId, parentId }) => `${menuId} ${parentId}`}
          show={(spot) => (
            <span className="min-w-0">
              <span className="block truncate font-medium">{spot.words}</span>
              {spot.isThere && <span className="block text-sm text-dusk">It stands there already.</span>}
              {spot.fit && <span className="block text-sm whitespace-normal text-brick">{spot.fit}</span>}
            </span>
          )}
          chosen=""
          onChoose={(spot) => spot && void choose(spot)}
        />
      </div>
      {put && (
        <p className="mt-2" role="status">
          It stands in {put.spot.words}. {put.spot.fit} <Link to={`/menus/${put.spot.menuId}?entry=${put.entry}`}>Go to the line</Link>
        </p>
      )}
    </Part>
  );
}
