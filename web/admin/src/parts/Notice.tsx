import type { ReactNode } from 'react';

/** Something that is wrong, or that one has to know before going on; it stands where it belongs, never over something. */
export function Notice({ children, calm = false, id }: { children: ReactNode; calm?: boolean; id?: string }) {
  return (
    <div
      id={id}
      role={calm ? 'status' : 'alert'}
      className={`rounded-md px-3 py-2 ${calm ? 'bg-lamp-wash' : 'bg-brick-wash text-brick-ink'}`}
    >
      {children}
    </div>
  );
}

/** Beneath a field: what is wrong with what stands in it. */
export function Wrong({ id, problem }: { id: string; problem: string | null }) {
  return problem ? (
    <p id={id} role="alert" className="mt-1 text-brick">
      {problem}
    </p>
  ) : null;
}

/** In place of what could not be fetched. */
export function Trouble({ words, onAgain }: { words: string; onAgain?: () => void }) {
  return (
    <div className="p-6">
      <Notice>
        {words}{' '}
        {onAgain && (
          <button type="button" className="font-semibold underline" onClick={onAgain}>
            Try again
          </button>
        )}
      </Notice>
    </div>
  );
}
