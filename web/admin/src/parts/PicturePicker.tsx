import type { PlaceBrief } from '../data/client';
import { PlacePicker } from './PlacePicker';

/** Finds one of the shop's files that can be shown as a picture. */
export function PicturePicker({ chosen, onChoose }: { chosen: PlaceBrief | null; onChoose: (file: PlaceBrief | null) => void }) {
  return (
    <>
      <PlacePicker
        label="One of the shop’s pictures"
        kind="file"
        accept={({ address }) => /\.(png|jpe?g|gif|webp)$/.test(address)}
        chosen={chosen}
        autoFocus
        onChoose={onChoose}
      />
      <p className="text-sm text-soft">A picture that is not there yet is uploaded under Places, as a new file.</p>
    </>
  );
}
