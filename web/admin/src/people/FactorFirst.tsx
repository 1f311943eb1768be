import { useQueryClient } from '@tanstack/react-query';
import type { Session } from '../data/client';
import { useView } from '../parts/useView';
import { FactorSetUp } from './FactorSetUp';

/** Where everybody needs a second factor, whoever has none comes no further before it is set up. */
export function FactorFirst({ session }: { session: Session }) {
  const heading = useView('Your second factor');
  const queries = useQueryClient();
  return (
    <main className="mx-auto grid max-w-2xl gap-4 p-8">
      <h1 ref={heading} tabIndex={-1} className="outline-none">
        One more step, {session.name}
      </h1>
      <p className="text-soft">
        The owners of {session.shopName || 'the shop'} ask a second factor of everybody: a code that your phone makes, asked for after the
        password. It takes a minute.
      </p>
      <FactorSetUp needsPassword={false} onDone={() => void queries.resetQueries()} />
      <form method="post" action="/sign-out">
        <input type="hidden" name="_csrf_token" value={session.signOutToken} />
        <button type="submit" className="min-h-8 text-soft underline hover:text-ink">
          Sign out
        </button>
      </form>
    </main>
  );
}
