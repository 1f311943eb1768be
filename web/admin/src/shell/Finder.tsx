import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Light } from '../data/client';
import { findingsQuery } from '../data/findings';
import { findPlaces, frameQuery } from '../data/queries';
import { takeLetters } from '../data/typedAhead';
import { Choose } from '../parts/Choose';
import { Dialog } from '../parts/Dialog';
import { Lantern } from '../parts/Lantern';

type Found = { key: string; to: string; name: string; says: string; light?: Light };

const views: Found[] = [
  { key: 'v1', to: '/menus', name: 'Menus', says: 'the whole frame of the shop' },
  { key: 'v2', to: '/places', name: 'Places', says: 'view' },
  { key: 'v2p', to: '/policies', name: 'Policies', says: 'write the ones that are missing' },
  { key: 'v2r', to: '/redirects', name: 'Redirects', says: 'view, and trying an address' },
  { key: 'v2l', to: '/link-check', name: 'Link check', says: 'what is wrong in the shop, and the mends' },
  { key: 'v2m', to: '/mailbox', name: 'Mailbox', says: 'lists of people who signed up, and mails' },
  { key: 'v0', to: '/first-steps', name: 'First steps', says: 'what a new shop needs' },
  { key: 'v2q', to: '/people', name: 'People', says: 'who works here, and what was done' },
  { key: 'v2s', to: '/account', name: 'Your account', says: 'password, second factor, sessions' },
  { key: 'v3', to: '/releases', name: 'Releases', says: 'view' },
];

/** What is wrong comes last, and there may be much of it. */
const KINDS_SHOWN = 3;

/** Goes to any place, menu, view or finding by a few letters. */
export function Finder({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  // What was typed before the field was there is meant for it.
  useEffect(() => {
    const letters = takeLetters();
    setTyped((now) => letters + now);
  }, []);
  const queries = useQueryClient();
  const ask = async (words: string, signal: AbortSignal): Promise<Found[]> => {
    const has = (name: string) => name.toLowerCase().includes(words.toLowerCase());
    const [frame, places, wrong] = await Promise.all([
      queries.fetchQuery({ ...frameQuery, staleTime: 60_000 }),
      words === '' ? { rows: [] } : findPlaces(words, signal),
      words === '' ? { groups: [] } : queries.fetchQuery({ ...findingsQuery('workbench', words), staleTime: 60_000 }),
    ]);
    return [
      ...views.filter(({ name }) => has(name)),
      ...frame.menus
        .filter(({ name }) => has(name))
        .map(({ id, name, bays }) => ({ key: id, to: `/menus/${id}`, name, says: bays.length > 0 ? `menu · ${bays.join(', ')}` : 'menu' })),
      ...places.rows.map(({ place }) => ({
        key: place.id,
        to: `/places/${place.id}`,
        name: place.title,
        says: `${place.kindWords} · ${place.address}`,
        light: place.light,
      })),
      ...wrong.groups.slice(0, KINDS_SHOWN).map(({ kind, words: name, count, findings }) => ({
        key: kind,
        to: `/link-check?${new URLSearchParams({ q: words })}`,
        name,
        says: `finding · ${count === 1 ? (findings[0]?.subject.name ?? '') : `${count} like this`}`,
      })),
    ];
  };
  return (
    <Dialog open onClose={onClose} title="Find anything" titleShown={false}>
      <div id="finder" className="contents">
        <Choose
          label="A place, a menu, a view or a finding"
          ask={ask}
          keyOf={({ key }) => key}
          show={(one) => (
            <>
              {one.light ? <Lantern light={one.light} /> : <span className="w-4.5" />}
              <span className="truncate font-medium">{one.name}</span>
              <span className="ml-auto truncate text-sm text-soft">{one.says}</span>
            </>
          )}
          chosen=""
          typed={typed}
          onType={setTyped}
          always
          autoFocus
          onEscape={onClose}
          onChoose={(one) => {
            onClose();
            if (one) navigate(one.to);
          }}
        />
      </div>
    </Dialog>
  );
}
