import { useQuery } from '@tanstack/react-query';
import type { PlaceSheet, PlacesQuery } from '../data/client';
import { arrange, revise, usePlaceChange } from '../data/place';
import { siblingsQuery } from '../data/queries';
import { warn } from '../data/told';
import { Part } from '../parts/Part';
import { PlacePicker } from '../parts/PlacePicker';

/** Which other place this one stands below, and where among its siblings. */
export function StandingPart({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { place } = sheet;
  const change = usePlaceChange(sheet);
  const siblings = useQuery(siblingsQuery(place.id, sheet.parent?.id ?? ''));
  const row = siblings.data?.rows.map((one) => one.place) ?? [];
  const at = row.findIndex(({ id }) => id === place.id);
  const kindAbove = (sheet.parentKind ?? '').replace('-', ' ');
  const put = (parent: string | null) =>
    void change(revise(place.id, { parent }), `${place.title} stands elsewhere now; its address is the same.`).then(
      (problem) => problem && warn(problem),
    );
  const move = (before: string | null) => void change(arrange(place.id, before)).then((problem) => problem && warn(problem));
  return (
    <Part name="Stand">
      <PlacePicker
        label={`The ${kindAbove} it stands below`}
        kind={(sheet.parentKind ?? undefined) as PlacesQuery['kind']}
        chosen={sheet.parent}
        none={`in no ${kindAbove}`}
        disabled={!canEdit}
        accept={({ id }) => id !== place.id}
        onChoose={(parent) => parent?.id !== sheet.parent?.id && put(parent?.id ?? null)}
      />
      {row.length > 1 && at >= 0 && (
        <p className="mt-2 flex flex-wrap items-center gap-2 text-soft">
          {ordinal(at + 1)} of {row.length}
          {at > 0 ? `, after “${row[at - 1]?.title}”` : ''}
          {canEdit && (
            <>
              <button type="button" className="button" disabled={at === 0} onClick={() => move(row[at - 1]?.id ?? null)}>
                Earlier
              </button>
              <button type="button" className="button" disabled={at === row.length - 1} onClick={() => move(row[at + 2]?.id ?? null)}>
                Later
              </button>
            </>
          )}
        </p>
      )}
    </Part>
  );
}

export function ordinal(n: number): string {
  const ending = n % 100 > 10 && n % 100 < 14 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${ending}`;
}
