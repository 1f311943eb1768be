import { useEffect, useId, useRef, useState } from 'react';
import type { ProblemError } from '../api/client';
import { Wrong } from './Part';

/** A field that keeps what was typed when it is left, and says beneath it what is wrong with it. */
export function KeptField({
  label,
  value,
  hint,
  long = false,
  disabled,
  onType,
  onKeep,
}: {
  label: string;
  value: string;
  hint?: string;
  long?: boolean;
  disabled: boolean;
  onType?: (typed: string) => void;
  onKeep: (typed: string) => Promise<ProblemError | null>;
}) {
  const id = useId();
  const [typed, setTyped] = useState(value);
  const [problem, setProblem] = useState<string | null>(null);
  // What arrives from the server replaces what is shown only where nothing else was typed.
  const last = useRef(value);
  useEffect(() => {
    setTyped((now) => (now === last.current ? value : now));
    last.current = value;
  }, [value]);
  const keep = async () => {
    if (typed.trim() === value) return setProblem(null);
    setProblem((await onKeep(typed.trim()))?.message ?? null);
  };
  const shared = {
    id,
    className: 'field',
    disabled,
    value: typed,
    'aria-invalid': problem !== null,
    'aria-describedby': problem ? `${id}-problem` : hint ? `${id}-hint` : undefined,
    onBlur: () => void keep(),
  };
  const type = (next: string) => {
    setTyped(next);
    onType?.(next);
  };
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-sm text-soft">
        {label}
      </label>
      {long ? (
        <textarea {...shared} rows={2} onChange={(event) => type(event.target.value)} />
      ) : (
        <input {...shared} onChange={(event) => type(event.target.value)} onKeyDown={(event) => event.key === 'Enter' && void keep()} />
      )}
      <Wrong id={`${id}-problem`} problem={problem} />
      {hint && (
        <p id={`${id}-hint`} className="mt-1 text-sm text-soft">
          {hint}
        </p>
      )}
    </div>
  );
}
