import { useState } from 'react';
import type { PlaceBrief } from '../data/client';
import { PicturePicker } from '../parts/PicturePicker';

/** One of the shop's pictures, and what it shows. */
export function PicturePanel({ onChoose, onClose }: { onChoose: (place: PlaceBrief, alt: string) => void; onClose: () => void }) {
  const [place, setPlace] = useState<PlaceBrief | null>(null);
  const [alt, setAlt] = useState('');
  return (
    <div
      role="group"
      aria-label="A picture"
      className="grid gap-2 rounded-md border border-line bg-paper p-3"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <PicturePicker chosen={place} onChoose={setPlace} />
      <input
        className="field"
        aria-label="What it shows, for those who cannot see it"
        placeholder="What it shows, for those who cannot see it"
        value={alt}
        onChange={(event) => setAlt(event.target.value)}
      />
      <div className="flex gap-2">
        <button type="button" className="button button--tide" disabled={!place} onClick={() => place && onChoose(place, alt)}>
          Put it here
        </button>
        <button type="button" className="button" onClick={onClose}>
          Leave it
        </button>
      </div>
    </div>
  );
}
