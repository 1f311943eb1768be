import { useRef, useState } from 'react';
import type { PlaceSheet } from '../data/client';
import { replaceFile, revise, usePlaceChange } from '../data/place';
import { warn } from '../data/told';
import { Choices } from '../parts/Choices';
import { KeptField } from '../parts/KeptField';
import { Wrong } from '../parts/Notice';
import { Part } from '../parts/Part';

const ways = [
  ['shown', 'Shown'],
  ['new-tab', 'In a new tab'],
  ['download', 'Downloaded'],
] as const;

/** What the file is, how links to it open it, and other bytes in its place. */
export function FilePart({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const change = usePlaceChange(sheet);
  const chooser = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const file = sheet.file;
  if (!file) return null;
  const replace = async (chosen: File | undefined) => {
    if (!chosen) return;
    const wrong = await change(replaceFile(id, chosen), `“${sheet.place.title}” has the content of ${chosen.name} now.`);
    setProblem(wrong?.message ?? null);
  };
  return (
    <Part name="File">
      <p>
        {file.type}, {size(file.size)}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <span className="text-soft">A link opens it</span>
        <Choices
          name="How a link opens it"
          all={ways}
          chosen={file.serving}
          disabled={!canEdit}
          onChoose={(serving) => void change(revise(id, { serving })).then((wrong) => wrong && warn(wrong))}
        />
      </div>
      {file.serving === 'download' && (
        <div className="mt-2">
          <KeptField
            label="Name under which it is saved; empty: the last part of its address"
            value={file.downloadName}
            draftKey={`place ${id} download name`}
            disabled={!canEdit}
            onKeep={(downloadName) => change(revise(id, { downloadName }))}
          />
        </div>
      )}
      {canEdit && (
        <p className="mt-3">
          <input
            ref={chooser}
            type="file"
            className="sr-only"
            tabIndex={-1}
            aria-label="Other content for this file"
            onChange={(event) => void replace(event.target.files?.[0])}
          />
          <button type="button" className="button" onClick={() => chooser.current?.click()}>
            Put other content here
          </button>
        </p>
      )}
      <Wrong id="file-problem" problem={problem} />
    </Part>
  );
}

const size = (bytes: number) =>
  bytes < 1024 * 1024 ? `${Math.max(1, Math.round(bytes / 1024))} kB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`;
