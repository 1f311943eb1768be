import { useQuery } from '@tanstack/react-query';
import { Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, type PlaceSheet } from '../data/client';
import { useEdit } from '../data/edits';
import { revise, usePlaceChange } from '../data/place';
import { previewQuery, sessionQuery, today, wordsQuery } from '../data/queries';
import { warn } from '../data/told';
import { KeptField } from '../parts/KeptField';
import { lazily } from '../parts/lazily';
import { Part } from '../parts/Part';
import { PicturePicker } from '../parts/PicturePicker';

// The editor is the heaviest part of the interface; who only looks does not wait for it.
const WordsEditor = lazily(() => import('../words/WordsEditor').then((editor) => editor.default));

export function WordsPart({ sheet, canEdit, pointsTo }: { sheet: PlaceSheet; canEdit: boolean; pointsTo: string | null }) {
  const { id } = sheet.place;
  const change = usePlaceChange(sheet);
  const session = useQuery(sessionQuery);
  const words = useQuery(wordsQuery(id));
  const preview = useQuery(previewQuery(today));
  return (
    <Part name="Words">
      <KeptField
        label="Short description, shown in lists and below the title"
        value={sheet.summary}
        kind="long"
        draftKey={`place ${id} summary`}
        disabled={!canEdit}
        onKeep={(summary) => change(revise(id, { summary }))}
      />
      <Picture sheet={sheet} canEdit={canEdit} />
      {canEdit && !sheet.laidOut && <BeginLayout id={id} />}
      {!sheet.laidOut && (
        <div className="mt-3 min-h-40">
          {words.error && !words.data ? (
            <p role="alert" className="text-brick">
              {words.error.message}
            </p>
          ) : words.data && preview.data && session.data ? (
            <Suspense fallback={<p className="text-soft">Laying out paper…</p>}>
              <WordsEditor
                key={id}
                id={id}
                title={sheet.place.title}
                place={sheet.place}
                words={words.data}
                storefrontUrl={session.data.storefrontUrl}
                previewUrl={preview.data.url}
                disabled={!canEdit}
                pointsTo={pointsTo}
              />
            </Suspense>
          ) : (
            <p className="text-soft">Fetching the words…</p>
          )}
        </div>
      )}
    </Part>
  );
}

/** The picture beside the place's name in lists and on its own page. */
function Picture({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const change = usePlaceChange(sheet);
  const session = useQuery(sessionQuery);
  const [choosing, setChoosing] = useState(false);
  const put = (picture: string) =>
    void change(revise(id, { picture }), picture === '' ? 'No picture stands beside it.' : 'The picture is changed.').then((problem) =>
      problem ? warn(problem) : setChoosing(false),
    );
  const choose = async (fileId: string) => {
    try {
      put((await ask(api.GET('/api/places/{id}', { params: { path: { id: fileId } } }))).file?.picture || 'no picture');
    } catch (error) {
      warn(error);
    }
  };
  if (!canEdit && !sheet.picture) return null;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      {sheet.picture && session.data && (
        <img
          src={
            sheet.picture.startsWith('uploads/')
              ? `/api/pictures/${sheet.picture.slice('uploads/'.length)}`
              : `${session.data.storefrontUrl}/-/pictures/${sheet.picture}`
          }
          alt=""
          className="h-14 w-20 rounded object-cover"
        />
      )}
      {canEdit && (
        <>
          <button type="button" className="button" aria-expanded={choosing} onClick={() => setChoosing(!choosing)}>
            {sheet.picture ? 'Another picture' : 'Put a picture beside it'}
          </button>
          {sheet.picture && (
            <button type="button" className="button" onClick={() => put('')}>
              No picture
            </button>
          )}
        </>
      )}
      {choosing && (
        <div className="basis-full">
          <PicturePicker chosen={null} onChoose={(file) => file && void choose(file.id)} />
        </div>
      )}
    </div>
  );
}

/** Begins to lay the page out in bands, with its words as the first piece; the outline then stands in this sheet. */
function BeginLayout({ id }: { id: string }) {
  const edit = useEdit();
  const navigate = useNavigate();
  return (
    <p className="mt-3 text-sm">
      <button
        type="button"
        className="min-h-6 text-tide underline"
        onClick={async () => {
          const result = await edit({
            run: () => ask(api.POST('/api/places/{id}/layout', { params: { path: { id } } })),
            changes: () => [{ about: 'place', id }],
          });
          if ('made' in result)
            navigate(`/places/${id}?${new URLSearchParams({ piece: result.made.entries[0]?.id ?? '' })}`, { replace: true });
          else warn(result.problem);
        }}
      >
        Lay it out in bands and columns
      </button>
    </p>
  );
}
