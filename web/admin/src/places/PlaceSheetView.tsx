import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { type AddressPlan, api, ask, ifMatch, type Light, type PlaceSheet, ProblemError } from '../api/client';
import { Trouble } from '../menus/MenusView';
import { ShopBeside } from '../menus/ShopBeside';
import type { Audience } from '../menus/useMenu';
import { Lantern } from '../parts/Lantern';
import { LightChoice } from '../parts/LightChoice';
import { useTell } from '../parts/toasts';
import { when } from '../parts/when';
import { refreshWorkbench, useSession } from '../shell/queries';

/** One place: its title, its address with what a change would touch, its light. The shop stands beside it. */
export function PlaceSheetView() {
  const { id = '' } = useParams();
  const [audience, setAudience] = useState<Audience>('guest');
  const session = useSession();
  const sheet = useQuery({ queryKey: ['place', id], queryFn: () => ask(api.GET('/api/places/{id}', { params: { path: { id } } })) });
  if (sheet.error) return <Trouble words={sheet.error.message} />;
  if (!sheet.data) return <p className="p-8 text-soft">Fetching the place…</p>;
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)] lg:h-full lg:grid-cols-[minmax(380px,5fr)_minmax(0,6fr)]">
      <div className="min-h-0 overflow-auto bg-sheet px-6 py-5">
        <Sheet key={id} sheet={sheet.data} canEdit={session.data?.canEdit ?? false} />
      </div>
      <ShopBeside
        key={sheet.data.place.address}
        path={encodeURI(sheet.data.place.address)}
        audience={audience}
        onAudience={setAudience}
        shown={null}
        follows={`${sheet.data.version}`}
      />
    </main>
  );
}

function Sheet({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const queries = useQueryClient();
  const tell = useTell();
  const { place } = sheet;

  /** Makes a change of the place; where somebody else was faster, shows what it is now and keeps what was typed. */
  const change = async (ask: (version: number) => Promise<PlaceSheet>): Promise<ProblemError | null> => {
    try {
      const version = queries.getQueryData<PlaceSheet>(['place', place.id])?.version ?? sheet.version;
      queries.setQueryData(['place', place.id], await ask(version));
      void refreshWorkbench(queries);
      return null;
    } catch (error) {
      const problem = error instanceof ProblemError ? error : new ProblemError(0, String(error));
      if (problem.status === 412 && problem.current) queries.setQueryData(['place', place.id], problem.current);
      return problem;
    }
  };
  const rewrite = (body: { title?: string; light?: Light }) =>
    change((version) => ask(api.PATCH('/api/places/{id}', { params: { path: { id: place.id }, header: ifMatch(version) } as never, body })));
  const readdress = (address: string, carryBelow: boolean) =>
    change((version) =>
      ask(api.PUT('/api/places/{id}/address', { params: { path: { id: place.id }, header: ifMatch(version) } as never, body: { address, carryBelow } })),
    );

  return (
    <>
      <p className="text-sm text-soft">
        <Link to="/places">Places</Link> › {place.kindWords}
        {sheet.parent && (
          <>
            {' '}
            in <Link to={`/places/${sheet.parent.id}`}>{sheet.parent.title}</Link>
          </>
        )}
      </p>
      <h1 className="mt-1 flex items-center gap-2">
        <Lantern light={place.light} words={place.lightWords} size={24} />
        {place.title}
      </h1>
      <p className="mt-1 text-sm text-soft">
        Changed {when(sheet.changedAt)} by {sheet.changedBy || 'nobody yet'} · {sheet.visits} visits in 30 days
      </p>
      <Part name="Title">
        <TitleField sheet={sheet} disabled={!canEdit} onKeep={(title) => rewrite({ title })} />
      </Part>
      <Part name="Address">
        <AddressField
          sheet={sheet}
          disabled={!canEdit}
          onChange={async (address, carry) => {
            const before = place.address;
            const problem = await readdress(address, carry);
            if (!problem) tell.say(`${place.title} stands at ${address} now.`, () => void readdress(before, carry).then((again) => again && tell.warn(again)));
            return problem;
          }}
        />
      </Part>
      <Part name="Light">
        <LightChoice
          place={place}
          disabled={!canEdit}
          onChoose={(light) => {
            const before = place.light;
            void rewrite({ light }).then((problem) =>
              problem
                ? tell.warn(problem)
                : tell.say(`${place.title} is ${light} now.`, () => void rewrite({ light: before }).then((again) => again && tell.warn(again))),
            );
          }}
        />
        <p className="mt-2 text-soft">
          {sheet.menus.length > 0 ? (
            <>
              Linked in {sheet.menus.join(' and ')}.{' '}
              {place.light === 'quiet'
                ? 'They leave it out while it is quiet; everything that leads here goes on working.'
                : place.light === 'closed'
                  ? 'They leave it out while it is closed, and its address does not open.'
                  : 'Made quiet, it leaves them, and its address goes on working.'}
            </>
          ) : (
            'No menu leads here.'
          )}
        </p>
        {sheet.outsideMentions.length > 0 && (
          <p className="mt-1 text-soft">
            Stands outside the shop in: {sheet.outsideMentions.join('; ')}.
            {place.light === 'closed' ? <strong className="text-brick"> Whoever comes from there finds nothing.</strong> : ' Whoever comes from there arrives.'}
          </p>
        )}
      </Part>
    </>
  );
}

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section aria-label={name} className="mt-6 border-t border-line pt-4">
      <h2 className="mb-2">{name}</h2>
      {children}
    </section>
  );
}

function Wrong({ id, problem }: { id: string; problem: string | null }) {
  return problem ? (
    <p id={id} role="alert" className="mt-1 text-brick">
      {problem}
    </p>
  ) : null;
}

function TitleField({ sheet, disabled, onKeep }: { sheet: PlaceSheet; disabled: boolean; onKeep: (title: string) => Promise<ProblemError | null> }) {
  const [title, setTitle] = useState(sheet.place.title);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    if (title.trim() === sheet.place.title) return setProblem(null);
    setProblem((await onKeep(title))?.message ?? null);
  };
  return (
    <>
      <input
        className="field"
        aria-label="Title"
        aria-invalid={problem !== null}
        aria-describedby={problem ? 'title-problem' : undefined}
        disabled={disabled}
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => event.key === 'Enter' && void keep()}
      />
      <Wrong id="title-problem" problem={problem} />
      {sheet.menus.length > 0 && <p className="mt-1 text-sm text-soft">Menu entries without a label of their own follow it.</p>}
    </>
  );
}

/** A typed address, and what the change would do, told while it is typed and before it is done. */
function AddressField({
  sheet,
  disabled,
  onChange,
}: {
  sheet: PlaceSheet;
  disabled: boolean;
  onChange: (address: string, carry: boolean) => Promise<ProblemError | null>;
}) {
  const [typed, setTyped] = useState(sheet.place.address);
  const [carry, setCarry] = useState(true);
  const [plan, setPlan] = useState<AddressPlan | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const asks = typed.trim() !== sheet.place.address;

  useEffect(() => {
    setPlan(null);
    setProblem(null);
    if (!asks) return;
    let stale = false;
    const waiting = setTimeout(async () => {
      try {
        const next = await ask(
          api.GET('/api/places/{id}/address-plan', { params: { path: { id: sheet.place.id }, query: { address: typed, below: carry ? 'carry' : 'stay' } } }),
        );
        if (!stale) setPlan(next);
      } catch (error) {
        if (!stale) setProblem(error instanceof Error ? error.message : String(error));
      }
    }, 200);
    return () => {
      stale = true;
      clearTimeout(waiting);
    };
  }, [typed, carry, asks, sheet.place.id]);

  const make = async () => {
    if (!plan || busy) return;
    setBusy(true);
    const wrong = await onChange(plan.address, carry);
    setBusy(false);
    if (wrong) setProblem(wrong.message);
    else setTyped(plan.address);
  };

  if (sheet.addressIsFixed) {
    return (
      <p className="text-soft">
        <span className="address">{sheet.place.address}</span> is where the {sheet.place.kindWords} always is.
      </p>
    );
  }
  return (
    <>
      <input
        className="field font-mono text-[13px]"
        aria-label="Address"
        aria-invalid={problem !== null}
        aria-describedby={problem ? 'address-problem' : plan ? 'address-plan' : undefined}
        disabled={disabled}
        spellCheck={false}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && void make()}
      />
      <Wrong id="address-problem" problem={problem} />
      {!asks && sheet.suggestedAddress !== sheet.place.address && !disabled && (
        <p className="mt-1 text-sm text-soft">
          Made from the title it would be{' '}
          <button type="button" className="min-h-6 font-mono text-tide underline" onClick={() => setTyped(sheet.suggestedAddress)}>
            {sheet.suggestedAddress}
          </button>
        </p>
      )}
      {sheet.below > 0 && asks && (
        <label className="mt-2 flex min-h-6 items-center gap-2">
          <input type="checkbox" className="size-4 accent-tide" checked={carry} onChange={(event) => setCarry(event.target.checked)} />
          Take along the {sheet.below} {sheet.below === 1 ? 'place' : 'places'} below
        </label>
      )}
      {plan && (
        <div id="address-plan" className="mt-3 rounded-md bg-tide-wash px-4 py-3">
          <p className="font-semibold">
            <span className="font-mono text-[13px]">{sheet.place.address}</span> becomes <span className="font-mono text-[13px]">{plan.address}</span>
          </p>
          <ul className="mt-1 grid gap-1">
            {plan.sentences.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
          {plan.moved.length > 1 && (
            <details className="mt-2">
              <summary className="min-h-6 text-tide">All {plan.moved.length} addresses</summary>
              <ul className="mt-1 max-h-48 overflow-auto">
                {plan.moved.map((one) => (
                  <li key={one.from} className="address">
                    {one.from} → {one.to}
                  </li>
                ))}
              </ul>
            </details>
          )}
          <div className="mt-3 flex gap-3">
            <button type="button" className="button button--tide" disabled={busy} onClick={() => void make()}>
              Change the address
            </button>
            <button type="button" className="button" onClick={() => setTyped(sheet.place.address)}>
              Leave it
            </button>
          </div>
        </div>
      )}
    </>
  );
}
