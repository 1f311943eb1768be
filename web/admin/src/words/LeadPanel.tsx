import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type PlaceBrief } from '../api/client';
import { leadsFromWords } from '../menus/leads';
import { PlacePicker } from '../parts/PlacePicker';

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
  const anchors = useQuery({
    queryKey: ['words', place?.id],
    queryFn: () => ask(api.GET('/api/places/{id}/words', { params: { path: { id: place?.id ?? '' } } })),
    enabled: place !== null,
  });
  const outside = leadsFromWords(typed).find(({ key }) => key !== 'heading')?.lead.target.uri;
  const own = /^(\/[^/]|#|\/$)/.test(typed.trim()) ? typed.trim() : undefined;
  const to = place ? `place:${place.id}${part ? `#${part}` : ''}` : (outside ?? own);
  const lead = () => to && onLead(to, asButton, place);
  return (
    <div
      role="group"
      aria-label="Where the link leads"
      className="grid gap-2 rounded-md border border-line bg-paper p-3"
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
        if (event.key === 'Enter' && event.target instanceof HTMLInputElement && !event.defaultPrevented) {
          event.preventDefault();
          lead();
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
        <label className="flex items-center gap-2">
          Part of it
          <select className="field w-auto" value={part} onChange={(event) => setPart(event.target.value)}>
            <option value="">its beginning</option>
            {anchors.data?.anchors.map(({ name, heading }) => (
              <option key={name} value={name}>
                {heading}
              </option>
            ))}
          </select>
        </label>
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
      {!place && typed.trim() !== '' && !to && <p className="text-sm text-soft">This is no address yet. Write it whole, beginning with https://.</p>}
      <label className="flex min-h-6 items-center gap-2">
        <input type="checkbox" className="size-4 accent-tide" checked={asButton} onChange={(event) => setAsButton(event.target.checked)} />
        Looks like a button
      </label>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="button button--tide" disabled={!to} onClick={lead}>
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
