import { useEffect } from 'react';
import { useStore } from '../data/store';
import { hush, told } from '../data/told';

/** How long something that was done is told, in milliseconds; what is wrong is told until something else is. */
const SHOWN = 12_000;

/** What was done last, or could not be done. It stands in the tray, beside nothing that the next step needs. */
export function Told() {
  const last = useStore(told);
  useEffect(() => {
    if (!last || last.wrong) return;
    const end = setTimeout(() => told.get() === last && hush(), SHOWN);
    return () => clearTimeout(end);
  }, [last]);
  return (
    <>
      <p className="sr-only" aria-live="polite">
        {last && !last.wrong ? last.words : ''}
      </p>
      <p className="sr-only" role="alert">
        {last?.wrong ? last.words : ''}
      </p>
      {last && (
        <div
          className={`flex min-w-0 items-center gap-3 rounded-md px-3 py-1.5 max-sm:basis-full ${last.wrong ? 'bg-brick-wash text-brick-ink' : 'bg-paper'}`}
        >
          <span data-told aria-hidden="true" className={last.wrong ? '' : 'truncate'} title={last.words}>
            {last.words}
          </span>
          {last.undo && (
            <button type="button" className="font-semibold text-tide underline" onClick={last.undo}>
              Undo
            </button>
          )}
          <button type="button" className="min-h-6 min-w-6 text-soft" aria-label="Put this message away" onClick={hush}>
            ✕
          </button>
        </div>
      )}
    </>
  );
}
