import { useState } from 'react';
import type { Entry, EntryInput, Filling, Menu, ProblemError } from '../data/client';
import { Choices } from '../parts/Choices';
import { KeptField } from '../parts/KeptField';
import { Notice } from '../parts/Notice';
import { OnOff } from '../parts/OnOff';
import { FillingPart } from './FillingPart';
import { canLead, PiecePart } from './PiecePart';
import { TargetPart } from './TargetPart';
import { asInput } from './tree';

/** Everything about one line besides its label: where it leads, for whom, when, and what fills it. Each change is made at once. */
export function EntryPanel({
  menu,
  entry,
  onRewrite,
  onPin,
  onClose,
}: {
  menu: Menu;
  entry: Entry;
  onRewrite: (entry: EntryInput) => Promise<ProblemError | null>;
  onPin: (child: Filling['children'][number]) => Promise<boolean>;
  onClose: () => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  /** For a kept field, which says itself what is wrong. */
  const rewrite = (changes: Partial<EntryInput>) => onRewrite({ ...asInput(entry), ...changes });
  const change = async (changes: Partial<EntryInput>) => {
    const answer = await rewrite(changes);
    setProblem(answer?.message ?? null);
    return answer === null;
  };
  return (
    <section
      aria-label={`Everything about ${entry.label}`}
      className="grid max-h-[52%] shrink-0 gap-1.5 overflow-auto border-t border-line bg-paper px-3 py-2 text-sm"
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape' && !event.defaultPrevented) onClose();
      }}
    >
      <div className="flex items-baseline gap-2">
        <h2 className="min-w-0 truncate">{entry.label}</h2>
        {entry.leftOut && <span className="min-w-0 truncate text-dusk">Visitors do not get it: {entry.leftOut}</span>}
        <button type="button" className="choice ml-auto shrink-0 hover:text-ink" onClick={onClose}>
          Done
        </button>
      </div>
      {problem && <Notice>{problem}</Notice>}
      {entry.piece && <PiecePart key={entry.id} menu={menu} entry={entry} piece={entry.piece} onKeep={(piece) => rewrite({ piece })} />}
      {canLead(entry) && (
        <TargetPart
          entry={entry}
          onKeep={(target, label) =>
            rewrite({ target, ...(target.kind === 'outside' ? {} : { newTab: false }), ...(label === undefined ? {} : { label }) })
          }
          onChange={(target, label) =>
            change({ target, ...(target.kind === 'outside' ? {} : { newTab: false }), ...(label === undefined ? {} : { label }) })
          }
        />
      )}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="flex items-center gap-1.5">
          <span className="w-16 text-soft">Shown to</span>
          <Choices
            name="Shown to"
            all={[
              ['everyone', 'Everyone'],
              ['guests', 'Guests'],
              ['customers', 'Customers'],
            ]}
            chosen={entry.audience}
            onChoose={(audience) => void change({ audience })}
          />
        </span>
        <OnOff label="On" on={entry.enabled} onChange={(enabled) => void change({ enabled })} />
        {entry.target.kind === 'outside' && (
          <OnOff label="Opens in a new tab" on={entry.newTab} onChange={(newTab) => void change({ newTab })} />
        )}
      </div>
      <div className="grid grid-cols-2 items-start gap-x-3 gap-y-1">
        {(['from', 'until'] as const).map((end) => (
          <KeptField
            key={end}
            label={end}
            labelShown="beside"
            kind="moment"
            value={entry[end] ?? ''}
            draftKey={`entry ${entry.id} ${end}`}
            onKeep={(moment) => rewrite({ [end]: moment || null })}
          />
        ))}
        <div className="col-span-2">
          <KeptField
            label="Note for colleagues"
            labelShown="beside"
            value={entry.note}
            draftKey={`entry ${entry.id} note`}
            onKeep={(note) => rewrite({ note })}
          />
        </div>
      </div>
      {(entry.piece === null || entry.piece.kind === 'links') && (
        <FillingPart entry={entry} onKeep={(filling) => rewrite({ filling })} onChange={(filling) => change({ filling })} onPin={onPin} />
      )}
    </section>
  );
}
