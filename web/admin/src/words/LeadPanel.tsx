import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { PlaceBrief } from '../data/client';
import { findPlaces, wordsQuery } from '../data/queries';
import { OnOff } from '../parts/OnOff';
import { Pick } from '../parts/Pick';
import { PlacePicker } from '../parts/PlacePicker';
import { useAsked } from '../parts/useAsked';

/** The address outside, mail address or phone number that typed words mean; none has no uri. */
const meantBy = async (typed: string): Promise<{ uri?: string }> =>
  (await findPlaces(typed.trim(), new AbortController().signal)).leads.find(({ kind }) => kind !== 'heading') ?? {};

/** Where a link in a text leads: a place and a part of it, or an address outside, mail or phone. */
export function LeadPanel({
  href,
  button,
  known,
  onLead,
  onRemove,
  onClose,
}: {
  href: string | null;
  button: boolean;
  /** The places that the text refers to already, by id. */
  known: Map<string, PlaceBrief>;
  onLead: (href: string, button: boolean, place: PlaceBrief | null) => void;
  onRemove: () => void;
  onClose: () => void;
}) {
  const reference = /^place:([0-9a-f-]{36})(?:#(.*))?$/.exec(href ?? '');
  const [place, setPlace] = useState<PlaceBrief | null>(known.get(reference?.[1] ?? '') ?? null);
  const [part, setPart] = useState(reference?.[2] ?? '');
  const [typed, setTyped] = useState(reference ? '' : (href ?? ''));
  const [asButton, setAsButton] = useState(button);
  const anchors = useQuery({ ...wordsQuery(place?.id ?? ''), enabled: place !== null });
  const own = /^(\/[^/]|#|\/$)/.test(typed.trim()) ? typed.trim() : undefined;
  const { answer, problem } = useAsked(!place && typed.trim() !== '' && !own ? typed.trim() : null, () => meantBy(typed));
  const outside = answer?.uri;
  const to = place ? `place:${place.id}${part ? `#${part}` : ''}` : (outside ?? own);
  const lead = async () => {
    // Who types faster than the answer comes means what the words mean, not nothing.
    const meant = to ?? (typed.trim() === '' ? undefined : (await meantBy(typed).catch(() => null))?.uri);
    if (meant) onLead(meant, asButton, place);
  };
  return (
    <div
      role="group"
      aria-label="Where the link leads"
      className="grid gap-2 rounded-md border border-line bg-paper p-3"
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
        if (event.key === 'Enter' && event.target instanceof HTMLInputElement && !event.defaultPrevented) {
          event.preventDefault();
          void lead();
        }
      }}
    >
      <PlacePicker
        label="A place of the shop"
        chosen={place}
        autoFocus
        none="No place; type an address below"
        onChoose={(one) => [setPlace(one), setPart('')]}
      />
      {place && (anchors.data?.anchors.length ?? 0) > 0 && (
        <Pick
          label="Part of it"
          chosen={part}
          all={[['', 'its beginning'], ...(anchors.data?.anchors ?? []).map(({ name, heading }) => [name, heading] as const)]}
          onChoose={setPart}
        />
      )}
      {!place && (
        <input
          className="field"
          aria-label="An address, mail address or phone number"
          placeholder="https://…, a mail address or a phone number"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      )}
      {!place && typed.trim() !== '' && !own && (answer !== null || problem !== null) && !to && (
        <p className="text-sm text-soft">{problem ?? 'This is no address yet. Write it whole, beginning with https://.'}</p>
      )}
      <OnOff label="Looks like a button" on={asButton} onChange={setAsButton} />
      <div className="flex flex-wrap gap-2">
        <button type="button" className="button button--tide" disabled={!to} onClick={() => void lead()}>
          {href ? 'Lead there' : 'Make the link'}
        </button>
        {href && (
          <button type="button" className="button" onClick={onRemove}>
            Words only
          </button>
        )}
        <button type="button" className="button" onClick={onClose}>
          Leave it
        </button>
      </div>
    </div>
  );
}
