import { type SyntheticEvent, useState } from 'react';
import type { Entry, ProblemError } from '../data/client';
import { KeptField } from '../parts/KeptField';

/** What is typed and touched here is not meant for the line. */
const stop = (event: SyntheticEvent) => event.stopPropagation();

/** The label of a line, typed where it stands. */
export function LabelField({
  entry,
  onRename,
  onDone,
}: {
  entry: Entry;
  onRename: (label: string | null) => Promise<ProblemError | null>;
  onDone: (back: boolean) => void;
}) {
  // It is called what it was when one began, however often it is kept meanwhile.
  const [name] = useState(`Label of ${entry.label}`);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: it only keeps from the line what is the field's
    <div onKeyDown={stop} onPointerDown={stop} onClick={stop} className="-ml-2">
      <KeptField
        label={name}
        labelShown="no"
        className="field--line font-medium"
        value={entry.label}
        placeholder={entry.place?.title ?? ''}
        draftKey={`entry ${entry.id} label`}
        autoFocus
        selects
        // Empty means: follow the title of the place again.
        onKeep={(label) => onRename(label === '' && entry.place ? null : label)}
        onDone={onDone}
      />
    </div>
  );
}
