import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Entry, Filling, FillingInput, PlacesQuery, ProblemError, Schemas } from '../data/client';
import { rulesQuery } from '../data/queries';
import { Choices } from '../parts/Choices';
import { KeptField } from '../parts/KeptField';
import { Pick } from '../parts/Pick';
import { PlacePicker } from '../parts/PlacePicker';
import { asInput } from './tree';

type Rule = Schemas['FillingRule'];
type Source = FillingInput['source'];

/** What an entry begins with, by the rule of its source: of its own place where that is of a kind that fits. */
const beginning = (rule: Rule, entry: Entry): FillingInput => ({
  source: rule.source,
  placeId: entry.place && rule.placeKinds.includes(entry.place.kind) ? entry.place.id : null,
  kind: (rule.kinds[0] as FillingInput['kind']) ?? null,
  depth: 1,
  most: rule.most,
  order: rule.orders[0] as FillingInput['order'],
  labels: {},
  leftOut: [],
});

/** What the shop puts below an entry by itself, and how. */
export function FillingPart({
  entry,
  onKeep,
  onChange,
  onPin,
}: {
  entry: Entry;
  onKeep: (filling: FillingInput | null) => Promise<ProblemError | null>;
  onChange: (filling: FillingInput | null) => Promise<boolean>;
  onPin: (child: Filling['children'][number]) => Promise<boolean>;
}) {
  const rules = useQuery(rulesQuery);
  const filling = asInput(entry).filling ?? null;
  const shown = entry.filling;
  // A source that needs a place is wanted until one is chosen.
  const [wanted, setWanted] = useState<Source | null>(null);
  const all = rules.data?.fillings ?? [];
  const rule = all.find(({ source }) => source === (wanted ?? filling?.source)) ?? null;
  const change = (changes: Partial<FillingInput>) => filling && void onChange({ ...filling, ...changes });
  const begin = (source: Source | 'nothing') => {
    setWanted(null);
    const next = all.find((one) => one.source === source);
    if (!next) return void onChange(null);
    const first = beginning(next, entry);
    if (next.needsPlace && !first.placeId) return setWanted(next.source);
    void onChange(first);
  };
  const children = (shown?.children ?? []).flatMap((child) => [child, ...child.children]);
  return (
    <fieldset className="grid min-w-0 gap-1.5 border-t border-line pt-1.5">
      <legend className="sr-only">What fills it</legend>
      <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
        <span className="text-soft">Fills itself with</span>
        <Choices<Source | 'nothing'>
          name="Fills itself with"
          all={[['nothing', 'nothing'], ...all.map(({ source, words }) => [source, words] as const)]}
          chosen={rule?.source ?? 'nothing'}
          onChoose={begin}
        />
      </div>
      {rule && (
        <div className="flex flex-wrap items-start gap-x-3 gap-y-1">
          {rule.placeKinds.length > 0 && (
            <span className="w-56">
              <PlacePicker
                label={rule.placeWords}
                {...(rule.placeKinds.length === 1 ? { kind: rule.placeKinds[0] as PlacesQuery['kind'] } : {})}
                {...(rule.needsPlace ? {} : { none: 'of the whole shop' })}
                accept={({ kind }) => rule.placeKinds.includes(kind)}
                chosen={shown?.place ?? null}
                autoFocus={wanted !== null}
                onChoose={(place) => {
                  setWanted(null);
                  void onChange({ ...(filling?.source === rule.source ? filling : beginning(rule, entry)), placeId: place?.id ?? null });
                }}
              />
            </span>
          )}
          {filling && rule.kinds.length > 0 && (
            <Pick
              label="of"
              chosen={filling.kind ?? ''}
              all={rule.kinds.map((kind) => [kind, `${kind}s`] as const)}
              onChoose={(kind) => change({ kind: kind as FillingInput['kind'] })}
            />
          )}
          {filling && rule.deepest > 1 && (
            <Choices
              name="Levels"
              all={[
                ['1', 'one level'],
                ['2', 'two levels'],
              ]}
              chosen={String(filling.depth) as '1' | '2'}
              onChoose={(depth) => change({ depth: Number(depth) })}
            />
          )}
          {filling && (
            <KeptField
              label="at most"
              labelShown="beside"
              kind="number"
              className="w-14"
              value={String(filling.most ?? rule.most)}
              draftKey={`entry ${entry.id} most`}
              onKeep={(most) => onKeep({ ...filling, most: Number(most) })}
            />
          )}
          {filling && rule.orders.length > 1 && (
            <Pick
              label="ordered by"
              chosen={filling.order ?? 'hand'}
              all={rule.orders.map((order) => [order, order] as const)}
              onChoose={(order) => change({ order: order as FillingInput['order'] })}
            />
          )}
        </div>
      )}
      {filling && children.length > 0 && (
        <ul aria-label="What it shows today" className="grid gap-1">
          {children.map((child) => (
            <li key={child.id} className="flex items-center gap-2">
              <KeptField
                label={`Label of ${child.label}`}
                labelShown="no"
                className="max-w-56 italic"
                value={child.label}
                draftKey={`entry ${entry.id} child ${child.placeId}`}
                onKeep={(words) => {
                  const { [child.placeId]: _, ...others } = filling.labels ?? {};
                  return onKeep({ ...filling, labels: words === '' ? others : { ...others, [child.placeId]: words } });
                }}
              />
              <button type="button" className="choice" onClick={() => void onPin(child)}>
                Pin
              </button>
              <button type="button" className="choice" onClick={() => change({ leftOut: [...(filling.leftOut ?? []), child.placeId] })}>
                Leave out
              </button>
            </li>
          ))}
        </ul>
      )}
      {filling && shown && shown.leftOutPlaces.length > 0 && (
        <p>
          Left out:{' '}
          {shown.leftOutPlaces.map((place) => (
            <button
              key={place.id}
              type="button"
              className="choice"
              onClick={() => change({ leftOut: (filling.leftOut ?? []).filter((id) => id !== place.id) })}
            >
              {place.title}: show it again
            </button>
          ))}
        </p>
      )}
    </fieldset>
  );
}
