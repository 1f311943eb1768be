import { useQueryClient } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { api, asProblem, type ProblemError } from '../data/client';
import type { People, Role } from '../data/people';
import { Choices } from '../parts/Choices';
import { Wrong } from '../parts/Notice';
import { actOnPeople } from './actOnPeople';
import { focusOn } from './focusOn';

/** Asks somebody to work here, by a letter with a link. */
export function InviteForm({ roles }: { roles: People['roles'] }) {
  const queries = useQueryClient();
  const id = useId();
  const [name, setName] = useState('');
  const [mail, setMail] = useState('');
  const [role, setRole] = useState<Role>('editor');
  const [problem, setProblem] = useState<ProblemError | null>(null);
  const wrong = (field: string) => (problem?.field === field ? problem.message : null);
  return (
    <form
      aria-label="Invite somebody"
      onSubmit={(event) => {
        event.preventDefault();
        actOnPeople(
          queries,
          api.POST('/api/people/invitations', { body: { name, mail, role } }),
          `${name.trim()} is invited, as ${role}.`,
        ).then(
          () => {
            setName('');
            setMail('');
            setProblem(null);
            focusOn(`[id="${id}-name"]`);
          },
          (error: unknown) => setProblem(asProblem(error)),
        );
      }}
    >
      <h2 className="text-soft">Invite somebody</h2>
      <div className="mt-1 flex flex-wrap items-start gap-3">
        <span className="min-w-0 flex-1 basis-44">
          <label htmlFor={`${id}-name`} className="mb-1 block text-sm text-soft">
            Name
          </label>
          <input
            id={`${id}-name`}
            className="field w-full"
            autoComplete="off"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <Wrong id={`${id}-name-wrong`} problem={wrong('name')} />
        </span>
        <span className="min-w-0 flex-1 basis-56">
          <label htmlFor={`${id}-mail`} className="mb-1 block text-sm text-soft">
            Mail address
          </label>
          <input
            id={`${id}-mail`}
            type="email"
            className="field w-full"
            autoComplete="off"
            value={mail}
            onChange={(event) => setMail(event.target.value)}
          />
          <Wrong id={`${id}-mail-wrong`} problem={wrong('mail')} />
        </span>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Choices name="Role" all={roles.map((one) => [one.id, one.id] as const)} chosen={role} onChoose={setRole} />
        <span className="text-soft">{roles.find((one) => one.id === role)?.words}</span>
        <button type="submit" className="button button--tide ml-auto" disabled={name.trim() === '' || mail.trim() === ''}>
          Invite
        </button>
      </div>
      <p className="mt-1 text-sm text-soft">They get a letter with a link, which works once, for three days.</p>
      <Wrong id={`${id}-wrong`} problem={problem && !['name', 'mail'].includes(problem.field ?? '') ? problem.message : null} />
    </form>
  );
}
