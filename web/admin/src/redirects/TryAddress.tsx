import { useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask } from '../api/client';
import { Choices } from '../menus/ShopBeside';
import { fromLocalField } from '../parts/when';
import { useSession } from '../shell/queries';

const MOST = 50;

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
  const [copy, setCopy] = useState<'workbench' | 'live'>('workbench');
  const [audience, setAudience] = useState<'guest' | 'customer'>('guest');
  const [at, setAt] = useState('');
  const session = useSession();
  const shop = session.data?.storefrontUrl ?? '';
  const asked = [...new Set(text.split(/\s+/).filter(Boolean))].slice(0, MOST);
  const path = (typed: string) => (shop && typed.startsWith(shop) ? typed.slice(shop.length) || '/' : typed.startsWith('/') ? typed : `/${typed}`);
  const answers = useQueries({
    queries: asked.map((typed) => ({
      queryKey: ['answer', typed, copy, audience, at],
      queryFn: () =>
        ask(api.GET('/api/answer', { params: { query: { address: path(typed), copy, audience, ...(at ? { at: fromLocalField(at) ?? '' } : {}) } } })),
    })),
  });
  return (
    <section aria-label="Try an address" className="grid gap-2 rounded-md border border-line bg-sheet p-4">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2>Try an address</h2>
        <Choices
          name="Copy"
          all={['Workbench', 'Live']}
          chosen={copy === 'live' ? 'Live' : 'Workbench'}
          onChoose={(one) => setCopy(one === 'Live' ? 'live' : 'workbench')}
        />
        <Choices
          name="Visitor"
          all={['Guest', 'Customer']}
          chosen={audience === 'guest' ? 'Guest' : 'Customer'}
          onChoose={(one) => setAudience(one === 'Guest' ? 'guest' : 'customer')}
        />
        <input
          type="datetime-local"
          aria-label="Try it at another date"
          className="choice border border-line"
          value={at}
          onChange={(event) => setAt(event.target.value)}
        />
      </div>
      <textarea
        aria-label="Addresses to try"
        className="field font-mono text-[12.5px]"
        rows={Math.min(6, Math.max(1, text.split('\n').length))}
        placeholder="/an/address, or a pasted list of them"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {asked.length > 0 && (
        <ul aria-label="Trails" className="grid max-h-72 gap-1.5 overflow-auto" aria-live="polite">
          {asked.map((typed, n) => {
            const { data, error } = answers[n] ?? {};
            return (
              <li key={typed} className="flex flex-wrap items-center gap-x-1.5 gap-y-1">
                {error && <span className="text-brick">{error.message}</span>}
                {data?.trail.map((step, nth) => (
                  <span key={`${step.from} ${step.why}`} className="flex flex-wrap items-center gap-1.5">
                    {nth > 0 && <span aria-hidden="true">→</span>}
                    <span className="rounded bg-paper px-1.5 font-mono text-[12px]">{step.from}</span>
                    <span className="text-sm text-soft">{step.why}</span>
                  </span>
                ))}
                {data && (
                  <strong className={`rounded px-1.5 text-sm ${data.status >= 400 ? 'bg-brick-wash text-[#7c2c1d]' : 'bg-lamp-wash'}`}>
                    {data.location ? `${data.status}, one hop to ${data.location}` : `${data.status} ${endings[data.status] ?? ''}`}
                  </strong>
                )}
              </li>
            );
          })}
        </ul>
      )}
      {text.split(/\s+/).filter(Boolean).length > MOST && <p className="text-sm text-soft">The first {MOST} are tried.</p>}
    </section>
  );
}
