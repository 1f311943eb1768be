import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Entry, ProblemError, TargetInput } from '../data/client';
import { findPlaces, partsQuery } from '../data/queries';
import { Choices } from '../parts/Choices';
import { KeptField } from '../parts/KeptField';
import { Pick } from '../parts/Pick';
import { PlacePicker } from '../parts/PlacePicker';
import { NarrowingPart } from './NarrowingPart';

/** Some addresses that are stored are not written as they should be; they are shown as they are. */
const readable = (uri: string): string => {
  try {
    return decodeURI(uri);
  } catch {
    return uri;
  }
};

const subjectOf = (mail: string): string => new URLSearchParams(mail.split('?')[1] ?? '').get('subject') ?? '';

/** Where an entry leads: a place and a part of it, elsewhere, or nowhere. */
export function TargetPart({
  entry,
  onKeep,
  onChange,
}: {
  entry: Entry;
  /** @param label undefined: stays as it is */
  onKeep: (target: TargetInput, label?: string | null) => Promise<ProblemError | null>;
  onChange: (target: TargetInput, label?: string | null) => Promise<boolean>;
}) {
  const { target, place } = entry;
  const [elsewhere, setElsewhere] = useState(target.kind === 'outside' || target.kind === 'contact');
  const [choosing, setChoosing] = useState(false);
  const mail = target.kind === 'contact' && target.uri.startsWith('mailto:') ? target.uri.slice(7) : null;
  const leads = elsewhere ? 'elsewhere' : target.kind === 'heading' && !choosing ? 'nowhere' : 'place';
  return (
    <div className="grid gap-1.5">
      <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
        <span className="w-16 text-soft">Leads to</span>
        <Choices
          name="Leads to"
          all={[
            ['place', 'a place'],
            ['elsewhere', 'elsewhere'],
            ['nowhere', 'nowhere'],
          ]}
          chosen={leads}
          onChoose={(one) => {
            setElsewhere(one === 'elsewhere');
            setChoosing(one === 'place');
            if (one === 'nowhere') void onChange({ kind: 'heading' }, entry.label);
          }}
        />
        <span className="min-w-40 flex-1">
          {leads === 'elsewhere' && (
            <KeptField
              label="The address, mail address or phone number"
              labelShown="no"
              placeholder="https://…, a mail address or a phone number"
              value={readable(target.uri.replace(/^(mailto|tel):/, ''))}
              draftKey={`entry ${entry.id} uri`}
              onKeep={async (typed) => {
                const { leads: meant } = await findPlaces(typed, new AbortController().signal);
                const lead = meant.find(({ kind }) => kind !== 'heading');
                return onKeep(lead ? { kind: lead.kind, uri: lead.uri } : { kind: 'outside', uri: typed }, entry.label);
              }}
            />
          )}
          {leads === 'place' && (
            <PlacePicker
              label="The place it leads to"
              chosen={place}
              autoFocus={choosing}
              onChoose={(next) => {
                setChoosing(false);
                if (next)
                  void onChange(
                    { kind: 'place', placeId: next.id },
                    entry.ownLabel && target.kind === 'place' ? entry.ownLabel : target.kind === 'heading' ? entry.label : null,
                  );
              }}
            />
          )}
        </span>
      </div>
      {mail !== null && (
        <KeptField
          label="Subject of the mail"
          labelShown="beside"
          value={subjectOf(mail)}
          draftKey={`entry ${entry.id} subject`}
          onKeep={(subject) =>
            onKeep(
              { kind: 'contact', uri: `mailto:${mail.split('?')[0]}${subject ? `?subject=${encodeURIComponent(subject)}` : ''}` },
              entry.label,
            )
          }
        />
      )}
      {place && leads === 'place' && <Within entry={entry} onKeep={onKeep} onChange={onChange} />}
    </div>
  );
}

/** A part of the place, or some of its products. */
function Within({
  entry,
  onKeep,
  onChange,
}: {
  entry: Entry;
  onKeep: (target: TargetInput) => Promise<ProblemError | null>;
  onChange: (target: TargetInput) => Promise<boolean>;
}) {
  const { target } = entry;
  const parts = useQuery(partsQuery(target.placeId ?? ''));
  if (!parts.data) return null;
  const { anchors, canBeNarrowed } = parts.data;
  return (
    <>
      {anchors.length > 0 && (
        <Pick
          label="The part"
          chosen={target.part}
          all={[
            ['', 'the whole place'],
            ...(target.part && !anchors.some(({ name }) => name === target.part)
              ? [[target.part, `#${target.part}, which is no longer there`] as const]
              : []),
            ...anchors.map(({ name, heading }) => [name, heading] as const),
          ]}
          onChoose={(part) => void onChange({ kind: 'place', placeId: target.placeId, part })}
        />
      )}
      {canBeNarrowed && <NarrowingPart entry={entry} onKeep={onKeep} onChange={onChange} />}
    </>
  );
}
