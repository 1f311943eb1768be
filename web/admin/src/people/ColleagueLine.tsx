import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem } from '../data/client';
import type { Colleague, People, Role } from '../data/people';
import { Wrong } from '../parts/Notice';
import { when } from '../parts/when';
import { actOnPeople } from './actOnPeople';
import { focusOn } from './focusOn';

type Act = 'sessions' | 'factor' | 'go';

/** One person: the role, when they were here last, and what an owner can do about them. */
export function ColleagueLine({ one, roles, isLone }: { one: Colleague; roles: People['roles']; isLone: boolean }) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState<Act | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const path = { params: { path: { id: one.id } } };
  const close = () => {
    if (asked) focusOn(`[data-person="${one.id}"] [data-act="${asked}"]`, `[data-person="${one.id}"] select`);
    setAsked(null);
  };
  const act = (work: Promise<void>) =>
    work.then(
      () => {
        setProblem(null);
        close();
      },
      (error: unknown) => setProblem(asProblem(error).message),
    );
  const giveRole = (role: Role) =>
    act(
      actOnPeople(
        queries,
        api.PUT('/api/people/{id}/role', { ...path, body: { role } }),
        `${one.name} is ${role === 'owner' || role === 'editor' ? 'an' : 'a'} ${role} now.`,
      ),
    );
  const acts: Record<Act, { words: string; says: string; button: string; make: () => Promise<void> }> = {
    sessions: {
      words: 'End sessions',
      says: `${one.name} is signed out everywhere, as after a laptop was lost, and can sign in again.`,
      button: `End ${one.sessions === 1 ? 'the session' : `${one.sessions} sessions`}`,
      make: () => actOnPeople(queries, api.DELETE('/api/people/{id}/sessions', path), `${one.name} is signed out everywhere.`),
    },
    factor: {
      words: 'Take off the second factor',
      says: `For somebody who has lost the device and the recovery codes. Make sure that it is ${one.name} who asks.`,
      button: 'Take it off',
      make: () => actOnPeople(queries, api.DELETE('/api/people/{id}/second-factor', path), `${one.name} signs in without a second factor.`),
    },
    go: {
      words: 'Let go',
      says: `${one.name} cannot sign in any more, from now on. What they did stays under their name.`,
      button: `Let ${one.name} go`,
      make: () => actOnPeople(queries, api.DELETE('/api/people/{id}', path), `${one.name} cannot sign in any more.`),
    },
  };
  const offered = (['sessions', 'factor', 'go'] as const).filter((which) =>
    which === 'sessions' ? one.sessions > 0 : which === 'factor' ? one.hasFactor : !isLone,
  );
  return (
    <li data-person={one.id} className="border-b border-line px-2 py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <div className="min-w-0 flex-1 basis-48">
          <p className="truncate font-medium">{one.name}</p>
          <p className="text-sm break-words text-soft">
            {one.mail} · {one.seenAt ? `here ${when(one.seenAt)}` : 'never here yet'} ·{' '}
            {one.hasFactor ? 'second factor' : 'no second factor'}
            {isLone && ' · the last owner'}
          </p>
        </div>
        <p className="flex flex-wrap items-baseline gap-x-4 text-sm">
          {offered.map((which) => (
            <button
              key={which}
              type="button"
              className="min-h-6 text-tide underline"
              data-act={which}
              aria-expanded={asked === which}
              onClick={() => setAsked(asked === which ? null : which)}
            >
              {acts[which].words}…
            </button>
          ))}
        </p>
        <label className="flex items-center gap-2">
          <span className="sr-only">Role of {one.name}</span>
          <select className="field" value={one.role} disabled={isLone} onChange={(event) => void giveRole(event.target.value as Role)}>
            {roles.map(({ id }) => (
              <option key={id} value={id}>
                {id}
              </option>
            ))}
          </select>
        </label>
      </div>
      {asked && (
        <div className="mt-2 flex flex-wrap items-center gap-2 rounded-md bg-lamp-wash p-2">
          <span className="min-w-0 flex-1 basis-64">{acts[asked].says}</span>
          <button type="button" className="button button--tide" onClick={() => void act(acts[asked].make())}>
            {acts[asked].button}
          </button>
          <button type="button" className="button" onClick={close}>
            Back
          </button>
        </div>
      )}
      <Wrong id={`wrong-${one.id}`} problem={problem} />
    </li>
  );
}
