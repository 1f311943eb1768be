import { useState } from 'react';
import type { Frame } from '../data/client';
import { useFrameChange, useFrameField } from './useFrame';

/** Looks under a name: worn by the shop beside while they are pointed at, taken by a touch, kept under a name of one's own. */
/** What is worn while it is pointed at, by setting; null: nothing is tried. */
export type TriedLooks = Record<string, string> | null;

export function LooksSets({ looks, canEdit, onTry }: { looks: Frame['looks']; canEdit: boolean; onTry: (looks: TriedLooks) => void }) {
  const change = useFrameChange();
  return (
    <section aria-labelledby="looks-sets" className="grid gap-1">
      <h2 id="looks-sets" className="text-sm text-soft">
        Sets: point at one to see it, touch it to take it
      </h2>
      <ul className="grid gap-0.5">
        {looks.sets.map((set) => (
          <li key={set.id} className="flex items-center gap-1">
            <button
              type="button"
              disabled={!canEdit}
              aria-pressed={set.on}
              className={`flex min-h-8 min-w-0 flex-1 items-center gap-3 rounded px-2 text-left ${set.on ? 'bay--chosen' : 'hover:bg-lamp-wash/50'}`}
              onPointerEnter={() => onTry(set.values)}
              onPointerLeave={() => onTry(null)}
              onFocus={() => onTry(set.values)}
              onBlur={() => onTry(null)}
              onClick={() => {
                onTry(null);
                void change({ type: 'take-looks', set: set.id }, `The looks are those of “${set.name}”.`);
              }}
            >
              <Swatches values={set.values} />
              <span className="min-w-0 flex-1 truncate">{set.name}</span>
              {set.on && <span className="text-sm text-soft">as it is now</span>}
            </button>
            {!set.ships && canEdit && (
              <button
                type="button"
                className="button"
                aria-label={`Forget ${set.name}`}
                onClick={() => void change({ type: 'forget-looks', set: set.id }, `“${set.name}” is forgotten.`)}
              >
                Forget
              </button>
            )}
          </li>
        ))}
      </ul>
      {canEdit && <KeepLooks />}
    </section>
  );
}

/** The six colours of looks, side by side. */
export function Swatches({ values }: { values: Record<string, string> }) {
  return (
    <span aria-hidden="true" className="inline-flex overflow-hidden rounded-sm border border-edge">
      {['looks_ground', 'looks_sheet', 'looks_ink', 'looks_soft', 'looks_accent', 'looks_wash'].map((name) => (
        <span key={name} className="h-5 w-3" style={{ backgroundColor: values[name] }} />
      ))}
    </span>
  );
}

function KeepLooks() {
  const field = useFrameField();
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    const wrong = await field({ type: 'keep-looks', words: name });
    setProblem(wrong?.message ?? null);
    if (wrong === null) setName('');
  };
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <label htmlFor="looks-name" className="text-sm text-soft">
        Keep these as
      </label>
      <input
        id="looks-name"
        className="field max-w-48"
        value={name}
        aria-invalid={problem !== null || undefined}
        aria-describedby={problem ? 'looks-name-problem' : undefined}
        onChange={(event) => setName(event.target.value)}
      />
      <button type="submit" className="button">
        Keep
      </button>
      {problem && (
        <p id="looks-name-problem" role="alert" className="w-full text-brick">
          {problem}
        </p>
      )}
    </form>
  );
}
