import { useId, useState } from 'react';
import { api, ask, asProblem } from '../data/client';
import { Wrong } from '../parts/Notice';
import { QrCode } from './QrCode';

/** Three steps: the password, the picture with its first code, and the codes for paper. */
export function FactorSetUp({ needsPassword, onDone, onBack }: { needsPassword: boolean; onDone: () => void; onBack?: () => void }) {
  const id = useId();
  const [password, setPassword] = useState('');
  const [factor, setFactor] = useState<{ secret: string; uri: string } | null>(null);
  const [code, setCode] = useState('');
  const [codes, setCodes] = useState<string[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const tried = <T,>(work: Promise<T>, then: (value: T) => void) =>
    work.then(
      (value) => {
        setProblem(null);
        then(value);
      },
      (error: unknown) => setProblem(asProblem(error).message),
    );
  if (codes) return <RecoveryCodes codes={codes} onKept={onDone} />;
  if (!factor)
    return (
      <form
        className="grid max-w-md gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void tried(ask(api.POST('/api/account/second-factor', { body: { password } })), setFactor);
        }}
      >
        {needsPassword && (
          <span>
            <label htmlFor={`${id}-password`} className="mb-1 block text-sm text-soft">
              Your password, once more
            </label>
            <input
              id={`${id}-password`}
              // biome-ignore lint/a11y/noAutofocus: a person has just opened it
              autoFocus
              type="password"
              autoComplete="current-password"
              className="field w-full"
              value={password}
              onChange={(event) => setPassword(event.target.value)}
            />
          </span>
        )}
        <Wrong id={`${id}-wrong`} problem={problem} />
        <p className="flex gap-3">
          <button type="submit" className="button button--tide">
            {needsPassword ? 'Go on' : 'Set it up'}
          </button>
          {onBack && (
            <button type="button" className="button" onClick={onBack}>
              Back
            </button>
          )}
        </p>
      </form>
    );
  return (
    <form
      className="flex flex-wrap gap-5"
      onSubmit={(event) => {
        event.preventDefault();
        void tried(ask(api.POST('/api/account/second-factor/code', { body: { code } })), ({ codes: some }) => setCodes(some));
      }}
    >
      <QrCode text={factor.uri} label="The secret, as a picture to be read by your device" />
      <div className="grid max-w-md content-start gap-3">
        <p>Let the app for sign-in codes on your phone read this picture. Where it cannot, type this into it:</p>
        <p className="font-mono text-mono break-all select-all">{factor.secret.match(/.{1,4}/g)?.join(' ')}</p>
        <span>
          <label htmlFor={`${id}-code`} className="mb-1 block text-sm text-soft">
            The code that it shows now
          </label>
          <input
            id={`${id}-code`}
            // biome-ignore lint/a11y/noAutofocus: it is the next step
            autoFocus
            inputMode="numeric"
            autoComplete="one-time-code"
            className="field w-40 font-mono"
            maxLength={12}
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
          <Wrong id={`${id}-code-wrong`} problem={problem} />
        </span>
        <p className="flex gap-3">
          <button type="submit" className="button button--tide" disabled={code.trim() === ''}>
            It is set up
          </button>
          {onBack && (
            <button type="button" className="button" onClick={onBack}>
              Back
            </button>
          )}
        </p>
      </div>
    </form>
  );
}

/** Shown once; whoever has them can go on without the device. */
export function RecoveryCodes({ codes, onKept }: { codes: string[]; onKept: () => void }) {
  const text = `${codes.join('\n')}\n`;
  return (
    <div className="grid max-w-md gap-3">
      <p>
        <strong>Keep these recovery codes on paper.</strong> Each lets you in once, where your device is lost. They are shown only now.
      </p>
      <ul
        aria-label="Recovery codes"
        className="grid grid-cols-2 gap-x-6 gap-y-1 rounded-md border border-line bg-sheet p-3 font-mono text-mono"
      >
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
      <p className="flex flex-wrap gap-3">
        <button type="button" className="button button--tide" onClick={onKept}>
          I have them
        </button>
        <a className="button" download="recovery-codes.txt" href={`data:text/plain;charset=utf-8,${encodeURIComponent(text)}`}>
          As a file
        </a>
      </p>
    </div>
  );
}
