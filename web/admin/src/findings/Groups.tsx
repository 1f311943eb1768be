import { type KeyboardEvent, useRef, useState } from 'react';
import type { Finding, FindingGroup, Mend, ProblemError } from '../data/client';
import { findingsPage, type Stand, useMend } from '../data/findings';
import { warn } from '../data/told';
import { FindingLine } from './FindingLine';

/** So many go into one edit. */
const MOST = 500;

const lines = (within: HTMLElement | null) => [...(within?.querySelectorAll<HTMLElement>('[data-finding]') ?? [])];

/** Findings by what is wrong. The arrows walk from one to the next, whatever group it is in. */
export function Groups({
  title,
  groups,
  stand,
  aside = false,
  none,
  ...rest
}: {
  title?: string;
  groups: readonly FindingGroup[];
  stand: Stand;
  aside?: boolean;
  /** Said where nothing is wrong. */
  none: string;
  canEdit: boolean;
  q: string;
  pointed: string | null;
  onPoint: (finding: Finding | null) => void;
}) {
  const whole = useRef<HTMLElement>(null);
  const walk = (event: KeyboardEvent) => {
    const at = (event.target as HTMLElement).closest<HTMLElement>('[data-finding]');
    if (!at || event.target !== at || event.ctrlKey || event.metaKey || event.altKey) return;
    const all = lines(whole.current);
    const next = { ArrowDown: all[all.indexOf(at) + 1], ArrowUp: all[all.indexOf(at) - 1], Home: all[0], End: all.at(-1) }[event.key];
    if (!next) return;
    event.preventDefault();
    next.focus();
    next.scrollIntoView({ block: 'nearest' });
  };
  // After a mend the focus is on what comes next, and not at the beginning of the page.
  const goOn = (id: string) => {
    const all = lines(whole.current);
    const at = all.findIndex(({ dataset }) => dataset.finding === id);
    const next = (all[at + 1] ?? all[at - 1])?.dataset.finding;
    return () => {
      const there = lines(whole.current);
      (there.find(({ dataset }) => dataset.finding === next) ?? there[0] ?? document.querySelector<HTMLElement>('#findings h1'))?.focus();
    };
  };
  return (
    <section
      ref={whole}
      aria-label={title ?? (aside ? 'Set aside' : 'Findings')}
      onKeyDown={walk}
      className="grid grid-cols-[minmax(0,1fr)] gap-4"
    >
      <h2 className={title ? '' : 'sr-only'}>{title ?? (aside ? 'Set aside' : 'Findings')}</h2>
      {groups.length === 0 && none && <p className="text-soft">{none}</p>}
      {groups.map((group) => (
        <Group key={group.kind} group={group} stand={stand} aside={aside} goOn={goOn} {...rest} />
      ))}
    </section>
  );
}

function Group({
  group,
  stand,
  aside,
  canEdit,
  q,
  pointed,
  onPoint,
  goOn,
}: {
  group: FindingGroup;
  stand: Stand;
  aside: boolean;
  canEdit: boolean;
  q: string;
  pointed: string | null;
  onPoint: (finding: Finding | null) => void;
  goOn: (id: string) => () => void;
}) {
  const [more, setMore] = useState<{ of: FindingGroup; findings: Finding[]; next: string | null } | null>(null);
  const mend = useMend();
  // What was fetched besides belongs to the group as it was then.
  const besides = more !== null && more.of === group ? more : null;
  const findings = besides?.findings ?? group.findings;
  const left = group.count - findings.length;
  const fetchMore = () =>
    findingsPage(stand, group.kind, q, aside, besides?.next ?? '')
      .then((page) => setMore({ of: group, findings: [...(besides?.findings ?? []), ...page.findings], next: page.next }))
      .catch(warn);
  const together: Mend | undefined =
    canEdit && group.count > 1
      ? findings[0]?.mends.find(
          ({ together }) => together !== null && findings.every((one) => one.mends.some((other) => other.together === together)),
        )
      : undefined;
  const mendAll = async (chosen: Mend) => {
    // All of them, also those that do not stand here yet.
    const all = [...findings];
    for (let next: string | null = besides ? besides.next : ''; left > 0 && next !== null; ) {
      const page = await findingsPage(stand, group.kind, q, aside, next);
      for (const one of page.findings) if (!all.some(({ id }) => id === one.id)) all.push(one);
      next = page.next;
    }
    return mend(all.slice(0, MOST), chosen);
  };
  return (
    <section aria-label={group.words}>
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b border-line pb-1">
        <h3 className={`font-semibold ${group.broken ? 'text-brick' : ''}`}>
          <span aria-hidden="true">{group.broken ? '✕ ' : '◦ '}</span>
          {group.words}
        </h3>
        <span className="text-sm text-soft">
          {group.count.toLocaleString('en-GB')}
          {group.visits > 0 && ` · ${group.visits.toLocaleString('en-GB')} visits in 30 days`}
        </span>
        {together && (
          <All mend={together} count={group.count} onMend={() => mendAll(together)} goOn={() => goOn(findings.at(-1)?.id ?? '')} />
        )}
      </div>
      <ul>
        {findings.map((finding) => (
          <FindingLine
            key={finding.id}
            finding={finding}
            canEdit={canEdit}
            isPointed={pointed !== null && finding.met === pointed}
            onPoint={onPoint}
            goOn={goOn}
          />
        ))}
      </ul>
      {left > 0 && (
        <button type="button" className="mt-1 min-h-7 text-tide underline" onClick={() => void fetchMore()}>
          {left.toLocaleString('en-GB')} more
        </button>
      )}
    </section>
  );
}

function All({
  mend,
  count,
  onMend,
  goOn,
}: {
  mend: Mend;
  count: number;
  onMend: () => Promise<ProblemError | null>;
  goOn: () => () => void;
}) {
  const [going, setGoing] = useState(false);
  const [problem, setProblem] = useState('');
  const run = async () => {
    if (going) return;
    const focusOn = goOn();
    setGoing(true);
    const wrong = await onMend().catch((error: Error) => error);
    setGoing(false);
    setProblem(wrong?.message ?? '');
    if (!wrong) requestAnimationFrame(() => requestAnimationFrame(focusOn));
  };
  return (
    <span className="ml-auto flex flex-wrap items-center gap-2 text-sm">
      {problem && (
        <span role="alert" className="text-brick">
          {problem}
        </span>
      )}
      <button type="button" className="button" aria-disabled={going} onClick={() => void run()}>
        {going ? 'Mending…' : `All ${Math.min(count, MOST).toLocaleString('en-GB')}: ${mend.together}`}
      </button>
    </span>
  );
}
