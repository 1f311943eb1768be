import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, ask, type Schemas } from '../data/client';
import { Choices } from '../parts/Choices';
import { fromLocalField } from '../parts/when';
import { summary } from './summary';

const MOST = 1000;

const endings: Record<number, string> = {
  200: 'The page opens.',
  400: 'No address is written like this.',
  403: 'It asks to sign in.',
  404: 'Not found.',
  410: 'Gone.',
};

/** Any address, or a whole list of them, followed step by step as a visitor would go. */
export function TryAddress() {
  const [text, setText] = useState('');
  const [settled, setSettled] = useState('');
  const [copy, setCopy] = useState<'workbench' | 'live'>('workbench');
  const [audience, setAudience] = useState<'guest' | 'customer'>('guest');
  const [at, setAt] = useState('');
  useEffect(() => {
    const waiting = setTimeout(() => setSettled(text), 150);
    return () => clearTimeout(waiting);
  }, [text]);
  const all = [...new Set(settled.split(/\s+/).filter(Boolean))];
  const addresses = all.slice(0, MOST);
  const tried = useQuery({
    queryKey: ['answers', addresses, copy, audience, at],
    queryFn: () => ask(api.POST('/api/answers', { body: { addresses, copy, audience, at: fromLocalField(at) } })),
    enabled: addresses.length > 0,
    placeholderData: keepPreviousData,
  });
  const answers = addresses.length > 0 && text.trim() !== '' ? (tried.data?.answers ?? []) : [];
  return (
    <section aria-label="Try an address" className="grid gap-2 rounded-md border border-line bg-sheet p-4">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2>Try an address</h2>
        <Choices
          name="Copy"
          all={[
            ['workbench', 'Workbench'],
            ['live', 'Live'],
          ]}
          chosen={copy}
          onChoose={setCopy}
        />
        <Choices
          name="Visitor"
          all={[
            ['guest', 'Guest'],
            ['customer', 'Customer'],
          ]}
          chosen={audience}
          onChoose={setAudience}
        />
        <label className="flex items-center gap-2 text-sm text-soft">
          at
          <input
            type="datetime-local"
            aria-label="Try it at another date"
            className="choice border border-line"
            value={at}
            onChange={(event) => setAt(event.target.value)}
          />
        </label>
      </div>
      <textarea
        aria-label="Addresses to try"
        className="field font-mono text-mono"
        rows={Math.min(6, Math.max(1, text.split('\n').length))}
        placeholder="/an/address, or a pasted list of them"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {tried.error && <p className="text-brick">{tried.error.message}</p>}
      {answers.length > 1 && <p aria-live="polite">{summary(answers)}</p>}
      {answers.length > 0 && (
        <ol aria-label="Trails" className="grid max-h-80 gap-1.5 overflow-auto" aria-live="polite">
          {answers.map((answer, n) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: the answers stand in the order in which they were asked for
            <Trail key={n} answer={answer} />
          ))}
        </ol>
      )}
      {all.length > MOST && <p className="text-sm text-soft">The first {MOST} are tried.</p>}
    </section>
  );
}

function Trail({ answer }: { answer: Schemas['AnswerView'] }) {
  const last = answer.trail.at(-1);
  return (
    <li className="flex flex-wrap items-center gap-x-1.5 gap-y-1">
      {answer.trail.map((step, nth) => (
        <span key={`${step.from} ${step.why}`} className="flex flex-wrap items-center gap-1.5">
          {nth > 0 && (
            <span aria-hidden="true" className="text-soft">
              →
            </span>
          )}
          <span className="rounded border border-line bg-paper px-1.5 font-mono text-mono break-all">{step.from}</span>
          <span className="text-sm text-soft">{step.why}</span>
        </span>
      ))}
      {last?.to?.startsWith('http') && (
        <span className="flex items-center gap-1.5">
          <span aria-hidden="true" className="text-soft">
            →
          </span>
          <span className="rounded border border-line bg-paper px-1.5 font-mono text-mono break-all">{last.to}</span>
        </span>
      )}
      <strong className={`rounded px-1.5 text-sm ${answer.status >= 400 ? 'bg-brick-wash text-brick-ink' : 'bg-lamp-wash'}`}>
        {answer.location ? `${answer.status}, one hop to ${answer.location}` : `${answer.status} ${endings[answer.status] ?? ''}`}
      </strong>
    </li>
  );
}
