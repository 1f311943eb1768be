import { useQuery } from '@tanstack/react-query';
import { api, ask, ifMatch, type PlaceSheet } from '../api/client';
import { Part } from '../parts/Part';
import { PlacePicker } from '../parts/PlacePicker';
import { useTell } from '../parts/toasts';
import { revise, usePlaceChange } from './usePlace';

/** Which other place this one stands below, and where among its siblings. */
export function StandingPart({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { place } = sheet;
  const change = usePlaceChange(place.id);
  const tell = useTell();
  const siblings = useQuery({
    queryKey: ['places', 'siblings', place.id, sheet.parent?.id ?? ''],
    queryFn: () => ask(api.GET('/api/places/{id}/siblings', { params: { path: { id: place.id } } })),
  });
  const row = siblings.data?.rows.map((one) => one.place) ?? [];
  const at = row.findIndex(({ id }) => id === place.id);
  const kindAbove = (sheet.parentKind ?? '').replace('-', ' ');
  const put = (parent: string | null) => {
    const before = sheet.parent?.id ?? null;
    void change((version) => revise(place.id, version, { parent })).then((problem) =>
      problem
        ? tell.warn(problem)
        : tell.say(
            `${place.title} stands elsewhere now; its address is the same.`,
            () => void change((version) => revise(place.id, version, { parent: before })).then((again) => again && tell.warn(again)),
          ),
    );
  };
  const arrange = (before: string | null) =>
    void change((version) =>
      ask(api.PUT('/api/places/{id}/stand', { params: { path: { id: place.id }, header: ifMatch(version) } as never, body: { before } })),
    ).then((problem) => {
      if (problem) tell.warn(problem);
      else void siblings.refetch();
    });
  return (
    <Part name="Stand">
      <PlacePicker
        label={`The ${kindAbove} it stands below`}
        kind={sheet.parentKind ?? undefined}
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
              <button type="button" className="button" disabled={at === 0} onClick={() => arrange(row[at - 1]?.id ?? null)}>
                Earlier
              </button>
              <button type="button" className="button" disabled={at === row.length - 1} onClick={() => arrange(row[at + 2]?.id ?? null)}>
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
