import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api } from '../data/client';
import { peopleQuery } from '../data/people';
import { sessionQuery } from '../data/queries';
import { warn } from '../data/told';
import { Notice, Trouble } from '../parts/Notice';
import { useView } from '../parts/useView';
import { when } from '../parts/when';
import { AuditLog } from './AuditLog';
import { actOnPeople } from './actOnPeople';
import { ColleagueLine } from './ColleagueLine';
import { focusOn } from './focusOn';
import { HouseRules } from './HouseRules';
import { InviteForm } from './InviteForm';

/** Who works here and may do what, who is asked to, and what was done. */
export default function PeopleView() {
  const heading = useView('People');
  const session = useQuery(sessionQuery);
  const isOwner = session.data?.role === 'owner';
  const people = useQuery({ ...peopleQuery, enabled: isOwner });
  const queries = useQueryClient();
  if (session.data && !isOwner)
    return (
      <main className="p-6">
        <h1 ref={heading} tabIndex={-1} className="outline-none">
          People
        </h1>
        <p className="mt-2 text-soft">
          Who works here is for the owners of the shop. <Link to="/account">Your own account</Link> is yours.
        </p>
      </main>
    );
  const here = people.data?.people.filter(({ leftAt }) => !leftAt) ?? [];
  const gone = people.data?.people.filter(({ leftAt }) => leftAt) ?? [];
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)] lg:h-full lg:grid-cols-[minmax(0,1fr)_24rem] xl:grid-cols-[minmax(0,1fr)_30rem]">
      <div className="flex min-w-0 flex-col gap-5 px-4 py-4 lg:min-h-0 lg:overflow-y-auto">
        <h1 ref={heading} tabIndex={-1} className="outline-none">
          People
        </h1>
        {people.error && !people.data && <Trouble words={people.error.message} onAgain={() => void people.refetch()} />}
        {people.data && (
          <>
            <ul className="border-t border-line">
              {here.map((one) => (
                <ColleagueLine
                  key={one.id}
                  one={one}
                  roles={people.data.roles}
                  isLone={one.role === 'owner' && here.filter(({ role }) => role === 'owner').length === 1}
                />
              ))}
            </ul>
            {people.data.invited.length > 0 && (
              <section aria-label="Invited">
                <h2 className="text-soft">Invited</h2>
                <ul className="border-t border-line">
                  {people.data.invited.map(({ id, name, mail, role, by, until }) => (
                    <li key={id} className="flex flex-wrap items-baseline gap-x-3 border-b border-line px-2 py-2">
                      <span className="font-medium">{name}</span>
                      <span className="text-soft">
                        {mail}, as {role}; by {by}
                      </span>
                      <span className="ml-auto text-sm text-soft">
                        {Date.parse(until) < Date.now() ? 'the link has ended' : `the link holds until ${when(until)}`}
                      </span>
                      <button
                        type="button"
                        className="text-sm text-tide underline"
                        onClick={() =>
                          void actOnPeople(
                            queries,
                            api.DELETE('/api/people/invitations/{id}', { params: { path: { id } } }),
                            `The invitation of ${name} is taken back.`,
                          ).then(() => focusOn('[aria-label="Invited"] button', 'form[aria-label="Invite somebody"] input'), warn)
                        }
                      >
                        Take it back
                      </button>
                    </li>
                  ))}
                </ul>
                {people.data.keepsMails && (
                  <Notice calm>
                    There is no mail server yet, so the letter with the link is kept in the <Link to="/mailbox">mailbox</Link>. Hand it over
                    from there.
                  </Notice>
                )}
              </section>
            )}
            <InviteForm roles={people.data.roles} />
            <HouseRules rules={people.data.rules} />
            {gone.length > 0 && (
              <details>
                <summary className="min-h-8 cursor-pointer py-1 font-semibold">No longer here ({gone.length})</summary>
                <ul>
                  {gone.map(({ id, name, mail, leftAt }) => (
                    <li key={id} className="flex flex-wrap gap-x-3 border-b border-line px-2 py-1.5 text-soft">
                      <span className="text-ink">{name}</span> {mail} <span className="ml-auto text-sm">left {when(leftAt ?? '')}</span>
                    </li>
                  ))}
                </ul>
                <p className="mt-1 text-sm text-soft">What they did stays under their names. To have somebody back, invite them anew.</p>
              </details>
            )}
          </>
        )}
      </div>
      {isOwner && <AuditLog />}
    </main>
  );
}
