import { type KeyboardEvent, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Finding, Mend, ProblemError } from '../data/client';
import { useMend, useSetAside } from '../data/findings';
import { say } from '../data/told';
import { when } from '../parts/when';
import { AsideForm } from './AsideForm';
import { MendForm } from './MendForm';

/** One finding: what it says, how many meet it, and its mends, each with the number that makes it. */
export function FindingLine({
  finding,
  canEdit,
  isPointed,
  onPoint,
  goOn,
}: {
  finding: Finding;
  canEdit: boolean;
  isPointed: boolean;
  onPoint: (finding: Finding | null) => void;
  /** Remembers what comes next, and gives what puts the focus there. */
  goOn: (id: string) => () => void;
}) {
  const navigate = useNavigate();
  const mend = useMend();
  const setAside = useSetAside();
  const [open, setOpen] = useState<Mend | 'aside' | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [going, setGoing] = useState(false);
  // What the mend under the pointer or focus touches is told; else what the likeliest does.
  const [told, setTold] = useState<Mend | null>(null);
  const touched = told ?? finding.mends[0];
  const line = useRef<HTMLLIElement>(null);
  const { subject } = finding;
  const act = async (work: () => Promise<ProblemError | null>): Promise<ProblemError | null> => {
    const focusOn = goOn(finding.id);
    setGoing(true);
    const wrong = await work();
    setGoing(false);
    setProblem(wrong?.message ?? null);
    if (!wrong) {
      setOpen(null);
      requestAnimationFrame(() => requestAnimationFrame(focusOn));
    }
    return wrong;
  };
  const choose = (one: Mend) => {
    if (going) return;
    if (one.asks === 'spot') navigate(subject.spot);
    else if (one.asks === 'nothing') void act(() => mend([finding], one));
    else setOpen(open === one ? null : one);
  };
  const back = () => {
    setOpen(null);
    line.current?.focus();
  };
  const keys = (event: KeyboardEvent) => {
    if (event.key === 'Escape' && open) {
      event.stopPropagation();
      back();
      return;
    }
    // Its keys hold on its buttons, too, but not where something is typed; there Enter is the button's own.
    if (event.ctrlKey || event.metaKey || event.altKey || (event.target as HTMLElement).closest('form, input, [role="listbox"]')) return;
    const numbered = canEdit ? finding.mends[Number(event.key) - 1] : undefined;
    if (numbered) choose(numbered);
    else if (event.key === 'o' || (event.key === 'Enter' && event.target === line.current)) navigate(subject.spot);
    else if (event.key === 'a' && canEdit) setOpen('aside');
    else return;
    event.preventDefault();
  };
  return (
    <li
      ref={line}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: its keys mend it
      tabIndex={0}
      data-finding={finding.id}
      aria-label={`${subject.name}: ${finding.says}`}
      aria-keyshortcuts={canEdit ? [...finding.mends.map((_, n) => String(n + 1)), 'O', 'A'].join(' ') : 'O'}
      className={`scroll-my-2 border-b border-line px-2 py-1.5 ${isPointed ? 'bg-lamp-wash' : 'hover:bg-sheet'}`}
      onKeyDown={keys}
      onFocus={() => onPoint(finding)}
      onMouseEnter={() => onPoint(finding)}
      onMouseLeave={() => onPoint(null)}
    >
      <div className="flex flex-wrap items-baseline gap-x-3">
        <Link to={subject.spot} className="font-medium text-ink underline decoration-line underline-offset-2 hover:decoration-tide">
          {subject.name}
        </Link>
        {subject.where && (
          <span className="text-sm text-soft">
            {subject.type === 'entry' || subject.type === 'piece' ? `in ${subject.where}` : subject.where}
          </span>
        )}
        <span className="ml-auto text-sm whitespace-nowrap text-soft">
          {finding.visits > 0 && `${finding.visits.toLocaleString('en-GB')} visits · `}since {when(finding.since)}
          {finding.person && `, by ${finding.person}’s edit`}
        </span>
      </div>
      <p className="break-words">{finding.says}</p>
      {finding.setAside ? (
        <p className="mt-0.5 flex flex-wrap items-center gap-2 text-sm text-soft">
          Set aside by {finding.setAside.person}
          {finding.setAside.until ? ` until ${when(finding.setAside.until)}` : ''}: {finding.setAside.reason}
          {canEdit && (
            <button type="button" className="min-h-6 text-tide underline" onClick={() => void act(() => setAside(finding, null))}>
              Take it up again
            </button>
          )}
        </p>
      ) : (
        canEdit && (
          <div className="mt-1 flex flex-wrap items-center gap-x-1 gap-y-1 text-sm">
            {finding.mends.map((one, n) => (
              <button
                key={one.id}
                type="button"
                className="button flex min-h-7 items-center gap-1.5 px-1.5 py-0 text-sm"
                // It keeps the focus meanwhile.
                aria-disabled={going}
                aria-expanded={one.asks === 'place' || one.asks === 'words' ? open === one : undefined}
                onMouseEnter={() => setTold(one)}
                onMouseLeave={() => setTold(null)}
                onFocus={() => setTold(one)}
                onBlur={() => setTold(null)}
                onClick={() => choose(one)}
              >
                <span className="key" aria-hidden="true">
                  {n + 1}
                </span>
                {one.says}
              </button>
            ))}
            <button
              type="button"
              className="min-h-7 px-2 text-soft hover:text-ink"
              aria-expanded={open === 'aside'}
              onClick={() => setOpen(open === 'aside' ? null : 'aside')}
            >
              Set aside…
            </button>
            {touched?.touches && <span className="px-1 text-soft">{touched.touches}</span>}
          </div>
        )
      )}
      {problem && !open && (
        <p role="alert" className="mt-1 text-brick">
          {problem}
        </p>
      )}
      {open && open !== 'aside' && (
        <MendForm finding={finding} mend={open} onMend={(told) => act(() => mend([finding], open, told))} onBack={back} />
      )}
      {open === 'aside' && (
        <AsideForm
          onAside={(aside) =>
            act(async () => {
              const wrong = await setAside(finding, aside);
              if (!wrong) say(`“${subject.name}” is set aside.`, () => void setAside(finding, null));
              return wrong;
            })
          }
          onBack={back}
        />
      )}
    </li>
  );
}
