import { useId } from 'react';
import type { Light, PlaceBrief } from '../data/client';
import { Lantern } from './Lantern';

export const lights: { light: Light; name: string; sentence: string }[] = [
  { light: 'open', name: 'Open', sentence: 'It opens at its address, and menus may show it.' },
  { light: 'quiet', name: 'Quiet', sentence: 'It opens at its address, but no menu or list leads to it. It is never “not found”.' },
  { light: 'closed', name: 'Closed', sentence: 'It does not open.' },
];

/** Three lanterns, each with what it means. */
export function LightChoice({
  place,
  chosen = place.light,
  disabled,
  onChoose,
}: {
  place: PlaceBrief;
  chosen?: Light;
  disabled: boolean;
  onChoose: (light: Light) => void;
}) {
  const name = useId();
  return (
    <fieldset disabled={disabled} className="grid gap-1">
      <legend className="sr-only">Light of {place.title}</legend>
      {lights
        .filter(({ light }) => light !== 'closed' || place.mayClose)
        .map(({ light, name: word, sentence }) => (
          <label
            key={light}
            className={`flex relative cursor-pointer items-start gap-3 rounded-md px-2 py-2 focus-within:outline-2 focus-within:outline-tide ${chosen === light ? 'bg-lamp-wash' : 'hover:bg-paper'}`}
          >
            <input type="radio" name={name} className="sr-only" checked={chosen === light} onChange={() => onChoose(light)} />
            <Lantern light={light} size={22} />
            <span>
              <span className="block font-semibold">{word}</span>
              <span className="block text-sm text-soft">{sentence}</span>
            </span>
          </label>
        ))}
    </fieldset>
  );
}
