import { useState } from 'react';
import type { PlaceBrief } from '../data/client';
import { PicturePicker } from '../parts/PicturePicker';
import { PlacePicker } from '../parts/PlacePicker';

/** One of the shop's videos, what stands there until it plays, and what it shows. */
export function VideoPanel({
  onChoose,
  onClose,
}: {
  onChoose: (video: PlaceBrief, poster: PlaceBrief | null, label: string) => void;
  onClose: () => void;
}) {
  const [video, setVideo] = useState<PlaceBrief | null>(null);
  const [poster, setPoster] = useState<PlaceBrief | null>(null);
  const [label, setLabel] = useState('');
  return (
    <div
      role="group"
      aria-label="A video"
      className="grid gap-2 rounded-md border border-line bg-paper p-3"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <PlacePicker
        label="One of the shop’s videos"
        kind="file"
        accept={({ address }) => /\.(mp4|webm)$/.test(address)}
        chosen={video}
        autoFocus
        onChoose={setVideo}
      />
      <p className="text-sm text-soft">
        A video that is not there yet is uploaded under Places, as a new file: MP4 or WebM, at most 20 MB.
      </p>
      {video && (
        <>
          <p className="text-soft">Its poster, seen until somebody plays it; without one its first picture is.</p>
          <PicturePicker chosen={poster} onChoose={setPoster} />
          <input
            className="field"
            aria-label="What it shows, for those who cannot see it"
            placeholder="What it shows, for those who cannot see it"
            value={label}
            onChange={(event) => setLabel(event.target.value)}
          />
        </>
      )}
      <div className="flex gap-2">
        <button type="button" className="button button--tide" disabled={!video} onClick={() => video && onChoose(video, poster, label)}>
          Put it here
        </button>
        <button type="button" className="button" onClick={onClose}>
          Leave it
        </button>
      </div>
    </div>
  );
}
