import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, ifMatch, type PlaceBrief, type PlaceSheet, type RevisionInput } from '../api/client';
import { Part, Wrong } from '../parts/Part';
import { PlacePicker } from '../parts/PlacePicker';
import { revise, usePlaceChange } from './usePlace';

type By = NonNullable<PlaceSheet['rule']>['by'];

const ways: { by: By; words: string }[] = [
  { by: 'hand', words: 'picked by hand' },
  { by: 'tag', words: 'all with a tag' },
  { by: 'reduced', words: 'all that are reduced' },
  { by: 'newest', words: 'the newest' },
  { by: 'featured', words: 'all that are featured' },
];

/** How a collection comes by its products. */
export function ProductsPart({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const change = usePlaceChange(id);
  const [problem, setProblem] = useState<string | null>(null);
  const [by, setBy] = useState<By>(sheet.rule?.by ?? 'hand');
  const groups = useQuery({ queryKey: ['places', 'groups'], queryFn: () => ask(api.GET('/api/places/groups')) });
  const put = async (rule: NonNullable<RevisionInput['rule']>) => setProblem((await change((version) => revise(id, version, { rule })))?.message ?? null);
  return (
    <Part name="Products">
      <div className="flex flex-wrap items-center gap-2">
        <select
          className="field w-auto"
          aria-label="How it comes by its products"
          disabled={!canEdit}
          value={by}
          onChange={(event) => {
            const next = event.target.value as By;
            setBy(next);
            if (next !== 'tag') void put({ by: next });
          }}
        >
          {ways.map(({ by: way, words }) => (
            <option key={way} value={way}>
              {words}
            </option>
          ))}
        </select>
        {by === 'tag' && (
          <select
            className="field w-auto"
            aria-label="The tag"
            disabled={!canEdit}
            value={sheet.rule?.tag ?? ''}
            onChange={(event) => void put({ by: 'tag', tag: event.target.value })}
          >
            <option value="">choose a tag</option>
            {groups.data?.tags.map((tag) => (
              <option key={tag} value={tag}>
                {tag}
              </option>
            ))}
            {sheet.rule?.tag && !groups.data?.tags.includes(sheet.rule.tag) && <option value={sheet.rule.tag}>{sheet.rule.tag} (no product has it)</option>}
          </select>
        )}
      </div>
      <Wrong id="rule-problem" problem={problem} />
      {sheet.rule?.by === 'hand' && by === 'hand' && <Picks sheet={sheet} canEdit={canEdit} />}
    </Part>
  );
}

function Picks({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const change = usePlaceChange(id);
  const [problem, setProblem] = useState<string | null>(null);
  const picked = useQuery({ queryKey: ['places', 'picked', id], queryFn: () => ask(api.GET('/api/places/{id}/products', { params: { path: { id } } })) });
  const products = picked.data?.rows.map(({ place }) => place) ?? [];
  const put = async (next: PlaceBrief[]) => {
    const body = { products: next.map((one) => one.id) };
    const wrong = await change((version) => ask(api.PUT('/api/places/{id}/products', { params: { path: { id }, header: ifMatch(version) } as never, body })));
    setProblem(wrong?.message ?? null);
    await picked.refetch();
  };
  const moved = (from: number, to: number) => {
    const next = [...products];
    const [one] = next.splice(from, 1);
    if (one) next.splice(to, 0, one);
    return next;
  };
  return (
    <div className="mt-3">
      <ol className="grid gap-px">
        {products.map((product, at) => (
          <li key={product.id} className="flex min-h-8 items-center gap-2">
            <span className="w-6 text-right text-sm text-soft tabular-nums">{at + 1}</span>
            <span className="truncate">{product.title}</span>
            {product.light !== 'open' && <span className="text-sm text-dusk">{product.lightWords}</span>}
            {canEdit && (
              <span className="ml-auto flex">
                <button
                  type="button"
                  className="choice"
                  aria-label={`${product.title} earlier`}
                  disabled={at === 0}
                  onClick={() => void put(moved(at, at - 1))}
                >
                  earlier
                </button>
                <button
                  type="button"
                  className="choice"
                  aria-label={`${product.title} later`}
                  disabled={at === products.length - 1}
                  onClick={() => void put(moved(at, at + 1))}
                >
                  later
                </button>
                <button
                  type="button"
                  className="choice"
                  aria-label={`Take ${product.title} out`}
                  onClick={() => void put(products.filter(({ id: other }) => other !== product.id))}
                >
                  out
                </button>
              </span>
            )}
          </li>
        ))}
      </ol>
      {canEdit && (
        <div className="mt-2">
          <PlacePicker
            label="Add a product"
            kind="product"
            none={undefined}
            chosen={null}
            accept={({ id: other }) => !products.some((one) => one.id === other)}
            onChoose={(product) => product && void put([...products, product])}
          />
        </div>
      )}
      <Wrong id="picks-problem" problem={problem} />
    </div>
  );
}
