import { useRef, useState } from 'react';
import { type PlaceSheet, upload } from '../api/client';
import { Choices } from '../menus/ShopBeside';
import { KeptField } from '../parts/KeptField';
import { Part, Wrong } from '../parts/Part';
import { useTell } from '../parts/toasts';
import { revise, usePlaceChange } from './usePlace';

const ways = { shown: 'Shown', 'new-tab': 'In a new tab', download: 'Downloaded' } as const;

/** What the file is, how links to it open it, and other bytes in its place. */
export function FilePart({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const change = usePlaceChange(id);
  const tell = useTell();
  const chooser = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const file = sheet.file;
  if (!file) return null;
  const replace = async (chosen: File | undefined) => {
    if (!chosen) return;
    const wrong = await change((version) => upload<PlaceSheet>(`/api/places/${id}/file`, chosen, { 'If-Match': `"${version}"` }));
    setProblem(wrong?.message ?? null);
    if (!wrong) tell.say(`“${sheet.place.title}” has the content of ${chosen.name} now.`);
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
          all={Object.values(ways)}
          chosen={ways[file.serving]}
          disabled={!canEdit}
          onChoose={(words) => {
            const serving = (Object.keys(ways) as (keyof typeof ways)[]).find((way) => ways[way] === words);
            void change((version) => revise(id, version, { serving })).then((wrong) => wrong && tell.warn(wrong));
          }}
        />
      </div>
      {file.serving === 'download' && (
        <div className="mt-2">
          <KeptField
            label="Name under which it is saved; empty: the last part of its address"
            value={file.downloadName}
            disabled={!canEdit}
            onKeep={(downloadName) => change((version) => revise(id, version, { downloadName }))}
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

const size = (bytes: number) => (bytes < 1024 * 1024 ? `${Math.max(1, Math.round(bytes / 1024))} kB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`);
