import { type FocusEvent, type HTMLAttributes, useCallback, useEffect, useId, useRef, useState } from 'react';
import { isAway, type ProblemError } from '../data/client';
import { onceThere } from '../data/connection';
import { forget, remember, remembered } from '../data/drafts';
import { hold, letGo } from '../data/unkept';
import { asMoney, asNumber, moneyShown } from './numbers';
import { fromLocalField, toLocalField } from './when';

const PAUSE = 900;

type Kind = 'text' | 'long' | 'number' | 'money' | 'date' | 'moment';

const intoView = (shown: HTMLElement | null) => {
  shown?.scrollIntoView({ block: 'nearest' });
};

/** How each kind stands in the field, and what it means: text as it is, money in hundredths, moments in ISO 8601. */
const kinds: Record<Kind, { show: (value: string) => string; read: (typed: string) => string | { wrong: string } }> = {
  text: { show: (value) => value, read: (typed) => typed.trim() },
  long: { show: (value) => value, read: (typed) => typed.trim() },
  number: { show: (value) => value, read: asNumber },
  money: { show: moneyShown, read: asMoney },
  date: { show: (value) => value, read: (typed) => typed },
  moment: { show: (value) => toLocalField(value || null), read: (typed) => fromLocalField(typed) ?? '' },
};

/**
 * The one field that keeps what is typed: at a pause, on leaving it, on Enter. What cannot be kept stays in the field with
 * the reason, and is tried again when the server answers again; what somebody else wrote meanwhile is shown beside it, and
 * one chooses; a reload brings back what was typed.
 */
export function KeptField({
  label,
  labelShown = 'above',
  value,
  kind = 'text',
  draftKey,
  hint,
  placeholder,
  choices,
  disabled = false,
  autoFocus = false,
  selects = false,
  className = '',
  inputMode,
  onType,
  onKeep,
  onDone,
}: {
  label: string;
  labelShown?: 'above' | 'beside' | 'no';
  /** As the server has it: text, a whole number, hundredths of money, a moment in ISO 8601; empty for none. */
  value: string;
  kind?: Kind;
  /** Names the field over a reload, such as `place 1 title`. */
  draftKey: string;
  hint?: string;
  placeholder?: string;
  /** Offered as one types; what is kept may be another. */
  choices?: readonly string[];
  disabled?: boolean;
  autoFocus?: boolean;
  /** Whether all of it is selected when it gets the focus. */
  selects?: boolean;
  className?: string;
  inputMode?: HTMLAttributes<HTMLInputElement>['inputMode'];
  onType?: (typed: string) => void;
  /** @returns null where it is kept */
  onKeep: (value: string) => Promise<ProblemError | null>;
  /**
   * Enter kept it, Escape threw away what was not kept, or it was left with nothing to keep.
   *
   * @param back whether the focus is to go back to where it came from
   */
  onDone?: (back: boolean) => void;
}) {
  const id = useId();
  const { show, read } = kinds[kind];
  // What was typed, and what the server had when that began; null: the field shows what the server has.
  const [draft, setDraft] = useState(() => (disabled ? null : remembered<string>(draftKey)));
  const [problem, setProblem] = useState<string | null>(null);
  const [waits, setWaits] = useState(false);
  const latest = useRef({ draft, value, onKeep });
  latest.current = { draft, value, onKeep };
  const keeping = useRef<Promise<boolean> | null>(null);
  const theirs = draft !== null && value !== draft.base && read(draft.typed) !== value && read(draft.typed) !== draft.base ? value : null;

  const settle = useCallback(
    (kept: string | null) => {
      // Whoever leaves at this moment leaves nothing that is to be kept.
      const { draft: typedNow } = latest.current;
      latest.current.draft =
        kept !== null && typedNow !== null && document.activeElement?.id === id ? { typed: typedNow.typed, base: kept } : null;
      if (kept !== null) latest.current.value = kept;
      // Whoever is still in the field goes on typing there: nothing is taken from under the caret.
      setDraft((now) => (kept !== null && now !== null && document.activeElement?.id === id ? { typed: now.typed, base: kept } : null));
      setProblem(null);
      setWaits(false);
      forget(draftKey);
      letGo(id);
    },
    [draftKey, id],
  );
  useEffect(() => {
    setDraft((now) => (now !== null && value !== now.base && read(now.typed) === now.base ? null : now));
  }, [value, read]);

  const keep = useCallback(
    async (knowing = false): Promise<boolean> => {
      if (keeping.current) await keeping.current;
      const { draft: now, value: known, onKeep: send } = latest.current;
      if (now === null) return true;
      const meant = read(now.typed);
      if (typeof meant !== 'string') {
        setProblem(meant.wrong);
        return false;
      }
      if (meant === known) {
        settle(known);
        return true;
      }
      if (known !== now.base && !knowing) return false;
      const work = (async () => {
        const wrong = await send(meant);
        if (wrong === null) {
          const after = latest.current.draft;
          // Whoever went on typing meanwhile is not done.
          if (after === null || after.typed === now.typed) settle(meant);
          else setDraft({ typed: after.typed, base: meant });
          setProblem(null);
          setWaits(false);
          return true;
        }
        setProblem(wrong.message);
        setWaits(isAway(wrong));
        return false;
      })();
      keeping.current = work;
      const fine = await work;
      keeping.current = null;
      return fine;
    },
    [read, settle],
  );

  const typed = draft?.typed ?? null;
  useEffect(() => {
    if (typed === null) return;
    hold(id, { name: label, keep: () => keep() });
    const pause = setTimeout(() => void keep(), PAUSE);
    return () => clearTimeout(pause);
  }, [typed, id, label, keep]);
  useEffect(() => (waits ? onceThere(() => void keep()) : undefined), [waits, keep]);
  // What is no longer on the screen is kept on its way out.
  useEffect(
    () => () => {
      if (latest.current.draft !== null) void keep().then((fine) => fine || undefined);
      letGo(id);
    },
    [keep, id],
  );

  const type = (next: string) => {
    const base = draft?.base ?? value;
    const now = { typed: next, base };
    latest.current.draft = now;
    setDraft(now);
    setProblem(null);
    remember(draftKey, now);
    onType?.(next);
  };
  const messages = [problem && `${id}-problem`, theirs !== null && `${id}-theirs`, hint && `${id}-hint`].filter(Boolean).join(' ');
  const shared = {
    id,
    className: `field ${className}`,
    disabled,
    placeholder,
    value: draft?.typed ?? show(value),
    'aria-invalid': problem !== null || undefined,
    'aria-describedby': messages || undefined,
    onFocus: (event: FocusEvent<HTMLInputElement | HTMLTextAreaElement>) => selects && event.target.select(),
    onBlur: () =>
      void keep().then((fine) => {
        if (!fine) return;
        setDraft(null);
        onDone?.(false);
      }),
    ...(labelShown === 'no' ? { 'aria-label': label } : {}),
  };
  const control =
    kind === 'long' ? (
      <textarea {...shared} rows={2} onChange={(event) => type(event.target.value)} />
    ) : (
      <input
        {...shared}
        // biome-ignore lint/a11y/noAutofocus: only where a person has just opened the field
        autoFocus={autoFocus}
        type={kind === 'date' ? 'date' : kind === 'moment' ? 'datetime-local' : 'text'}
        inputMode={inputMode ?? (kind === 'money' ? 'decimal' : kind === 'number' ? 'numeric' : undefined)}
        list={choices && `${id}-choices`}
        onChange={(event) => type(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void keep().then((fine) => fine && onDone?.(true));
          if (event.key !== 'Escape') return;
          if (draft !== null) {
            event.stopPropagation();
            settle(null);
          }
          onDone?.(true);
        }}
      />
    );
  return (
    <div className={labelShown === 'beside' ? 'min-w-0' : ''}>
      {labelShown === 'no' ? (
        control
      ) : labelShown === 'beside' ? (
        <span className="flex min-w-0 items-center gap-1.5">
          <label htmlFor={id} className="text-sm whitespace-nowrap text-soft">
            {label}
          </label>
          {control}
        </span>
      ) : (
        <>
          <label htmlFor={id} className="mb-1 block text-sm text-soft">
            {label}
          </label>
          {control}
        </>
      )}
      {choices && (
        <datalist id={`${id}-choices`}>
          {choices.map((one) => (
            <option key={one} value={one} />
          ))}
        </datalist>
      )}
      {problem && (
        <p ref={intoView} id={`${id}-problem`} role="alert" className="mt-1 text-brick">
          {problem}
        </p>
      )}
      {theirs !== null && (
        <p
          ref={intoView}
          id={`${id}-theirs`}
          role="alert"
          className="mt-1 flex flex-wrap items-center gap-2 rounded-md bg-lamp-wash px-2 py-1 text-sm"
        >
          Somebody else wrote “{show(theirs) || 'nothing'}” meanwhile.
          <button type="button" className="button" onClick={() => void keep(true)}>
            Keep mine
          </button>
          <button type="button" className="button" onClick={() => settle(null)}>
            Take theirs
          </button>
        </p>
      )}
      {hint && (
        <p id={`${id}-hint`} className="mt-1 text-sm text-soft">
          {hint}
        </p>
      )}
    </div>
  );
}
