import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Bay, Frame } from '../data/client';
import { catchLetters, takeLetters } from '../data/typedAhead';
import { inWords, useFrameChange } from './useFrame';

/** A new menu needs a name and no more; then its field stands open, and the letters go there. */
export function NewMenu({ frame, bay, onLeave }: { frame: Frame; bay: Bay | null; onLeave: () => void }) {
  const change = useFrameChange();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [busy, setBusy] = useState(false);
  const taken = frame.menus.some((one) => one.name.toLowerCase() === name.trim().toLowerCase());
  const make = async () => {
    if (name.trim() === '' || busy) return;
    setBusy(true);
    catchLetters();
    const after = await change(
      { type: 'make', words: name.trim(), ...(bay ? { bay: bay.id } : {}) },
      bay ? `“${name.trim()}” is made, and hangs in ${inWords(bay)}.` : `“${name.trim()}” is made.`,
    );
    setBusy(false);
    if (!after?.made) takeLetters();
    else navigate(`/menus/${after.made}${bay ? `?bay=${bay.id}` : ''}`);
  };
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void make();
      }}
    >
      <label className="text-sm text-soft">
        {bay ? 'A new menu here, by the name of' : 'A new menu, by the name of'}
        <input
          // biome-ignore lint/a11y/noAutofocus: what was touched is free, so this is the next step
          autoFocus
          className="field mt-1 text-base text-ink"
          aria-label="Name of the new menu"
          value={name}
          maxLength={200}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape' && name !== '') {
              event.preventDefault();
              setName('');
            }
          }}
        />
      </label>
      {taken && <p className="text-sm text-dusk">Another menu has this name; two of one name are hard to tell apart.</p>}
      <p className="flex gap-2">
        <button type="submit" className="button button--tide" disabled={name.trim() === '' || busy}>
          Make it
        </button>
        <button type="button" className="button" onClick={onLeave}>
          Leave it
        </button>
      </p>
    </form>
  );
}
