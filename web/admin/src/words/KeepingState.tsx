import type { WordsView } from '../data/client';
import { Notice } from '../parts/Notice';
import { inLines } from './source';
import type { KeptWords } from './useKeptWords';

/** What became of the words that were typed. */
export function KeepingState({
  kept,
  words,
  disabled,
  mine,
}: {
  kept: KeptWords;
  words: WordsView;
  disabled: boolean;
  mine: () => string;
}) {
  const { keeping, takenOut } = kept;
  const theirs = typeof keeping === 'object' && 'theirs' in keeping ? keeping.theirs : null;
  return (
    <>
      <p className="mt-1 flex min-h-5 flex-wrap gap-x-4 text-sm text-soft">
        {keeping === 'kept' && !disabled && <span>Kept on the workbench.</span>}
        {(keeping === 'waiting' || keeping === 'keeping') && <span>Keeping…</span>}
        {words.emptyBlanks.length > 0 && (
          <span className="font-semibold text-brick">
            {words.emptyBlanks.length} {words.emptyBlanks.length === 1 ? 'blank is' : 'blanks are'} empty
          </span>
        )}
      </p>
      {typeof keeping === 'object' && 'wrong' in keeping && (
        <Notice>
          {keeping.wrong} What you typed stays here.{' '}
          <button type="button" className="font-semibold underline" onClick={() => void kept.now()}>
            Try again
          </button>
        </Notice>
      )}
      {takenOut.length > 0 && <Notice>Taken out, because a text cannot keep it: {takenOut.join(', ')}.</Notice>}
      {theirs && (
        <Notice>
          <p>Somebody else wrote in these words meanwhile. Yours stand above; theirs are below. Nothing is lost until you choose.</p>
          <div
            className="my-2 max-h-40 overflow-auto rounded bg-sheet p-2 font-sans whitespace-pre-wrap text-ink"
            // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls has to be reachable by keyboard
            tabIndex={0}
            role="region"
            aria-label="Their words"
          >
            {inLines(theirs.html).replace(/<[^>]+>/g, '')}
          </div>
          <div className="flex gap-2">
            <button type="button" className="button" onClick={() => kept.settle(mine())}>
              Keep mine
            </button>
            <button type="button" className="button" onClick={() => kept.settle(null)}>
              Take theirs
            </button>
          </div>
        </Notice>
      )}
    </>
  );
}
