import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { PlaceBrief, PlaceSheet, RevisionInput } from '../data/client';
import { pick, revise, usePlaceChange } from '../data/place';
import { groupsQuery, picksQuery, rulesQuery } from '../data/queries';
import { Wrong } from '../parts/Notice';
import { Part } from '../parts/Part';
import { Pick } from '../parts/Pick';
import { PlacePicker } from '../parts/PlacePicker';

type By = NonNullable<PlaceSheet['rule']>['by'];

/** How a collection comes by its products. */
export function ProductsPart({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const change = usePlaceChange(sheet);
  const [problem, setProblem] = useState<string | null>(null);
  // A tag is wanted until one is chosen.
  const [wanted, setWanted] = useState<By | null>(null);
  const by = wanted ?? sheet.rule?.by ?? 'hand';
  const rules = useQuery(rulesQuery);
  const groups = useQuery(groupsQuery);
  const put = async (rule: NonNullable<RevisionInput['rule']>) => {
    setWanted(null);
    setProblem((await change(revise(id, { rule }), 'It comes by its products otherwise now.'))?.message ?? null);
  };
  const tag = sheet.rule?.tag ?? '';
  const tags = groups.data?.tags ?? [];
  return (
    <Part name="Products">
      <div className="flex flex-wrap items-center gap-2">
        <Pick
          label="How it comes by its products"
          labelShown={false}
          disabled={!canEdit}
          chosen={by}
          all={(rules.data?.collectionRules ?? []).map(({ id: way, words }) => [way, words] as const)}
          onChoose={(way) => (way === 'tag' ? setWanted('tag') : void put({ by: way as By }))}
        />
        {by === 'tag' && (
          <Pick
            label="The tag"
            labelShown={false}
            disabled={!canEdit}
            placeholder="choose a tag"
            chosen={tag}
            all={[
              ...tags.map((one) => [one, one] as const),
              ...(tag && !tags.includes(tag) ? [[tag, `${tag} (no product has it)`] as const] : []),
            ]}
            onChoose={(one) => void put({ by: 'tag', tag: one })}
          />
        )}
      </div>
      <Wrong id="rule-problem" problem={problem} />
      {sheet.rule?.by === 'hand' && by === 'hand' && <Picks sheet={sheet} canEdit={canEdit} />}
    </Part>
  );
}

function Picks({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const change = usePlaceChange(sheet);
  const [problem, setProblem] = useState<string | null>(null);
  const picked = useQuery(picksQuery(id));
  const products = picked.data?.rows.map(({ place }) => place) ?? [];
  const put = async (next: PlaceBrief[], says = '') => {
    const wrong = await change(
      pick(
        id,
        next.map((one) => one.id),
      ),
      says,
    );
    setProblem(wrong?.message ?? null);
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
                  onClick={() =>
                    void put(
                      products.filter(({ id: other }) => other !== product.id),
                      `${product.title} is out.`,
                    )
                  }
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
