import { useState } from 'react';
import { api, ask } from '../data/client';
import { warn } from '../data/told';
import { PicturePicker } from './PicturePicker';

/** One of the shop's pictures, by the name of its file. */
export function PictureOf({ onChoose }: { onChoose: (name: string) => void }) {
  const [choosing, setChoosing] = useState(false);
  if (!choosing)
    return (
      <button type="button" className="button" onClick={() => setChoosing(true)}>
        Choose a picture
      </button>
    );
  return (
    <div className="min-w-64 flex-1">
      <PicturePicker
        chosen={null}
        onChoose={async (file) => {
          setChoosing(false);
          if (!file) return;
          try {
            const { file: stored } = await ask(api.GET('/api/places/{id}', { params: { path: { id: file.id } } }));
            if (stored?.picture) onChoose(stored.picture);
          } catch (error) {
            warn(error);
          }
        }}
      />
    </div>
  );
}
