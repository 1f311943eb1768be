import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { api, ask, type PlaceSheet } from '../api/client';
import { usePreview } from '../menus/ShopBeside';
import { KeptField } from '../parts/KeptField';
import { Part } from '../parts/Part';
import { PicturePicker } from '../parts/PicturePicker';
import { useTell } from '../parts/toasts';
import { useSession } from '../shell/queries';
import { revise, usePlaceChange } from './usePlace';

// The editor is the heaviest part of the interface; who only looks does not wait for it.
const WordsEditor = lazy(() => import('../words/WordsEditor'));

export function WordsPart({ sheet, canEdit, pointsTo }: { sheet: PlaceSheet; canEdit: boolean; pointsTo: string | null }) {
  const { id } = sheet.place;
  const change = usePlaceChange(id);
  const session = useSession();
  const words = useQuery({
    queryKey: ['words', id],
    queryFn: () => ask(api.GET('/api/places/{id}/words', { params: { path: { id } } })),
    refetchOnWindowFocus: false,
  });
  const preview = usePreview({ audience: 'guest', at: null });
  return (
    <Part name="Words">
      <KeptField
        label="Short description, shown in lists and below the title"
        value={sheet.summary}
        long
        disabled={!canEdit}
        onKeep={(summary) => change((version) => revise(id, version, { summary }))}
      />
      <Picture sheet={sheet} canEdit={canEdit} />
      <div className="mt-3 min-h-40">
        {words.error ? (
          <p role="alert" className="text-brick">
            {words.error.message}
          </p>
        ) : words.data && preview.data && session.data ? (
          <Suspense fallback={<p className="text-soft">Laying out paper…</p>}>
            <WordsEditor
              key={id}
              sheet={sheet}
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
    </Part>
  );
}

/** The picture beside the place's name in lists and on its own page. */
function Picture({ sheet, canEdit }: { sheet: PlaceSheet; canEdit: boolean }) {
  const { id } = sheet.place;
  const change = usePlaceChange(id);
  const tell = useTell();
  const session = useSession();
  const [choosing, setChoosing] = useState(false);
  const put = (picture: string) =>
    void change((version) => revise(id, version, { picture })).then((problem) => (problem ? tell.warn(problem) : setChoosing(false)));
  const choose = async (fileId: string) => {
    try {
      put((await ask(api.GET('/api/places/{id}', { params: { path: { id: fileId } } }))).file?.picture || 'no picture');
    } catch (error) {
      tell.warn(error);
    }
  };
  if (!canEdit && !sheet.picture) return null;
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3">
      {sheet.picture && session.data && (
        <img src={`${session.data.storefrontUrl}/-/pictures/${sheet.picture}`} alt="" className="h-14 w-20 rounded object-cover" />
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
