import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask } from '../api/client';
import { Lantern } from '../parts/Lantern';
import { Modal } from '../parts/Modal';

type Found = { key: string; to: string; name: string; says: string; light?: 'open' | 'quiet' | 'closed' };

const views: Found[] = [
  { key: 'v1', to: '/menus', name: 'Menus', says: 'view' },
  { key: 'v2', to: '/places', name: 'Places', says: 'view' },
  { key: 'v2r', to: '/redirects', name: 'Redirects', says: 'view, and trying an address' },
  { key: 'v2p', to: '/places/policies', name: 'Policies', says: 'write the ones that are missing' },
  { key: 'v3', to: '/releases', name: 'Releases', says: 'view' },
];

/** Goes to any place, menu or view by a few letters. */
export function Finder({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [words, setWords] = useState('');
  const [active, setActive] = useState(0);
  const navigate = useNavigate();
  const frame = useQuery({ queryKey: ['frame'], queryFn: () => ask(api.GET('/api/frame')), enabled: open });
  const places = useQuery({
    queryKey: ['places', 'find', words],
    queryFn: () => ask(api.GET('/api/places/find', { params: { query: { q: words } } })),
    enabled: open && words !== '',
    placeholderData: keepPreviousData,
  });
  const has = (name: string) => name.toLowerCase().includes(words.toLowerCase());
  const found: Found[] = [
    ...views.filter(({ name }) => has(name)),
    ...(frame.data?.menus ?? [])
      .filter(({ name }) => has(name))
      .map(({ id, name, bays }) => ({ key: id, to: `/menus/${id}`, name, says: bays.length > 0 ? `menu · ${bays.join(', ')}` : 'menu' })),
    ...(words === '' ? [] : (places.data?.rows ?? [])).map(({ place }) => ({
      key: place.id,
      to: `/places/${place.id}`,
      name: place.title,
      says: `${place.kindWords} · ${place.address}`,
      light: place.light,
    })),
  ];
  const go = (one: Found | undefined) => {
    if (!one) return;
    onClose();
    setWords('');
    navigate(one.to);
  };
  return (
    <Modal open={open} onClose={onClose} title="Find anything" titleShown={false} className="top-[12vh] p-3">
      <input
        className="field"
        placeholder="A place, a menu or a view"
        aria-label="A place, a menu or a view"
        role="combobox"
        aria-expanded
        aria-controls="found"
        aria-activedescendant={found[active] ? `found-${active}` : undefined}
        value={words}
        onChange={(event) => {
          setWords(event.target.value);
          setActive(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            setActive((at) => Math.max(0, Math.min(found.length - 1, at + (event.key === 'ArrowDown' ? 1 : -1))));
          }
          if (event.key === 'Enter') go(found[active]);
        }}
      />
      <div id="found" role="listbox" aria-label="Found" className="mt-2 max-h-[50vh] overflow-auto">
        {found.map((one, index) => (
          // biome-ignore lint/a11y/useKeyWithClickEvents: the field above takes the keys
          // biome-ignore lint/a11y/useFocusableInteractive: the focus stays in the field above
          <div
            key={one.key}
            id={`found-${index}`}
            role="option"
            aria-selected={index === active}
            onClick={() => go(one)}
            className={`flex cursor-pointer items-center gap-2 rounded px-2 py-1.5 ${index === active ? 'bg-tide-wash' : ''}`}
          >
            {one.light ? <Lantern light={one.light} /> : <span className="w-[18px]" />}
            <span className="truncate font-medium">{one.name}</span>
            <span className="ml-auto truncate text-sm text-soft">{one.says}</span>
          </div>
        ))}
      </div>
      {found.length === 0 && <p className="p-2 text-soft">Nothing has these letters. Try fewer.</p>}
    </Modal>
  );
}
