import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { api, ask, asProblem, type ProblemError } from '../data/client';
import { type Account, accountQuery } from '../data/people';
import { sessionQuery } from '../data/queries';
import { say, warn } from '../data/told';
import { Trouble, Wrong } from '../parts/Notice';
import { Part } from '../parts/Part';
import { useView } from '../parts/useView';
import { when } from '../parts/when';
import { FactorSetUp, RecoveryCodes } from './FactorSetUp';
import { focusOn } from './focusOn';

/** What is one's own: password, second factor, and the browsers that one is signed in with. */
export default function AccountView() {
  const heading = useView('Your account');
  const session = useQuery(sessionQuery);
  const account = useQuery(accountQuery);
  return (
    <main className="mx-auto max-w-3xl px-4 py-4">
      <h1 ref={heading} tabIndex={-1} className="outline-none">
        {session.data?.name ?? 'Your account'}
      </h1>
      <p className="text-soft">
        {account.data?.mail}, {session.data?.role}
      </p>
      {account.error && !account.data && <Trouble words={account.error.message} onAgain={() => void account.refetch()} />}
      {account.data && (
        <>
          <Part name="Password">
            <PasswordForm />
          </Part>
          <Part name="Second factor">
            <Factor account={account.data} />
          </Part>
          <Part name="Where you are signed in">
            <Sessions account={account.data} />
          </Part>
        </>
      )}
      {session.data && (
        <form method="post" action="/sign-out" className="mt-6">
          <input type="hidden" name="_csrf_token" value={session.data.signOutToken} />
          <button type="submit" className="button">
            Sign out
          </button>
        </form>
      )}
    </main>
  );
}

function PasswordForm() {
  const queries = useQueryClient();
  const id = useId();
  const [open, setOpen] = useState(false);
  const [old, setOld] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState<ProblemError | null>(null);
  const close = () => {
    setOpen(false);
    focusOn('[data-open="password"]');
  };
  if (!open)
    return (
      <button type="button" data-open="password" className="button" onClick={() => setOpen(true)}>
        Change it…
      </button>
    );
  const field = (name: 'old' | 'password', label: string, value: string, set: (value: string) => void) => (
    <span>
      <label htmlFor={`${id}-${name}`} className="mb-1 block text-sm text-soft">
        {label}
      </label>
      <input
        id={`${id}-${name}`}
        // biome-ignore lint/a11y/noAutofocus: a person has just opened it
        autoFocus={name === 'old'}
        type="password"
        autoComplete={name === 'old' ? 'current-password' : 'new-password'}
        className="field w-full"
        value={value}
        onChange={(event) => set(event.target.value)}
      />
      <Wrong id={`${id}-${name}-wrong`} problem={problem?.field === name ? problem.message : null} />
    </span>
  );
  return (
    <form
      className="grid max-w-md gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        ask(api.PUT('/api/account/password', { body: { old, password } })).then(
          (now) => {
            queries.setQueryData(accountQuery.queryKey, now);
            close();
            setOld('');
            setPassword('');
            setProblem(null);
            say('Your password is changed. All your other sessions have ended.');
          },
          (error: unknown) => {
            const wrong = asProblem(error);
            setProblem(wrong);
            focusOn(`[id="${id}-${wrong.field ?? 'old'}"]`);
          },
        );
      }}
    >
      {field('old', 'The one that you have now', old, setOld)}
      {field('password', 'The new one: twelve characters or more', password, setPassword)}
      <Wrong id={`${id}-wrong`} problem={problem && problem.field !== 'old' && problem.field !== 'password' ? problem.message : null} />
      <p className="flex gap-3">
        <button type="submit" className="button button--tide" disabled={old === '' || password === ''}>
          Change it
        </button>
        <button type="button" className="button" onClick={close}>
          Back
        </button>
      </p>
    </form>
  );
}

function Factor({ account }: { account: Account }) {
  const queries = useQueryClient();
  const [open, setOpen] = useState<'set-up' | 'renew' | 'remove' | null>(null);
  const [typed, setTyped] = useState('');
  const [codes, setCodes] = useState<string[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  const close = () => {
    setOpen(null);
    setTyped('');
    setCodes(null);
    setProblem(null);
    void queries.invalidateQueries({ queryKey: accountQuery.queryKey });
    focusOn('[data-open="factor"]');
  };
  if (codes) return <RecoveryCodes codes={codes} onKept={close} />;
  if (open === 'set-up')
    return (
      <FactorSetUp
        needsPassword
        onBack={close}
        onDone={() => {
          close();
          say('Your second factor is set up. It is asked for whenever you sign in.');
        }}
      />
    );
  if (open)
    return (
      <form
        className="grid max-w-md gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          const work =
            open === 'renew'
              ? ask(api.POST('/api/account/recovery-codes', { body: { code: typed } })).then(({ codes: some }) => setCodes(some))
              : ask(api.DELETE('/api/account/second-factor', { body: { password: typed } })).then(() => close());
          work.catch((error: unknown) => setProblem(asProblem(error).message));
        }}
      >
        <span>
          <label htmlFor={id} className="mb-1 block text-sm text-soft">
            {open === 'renew' ? 'The code that your device shows now' : 'Your password, once more'}
          </label>
          <input
            id={id}
            // biome-ignore lint/a11y/noAutofocus: a person has just opened it
            autoFocus
            type={open === 'renew' ? 'text' : 'password'}
            autoComplete={open === 'renew' ? 'one-time-code' : 'current-password'}
            className="field w-full"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Wrong id={`${id}-wrong`} problem={problem} />
        </span>
        <p className="flex gap-3">
          <button type="submit" className="button button--tide" disabled={typed === ''}>
            {open === 'renew' ? 'Make new codes' : 'Do without it'}
          </button>
          <button type="button" className="button" onClick={close}>
            Back
          </button>
        </p>
      </form>
    );
  return (
    <>
      <p className="text-soft">
        {account.hasFactor
          ? `A code of your device is asked for whenever you sign in. ${account.codesLeft === 1 ? '1 recovery code is' : `${account.codesLeft} recovery codes are`} left.`
          : 'A code that your phone makes, asked for after the password: whoever learns the password alone gets no further.'}
      </p>
      <p className="mt-2 flex flex-wrap gap-3">
        <button type="button" data-open="factor" className="button" onClick={() => setOpen('set-up')}>
          {account.hasFactor ? 'Another device…' : 'Set it up…'}
        </button>
        {account.hasFactor && (
          <>
            <button type="button" className="button" onClick={() => setOpen('renew')}>
              New recovery codes…
            </button>
            {!account.factorIsRequired && (
              <button type="button" className="button" onClick={() => setOpen('remove')}>
                Do without it…
              </button>
            )}
          </>
        )}
      </p>
    </>
  );
}

function Sessions({ account }: { account: Account }) {
  const queries = useQueryClient();
  const end = (id: string, browser: string) =>
    ask(api.DELETE('/api/account/sessions/{id}', { params: { path: { id } } }))
      .then((now) => {
        queries.setQueryData(accountQuery.queryKey, now);
        say(`Signed out: ${browser}.`);
        focusOn('#where-you-are-signed-in button');
      })
      .catch(warn);
  return (
    <ul>
      {account.sessions.map(({ id, browser, network, begunAt, seenAt, isThis }) => (
        <li key={id} className="flex flex-wrap items-baseline gap-x-3 border-b border-line py-1.5">
          <span className="font-medium">{browser}</span>
          <span className="text-sm text-soft">
            from {network || 'here'}, since {when(begunAt)}, used {when(seenAt)}
          </span>
          {isThis ? (
            <span className="ml-auto text-sm text-soft">this one</span>
          ) : (
            <button type="button" className="ml-auto min-h-6 text-sm text-tide underline" onClick={() => void end(id, browser)}>
              Sign out there
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
