import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useId, useState } from 'react';
import { api, asProblem } from '../data/client';
import type { People } from '../data/people';
import { Wrong } from '../parts/Notice';
import { OnOff } from '../parts/OnOff';
import { actOnPeople } from './actOnPeople';

/** What holds for everybody who works here, at once. */
export function HouseRules({ rules }: { rules: People['rules'] }) {
  const queries = useQueryClient();
  const id = useId();
  const [days, setDays] = useState(String(rules.auditDays));
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => setDays(String(rules.auditDays)), [rules.auditDays]);
  const set = (next: People['rules'], words: string) =>
    actOnPeople(queries, api.PUT('/api/house-rules', { body: next }), words).then(
      () => setProblem(null),
      (error: unknown) => setProblem(asProblem(error).message),
    );
  return (
    <section aria-label="For everybody">
      <h2 className="text-soft">For everybody</h2>
      <div className="mt-1 flex flex-wrap items-center gap-x-8 gap-y-2">
        <OnOff
          label="A second factor is needed to sign in"
          on={rules.requiresFactor}
          onChange={(requiresFactor) =>
            void set(
              { ...rules, requiresFactor },
              requiresFactor
                ? 'Everybody needs a second factor now. Whoever has none sets one up at the next sign-in.'
                : 'A second factor is up to everybody now.',
            )
          }
        />
        <form
          className="flex items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (Number(days) !== rules.auditDays)
              void set({ ...rules, auditDays: Number(days) }, `What was done is kept for ${days} days.`);
          }}
          onBlur={(event) => event.currentTarget.requestSubmit()}
        >
          <label htmlFor={`${id}-days`}>What was done is kept for</label>
          <input
            id={`${id}-days`}
            className="field w-20"
            inputMode="numeric"
            value={days}
            onChange={(event) => setDays(event.target.value.replace(/\D/g, '').slice(0, 5))}
          />
          <span>days</span>
        </form>
      </div>
      <Wrong id={`${id}-wrong`} problem={problem} />
    </section>
  );
}
